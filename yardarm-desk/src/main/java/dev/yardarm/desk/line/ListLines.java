package dev.yardarm.desk.line;

/** Lines about lists of instruments. */
public final class ListLines {
    private ListLines() {}

    /** What is done with a list. */
    public enum ListVerb {
        SHOW,
        NEW,
        NAME,
        ADD,
        REMOVE,
        DELETE,
        SORT,
        PASTE,
        SECTOR,
        TIER,
        WEIGHT,
        COLOUR,
        MOVE
    }

    /** Something done with a list. */
    public record OfList(ListVerb verb, String rest) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            ListLine.run(this, hands);
        }
    }
}
