package dev.yardarm.core.evidence;

/**
 * The classes by which returns are counted: an eightieth of a per cent wide up to 2.5 % on either side, where returns of short bars
 * lie, and a quarter of a per cent beyond, from -100 % to +100 %. The first and the last hold what lies beyond, too.
 *
 * <p>Cost of a class: a multiplication and two comparisons.
 */
public final class ReturnClasses {
    private static final double NEAR = 0.025;
    private static final double FINE = 8000;
    private static final double COARSE = 400;
    /** Classes below the near ones, of the near ones, and above them. */
    private static final int BELOW = 390;

    private static final int BETWEEN = 400;

    /** How many there are. */
    public static final int COUNT = BELOW + BETWEEN + BELOW;

    private ReturnClasses() {}

    /**
     * The class of a return, from 0.
     *
     * @param came a number, a share: 0.01 is 1 %
     */
    public static int of(double came) {
        if (came >= -NEAR && came < NEAR) {
            return Math.min(BELOW + BETWEEN - 1, BELOW + (int) ((came + NEAR) * FINE));
        }
        return came < 0
                ? Math.max(0, Math.min(BELOW - 1, (int) ((came + 1) * COARSE)))
                : Math.min(COUNT - 1, BELOW + BETWEEN + (int) ((came - NEAR) * COARSE));
    }

    /** Where a class begins; that of {@link #COUNT} is where the last one ends. */
    public static double from(int number) {
        return number < BELOW
                ? -1 + number / COARSE
                : number < BELOW + BETWEEN
                        ? -NEAR + (number - BELOW) / FINE
                        : NEAR + (number - BELOW - BETWEEN) / COARSE;
    }
}
