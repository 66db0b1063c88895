package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;
import java.util.Arrays;

/**
 * Moments of two columns over the last n bars that both have a value for: bars only one of them has are passed over, so
 * that a holiday of one exchange does not silence the windows around it. At such a bar itself nothing is known. The inputs
 * are x, y and the time each bar opened; the last output is the time of the oldest bar the others are of.
 *
 * <p>Cost: that of {@link WindowMoments}. Memory: three numbers for each bar.
 */
public final class JointMoments implements Computation {
    private final int length;
    private final boolean changes;
    private final int outputCount;
    private final WindowMoments moments;
    private final Column[] joint = {new Column(0), new Column(0)};
    private final double[][] room;
    private double[] times = new double[0];
    private double lastX = Double.NaN;
    private double lastY = Double.NaN;
    private int count;

    /**
     * @param changes true for the logarithmic changes from one joint bar to the next, false for the values themselves
     * @param outputCount of the reading, without the time
     */
    public JointMoments(int length, boolean changes, int outputCount, WindowMoments.Reading reading) {
        this.length = length;
        this.changes = changes;
        this.outputCount = outputCount;
        moments = new WindowMoments(length, false, outputCount, reading);
        room = new double[outputCount][];
    }

    private static double change(double before, double now) {
        return before > 0 && now > 0 ? Math.log(now / before) : Double.NaN;
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[] x = inputs[0].values();
        double[] y = inputs[1].values();
        double[] time = inputs[2].values();
        int first = count;
        makeRoom(count + to - from);
        for (int bar = from; bar < to; bar++) {
            if (x[bar] == x[bar] && y[bar] == y[bar]) {
                joint[0].values()[count] = changes ? change(lastX, x[bar]) : x[bar];
                joint[1].values()[count] = changes ? change(lastY, y[bar]) : y[bar];
                times[count++] = time[bar];
                lastX = x[bar];
                lastY = y[bar];
            }
        }
        joint[0].resize(count);
        joint[1].resize(count);
        moments.advance(joint, first, count, room);
        int at = first;
        for (int bar = from; bar < to; bar++) {
            boolean both = x[bar] == x[bar] && y[bar] == y[bar];
            for (int output = 0; output < outputCount; output++) {
                outputs[output][bar] = both ? room[output][at] : Double.NaN;
            }
            boolean known = both && room[0][at] == room[0][at];
            outputs[outputCount][bar] = known ? oldest(at) : Double.NaN;
            at += both ? 1 : 0;
        }
    }

    private void makeRoom(int size) {
        joint[0].room(size);
        joint[1].room(size);
        if (times.length < size) {
            int capacity = size + (size >> 2) + 16;
            times = Arrays.copyOf(times, capacity);
        }
        for (int output = 0; output < outputCount; output++) {
            if (room[output] == null || room[output].length < size) {
                room[output] = new double[size + (size >> 2) + 16];
            }
        }
    }

    /** When the oldest bar of the window opened that ends at a joint bar. */
    private double oldest(int at) {
        int place = at - length + (changes ? 0 : 1);
        return place < 0 ? Double.NaN : times[place];
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        double x = inputs[0].forming();
        double y = inputs[1].forming();
        if (x != x || y != y) {
            Arrays.fill(result, Double.NaN);
            return;
        }
        joint[0].setForming(changes ? change(lastX, x) : x);
        joint[1].setForming(changes ? change(lastY, y) : y);
        moments.peek(joint, count, result);
        result[outputCount] =
                result[0] != result[0] ? Double.NaN : length == 1 && !changes ? inputs[2].forming() : oldest(count);
    }
}
