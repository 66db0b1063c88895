package dev.yardarm.core.source;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest.Joint;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * The contracts of a future one after the other. A roll is decided from what was known at the time; the difference and
 * the ratio of a roll are those of both contracts' closes in the last session before it. The newest contract always has
 * the prices really traded; adjusting changes the earlier ones, so levels of the past depend on it.
 *
 * <p>Cost: one reading of each contract's days for the rolls, and of the bars of each one's span.
 */
public final class ContinuousFuture {
    private ContinuousFuture() {}

    /** Reads the bars of a contract that opened from one moment on, as known now. */
    @FunctionalInterface
    public interface Reader {
        Bars read(Contracts.Contract contract, long from) throws IOException;
    }

    /**
     * One contract's turn.
     *
     * @param from first moment of it; {@link Long#MIN_VALUE} for the first
     * @param until the moment the next one takes over; {@link Long#MAX_VALUE} for the last
     * @param difference close of the next contract less that of this one before the roll; NaN for the last
     * @param ratio close of the next contract over that of this one; NaN for the last
     */
    public record Turn(Contracts.Contract contract, long from, long until, double difference, double ratio) {}

    /**
     * The turns of the contracts up to now, in their order.
     *
     * @param days reads the daily bars of a contract
     */
    public static List<Turn> turns(
            List<Contracts.Contract> contracts, RollRule rule, TradingCalendar calendar, Reader days, long now)
            throws IOException {
        List<Turn> turns = new ArrayList<>();
        long from = Long.MIN_VALUE;
        int at = 0;
        while (at < contracts.size()) {
            Contracts.Contract contract = contracts.get(at);
            Contracts.Contract next = at + 1 < contracts.size() ? contracts.get(at + 1) : null;
            Bars own = days.read(contract, Long.MIN_VALUE);
            Bars following = next == null || next.firstTrade() > now ? Bars.EMPTY : days.read(next, Long.MIN_VALUE);
            long until =
                    following.isEmpty() ? Long.MAX_VALUE : rollTime(contract, own, following, rule, calendar, from);
            if (until > now) {
                turns.add(new Turn(contract, from, Long.MAX_VALUE, Double.NaN, Double.NaN));
                return turns;
            }
            double before = closeBefore(own, until);
            double after = closeBefore(following, until);
            turns.add(new Turn(contract, from, until, after - before, after / before));
            from = until;
            at++;
        }
        return turns;
    }

    private static double closeBefore(Bars days, long moment) {
        int bar = days.barAt(moment - 1);
        return bar < 0 ? Double.NaN : days.close(bar);
    }

    private static long rollTime(
            Contracts.Contract contract, Bars own, Bars next, RollRule rule, TradingCalendar calendar, long from) {
        LocalDate last = calendar.sessionAt(contract.expiry() - 1);
        long afterExpiry = calendar.open(calendar.next(last));
        if (rule.kind() == RollRule.Kind.DAYS_BEFORE) {
            LocalDate day = last;
            for (int back = 0; back < rule.days(); back++) {
                day = calendar.previous(day);
            }
            return Math.max(calendar.open(day), from);
        }
        if (rule.kind() == RollRule.Kind.VOLUME) {
            int first = Math.max(0, own.barAt(from == Long.MIN_VALUE ? own.isEmpty() ? 0 : own.openTime(0) : from));
            for (int bar = first; bar < own.closed(); bar++) {
                int other = next.barAt(own.openTime(bar));
                boolean same = other >= 0 && other < next.closed() && next.openTime(other) == own.openTime(bar);
                if (same && next.volume(other) > own.volume(bar)) {
                    return Math.min(afterExpiry, calendar.open(calendar.next(calendar.sessionAt(own.openTime(bar)))));
                }
            }
        }
        return afterExpiry;
    }

    /**
     * The bars of the turns joined together.
     *
     * @param from where to begin; {@link Long#MIN_VALUE} for all
     * @param bars reads the bars of a contract on the timeframe wanted
     */
    public static BarSeries join(List<Turn> turns, Joint joint, long from, Reader bars) throws IOException {
        BarSeries joined = new BarSeries(1024);
        for (int turn = 0; turn < turns.size(); turn++) {
            Turn of = turns.get(turn);
            if (of.until() > from) {
                append(
                        bars.read(of.contract(), Math.max(from, of.from())),
                        of,
                        offset(turns, turn, joint),
                        factor(turns, turn, joint),
                        joined);
            }
        }
        return joined;
    }

    /** The same for single prices. */
    public static PriceBasis basis(List<Turn> turns, Joint joint) {
        List<PriceBasis.Step> steps = new ArrayList<>();
        for (int turn = 0; turn < turns.size() - 1 && joint != Joint.UNADJUSTED; turn++) {
            steps.add(new PriceBasis.Step(
                    turns.get(turn).until(), factor(turns, turn, joint), offset(turns, turn, joint)));
        }
        return PriceBasis.of(steps);
    }

    /** What is added to the prices of a turn. */
    static double offset(List<Turn> turns, int turn, Joint joint) {
        double sum = 0;
        for (int later = turn; joint == Joint.DIFFERENCE && later < turns.size() - 1; later++) {
            sum += Double.isNaN(turns.get(later).difference())
                    ? 0
                    : turns.get(later).difference();
        }
        return sum;
    }

    /** What the prices of a turn are multiplied by. */
    static double factor(List<Turn> turns, int turn, Joint joint) {
        double product = 1;
        for (int later = turn; joint == Joint.RATIO && later < turns.size() - 1; later++) {
            product *= Double.isNaN(turns.get(later).ratio())
                    ? 1
                    : turns.get(later).ratio();
        }
        return product;
    }

    private static void append(Bars bars, Turn turn, double offset, double factor, BarSeries to) {
        for (int bar = 0; bar < bars.size(); bar++) {
            long open = bars.openTime(bar);
            if (open < turn.from() || open >= turn.until()) {
                continue;
            }
            double opened = clean(bars.open(bar) * factor + offset);
            double high = clean(bars.high(bar) * factor + offset);
            double low = clean(bars.low(bar) * factor + offset);
            double close = clean(bars.close(bar) * factor + offset);
            if (bar < bars.closed()) {
                to.append(open, bars.closeTime(bar), opened, high, low, close, bars.volume(bar));
            } else {
                to.form(open, bars.closeTime(bar), opened, high, low, close, bars.volume(bar));
            }
        }
    }

    /** Takes away the binary dust that adding leaves. */
    private static double clean(double price) {
        return Math.rint(price * 1e8) / 1e8;
    }
}
