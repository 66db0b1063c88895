package dev.yardarm.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Volume and time at price by hand, against plain loops, and what has to add up. */
class ProfilesTest {
    private static final PriceSteps QUARTERS = new PriceSteps(0.25);

    private static ProfileMaker maker(ProfileSpan span, int row, long block) {
        return new ProfileMaker(span, TradingCalendar.ROUND_THE_CLOCK, QUARTERS, row, block, ValueArea.USUAL);
    }

    private static ValueArea area(double share, double... volumes) {
        return ValueArea.of(0, volumes.length - 1, row -> volumes[(int) row], share);
    }

    /** 100 in all: from 30 at row 4, two above (22) beat two below (19), then below (19): 71. */
    @Test
    void theValueAreaGrowsByTheLargerOfTwoPairs() {
        double[] volumes = {6, 6, 8, 11, 30, 14, 8, 9, 8};
        assertThat(area(0.5, volumes)).isEqualTo(new ValueArea(4, 4, 6));
        assertThat(area(0.7, volumes)).isEqualTo(new ValueArea(4, 2, 6));
        assertThat(area(0.75, volumes)).isEqualTo(new ValueArea(4, 2, 8));
        assertThat(area(1, volumes)).isEqualTo(new ValueArea(4, 0, 8));
        assertThat(area(0.01, volumes)).isEqualTo(new ValueArea(4, 4, 4));
    }

    @Test
    void atAnEndWhatIsLeftThereCountsAndEqualPairsGoUp() {
        assertThat(area(0.7, 10, 4, 4, 4)).isEqualTo(new ValueArea(0, 0, 2));
        assertThat(area(0.8, 1, 10, 1)).isEqualTo(new ValueArea(1, 1, 1));
        assertThat(area(0.9, 1, 10, 1)).isEqualTo(new ValueArea(1, 1, 2));
        assertThat(area(0.7, 5)).isEqualTo(new ValueArea(0, 0, 0));
        assertThat(area(0.7, 0, 0, 0)).isEqualTo(new ValueArea(1, 1, 1));
        assertThatThrownBy(() -> area(0, 1)).hasMessageContaining("above 0 %");
    }

    @Test
    void ofRowsWithEqualVolumeTheOneNearestToTheMiddleIsThePointOfControl() {
        assertThat(area(0.1, 9, 1, 9, 1, 1).control()).isEqualTo(2);
        assertThat(area(0.1, 1, 9, 1, 9, 1).control())
                .as("equally near: the lower")
                .isEqualTo(1);
    }

    @Test
    void rowsOfSeveralTicksHaveTheSamePricesInEverySpan() {
        PriceRows rows = new PriceRows(QUARTERS, 4);
        rows.add(100.75, 5, TickSeries.ASK);
        rows.add(99.75, 3, TickSeries.BID);
        rows.add(-0.25, 1, TickSeries.UNKNOWN);
        assertThat(rows.price(rows.row(100.75))).isEqualTo(100);
        assertThat(rows.price(rows.row(99.75))).isEqualTo(99);
        assertThat(rows.price(rows.row(-0.25))).isEqualTo(-1);
        assertThat(rows.ask(rows.row(100))).isEqualTo(5);
        assertThat(rows.bid(rows.row(99))).isEqualTo(3);
        assertThat(rows.volume(rows.row(50))).isZero();
        assertThat(rows.total()).isEqualTo(9);
        assertThat(rows.delta()).isEqualTo(2);
        assertThat(rows.low()).isEqualTo(-0.25);
        assertThatThrownBy(() -> rows.add(9e8, 1, TickSeries.ASK)).hasMessageContaining("wider rows are needed");
        assertThatThrownBy(() -> new PriceRows(QUARTERS, 0)).hasMessageContaining("at least 1 tick");
    }

    /** A bar of 10 over four ticks: two and a half each, as an estimate. */
    @Test
    void theVolumeOfABarIsSpreadOverItsPrices() {
        PriceRows rows = new PriceRows(QUARTERS, 2);
        rows.spread(100.25, 101, 10);
        assertThat(rows.volume(rows.row(100))).isEqualTo(2.5);
        assertThat(rows.volume(rows.row(100.5))).isEqualTo(5);
        assertThat(rows.volume(rows.row(101))).isEqualTo(2.5);
        assertThat(rows.total()).isCloseTo(10, within(1e-12));
    }

