package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.Computation;
import dev.yardarm.core.series.Column;

/**
 * Volume against the usual one. Of intraday bars the last volumes are kept for each minute of the session a bar began at,
 * of bars of a day and longer those of all bars: they all begin with their session, at minute 0 of it or an earlier
 * one's, and count as one kind. Memory: n values for each kind.
 */
final class UsualVolume implements Computation {
    /** Place of bars of a day and longer, behind the minutes of the longest session: a day on which clocks go back has 25 hours. */
    private static final int LONG = 2 * 1440;

    private static final int DAY = 1440;

    private final int length;
    private final Kept[] byMinute = new Kept[LONG + 1];

    /** The last volumes of one kind of bars. */
    private static final class Kept {
        private final double[] volumes;
        private int count;

        Kept(int length) {
            volumes = new double[length];
        }

        double against(double volume) {
            if (count < volumes.length) {
                return Double.NaN;
            }
            double sum = 0;
            for (double each : volumes) {
                sum += each;
            }
            return sum == 0 ? Double.NaN : volume / (sum / volumes.length);
        }

        void take(double volume) {
            volumes[count % volumes.length] = volume;
            count++;
            if (count == 2 * volumes.length) {
                count = volumes.length;
            }
        }
    }

    UsualVolume(int length) {
        this.length = length;
    }

    private Kept kept(double minute, double span) {
        int place = span >= DAY ? LONG : Math.floorMod((int) minute, LONG);
        if (byMinute[place] == null) {
            byMinute[place] = new Kept(length);
        }
        return byMinute[place];
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[] volumes = inputs[0].values();
        double[] minutes = inputs[1].values();
        double[] spans = inputs[2].values();
        for (int bar = from; bar < to; bar++) {
            Kept kept = kept(minutes[bar], spans[bar]);
            outputs[0][bar] = kept.against(volumes[bar]);
            kept.take(volumes[bar]);
        }
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        result[0] = kept(inputs[1].forming(), inputs[2].forming()).against(inputs[0].forming());
    }
}
