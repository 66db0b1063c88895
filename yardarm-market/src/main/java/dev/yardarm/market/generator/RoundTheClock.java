package dev.yardarm.market.generator;

import dev.yardarm.core.series.Times;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Currency pairs, round the clock on weekdays, and tokens, round the clock on every day. Each currency has a value of
 * its own, and a pair is the ratio of two, so that the fifteen pairs agree with each other at every open and close.
 */
final class RoundTheClock {
    private final World world;
    private final long seed;
    private final LocalDate end;
    private Sessions weekdays;
    private Sessions everyDay;
    private final Map<String, Walk> values = new ConcurrentHashMap<>();

    RoundTheClock(World world, long seed, LocalDate end) {
        this.world = world;
        this.seed = seed;
        this.end = end;
    }

    private synchronized Sessions weekdays() {
        if (weekdays == null) {
            weekdays = new Sessions(world.currencyCalendar(), world.firstDate(), end);
        }
        return weekdays;
    }

    private synchronized Sessions everyDay() {
        if (everyDay == null) {
            everyDay = new Sessions(world.tokenCalendar(), world.firstDate(), end);
        }
        return everyDay;
    }

    private World.Token token(String code) {
        return world.tokens().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElse(null);
    }

    private World.Currency currency(String code) {
        return world.currencies().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElse(null);
    }

    boolean has(String code) {
        return token(code) != null
                || code.length() == 6 && currency(code.substring(0, 3)) != null && currency(code.substring(3)) != null;
    }

    private int firstIntraday(Sessions of) {
        LocalDate day = Times.date(world.presentTime(), world.zone()).minusDays(world.intradayDays());
        return of.number(of.calendar().sameOrNext(day));
    }

    private Walk value(World.Currency currency) {
        return values.computeIfAbsent(
                currency.code(),
                missing -> new Walk(
                        new Dice(seed, Dice.key(missing)),
                        weekdays().count(),
                        new Walk.Manner(currency.value(), 0.0032, 0.0012, 0.12, false),
                        session -> 0));
    }

    /** What one unit of a currency was worth in crowns when the session of a moment opened; empty when there is none such. */
    OptionalDouble worth(String code, long moment) {
        World.Currency found = currency(code);
        if (found == null) {
            return OptionalDouble.empty();
        }
        Sessions days = weekdays();
        int session = Math.max(
                0, Math.min(days.count() - 1, days.number(days.calendar().sessionAt(moment))));
        return OptionalDouble.of(value(found).open[session]);
    }

    Tape tape(String code) {
        World.Token token = token(code);
        return token != null ? token(token) : pair(code);
    }

    private Tape pair(String code) {
        Walk of = value(currency(code.substring(0, 3)));
        Walk in = value(currency(code.substring(3)));
        return new DayTape(code, seed, weekdays(), firstIntraday(weekdays()), 100_000) {
            @Override
            void day(int session, double[] prices) {
                prices[0] = of.open[session] / in.open[session];
                prices[3] = of.close[session] / in.close[session];
                double top = Math.max(prices[0], prices[3]);
                double bottom = Math.min(prices[0], prices[3]);
                Dice dice = new Dice(seed(), Dice.key(code()), Dice.key("reach"), session);
                prices[1] = top * (1 + 0.0022 * dice.exponential());
                prices[2] = bottom * (1 - 0.0022 * dice.exponential());
            }

            @Override
            double volume(int session) {
                return 90_000 * (0.7 + 0.6 * new Dice(seed(), Dice.key(code()), Dice.key("volume"), session).uniform());
            }

            @Override
            MinutePath path(int session) {
                return new MinutePath(rhythm(sessions().minutes(session), 0.55));
            }
        };
    }

    private Tape token(World.Token token) {
        Walk walk = new Walk(
                new Dice(seed, Dice.key(token.code())),
                everyDay().count(),
                new Walk.Manner(token.start(), token.volatility(), 0.0006, 0.02, false),
                session -> 0);
        return new DayTape(token.code(), seed, everyDay(), firstIntraday(everyDay()), 100) {
            @Override
            void day(int session, double[] prices) {
                prices[0] = walk.open[session];
                prices[1] = walk.high[session];
                prices[2] = walk.low[session];
                prices[3] = walk.close[session];
            }

            @Override
            double volume(int session) {
                double change = Math.abs(walk.close[session] / walk.open[session] - 1);
                return 160_000 * (0.7 + 12 * change);
            }

            @Override
            MinutePath path(int session) {
                return new MinutePath(rhythm(sessions().minutes(session), 0.25));
            }
        };
    }

    /** Quieter in the night than in the afternoon. */
    private static double[] rhythm(int minutes, double swing) {
        double[] rhythm = new double[minutes];
        for (int minute = 0; minute < minutes; minute++) {
            rhythm[minute] = 1 - swing * Math.cos(2 * Math.PI * (minute - 120) / minutes);
        }
        return rhythm;
    }
}