    private static TickSeries walk(long seed, int count, long gap) {
        SplittableRandom random = new SplittableRandom(seed);
        TickSeries ticks = new TickSeries(count);
        long price = 400;
        long time = 20_000 * Times.DAY;
        for (int tick = 0; tick < count; tick++) {
            price += random.nextInt(-2, 3);
            time += random.nextLong(gap);
            ticks.append(time, price / 4.0, 1 + random.nextInt(50), (byte) random.nextInt(-1, 2));
        }
        return ticks;
    }

    /** Each day by a plain loop over the trades of that day, and nothing more or less. */
    @Test
    void profilesAreThoseOfAPlainLoopAndAddUpToTheTrades() {
        TickSeries ticks = walk(3, 4000, 2 * Times.HOUR / 10);
        ProfileMaker maker = maker(new ProfileSpan.Day(), 3, 30 * Times.MINUTE);
        maker.add(ticks, 0, ticks.size());
        List<Profile> made = maker.made();
        assertThat(made).hasSizeGreaterThan(10);
        double whole = 0;
        for (Profile each : made) {
            TreeMap<Long, double[]> loop = new TreeMap<>();
            TreeMap<Long, long[]> spans = new TreeMap<>();
            for (int tick = 0; tick < ticks.size(); tick++) {
                if (ticks.time(tick) >= each.from() && ticks.time(tick) < each.to()) {
                    long row = Math.floorDiv(Math.round(ticks.price(tick) * 4), 3L);
                    loop.computeIfAbsent(row, missing -> new double[3])[ticks.side(tick) + 1] += ticks.size(tick);
                    long block = (ticks.time(tick) - each.from()) / (30 * Times.MINUTE);
                    long[] reach = spans.computeIfAbsent(block, missing -> new long[] {row, row});
                    reach[0] = Math.min(reach[0], row);
                    reach[1] = Math.max(reach[1], row);
                }
            }
            assertThat(each.rows().lowest()).isEqualTo(loop.firstKey());
            assertThat(each.rows().highest()).isEqualTo(loop.lastKey());
            for (long row = loop.firstKey(); row <= loop.lastKey(); row++) {
                double[] volumes = loop.getOrDefault(row, new double[3]);
                long at = row;
                assertThat(each.rows().bid(row)).isEqualTo(volumes[0]);
                assertThat(each.rows().none(row)).isEqualTo(volumes[1]);
                assertThat(each.rows().ask(row)).isEqualTo(volumes[2]);
                assertThat((long) each.blocks(row))
                        .isEqualTo(spans.values().stream()
                                .filter(reach -> reach[0] <= at && reach[1] >= at)
                                .count());
            }
            whole += each.rows().total();
        }
        assertThat(whole)
                .isEqualTo(Arrays.stream(ticks.sizes(), 0, ticks.size()).sum());
    }

    /** When a later trade is at the point of control, by looking at every trade behind the span. */
    @Test
    void aPointOfControlIsReachedByTheFirstLaterTradeInItsRow() {
        TickSeries ticks = walk(5, 3000, 2 * Times.HOUR / 10);
        ProfileMaker maker = maker(new ProfileSpan.Day(), 1, 30 * Times.MINUTE);
        maker.add(ticks, 0, ticks.size());
        int untouched = 0;
        for (Profile each : maker.made()) {
            long reached = Long.MAX_VALUE;
            for (int tick = ticks.size() - 1; tick >= 0 && ticks.time(tick) >= each.to(); tick--) {
                reached = ticks.price(tick) == each.control() ? ticks.time(tick) : reached;
            }
            assertThat(each.reachedAt()).isEqualTo(reached);
            untouched += reached == Long.MAX_VALUE ? 1 : 0;
        }
        assertThat(untouched).isPositive();
    }

    /** In pieces and asked in between: the same as at once. */
    @Test
    void liveIsAsRebuilt() {
        TickSeries ticks = walk(8, 2000, 2 * Times.HOUR / 10);
        ProfileMaker live = maker(new ProfileSpan.Week(), 2, Times.HOUR);
        ProfileMaker whole = maker(new ProfileSpan.Week(), 2, Times.HOUR);
        for (int tick = 0; tick < ticks.size(); tick += 7) {
            int end = Math.min(ticks.size(), tick + 7);
            live.add(ticks, tick, end);
            ProfileMaker part = maker(new ProfileSpan.Week(), 2, Times.HOUR);
            if (tick % 70 == 0) {
                part.add(ticks, 0, end);
                assertThat(live.made().get(live.made().size() - 1).area())
                        .isEqualTo(part.made().get(part.made().size() - 1).area());
            }
        }
        whole.add(ticks, 0, ticks.size());
        assertThat(live.made()).hasSameSizeAs(whole.made());
        for (int at = 0; at < whole.made().size(); at++) {
            assertThat(live.made().get(at).reachedAt())
                    .isEqualTo(whole.made().get(at).reachedAt());
            assertThat(live.made().get(at).area())
                    .isEqualTo(whole.made().get(at).area());
        }
    }

