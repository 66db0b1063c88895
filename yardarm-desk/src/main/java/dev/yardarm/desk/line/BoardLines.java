package dev.yardarm.desk.line;

import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Lines about the quote board: {@code board Large caps, Futures} shows lists as groups, {@code wall PV60 members} as tiles, {@code column rsi(close,
 * 14)} adds a column, {@code half of PV60} makes the list of the members that make up half of an index.
 */
public final class BoardLines {
    private static final Pattern BOARD = Pattern.compile("(?i)(board|wall)\\s+(.+)");
    private static final Pattern COLUMN = Pattern.compile("(?i)column\\s+(.+)");
    private static final Pattern HALF = Pattern.compile("(?i)half(?:\\s+of)?\\s+(\\S+)");

    private BoardLines() {}

    /** What the line means; nothing when it is not about the board. */
    static List<Proposal> read(String text, Language language) {
        Matcher board = BOARD.matcher(text);
        if (board.matches()) {
            boolean wall = board.group(1).toLowerCase(Locale.ROOT).equals("wall");
            List<String> lists = Arrays.stream(board.group(2).split(","))
                    .map(String::strip)
                    .filter(each -> !each.isEmpty())
                    .toList();
            return List.of(new Proposal(
                    "board",
                    text,
                    (wall ? "tiles of " : "quotes of ") + String.join(", ", lists),
                    new Show(lists, wall)));
        }
        Matcher column = COLUMN.matcher(text);
        if (column.matches()) {
            String formula = column.group(1).strip();
            try {
                Formula.parse(formula, language);
                return List.of(new Proposal(
                        "column", text, "a column of the quote board, on daily bars", new Column(formula)));
            } catch (FormulaException bad) {
                return List.of(new Proposal("column", text, bad.getMessage(), null));
            }
        }
        if (text.strip().equalsIgnoreCase("column")) {
            return List.of(new Proposal("column", "column ", "and a formula, such as rsi(close, 14)", null));
        }
        Matcher half = HALF.matcher(text);
        return half.matches()
                ? List.of(new Proposal(
                        "list",
                        text,
                        "the members that make up half of " + half.group(1).toUpperCase(Locale.ROOT),
                        new ListLines.OfList(ListLines.ListVerb.WEIGHT, half.group(1))))
                : List.of();
    }

    /** Shows lists on the board, each as a group. */
    public record Show(List<String> lists, boolean wall) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            List<String> all = hands.desk().books().lists().stream()
                    .map(list -> list.name())
                    .toList();
            List<String> found = lists.stream()
                    .flatMap(wanted -> all.stream().filter(wanted::equalsIgnoreCase))
                    .toList();
            List<String> missing = lists.stream()
                    .filter(wanted -> all.stream().noneMatch(wanted::equalsIgnoreCase))
                    .toList();
            if (!missing.isEmpty()) {
                hands.desk()
                        .tell("There is no list " + String.join(", ", missing) + ". There are: "
                                + String.join(", ", all) + ".");
                return;
            }
            hands.board(found, wall);
        }
    }

    /** Adds a column to the board. */
    public record Column(String formula) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.boardColumn(formula);
        }
    }
}
