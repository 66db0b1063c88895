package dev.yardarm.desk.line;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.list.ListWork;
import java.util.List;

/** Lists from the command line: the list gone through and the active chart are what it acts on. */
final class ListLine {
    private ListLine() {}

    static void run(ListLines.OfList of, Hands hands) {
        ListWork work = hands.desk().listWork();
        String list = hands.room().listName();
        String rest = of.rest().strip();
        InstrumentId shown = hands.room().instrument().map(each -> each.id()).orElse(null);
        switch (of.verb()) {
            case SHOW ->
                hands.desk().books().lists().stream()
                        .map(each -> each.name())
                        .filter(name -> name.equalsIgnoreCase(rest))
                        .findFirst()
                        .ifPresentOrElse(hands.room()::setList, () -> hands.desk()
                                .tell("There is no list '" + rest + "'. Make one with: list new " + rest));
            case NEW -> hands.room().setList(work.make(rest, List.of()));
            case NAME -> {
                if (work.rename(list, rest)) {
                    hands.room().setList(rest);
                }
            }
            case ADD -> {
                if (shown != null) {
                    work.add(list, shown);
                }
            }
            case REMOVE -> {
                if (shown != null) {
                    work.remove(list, shown);
                }
            }
            case DELETE -> {
                work.delete(list);
                hands.room().setList(hands.desk().books().lists().get(0).name());
            }
            case SORT -> work.sort(list, rest);
            case PASTE -> hands.pasteList(hands.clipboard());
            case SECTOR, TIER -> work.bySectorOrTier(rest).ifPresent(hands.room()::setList);
            case WEIGHT -> weight(rest, work, hands);
            case COLOUR -> work.colour(list, number(rest));
            case MOVE -> work.moveToSource(list, rest);
        }
    }

    /** {@code PV60} for the top half, {@code PV60 80} for 80 per cent. */
    private static void weight(String rest, ListWork work, Hands hands) {
        String[] words = rest.split("\\s+");
        double part = words.length > 1 ? number(words[1]) / 100.0 : 0.5;
        work.byWeight(words[0], part > 0 && part <= 1 ? part : 0.5, hands.room()::setList);
    }

    private static int number(String text) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException noNumber) {
            return 0;
        }
    }
}
