package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * The highest and lowest settled swings of all bars and of the last 365 days: see {@link Levels}. Of a year are kept those that no later
 * one goes beyond, so that the next is known when the first is too old. O(1) a bar and a swing, over all of them.
 */
final class Extremes implements ClosingTaker {
    private static final long YEAR = 365 * Times.DAY;

    private final Side highs;
    private final Side lows;

    Extremes() {
        this(new Side(true), new Side(false));
    }

    private Extremes(Side highs, Side lows) {
        this.highs = highs;
        this.lows = lows;
    }

    @Override
    public void moved(boolean high, Bars bars, int at, int bar, FindingLog log) {
        // A swing that may still move is no extreme.
    }

    @Override
    public void confirmed(boolean high, Bars bars, int at, int bar, RangeMeasure usual, FindingLog log) {
        Turn turn = new Turn(high, at, bars.openTime(at), high ? bars.high(at) : bars.low(at));
        (high ? highs : lows).take(turn, bars, bar, log);
    }

    @Override
    public void closed(Bars bars, int bar, FindingLog log) {
        highs.follow(bars, bar, log);
        lows.follow(bars, bar, log);
    }

    @Override
    public ClosingTaker copy() {
        return new Extremes(highs.copy(), lows.copy());
    }

    /**
     * An extreme that stands.
     *
     * @param number in the log
     * @param broken whether a close was beyond it
     */
    private record Standing(Turn turn, int number, boolean broken) {}

    /** Highs or lows. */
    private static final class Side {
        private final boolean high;
        private final int sign;
        /** Each goes less far than the one before it. */
        private final List<Turn> ofYear = new ArrayList<>();

        private Standing all;
        private Standing year;

        Side(boolean high) {
            this.high = high;
            this.sign = high ? 1 : -1;
        }

        Side copy() {
            Side copy = new Side(high);
            copy.ofYear.addAll(ofYear);
            copy.all = all;
            copy.year = year;
            return copy;
        }

        void take(Turn turn, Bars bars, int bar, FindingLog log) {
            while (!ofYear.isEmpty() && sign * ofYear.get(ofYear.size() - 1).price() <= sign * turn.price()) {
                ofYear.remove(ofYear.size() - 1);
            }
            ofYear.add(turn);
            if (all == null || sign * turn.price() >= sign * all.turn().price()) {
                all = next(all, turn, high ? "all_time_high" : "all_time_low", 0.8, bars, bar, log);
            }
        }

        void follow(Bars bars, int bar, FindingLog log) {
            while (!ofYear.isEmpty() && ofYear.get(0).time() < bars.openTime(bar) - YEAR) {
                ofYear.remove(0);
            }
            Turn first = ofYear.isEmpty() ? null : ofYear.get(0);
            boolean other = first != null && !first.equals(all.turn());
            if (year != null && !(other && first.equals(year.turn()))) {
                log.become(year.number(), Finding.State.EXPIRED, bar);
                year = null;
            }
            if (other && year == null) {
                year = next(null, first, high ? "year_high" : "year_low", 0.6, bars, bar, log);
            }
            all = broken(all, bars, bar, log);
            year = broken(year, bars, bar, log);
        }

        private Standing next(
                Standing before, Turn turn, String kind, double score, Bars bars, int bar, FindingLog log) {
            if (before != null) {
                log.become(before.number(), Finding.State.EXPIRED, bar);
            }
            Finding finding = new Finding(
                    kind,
                    List.of(turn.as(high ? "high" : "low")),
                    Map.of("price", turn.price()),
                    Double.NaN,
                    Double.NaN,
                    score);
            int number = log.foundSettled(finding, bar);
            return broken(new Standing(turn, number, false), bars, bar, log);
        }

        private Standing broken(Standing of, Bars bars, int bar, FindingLog log) {
            if (of == null
                    || of.broken()
                    || sign * bars.close(bar) <= sign * of.turn().price()) {
                return of;
            }
            log.become(of.number(), Finding.State.BROKEN, bar);
            return new Standing(of.turn(), of.number(), true);
        }
    }
}
