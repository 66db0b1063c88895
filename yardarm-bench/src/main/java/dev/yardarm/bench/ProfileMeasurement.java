package dev.yardarm.bench;

import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.profile.BarLevels;
import dev.yardarm.core.profile.ProfileMaker;
import dev.yardarm.core.profile.ProfileSpan;
import dev.yardarm.core.profile.ValueArea;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Locale;
import java.util.SplittableRandom;

/**
 * Profiles of each day and footprints of each minute of 10,000,000 trades, against a loop that reads the columns of the trades and adds
 * each size into an array by price; the best of five, in one run.
 */
final class ProfileMeasurement {
    private static final int TRADES = 10_000_000;
    private static final int TURNS = 5;

    private ProfileMeasurement() {}

    public static void main(String[] arguments) {
        TickSeries ticks = new TickSeries(TRADES);
        SplittableRandom random = new SplittableRandom(1);
        long price = 4_000;
        long time = 20_000 * Times.DAY;
        for (int tick = 0; tick < TRADES; tick++) {
            price = Math.max(2_000, Math.min(8_000, price + random.nextInt(-1, 2)));
            time += random.nextLong(120_000);
            ticks.append(time, price / 4.0, 1 + random.nextInt(20), (byte) (random.nextBoolean() ? 1 : -1));
        }
        double loop = Double.MAX_VALUE;
        double profile = Double.MAX_VALUE;
        double footprint = Double.MAX_VALUE;
        for (int turn = 0; turn < TURNS; turn++) {
            loop = Math.min(loop, milliseconds(() -> loop(ticks)));
            profile = Math.min(profile, milliseconds(() -> profile(ticks)));
            footprint = Math.min(footprint, milliseconds(() -> footprint(ticks)));
        }
        System.out.printf(
                Locale.ROOT,
                "%,d trades: a loop %.0f ms; profiles of days %.0f ms, ratio %.2f; footprints of minutes %.0f ms, ratio %.2f%n",
                TRADES,
                loop,
                profile,
                profile / loop,
                footprint,
                footprint / loop);
    }

    private static double milliseconds(java.util.function.DoubleSupplier work) {
        long begin = System.nanoTime();
        if (work.getAsDouble() < 0) {
            throw new IllegalStateException();
        }
        return (System.nanoTime() - begin) / 1e6;
    }

    private static double loop(TickSeries ticks) {
        double[] volume = new double[10_000];
        double[] prices = ticks.prices();
        double[] sizes = ticks.sizes();
        long[] times = ticks.times();
        long last = 0;
        for (int tick = 0; tick < ticks.size(); tick++) {
            volume[(int) Math.round(prices[tick] * 4)] += sizes[tick];
            last ^= times[tick];
        }
        return volume[4_000] + (last == 1 ? 1 : 0);
    }

    private static double profile(TickSeries ticks) {
        ProfileMaker maker = new ProfileMaker(
                new ProfileSpan.Day(),
                TradingCalendar.ROUND_THE_CLOCK,
                new PriceSteps(0.25),
                1,
                30 * Times.MINUTE,
                ValueArea.USUAL);
        maker.add(ticks, 0, ticks.size());
        return maker.made().size();
    }

    private static double footprint(TickSeries ticks) {
        BarLevels levels = BarLevels.of(
                BarMakers.of(BarRule.parse("time:1m"), TradingCalendar.ROUND_THE_CLOCK, 0.25, new BarSeries(16_384)),
                new PriceSteps(0.25),
                ticks,
                0);
        return levels.bars();
    }
}
