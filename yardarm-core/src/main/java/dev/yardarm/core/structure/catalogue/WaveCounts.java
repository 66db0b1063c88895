package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Figured;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Given;
import dev.yardarm.core.structure.Happened;
import dev.yardarm.core.structure.NewestStanding;
import dev.yardarm.core.structure.Sight;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Wave counts on the swings of nested degrees: all that break no published rule, ranked by the guidelines they keep; the best few stand as
 * rival readings. A count ends in the swing that still moves and is provisional until its last wave is settled, an impulse until a close has left
 * its channel after that, in no more time than its last wave took (Glenn Neely, Mastering Elliott Wave, 1990); one that a better one
 * displaces, that price goes beyond or whose rules break was nothing. See {@link WaveForm} for rules, guidelines, targets and prices that void.
 *
 * <p>A swing that moves costs the forms times their lengths on its degree, about fourteen counts, and the sorting of those of all degrees.
 */
public final class WaveCounts extends Detector {
    private static final int MOST = 12;
    private static final List<String> DEGREES = List.of("minute", "minor", "intermediate", "primary", "cycle");

    public WaveCounts() {
        super("waves", "Wave counts");
        also("elliott", "impulse", "zigzag", "flat", "wave count", "scenario");
        number("swing", "Size of the smallest swings, in usual ranges", 3, 0.2, 100);
        whole("degrees", "Degrees", 3, 1, 5);
        whole("counts", "How many rival counts", 3, 1, 8);
        whole(ALONE, "Show one reading alone, from the best; 0 for all", 0, 0, 8);
        for (WaveForm form : WaveForm.values()) {
            String title = form.kind().substring(0, 1).toUpperCase(Locale.ROOT)
                    + form.kind().substring(1);
            for (int degree = 1; degree <= DEGREES.size(); degree++) {
                kind(form.kind() + Swings.suffix(degree), title + (degree == 1 ? "" : " of degree " + degree));
            }
        }
        cue(
                "impulse",
                "Five waves are complete",
                chosen -> Happened.to(each -> each.kind().startsWith("impulse"), Finding.State.CONFIRMED));
        cue(
                "correction",
                "A correction is complete",
                chosen -> Happened.to(each -> !each.kind().startsWith("impulse"), Finding.State.CONFIRMED));
        column(
                "target",
                "Nearer end of the target area of the newest count",
                open -> NewestStanding.of(open, Finding::target));
        column(
                "invalidation",
                "Price that voids the newest count",
                open -> NewestStanding.of(open, Finding::invalidation));
        cue("failed", "A complete count fails", chosen -> Happened.to(each -> true, Finding.State.FAILED));
        help(
                "Counts of waves that break no rule, the best few as rival readings.",
                "Swings of each degree settled as by pivots at swing, 2, 4 ... times swing of the mean of the last 100 true ranges. Every "
                        + "run of swings that ends in the one that still moves is tried as impulse, zigzag, flat, triangle and combination, begun "
                        + "or complete; what breaks a rule is none. score: the guidelines kept of those that can be asked, times 0.6 + 0.4 * "
                        + "the part of its waves that are there. Guidelines: 2 gives back 0.5 to 0.786 of 1, 3 is 1 to 2.618 of it, 4 gives "
                        + "back 0.236 to 0.382 of 3 and 0.5 at most, 2 and 4 differ by 0.15 in depth or by half in time, 5 is 0.618 to 1.618 of "
                        + "1; zigzag: B 0.382 to 0.786, C 0.618 to 1.618 of A; flat: B 1 to 1.38, C 1 to 1.618; triangle: each 0.5 to 0.9 "
                        + "of the one before; combination: Y 1 to 1.236 of W. target_from to target_to: where the wave under way may end, or "
                        + "what follows the last. Confirmed when the last wave is settled, an impulse when a close has left the line through the ends of 2 "
                        + "and 4 then, in no more time than 5 took; then reached in the target area, failed by a close "
                        + "beyond the end of the last wave.",
                "Rival counts say the same until a price where one of them ends: that price is the decision.",
                "There is nearly always a count that fits. It is a way to say where one is wrong, not a forecast.",
                "R. N. Elliott, The Wave Principle (1938); A. J. Frost, Robert R. Prechter, Elliott Wave Principle (1978); "
                        + "Glenn Neely, Mastering Elliott Wave (1990), on how an impulse is confirmed.");
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        List<ReversedSwings<MovingTurns>> degrees = new ArrayList<>();
        double size = chosen.number("swing");
        for (int degree = 0; degree < chosen.whole("degrees"); degree++) {
            degrees.add(new ReversedSwings<>(new MovingTurns(), size));
            size *= 2;
        }
        return new Search(
                chosen.whole("counts"), new RangeMeasure(), degrees, Collections.nCopies(degrees.size(), List.of()));
    }

