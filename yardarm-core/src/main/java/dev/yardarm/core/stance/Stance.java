package dev.yardarm.core.stance;

import dev.yardarm.core.instrument.InstrumentId;
import java.util.Objects;

/**
 * The stance on an instrument, with a note.
 *
 * @param reason why it is skipped; empty for the other kinds
 * @param at when it was taken, microseconds UTC of the market's clock
 */
public record Stance(InstrumentId instrument, Kind kind, String reason, String note, long at) {
    /** The choice. */
    public enum Kind {
        /** Seen, but nothing decided: there is only a note. */
        NONE("–"),
        LONG("long"),
        SHORT("short"),
        WAIT("wait"),
        SKIP("skip");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    public Stance {
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(kind);
        reason = reason == null ? "" : reason;
        note = note == null ? "" : note;
    }

    /** The choice with its reason, and the note; empty when there is neither. */
    public String words() {
        return (kind == Kind.NONE ? "" : kind.word() + (reason.isEmpty() ? "" : ": " + reason))
                + (note.isEmpty() ? "" : "  \u201c" + note + "\u201d");
    }

    public static Stance none(InstrumentId instrument) {
        return new Stance(instrument, Kind.NONE, "", "", 0);
    }

    /** The same at another moment. */
    public Stance at(long time) {
        return new Stance(instrument, kind, reason, note, time);
    }

    public Stance withKind(Kind newKind, String newReason, long time) {
        return new Stance(instrument, newKind, newKind == Kind.SKIP ? newReason : "", note, time);
    }

    public Stance withNote(String newNote, long time) {
        return new Stance(instrument, kind, reason, newNote, time);
    }
}
