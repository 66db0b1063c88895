package dev.yardarm.market.generator;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.Diary;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Yields of the government's debt, the economic series, and the days on which they and other news are due.
 *
 * <p>The yields share a common walk; the shorter ones move more. An economic series has one value a month, which becomes
 * known on its release in the month after.
 */
final class Economy {
    private final World world;
    private final long seed;
    private final Sessions sessions;
    private final Map<String, Walk> walks = new ConcurrentHashMap<>();
    private Walk rates;

    Economy(World world, long seed, Sessions sessions) {
        this.world = world;
        this.seed = seed;
        this.sessions = sessions;
    }

    boolean hasYield(String code) {
        return world.yields().stream().anyMatch(each -> each.code().equals(code));
    }

    private World.Yield named(String code) {
        return world.yields().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    /** The walk of a yield, in per cent: its share of the common one, and a small one of its own. */
    Walk yieldWalk(String code) {
        return walks.computeIfAbsent(code, missing -> {
            World.Yield yield = named(missing);
            Walk made = new Walk(
                    new Dice(seed, Dice.key(missing)),
                    sessions.count(),
                    new Walk.Manner(0, 0.012, 0.02, 0.3, true),
                    session -> 0);
            Walk common = common();
            double share = 1.15 - 0.018 * yield.years();
            for (int session = 0; session < sessions.count(); session++) {
                made.high[session] = yield.start() + share * common.high[session] + made.open[session];
                made.low[session] = yield.start() + share * common.low[session] + made.open[session];
                made.open[session] += yield.start() + share * common.open[session];
                made.close[session] += yield.start() + share * common.close[session];
            }
            return made;
        });
    }

    /** What all yields share; kept beside the map, which must not be written while one of its values is made. */
    private synchronized Walk common() {
        if (rates == null) {
            rates = new Walk(
                    new Dice(seed, Dice.key("rates")),
                    sessions.count(),
                    new Walk.Manner(0, 0.035, 0.0015, 0.3, true),
                    session -> 0);
        }
        return rates;
    }

    Tape yieldTape(String code) {
        Walk walk = yieldWalk(code);
        return new DayTape(code, seed, sessions, sessions.count(), 1000) {
            @Override
            void day(int session, double[] prices) {
                prices[0] = Math.max(0.05, walk.open[session]);
                prices[1] = Math.max(0.05, walk.high[session]);
                prices[2] = Math.max(0.05, walk.low[session]);
                prices[3] = Math.max(0.05, walk.close[session]);
            }

            @Override
            double volume(int session) {
                return 0;
            }
        };
    }

    boolean hasSeries(String code) {
        return world.economy().stream().anyMatch(each -> each.code().equals(code));
    }

    /** When a month's value is released: the series' day in the month after, on a trading day, at its minute. */
    private long release(World.EconomicSeries series, YearMonth month) {
        LocalDate day = sessions.calendar().sameOrNext(month.plusMonths(1).atDay(series.releaseDay()));
        return Times.micros(day.atTime(LocalTime.parse(series.releaseTime())).atZone(world.zone()));
    }

    BarSeries series(String code, long from, long upTo) {
        World.EconomicSeries series = world.economy().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow();
        BarSeries values = new BarSeries(200);
        Dice dice = new Dice(seed, Dice.key(code));
        double value = series.start();
        for (YearMonth month = YearMonth.from(world.firstDate()); ; month = month.plusMonths(1)) {
            double season = series.season() * Math.sin(2 * Math.PI * month.getMonthValue() / 12);
            value += series.volatility() * dice.bell() - 0.03 * (value - series.start());
            long open = Times.micros(month.atDay(1).atStartOfDay(world.zone()));
            long known = release(series, month);
            if (known > upTo) {
                return values;
            }
            double shown = Math.rint((value + season) * 10) / 10;
            if (open >= from) {
                values.append(open, known, shown, shown, shown, shown, Double.NaN);
            }
        }
    }

    List<Diary.Entry> entries(long from, long upTo) {
        List<Diary.Entry> entries = new ArrayList<>();
        YearMonth first = YearMonth.from(Times.date(
                        Math.max(from, Times.micros(world.firstDate().atStartOfDay(world.zone()))), world.zone()))
                .minusMonths(2);
        YearMonth last = YearMonth.from(Times.date(upTo, world.zone()));
        for (YearMonth month = first; !month.isAfter(last); month = month.plusMonths(1)) {
            for (World.EconomicSeries series : world.economy()) {
                entries.add(new Diary.Entry(
                        release(series, month),
                        Diary.Entry.Kind.RELEASE,
                        series.name() + " for " + month,
                        series.importance()));
            }
            if (month.getMonthValue() % 3 != 2) {
                LocalDate day = sessions.calendar().sameOrNext(month.atDay(11));
                entries.add(new Diary.Entry(
                        Times.micros(day.atTime(12, 45).atZone(world.zone())),
                        Diary.Entry.Kind.RATE_DECISION,
                        "Rate decision",
                        3));
            }
            if (month.getMonthValue() % 3 == 1) {
                LocalDate day = sessions.calendar().sameOrNext(month.atDay(17));
                entries.add(new Diary.Entry(
                        Times.micros(day.atTime(10, 30).atZone(world.zone())),
                        Diary.Entry.Kind.AUCTION,
                        "Auction of 10-year debt",
                        2));
            }
        }
        entries.removeIf(entry -> entry.time() < from || entry.time() > upTo);
        entries.sort(Comparator.comparingLong(Diary.Entry::time));
        return entries;
    }
}