    /** What a count is called among its rivals: {@code minor impulse 3}, with the wave under way; {@code minor impulse} when it is whole. */
    @Override
    public String reading(Finding count) {
        String form = form(count);
        String wave = count.points().get(count.points().size() - 1).role();
        boolean whole = WaveForm.of(form).waves().size() == count.points().size() - 1;
        return DEGREES.get(degree(count) - 1) + " " + form + (whole ? "" : " " + wave);
    }

    private static String form(Finding count) {
        int cut = count.kind().indexOf('_');
        return cut < 0 ? count.kind() : count.kind().substring(0, cut);
    }

    private static int degree(Finding count) {
        int cut = count.kind().indexOf('_');
        return cut < 0 ? 1 : Integer.parseInt(count.kind().substring(cut + 1));
    }

    /** The count as the drawing of its form, where it may end and what voids it while it stands. */
    @Override
    public List<Figured> figures(Sight sight) {
        Finding count = sight.finding();
        List<Anchor> anchors = count.points().stream()
                .map(each -> new Anchor(each.time(), each.price()))
                .toList();
        String form = form(count);
        List<Figured> parts = new ArrayList<>();
        parts.add(new Figured(
                form.equals("triangle") ? "wave_triangle" : form,
                anchors,
                Map.of("degree", DEGREES.get(degree(count) - 1)),
                "",
                true));
        if (!sight.state().isEnd()) {
            double near = count.lines().get("target_from");
            double far = count.lines().get("target_to");
            boolean up = far > count.points().get(anchors.size() - 1).price();
            String reading = reading(count);
            parts.add(Figured.projected(reading + " target", count.to(), near, far, up));
            parts.add(Figured.projected(reading + " void", count.to(), count.invalidation(), !up));
        }
        return parts;
    }

    /**
     * A count that could stand. Made by the dozen whenever a swing moves, so it holds the run of swings as it came.
     *
     * @param run of swings, of which the last {@code waves + 1} are its turns
     */
    private record Count(WaveForm form, int degree, List<Turn> run, int waves, int sign, double score) {
        /** Better ones first: by the score, then the larger degree, the longer, the form. */
        static final Comparator<Count> ORDER = Comparator.comparingDouble((Count each) -> -each.score)
                .thenComparingInt(each -> -each.degree)
                .thenComparingInt(each -> each.start().bar())
                .thenComparing(Count::form);

        Turn start() {
            return run.get(run.size() - 1 - waves);
        }

        List<Turn> turns() {
            return run.subList(run.size() - 1 - waves, run.size());
        }

        double[] prices() {
            return turns().stream().mapToDouble(each -> sign * each.price()).toArray();
        }

        /** The same reading, perhaps a wave further on. */
        boolean isOf(Count other) {
            return form == other.form
                    && degree == other.degree
                    && start().bar() == other.start().bar();
        }

        /** The same form through the same swings, of whatever degree. */
        boolean isThrough(Count other) {
            return form == other.form
                    && waves == other.waves
                    && start().bar() == other.start().bar()
                    && turns().equals(other.turns());
        }

        /** Raised, a count ends below its price; a triangle whose wave goes up above the end of the one before the last. */
        boolean isVoidAt(double close) {
            double away = sign * close - form.invalidation(prices());
            return form == WaveForm.TRIANGLE && waves % 2 == 1 ? away > 0 : away < 0;
        }

        boolean isWhole() {
            return waves == form.waves().size();
        }

