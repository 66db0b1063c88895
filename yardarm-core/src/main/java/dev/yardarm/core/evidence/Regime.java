package dev.yardarm.core.evidence;

/** What kind of market it is: which way and how restless. */
public enum Regime {
    /** Above its average, with small changes. */
    RISING_CALM("rising, calm"),
    /** Above its average, with large changes. */
    RISING_RESTLESS("rising, restless"),
    /** Below its average, with small changes. */
    FALLING_CALM("falling, calm"),
    /** Below its average, with large changes. */
    FALLING_RESTLESS("falling, restless"),
    /** Before there is enough of a past to tell. */
    UNKNOWN("not known yet");

    private final String words;

    Regime(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    static Regime of(boolean rising, boolean restless) {
        return rising ? restless ? RISING_RESTLESS : RISING_CALM : restless ? FALLING_RESTLESS : FALLING_CALM;
    }
}