    @Test
    void sessionsBeginAtTheirOpenAndWhatIsTradedBetweenThemIsCountedAndLeftOut() {
        ZoneId azores = ZoneId.of("Atlantic/Azores");
        TradingCalendar calendar = new TradingCalendar(
                azores,
                LocalTime.of(8, 0),
                LocalTime.of(16, 30),
                EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                List.of());
        LocalDate friday = LocalDate.of(2026, 6, 19);
        TickSeries ticks = new TickSeries(8);
        ticks.append(at(friday, 7, 59, azores), 100, 1, TickSeries.ASK);
        ticks.append(at(friday, 8, 0, azores), 100.25, 2, TickSeries.ASK);
        ticks.append(at(friday, 8, 29, azores), 100.75, 3, TickSeries.BID);
        ticks.append(at(friday, 16, 29, azores), 100.25, 4, TickSeries.BID);
        ticks.append(at(friday, 16, 30, azores), 100.25, 50, TickSeries.BID);
        ticks.append(at(friday.plusDays(3), 9, 0, azores), 100.25, 5, TickSeries.UNKNOWN);
        ProfileMaker maker =
                new ProfileMaker(new ProfileSpan.Session(), calendar, QUARTERS, 1, 30 * Times.MINUTE, ValueArea.USUAL);
        maker.add(ticks, 0, ticks.size());
        assertThat(maker.left()).isEqualTo(2);
        List<Profile> made = maker.made();
        assertThat(made).hasSize(2);
        Profile first = made.get(0);
        assertThat(first.from()).isEqualTo(at(friday, 8, 0, azores));
        assertThat(first.to()).isEqualTo(at(friday, 16, 30, azores));
        assertThat(first.control()).isEqualTo(100.25);
        assertThat(first.openingLow()).isEqualTo(100.25);
        assertThat(first.openingHigh()).isEqualTo(100.75);
        assertThat(first.reachedAt()).as("after the close, on the same day").isEqualTo(at(friday, 16, 30, azores));
        assertThat(first.blocks(first.rows().row(100.5)))
                .as("jumped over in the first block")
                .isEqualTo(1);
        assertThat(first.blocks(first.rows().row(100.25))).isEqualTo(2);
        assertThat(made.get(1).openingLow())
                .as("nothing in the first two blocks")
                .isEqualTo(100.25);
        assertThat(new ProfileSpan.Month().at(at(friday, 3, 0, azores), calendar)[0])
                .isEqualTo(Times.micros(LocalDate.of(2026, 6, 1).atStartOfDay(azores)));
        assertThat(new ProfileSpan.Between(10, 20).at(20, calendar)).isNull();
    }

    private static long at(LocalDate date, int hour, int minute, ZoneId zone) {
        return Times.micros(date.atTime(hour, minute).atZone(zone));
    }

    @Test
    void barsWithoutAPriceAndWithoutVolumeCostNothing() {
        BarSeries series = new BarSeries(4);
        series.append(0, Times.HOUR, 10, 10.5, 10, 10.25, 30);
        series.append(Times.HOUR, 2 * Times.HOUR, Double.NaN, Double.NaN, Double.NaN, Double.NaN, 5);
        series.append(2 * Times.HOUR, 3 * Times.HOUR, 10, 10, 10, 10, Double.NaN);
        ProfileMaker maker = maker(new ProfileSpan.Day(), 1, Times.HOUR);
        maker.add(series.snapshot());
        assertThat(maker.made()).hasSize(1);
        assertThat(maker.made().get(0).rows().total()).isCloseTo(30, within(1e-9));
        assertThat(maker.made().get(0).blocks()).containsExactly(2, 1, 1);
        assertThat(ZoneOffset.UTC).isEqualTo(TradingCalendar.ROUND_THE_CLOCK.zone());
    }
}
