package dev.yardarm.core.calculation;

/** The operations written out as loops, one each, so that none calls a function for every bar. */
final class Kernels {
    private Kernels() {}

    static void run(
            Operation operation,
            double[] left,
            int leftAt,
            double[] right,
            int rightAt,
            double[] out,
            int outAt,
            int count) {
        switch (operation) {
            case ADD -> add(left, leftAt, right, rightAt, out, outAt, count);
            case SUBTRACT -> subtract(left, leftAt, right, rightAt, out, outAt, count);
            case MULTIPLY -> multiply(left, leftAt, right, rightAt, out, outAt, count);
            case DIVIDE -> divide(left, leftAt, right, rightAt, out, outAt, count);
            case GREATER -> greater(left, leftAt, right, rightAt, out, outAt, count);
            case LESS -> greater(right, rightAt, left, leftAt, out, outAt, count);
            case AT_LEAST -> atLeast(left, leftAt, right, rightAt, out, outAt, count);
            case AT_MOST -> atLeast(right, rightAt, left, leftAt, out, outAt, count);
            case AND -> and(left, leftAt, right, rightAt, out, outAt, count);
            case OR -> or(left, leftAt, right, rightAt, out, outAt, count);
            case MINIMUM -> minimum(left, leftAt, right, rightAt, out, outAt, count);
            case MAXIMUM -> maximum(left, leftAt, right, rightAt, out, outAt, count);
            case OTHERWISE -> otherwise(left, leftAt, right, rightAt, out, outAt, count);
            default -> any(operation, left, leftAt, right, rightAt, out, outAt, count);
        }
    }

    private static void add(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            out[outAt + bar] = a[aAt + bar] + b[bAt + bar];
        }
    }

    private static void subtract(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            out[outAt + bar] = a[aAt + bar] - b[bAt + bar];
        }
    }

    private static void multiply(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            out[outAt + bar] = a[aAt + bar] * b[bAt + bar];
        }
    }

    private static void divide(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            double by = b[bAt + bar];
            out[outAt + bar] = by == 0 ? Double.NaN : a[aAt + bar] / by;
        }
    }

    /**
     * Which of two is larger is told by the sign of their difference, without a branch that half of all bars would take; adding 0
     * turns a negative zero into a positive one.
     */
    private static void greater(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            double left = a[aAt + bar];
            double right = b[bAt + bar];
            double apart = right - left + 0.0;
            out[outAt + bar] =
                    apart == apart ? Double.doubleToRawLongBits(apart) >>> 63 : Operation.GREATER.of(left, right);
        }
    }

    private static void atLeast(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            double left = a[aAt + bar];
            double right = b[bAt + bar];
            double apart = left - right + 0.0;
            out[outAt + bar] = apart == apart
                    ? 1 - (Double.doubleToRawLongBits(apart) >>> 63)
                    : Operation.AT_LEAST.of(left, right);
        }
    }

    /** Conditions are 0, 1 or missing: the product of two is what both are, but no and unknown is no. */
    private static void and(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            double left = a[aAt + bar];
            double right = b[bAt + bar];
            double both = left * right;
            out[outAt + bar] = both == both ? both : left == 0 || right == 0 ? 0 : Double.NaN;
        }
    }

    private static void or(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            double left = a[aAt + bar];
            double right = b[bAt + bar];
            double one = left + right - left * right;
            out[outAt + bar] = one == one ? one : left == 1 || right == 1 ? 1 : Double.NaN;
        }
    }

    private static void minimum(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            out[outAt + bar] = Math.min(a[aAt + bar], b[bAt + bar]);
        }
    }

    private static void maximum(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            out[outAt + bar] = Math.max(a[aAt + bar], b[bAt + bar]);
        }
    }

    private static void otherwise(double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            double left = a[aAt + bar];
            out[outAt + bar] = left == left ? left : b[bAt + bar];
        }
    }

    private static void any(
            Operation operation, double[] a, int aAt, double[] b, int bAt, double[] out, int outAt, int count) {
        for (int bar = 0; bar < count; bar++) {
            out[outAt + bar] = operation.of(a[aAt + bar], b[bAt + bar]);
        }
    }
}
