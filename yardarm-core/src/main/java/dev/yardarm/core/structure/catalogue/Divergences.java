package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.calculation.Stepped;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Given;
import dev.yardarm.core.structure.Happened;
import dev.yardarm.core.structure.NewestStanding;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Swings of price that another column does not confirm. At two highs in turn: bearish where price rises and the column falls, hidden
 * bearish where price falls and the column rises; lows mirrored. The column is read at its extreme within two bars of the swing.
 *
 * <p>Provisional while the second swing still moves, confirmed when it is settled. Reached (played out) by a close beyond the swing
 * between the two, failed (invalidated) by one beyond the second, expired when neither came in time. O(1) a bar, and what waits.
 */
public final class Divergences extends Detector {
    private static final int NEAR = 2;
    private static final int MOST = 20;

    public Divergences() {
        super("divergences", "Divergences");
        also("divergence", "non-confirmation", "hidden divergence", "rsi divergence");
        source();
        choice(
                "against",
                "Against",
                "rsi",
                "macd",
                "stochastic",
                "cci",
                "momentum",
                "roc",
                "mfi",
                "obv",
                "delta",
                "band_excess");
        number("swing", "Size of the swings, in usual ranges", 2.5, 0.2, 100);
        whole("apart", "Most bars between the swings", 60, 2, 1000);
        whole("within", "Plays out within bars", 40, 1, 5000);
        kind("bullish", "Bullish divergence");
        kind("bearish", "Bearish divergence");
        kind("hidden_bullish", "Hidden bullish divergence");
        kind("hidden_bearish", "Hidden bearish divergence");
        for (String[] each : new String[][] {
            {"bullish", "Bullish"},
            {"bearish", "Bearish"},
            {"hidden_bullish", "Hidden bullish"},
            {"hidden_bearish", "Hidden bearish"}
        }) {
            cue(each[0], each[1] + " divergence is settled", chosen -> Happened.to(each[0], Finding.State.CONFIRMED));
            cue(
                    PROVISIONAL + each[0],
                    each[1] + " divergence may come",
                    chosen -> NewestStanding.forming(found -> found.kind().equals(each[0])));
        }
        column("target", "Swing between the two of the newest", open -> NewestStanding.of(open, Finding::target));
        column("invalidation", "Price that ends the newest", open -> NewestStanding.of(open, Finding::invalidation));
        cue("reached", "One has played out", chosen -> Happened.to(each -> true, Finding.State.REACHED));
        cue("failed", "One is invalidated", chosen -> Happened.to(each -> true, Finding.State.FAILED));
        help(
                "Where price goes on and what is measured of it does not.",
                "Over swings settled as by pivots at swing times the mean of the last 100 true ranges, two in turn on one side at "
                        + "most apart bars apart. Of highs: bearish where the second is higher in price and lower in the column, "
                        + "hidden_bearish where it is lower in price and higher in the column; lows mirrored. The column is the highest (of "
                        + "lows the lowest) within two bars of the swing; it is the source, or else against with its default settings, "
                        + "delta as its sum since the first bar, of one kind of data: swings on both sides of where trades begin to be known are not "
                        + "compared. "
                        + "Provisional while the second may move. Reached: a close beyond the swing between; failed: a close beyond "
                        + "the second; expired after within bars. score: the difference over the reach of the column since 50 bars "
                        + "before the first.",
                "Regular ones warn that a move tires, hidden ones that a pullback is over.",
                "In a strong trend they come one after the other while price goes on; without a turn of price they are no signal.",
                "J. Welles Wilder, New Concepts in Technical Trading Systems (1978), on failure swings and divergence.");
    }

    @Override
    public String word() {
        return "divergence";
    }

    @Override
    protected ColumnGraph.Node source(ColumnGraph graph, Settings chosen) {
        Indicator against = Catalogue.builtIn().find(chosen.word("against")).orElseThrow();
        return against.name().equals("delta")
                ? bought(graph, against)
                : against.in(graph, Settings.standard(against)).get(0);
    }

    /**
     * Bought less sold since the first bar, of one kind of data at a time: with the first bar whose trades are known, or are no longer known, it is
     * missing and begins anew.
     */
    private static ColumnGraph.Node bought(ColumnGraph graph, Indicator delta) {
        List<ColumnGraph.Node> day = delta.in(graph, Settings.of(delta, Map.of("period", "session")));
        ColumnGraph.Node traded = Operation.each(
                graph, "known from trades", 1, (in, out) -> out[0] = in[0] == in[0] ? 1 : 0, graph.tradedDelta())[0];
        return graph.computed(
                        "delta of one kind of data",
                        0,
                        1,
                        () -> new Stepped(new double[] {0, Double.NaN}, 2, 1, (in, state, out) -> {
                            boolean goesOn = in[1] == state[1];
                            boolean begins = state[1] != state[1];
                            state[0] = goesOn ? state[0] + in[0] : in[0];
                            state[1] = in[1];
                            out[0] = goesOn || begins ? state[0] : Double.NaN;
                        }),
                        day.get(1),
                        traded)[0];
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        return new Search(
                given.source(),
                chosen.whole("apart"),
                chosen.whole("within"),
                chosen.word("against").equals("delta"),
                new RangeMeasure(),
                new ReversedSwings<>(new MovingTurns(), chosen.number("swing")));
    }

    /** One that waits to play out. */
    private record Open(int number, boolean bearish, double target, double end, int until) {}

    private static final class Search implements Detection {
        private final Column column;
        private final int apart;
        private final int within;
        /** True when what the column says at two bars can be compared only where it is known at all bars between. */
        private final boolean ofOneSum;

