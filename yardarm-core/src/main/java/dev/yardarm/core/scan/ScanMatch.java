package dev.yardarm.core.scan;

/** Whether a scan holds for an instrument. */
public enum ScanMatch {
    /** The condition does not hold at the last bar, or cannot be told. */
    NO,
    /** It holds at the last bar, which is still forming: it may cease to hold before it closes. */
    PROVISIONAL,
    /** It holds at the last bar, which is closed. */
    YES
}
