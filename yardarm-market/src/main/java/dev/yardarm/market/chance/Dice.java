package dev.yardarm.market.chance;

/**
 * A stream of random numbers told by its keys: the same keys give the same numbers on every machine, and streams of
 * different keys have nothing to do with each other.
 *
 * <p>The generator is SplitMix64 (G. Steele, D. Lea, C. Flood, "Fast splittable pseudorandom number generators", 2014):
 * a counter and a mixing function, 8 bytes of state.
 */
public final class Dice {
    private static final long STEP = 0x9E3779B97F4A7C15L;
    private long state;

    public Dice(long seed, long... keys) {
        state = mix(seed + STEP);
        for (long key : keys) {
            state = mix(state ^ mix(key + STEP));
        }
    }

    /** A key from a name. */
    public static long key(String name) {
        long key = 1469598103934665603L;
        for (int at = 0; at < name.length(); at++) {
            key = (key ^ name.charAt(at)) * 1099511628211L;
        }
        return key;
    }

    private static long mix(long value) {
        long mixed = (value ^ (value >>> 30)) * 0xBF58476D1CE4E5B9L;
        mixed = (mixed ^ (mixed >>> 27)) * 0x94D049BB133111EBL;
        return mixed ^ (mixed >>> 31);
    }

    public long bits() {
        state += STEP;
        return mix(state);
    }

    /** Uniform from 0 (included) to 1 (excluded). */
    public double uniform() {
        return (bits() >>> 11) * 0x1.0p-53;
    }

    public double between(double from, double to) {
        return from + (to - from) * uniform();
    }

    /** Uniform whole number from 0 to bound - 1. */
    public int below(int bound) {
        return (int) ((bits() >>> 33) * bound >>> 31);
    }

    /**
     * Roughly normal with mean 0 and standard deviation 1: the sum of four 16-bit uniform numbers from one draw. Bounded
     * at 3.46; tails are added where they matter.
     */
    public double bell() {
        long bits = bits();
        long sum = (bits & 0xFFFF) + ((bits >>> 16) & 0xFFFF) + ((bits >>> 32) & 0xFFFF) + (bits >>> 48);
        return (sum - 131070.0) / 37837.2;
    }

    /** Roughly normal with fat tails: one draw in twenty is wider by a factor of 2.5. */
    public double fat() {
        double value = bell();
        return uniform() < 0.05 ? 2.5 * value : 0.9 * value;
    }

    /** Exponential with mean 1. */
    public double exponential() {
        return -Math.log(1 - uniform());
    }
}