        Finding finding() {
            List<Turn> turns = turns();
            List<Finding.Point> points = new ArrayList<>();
            for (int at = 0; at < turns.size(); at++) {
                points.add(turns.get(at).as(at == 0 ? "start" : form.waves().get(at - 1)));
            }
            double[] p = prices();
            double[] target = form.target(p);
            double last = p[p.length - 1];
            double near = Math.abs(target[0] - last) <= Math.abs(target[1] - last) ? target[0] : target[1];
            double far = near == target[0] ? target[1] : target[0];
            return new Finding(
                    form.kind() + Swings.suffix(degree + 1),
                    points,
                    Map.of("target_from", sign * near, "target_to", sign * far),
                    sign * near,
                    sign * form.invalidation(p),
                    score);
        }
    }

    /**
     * One that stands.
     *
     * @param settled its last wave has ended
     */
    private record Open(int number, Count count, Finding finding, boolean confirmed, boolean settled) {
        Open(int number, Count count, Finding finding, boolean confirmed) {
            this(number, count, finding, confirmed, confirmed);
        }
    }

    private static final class Search implements Detection {
        private final int rivals;
        private final RangeMeasure usual;
        private final List<ReversedSwings<MovingTurns>> degrees;
        private final List<Open> open = new ArrayList<>();
        /** The counts of each degree, worked out when its newest swing moves. */
        private final List<List<Count>> tried;

        Search(int rivals, RangeMeasure usual, List<ReversedSwings<MovingTurns>> degrees, List<List<Count>> tried) {
            this.rivals = rivals;
            this.usual = usual;
            this.degrees = degrees;
            this.tried = new ArrayList<>(tried);
        }