        private final RangeMeasure usual;
        private final ReversedSwings<MovingTurns> swings;
        private final List<Open> open = new ArrayList<>();
        /** The provisional one; -1 for none. */
        private int pending = -1;

        private Finding shown;

        Search(
                Column column,
                int apart,
                int within,
                boolean ofOneSum,
                RangeMeasure usual,
                ReversedSwings<MovingTurns> swings) {
            this.ofOneSum = ofOneSum;
            this.column = column;
            this.apart = apart;
            this.within = within;
            this.usual = usual;
            this.swings = swings;
        }

        @Override
        public Detection copy() {
            Search copy = new Search(column, apart, within, ofOneSum, usual.copy(), swings.copy());
            copy.open.addAll(open);
            copy.pending = pending;
            copy.shown = shown;
            return copy;
        }

        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                return;
            }
            usual.take(bars, bar);
            swings.take(bars, bar, usual, log);
            MovingTurns moves = swings.notes();
            List<Turn> turns = moves.settled().last();
            if (moves.settled().settledAt() == bar) {
                settle(turns, bar, log);
            }
            if (moves.movedAt() == bar && !turns.isEmpty()) {
                List<Turn> with = new ArrayList<>(turns);
                with.add(moves.running(bars));
                pend(with, bar, log);
            }
            follow(bars, bar, log);
        }

        /** The newest swing is settled: what was provisional about it is confirmed, or comes to nothing. */
        private void settle(List<Turn> turns, int bar, FindingLog log) {
            Finding settled = divergence(turns, bar);
            if (settled == null) {
                drop(log, bar);
                return;
            }
            note(settled, log, bar);
            log.become(pending, Finding.State.CONFIRMED, bar);
            if (open.size() < MOST) {
                open.add(new Open(
                        pending,
                        settled.kind().endsWith("bearish"),
                        settled.target(),
                        settled.invalidation(),
                        bar + within));
            }
            pending = -1;
            shown = null;
        }

        private void pend(List<Turn> turns, int bar, FindingLog log) {
            Finding now = divergence(turns, bar);
            if (now == null) {
                drop(log, bar);
            } else {
                note(now, log, bar);
            }
        }

        private void note(Finding now, FindingLog log, int bar) {
            if (pending >= 0 && !shown.kind().equals(now.kind())) {
                drop(log, bar);
            }
            if (pending < 0) {
                pending = log.found(now, bar);
            } else if (!now.equals(shown)) {
                log.changed(pending, now, bar);
            }
            shown = now;
        }

        private void drop(FindingLog log, int bar) {
            if (pending >= 0) {
                log.become(pending, Finding.State.VOID, bar);
                pending = -1;
                shown = null;
            }
        }

        /** What the newest swing and the one before it on its side say; null for nothing. */
        private Finding divergence(List<Turn> turns, int bar) {
            if (turns.size() < 3) {
                return null;
            }
            Turn second = turns.get(turns.size() - 1);
            Turn between = turns.get(turns.size() - 2);
            Turn first = turns.get(turns.size() - 3);
            if (second.bar() - first.bar() > apart
                    || ofOneSum && isBroken(first.bar() - NEAR, Math.min(bar, second.bar() + NEAR))) {
                return null;
            }
            int sign = second.high() ? 1 : -1;
            double one = extreme(first.bar(), sign, bar);
            double two = extreme(second.bar(), sign, bar);
            double price = sign * (second.price() - first.price());
            double measure = sign * (two - one);
            if (!(price > 0 && measure < 0) && !(price < 0 && measure > 0)) {
                return null;
            }
            String kind = (price < 0 ? "hidden_" : "") + (second.high() ? "bearish" : "bullish");
            String side = second.high() ? "high" : "low";
            return new Finding(
                    kind,
                    List.of(first.as("first_" + side), between.as("between"), second.as("second_" + side)),
                    Map.of(),
                    between.price(),
                    second.price(),
                    score(Math.abs(measure), first.bar(), bar));
        }

        private boolean isBroken(int from, int to) {
            for (int at = Math.max(0, from); at <= to; at++) {
                if (Double.isNaN(column.at(at))) {
                    return true;
                }
            }
            return false;
        }

        /** The farthest the column went near a bar, of the bars that have closed. */
        private double extreme(int at, int sign, int bar) {
            double found = Double.NaN;
            for (int each = Math.max(0, at - NEAR); each <= Math.min(bar, at + NEAR); each++) {
                double value = column.at(each);
                found = found != found || sign * value > sign * found ? value : found;
            }
            return found;
        }

        private double score(double difference, int first, int bar) {
            double most = Double.NEGATIVE_INFINITY;
            double least = Double.POSITIVE_INFINITY;
            for (int at = Math.max(0, first - 50); at <= bar; at++) {
                double value = column.at(at);
                most = value > most ? value : most;
                least = value < least ? value : least;
            }
            double reach = most - least;
            return reach > 0 ? Math.min(1, difference / reach) : 0;
        }

        private void follow(Bars bars, int bar, FindingLog log) {
            double close = bars.close(bar);
            open.removeIf(each -> {
                boolean reached = each.bearish() ? close < each.target() : close > each.target();
                boolean failed = each.bearish() ? close > each.end() : close < each.end();
                if (!reached && !failed && bar <= each.until()) {
                    return false;
                }
                log.become(
                        each.number(),
                        reached ? Finding.State.REACHED : failed ? Finding.State.FAILED : Finding.State.EXPIRED,
                        bar);
                return true;
            });
        }
    }
}
