package dev.yardarm.core.instrument;

import java.util.Objects;

/** Identity of an instrument: the same code from two sources is two instruments. Written {@code source:CODE}. */
public record InstrumentId(String source, String code) {
    public InstrumentId {
        Objects.requireNonNull(source);
        Objects.requireNonNull(code);
        if (source.isBlank() || code.isBlank() || source.indexOf(':') >= 0) {
            throw new IllegalArgumentException(
                    "an instrument needs a source and a code: '" + source + ":" + code + "'");
        }
    }

    /** Reads {@code source:CODE}. */
    public static InstrumentId parse(String text) {
        int colon = text.indexOf(':');
        if (colon < 1) {
            throw new IllegalArgumentException("expected source:CODE, found '" + text + "'");
        }
        return new InstrumentId(text.substring(0, colon), text.substring(colon + 1));
    }

    // Written out: a record's own are put together when they are first used, which costs each start ten milliseconds.
    @Override
    public boolean equals(Object other) {
        return other instanceof InstrumentId that && code.equals(that.code) && source.equals(that.source);
    }

    @Override
    public int hashCode() {
        return 31 * source.hashCode() + code.hashCode();
    }

    @Override
    public String toString() {
        return source + ":" + code;
    }
}
