package dev.yardarm.cli;

import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Writes the reference of all indicators as it stands in the catalogue. */
@Command(
        name = "reference",
        description = "Writes the reference of all indicators (Markdown).",
        mixinStandardHelpOptions = true)
final class ReferenceCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        Output.write(out, spec.commandLine().getOut(), to -> to.write(text()));
        return 0;
    }

    /** The whole reference. */
    static String text() {
        StringBuilder text =
                new StringBuilder("# Indicators\n\nMade from the catalogue by `./yardarm reference`; the same "
                        + "texts stand in the application. In a formula every indicator is called by its name, with its source "
                        + "when that is no plain number and its numbers in their order, or by the names of its settings "
                        + "(`bollinger(close, 20, 2)`, `rsi(length: 9)`); one of several outputs follows a point "
                        + "(`bollinger(20, 2).upper`). Outputs marked *cue* are conditions.\n\n"
                        + "Averages of the exponential family start from the simple average of their first n values and start "
                        + "anew after a missing value; a window that holds a missing value is missing; `stdev` divides by n; the "
                        + "first true range is high minus low. Where an indicator's publication says otherwise, its text says "
                        + "so.\n");
        for (Indicator.Family family : Indicator.Family.values()) {
            text.append("\n## ").append(family.title()).append("\n");
            List<Indicator> members = Catalogue.builtIn().all().stream()
                    .filter(each -> each.family() == family)
                    .sorted(Comparator.comparing(Indicator::title, String.CASE_INSENSITIVE_ORDER))
                    .toList();
            members.forEach(each -> describe(each, text));
        }
        return text.toString();
    }

    private static void describe(Indicator indicator, StringBuilder text) {
        Indicator.Help help = indicator.help();
        text.append("\n### ")
                .append(indicator.title())
                .append(" · `")
                .append(indicator.name())
                .append("`\n\n")
                .append(help.summary())
                .append("\n\n* **Computed**: ")
                .append(plain(help.formula()))
                .append("\n* **Read**: ")
                .append(help.reading())
                .append("\n* **Misleads**: ")
                .append(help.weakness())
                .append("\n* **From**: ")
                .append(help.origin());
        if (!indicator.settings().isEmpty()) {
            text.append("\n* **Settings**: ")
                    .append(String.join(
                            ", ",
                            indicator.settings().stream()
                                    .map(ReferenceCommand::setting)
                                    .toList()));
        }
        text.append("\n* **Outputs**: ")
                .append(String.join(
                        ", ",
                        indicator.outputs().stream()
                                .map(output ->
                                        "`" + output.name() + "` " + output.label() + (output.cue() ? " (*cue*)" : ""))
                                .toList()));
        text.append("\n* **Also found as**: ")
                .append(String.join(", ", indicator.synonyms()))
                .append('\n');
    }

    private static String plain(String formula) {
        return formula.replace("*", "\\*").replace("|", "\\|");
    }

    private static String setting(Setting setting) {
        String range = setting instanceof Setting.Choice choice ? " (" + String.join(", ", choice.words()) + ")" : "";
        return "`" + setting.name() + "` " + setting.label() + " " + setting.standard() + range;
    }
}
