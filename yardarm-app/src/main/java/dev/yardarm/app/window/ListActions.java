package dev.yardarm.app.window;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.list.ListWork;
import java.util.List;
import javafx.scene.input.Clipboard;

/** Lists from the command line: the list gone through and the chart in hand are what the commands act on. */
final class ListActions {
    private final Workbench bench;
    private final ChartPage page;
    private final ListWork work;

    ListActions(Workbench bench, ChartPage page) {
        this.bench = bench;
        this.page = page;
        work = bench.desk().listWork();
    }

    void run(LineCommand.OfList of) {
        String list = bench.room().listName();
        String rest = of.rest().strip();
        InstrumentId shown = bench.room().instrument().map(each -> each.id()).orElse(null);
        switch (of.verb()) {
            case "show" ->
                bench.desk().books().lists().stream()
                        .map(each -> each.name())
                        .filter(name -> name.equalsIgnoreCase(rest))
                        .findFirst()
                        .ifPresentOrElse(bench.room()::setList, () -> bench.desk()
                                .tell("There is no list '" + rest + "'. Make one with: list new " + rest));
            case "new" -> bench.room().setList(work.make(rest, List.of()));
            case "name" -> {
                if (work.rename(list, rest)) {
                    bench.room().setList(rest);
                }
            }
            case "add" -> {
                if (shown != null) {
                    work.add(list, shown);
                }
            }
            case "remove" -> {
                if (shown != null) {
                    work.remove(list, shown);
                }
            }
            case "delete" -> {
                work.delete(list);
                bench.room().setList(bench.desk().books().lists().get(0).name());
            }
            case "sort" -> work.sort(list, rest);
            case "paste" -> {
                String text = Clipboard.getSystemClipboard().getString();
                page.lists().paste(text == null ? "" : text);
            }
            case "sector", "tier" -> work.bySectorOrTier(rest).ifPresent(bench.room()::setList);
            case "weight" -> weight(rest);
            case "colour" -> work.colour(list, number(rest));
            case "move" -> work.moveToSource(list, rest);
            default -> bench.desk().tell("Lists know no '" + of.verb() + "'.");
        }
    }

    /** {@code PV60} for the top half, {@code PV60 80} for 80 per cent. */
    private void weight(String rest) {
        String[] words = rest.split("\\s+");
        double part = words.length > 1 ? number(words[1]) / 100.0 : 0.5;
        work.byWeight(words[0], part > 0 && part <= 1 ? part : 0.5, bench.room()::setList);
    }

    private static int number(String text) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException noNumber) {
            return 0;
        }
    }
}
