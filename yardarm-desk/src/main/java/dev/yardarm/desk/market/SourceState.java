package dev.yardarm.desk.market;

/**
 * Whether a source can be asked.
 *
 * @param since from when on something is missing, microseconds of the market's time; 0 otherwise
 * @param reason why, in words; empty when it is ready
 */
public record SourceState(Kind kind, long since, String reason) {
    /** How it stands. */
    public enum Kind {
        /** It is being opened; its instruments may still be missing. */
        CONNECTING,
        READY,
        /** Something of it is missing or comes late; nothing is shown that might be wrong. */
        BEHIND,
        /** It does not answer; what is kept of it is shown. */
        OFFLINE
    }

    public static final SourceState CONNECTING = new SourceState(Kind.CONNECTING, 0, "");
    public static final SourceState READY = new SourceState(Kind.READY, 0, "");

    /** Offline since a moment. */
    public static SourceState offline(long since, String reason) {
        return new SourceState(Kind.OFFLINE, since, reason == null ? "" : reason);
    }

    /** Something is missing since a moment. */
    public static SourceState behind(long since, String reason) {
        return new SourceState(Kind.BEHIND, since, reason);
    }

    /** True when it can be asked. */
    public boolean isReady() {
        return kind == Kind.READY;
    }
}
