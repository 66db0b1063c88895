package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Reader;
import java.util.HashMap;
import java.util.Map;

/**
 * A cue: a bar comes back to a standing level and holds. From above: the close before lies above the upper edge, the low reaches it, and
 * the close is not below the lower edge; from below mirrored. Levels count from the bar after the one they were settled at. O(levels) a
 * bar, of which there are at most 60.
 */
final class Retest implements Reader {
    private final boolean fromAbove;
    private final Map<Integer, double[]> bands = new HashMap<>();
    private final Map<Integer, double[]> fresh = new HashMap<>();

    Retest(boolean fromAbove) {
        this.fromAbove = fromAbove;
    }

    @Override
    public void note(FindingLog.Standing entry) {
        if (entry.state() == Finding.State.CONFIRMED) {
            double[] edges = Levels.edges(entry.finding());
            fresh.put(entry.number(), new double[] {edges[0], edges[edges.length - 1]});
        } else if (entry.state().isEnd()) {
            bands.remove(entry.number());
            fresh.remove(entry.number());
        }
    }

    @Override
    public double at(Bars bars, int bar) {
        double held = 0;
        if (bar > 0) {
            double before = bars.close(bar - 1);
            for (double[] band : bands.values()) {
                boolean holds = fromAbove
                        ? before > band[1] && bars.low(bar) <= band[1] && bars.close(bar) >= band[0]
                        : before < band[0] && bars.high(bar) >= band[0] && bars.close(bar) <= band[1];
                held = holds ? 1 : held;
            }
        }
        bands.putAll(fresh);
        fresh.clear();
        return held;
    }

    @Override
    public Reader copy() {
        Retest copy = new Retest(fromAbove);
        copy.bands.putAll(bands);
        copy.fresh.putAll(fresh);
        return copy;
    }
}
