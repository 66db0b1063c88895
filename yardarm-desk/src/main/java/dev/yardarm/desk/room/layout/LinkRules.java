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
        INSTRUMENT("instrument"),
        TIMEFRAME("timeframe"),
        CROSSHAIR("crosshair"),
        VISIBLE_TIME("visible time"),
        DRAWINGS("chosen drawing");

        private final String word;

        Shared(String word) {
            this.word = word;
        }

        public String word() {
            return word;
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
