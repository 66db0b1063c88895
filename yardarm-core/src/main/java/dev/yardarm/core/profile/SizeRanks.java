package dev.yardarm.core.profile;

/**
 * From which size on trades are the largest share of all so far, by counting them in classes each a hundredth larger than the one before: the
 * answer is the lower border of a class, at most one per cent from the exact one. O(1) a trade, a pass over the classes a question.
 */
final class SizeRanks {
    private static final double STEP = Math.log(1.01);
    private static final double SMALLEST = 1e-8;
    private static final int CLASSES = 5600;
    /** Of fewer the largest hundredth is a matter of chance. */
    private static final long LEAST = 1000;

    private final int[] counts = new int[CLASSES];
    private long all;

    void add(double size) {
        if (size > 0) {
            int of = (int) (Math.log(size / SMALLEST) / STEP + 1e-9);
            counts[Math.max(0, Math.min(CLASSES - 1, of))]++;
            all++;
        }
    }

    /** The size; missing while too few are known. */
    double atLeast(double share) {
        if (all < LEAST) {
            return Double.NaN;
        }
        long most = Math.max(1, (long) Math.floor(share * all));
        long above = 0;
        for (int of = CLASSES - 1; of >= 0; of--) {
            above += counts[of];
            if (above >= most) {
                // Counted whole: of equal sizes all or none are large.
                return above > most && above - counts[of] > 0 ? border(of + 1) : border(of);
            }
        }
        return Double.NaN;
    }

    private static double border(int of) {
        return SMALLEST * Math.exp(STEP * of) * (1 - 1e-12);
    }
}
