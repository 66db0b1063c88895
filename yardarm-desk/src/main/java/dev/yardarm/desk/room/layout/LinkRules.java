package dev.yardarm.desk.room.layout;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What charts of a link colour share; to be chosen for each colour. */
public final class LinkRules {
    /** Number of link colours; they are numbered from 1. */
    public static final int COLOURS = 6;

    /** What can be shared. */
    public enum Shared {
        INSTRUMENT("what", "what: the instrument", "instrument"),
        TIMEFRAME("how", "how: the timeframe", "timeframe"),
        VISIBLE_TIME("where", "where: the place in time", "visible", "time"),
        CROSSHAIR("pointer", "the pointer", "crosshair"),
        DRAWINGS("selection", "the selected drawing", "chosen", "selected", "drawing", "drawings");

        private final String word;
        private final String words;
        private final Set<String> others;

        Shared(String word, String words, String... others) {
            this.word = word;
            this.words = words;
            this.others = Set.of(others);
        }

        /** Its word on the command line. */
        public String word() {
            return word;
        }

        /** What it is called on screen. */
        public String words() {
            return words;
        }

        /** Whether a typed word means it. */
        public boolean isCalled(String typed) {
            return word.equals(typed) || others.contains(typed);
        }
    }

    private final List<Set<Shared>> byColour = new ArrayList<>();

    LinkRules() {
        for (int colour = 0; colour <= COLOURS; colour++) {
            byColour.add(EnumSet.of(Shared.INSTRUMENT, Shared.CROSSHAIR, Shared.DRAWINGS));
        }
    }

    public boolean shares(int colour, Shared what) {
        return colour > 0 && colour <= COLOURS && byColour.get(colour).contains(what);
    }

    public Set<Shared> of(int colour) {
        return Set.copyOf(byColour.get(colour));
    }

    void set(int colour, Set<Shared> shared) {
        byColour.set(colour, shared.isEmpty() ? EnumSet.noneOf(Shared.class) : EnumSet.copyOf(shared));
    }
}