        @Override
        public Detection copy() {
            Search copy = new Search(
                    rivals,
                    usual.copy(),
                    degrees.stream().map(ReversedSwings::copy).toList(),
                    tried);
            copy.open.addAll(open);
            return copy;
        }

        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                return;
            }
            usual.take(bars, bar);
            boolean moved = false;
            for (ReversedSwings<MovingTurns> degree : degrees) {
                degree.take(bars, bar, usual, log);
                moved |= degree.notes().movedAt() == bar;
            }
            if (moved) {
                settle(bar, log);
                rank(bars, bar, log);
            }
            follow(bars, bar, log);
        }

        /** A whole count whose last wave has been settled is confirmed; an impulse when a close has left its channel, too. */
        private void settle(int bar, FindingLog log) {
            for (int at = 0; at < open.size(); at++) {
                Open each = open.get(at);
                Turns settled = degrees.get(each.count().degree()).notes().settled();
                List<Turn> turns = each.count().turns();
                boolean done = !each.settled()
                        && each.count().isWhole()
                        && settled.settledAt() == bar
                        && settled.last().get(settled.last().size() - 1).equals(turns.get(turns.size() - 1));
                if (done) {
                    boolean waits = each.count().form() == WaveForm.IMPULSE;
                    if (!waits) {
                        log.become(each.number(), Finding.State.CONFIRMED, bar);
                    }
                    open.set(at, new Open(each.number(), each.count(), each.finding(), !waits, true));
                }
            }
        }

        /** True when a close has left the line through the ends of the second and the fourth wave. */
        private static boolean leaves(List<Turn> turns, Bars bars, int bar) {
            Turn two = turns.get(turns.size() - 4);
            Turn four = turns.get(turns.size() - 2);
            double line =
                    two.price() + (four.price() - two.price()) * (bar - two.bar()) / (double) (four.bar() - two.bar());
            return turns.get(turns.size() - 1).high() ? bars.close(bar) < line : bars.close(bar) > line;
        }

        /** The best counts of now take the places of those that stood. */
        private void rank(Bars bars, int bar, FindingLog log) {
            List<Count> best = new ArrayList<>();
            for (int degree = 0; degree < degrees.size(); degree++) {
                MovingTurns moving = degrees.get(degree).notes();
                if (moving.movedAt() == bar) {
                    List<Turn> turns = new ArrayList<>(moving.settled().last());
                    turns.add(moving.running(bars));
                    List<Count> own = new ArrayList<>();
                    counts(Collections.unmodifiableList(turns), degree, own);
                    tried.set(degree, own);
                }
                for (Count each : tried.get(degree)) {
                    take(each, best);
                }
            }
            for (int at = open.size() - 1; at >= 0; at--) {
                Open each = open.get(at);
                if (!each.settled() && best.stream().noneMatch(each.count()::isOf)) {
                    log.become(each.number(), Finding.State.VOID, bar);
                    open.remove(at);
                }
            }
            for (Count count : best) {
                note(count, bar, log);
            }
        }

        /** Puts a count among the best, if it is one of them. */
        private void take(Count count, List<Count> best) {
            for (int at = 0; at < best.size(); at++) {
                // The same waves of two degrees are one reading, of the larger.
                if (best.get(at).isThrough(count)) {
                    if (best.get(at).degree() >= count.degree()) {
                        return;
                    }
                    best.remove(at);
                    break;
                }
            }
            int place = best.size();
            while (place > 0 && Count.ORDER.compare(count, best.get(place - 1)) < 0) {
                place--;
            }
            if (place < rivals) {
                best.add(place, count);
                if (best.size() > rivals) {
                    best.remove(rivals);
                }
            }
        }

        private void note(Count count, int bar, FindingLog log) {
            for (int at = 0; at < open.size(); at++) {
                Open each = open.get(at);
                if (each.count().isOf(count)) {
                    if (!each.settled() && each.count() != count) {
                        Finding finding = count.finding();
                        if (finding.equals(each.finding())) {
                            return;
                        }
                        log.changed(each.number(), finding, bar);
                        open.set(at, new Open(each.number(), count, finding, false));
                    }
                    return;
                }
            }
            if (open.size() < MOST) {
                Finding finding = count.finding();
                open.add(new Open(log.found(finding, bar), count, finding, false));
            }
        }

        /** All that the last swings of a degree can be. */
        private static void counts(List<Turn> turns, int degree, List<Count> all) {
            for (WaveForm form : WaveForm.values()) {
                int most = form.waves().size();
                for (int waves = 2; waves <= most && waves < turns.size(); waves++) {
                    int first = turns.size() - 1 - waves;
                    int sign = turns.get(first).high() ? -1 : 1;
                    double[] raised = new double[waves + 1];
                    int[] ends = new int[waves + 1];
                    for (int end = 0; end <= waves; end++) {
                        raised[end] = sign * turns.get(first + end).price();
                        ends[end] = turns.get(first + end).bar();
                    }
                    if (form.keepsRules(raised)) {
                        double score = form.fit(raised, ends) * (0.6 + 0.4 * waves / most);
                        all.add(new Count(form, degree, turns, waves, sign, score));
                    }
                }
            }
        }

        private void follow(Bars bars, int bar, FindingLog log) {
            double close = bars.close(bar);
            for (int at = open.size() - 1; at >= 0; at--) {
                Open each = open.get(at);
                Count count = each.count();
                Turn last = count.turns().get(count.turns().size() - 1);
                if (each.settled() && !each.confirmed()) {
                    List<Turn> turns = count.turns();
                    // No longer than the last wave took.
                    int taken = last.bar() - turns.get(turns.size() - 2).bar();
                    boolean rises = turns.get(turns.size() - 1).high();
                    if (leaves(turns, bars, bar)) {
                        log.become(each.number(), Finding.State.CONFIRMED, bar);
                        open.set(at, new Open(each.number(), count, each.finding(), true));
                    } else if (bar - last.bar() > taken || (rises ? close > last.price() : close < last.price())) {
                        log.become(each.number(), Finding.State.VOID, bar);
                        open.remove(at);
                    }
                    continue;
                }
                if (!each.confirmed()) {
                    if (count.isVoidAt(close)) {
                        log.become(each.number(), Finding.State.VOID, bar);
                        open.remove(at);
                    }
                    continue;
                }
                boolean down = each.finding().target() < last.price();
                boolean reached = down
                        ? bars.low(bar) <= each.finding().target()
                        : bars.high(bar) >= each.finding().target();
                boolean failed = down ? close > last.price() : close < last.price();
                if (reached || failed) {
                    log.become(each.number(), reached ? Finding.State.REACHED : Finding.State.FAILED, bar);
                    open.remove(at);
                }
            }
        }
    }
}
