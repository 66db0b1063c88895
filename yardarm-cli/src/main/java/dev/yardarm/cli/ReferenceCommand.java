package dev.yardarm.cli;

import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.profile.OrderFlowTerms;
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
    /** What holds for all indicators and formulas, a sentence for each choice that a definition leaves open. */
    private static final String CONVENTIONS =
            """
            What holds for all of them:

            * **Cues and crossings are missing, neither yes nor no, where anything they rest on is missing.** A crossing or a \
            turn needs the bar before, so there is none at the first bar that has values, however that bar stands. In a \
            condition missing counts as no.
            * **An average of equal values is that value**, to the last digit, and their sum n times the value; an unchanged \
            price leaves the relative strength index unchanged. What stands still crosses nothing.
            * A running sum (`obv`, `ad`, `pvt`, `nvi`, `pvi`, `delta`) begins anew after a bar without volume. `vwap` and \
            `anchored_vwap` leave such a bar out.
            * Logarithmic changes need both prices above 0. Division by 0 is missing; so is whatever is no finite number.
            * `round` rounds halves to the even neighbour: `round(2.5)` is 2.
            * A bar ends where the next one begins, and never later than the usual (median) distance of the bars after its \
            start; the bar of a date ends with that day by the clock of its zone, also when the day has 23 or 25 hours.
            * Bars of several days or weeks (`3D`, `2W`) are counted from Monday 1900-01-01.
            * Minutes of a session are elapsed ones: on the day clocks go back, an hour that stands twice by the clock has \
            minutes of its own.
            * `on forming` a timeframe gives what is known of the unfinished bar, and missing where that is missing; other \
            instruments are read there as of the same moment. A higher bar of another instrument is complete when its span is \
            over by the clock, whether that instrument trades again or not.
            """;

    @Spec
    private CommandSpec spec;

    @Option(names = "--formulas", description = "the reference of the formula language instead of the indicators")
    private boolean formulas;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        Output.write(out, spec.commandLine().getOut(), to -> to.write(formulas ? FormulaReference.text() : text()));
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
                        + "so.\n\n"
                        + CONVENTIONS);
        for (Indicator.Family family : Indicator.Family.values()) {
            List<Indicator> members = Catalogue.builtIn().with(OrderFlowTerms.all()).all().stream()
                    .filter(each -> each.family() == family)
                    .sorted(Comparator.comparing(Indicator::title, String.CASE_INSENSITIVE_ORDER))
                    .toList();
            if (!members.isEmpty()) {
                text.append("\n## ").append(family.title()).append("\n");
            }
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
        return "`" + setting.name() + "` " + setting.label() + " " + setting.standard() + range(setting);
    }

    /** What a setting may be, in parentheses. */
    private static String range(Setting setting) {
        if (setting instanceof Setting.Choice choice) {
            return " (" + String.join(", ", choice.words()) + ")";
        }
        if (setting instanceof Setting.Ordered ordered) {
            return " (some of " + String.join(", ", ordered.words()) + ", in any order)";
        }
        if (setting instanceof Setting.WholeNumber whole) {
            return " (" + whole.least() + " to " + whole.most() + ")";
        }
        if (setting instanceof Setting.Number number) {
            return " (" + Setting.Number.plain(number.least()) + " to " + Setting.Number.plain(number.most()) + ")";
        }
        if (setting instanceof Setting.Moment) {
            return " (a date, a date with time of day as 2026-03-02T10:30, or start)";
        }
        return "";
    }
}
