package dev.yardarm.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;

class DrawingTest {
    private static final TradingCalendar PVX = new TradingCalendar(
            ZoneId.of("Atlantic/Azores"),
            LocalTime.of(8, 0),
            LocalTime.of(16, 30),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
            List.of());

    private static Drawing line(Timeframe origin, LocalDate from, double fromPrice, LocalDate to, double toPrice) {
        BarGrid grid = new BarGrid(PVX, origin);
        return new Drawing(
                "a",
                Drawing.LINE,
                origin,
                List.of(
                        new Anchor(grid.slotAt(PVX.open(from)).openTime(), fromPrice),
                        new Anchor(grid.slotAt(PVX.open(to)).openTime(), toPrice)),
                0);
    }

    @Test
    void aLevelHasOnePriceAtAllTimes() {
        Drawing level = new Drawing("a", Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(0, 98.4)), 0);
        assertThat(level.path(PVX).priceAt(Long.MAX_VALUE / 2)).isEqualTo(98.4);
    }

    @Test
    void aDailyLineGainsTheSameWithEverySessionOverWeekendsAndDaylightSaving() {
        Drawing line = line(Timeframe.DAY, LocalDate.of(2026, 3, 23), 100, LocalDate.of(2026, 4, 3), 109);
        Drawing.Path path = line.path(PVX);
        LocalDate day = LocalDate.of(2026, 3, 23);
        for (int session = 0; session < 60; session++) {
            assertThat(path.priceAt(PVX.open(day))).isCloseTo(100 + session, within(1e-9));
            day = PVX.next(day);
        }
        assertThat(path.priceAt(PVX.open(LocalDate.of(2026, 3, 23)) + 255 * Times.MINUTE))
                .isCloseTo(100.5, within(1e-9));
        assertThat(path.priceAt(PVX.open(LocalDate.of(2026, 3, 20)))).isCloseTo(99, within(1e-9));
    }

    @Test
    void aWeeklyLinePassesThroughItsPointsAndIsStraightInWeeks() {
        Drawing.Path path = line(Timeframe.WEEK, LocalDate.of(2026, 1, 5), 50, LocalDate.of(2026, 2, 2), 58)
                .path(PVX);
        assertThat(path.priceAt(PVX.open(LocalDate.of(2026, 1, 5)))).isCloseTo(50, within(1e-9));
        assertThat(path.priceAt(PVX.open(LocalDate.of(2026, 2, 2)))).isCloseTo(58, within(1e-9));
        assertThat(path.priceAt(PVX.open(LocalDate.of(2026, 3, 2)))).isCloseTo(66, within(1e-9));
        assertThat(path.priceAt(PVX.open(LocalDate.of(2026, 1, 7)))).isBetween(50.0, 52.0);
    }

    @Test
    void bothEndsOnOneBarHaveNoPrice() {
        Drawing line = line(Timeframe.DAY, LocalDate.of(2026, 3, 23), 100, LocalDate.of(2026, 3, 23), 109);
        assertThat(line.path(PVX).priceAt(PVX.open(LocalDate.of(2026, 3, 23)))).isNaN();
    }

    @Test
    void refusesWhatCannotBeDrawn() {
        assertThatThrownBy(() -> new Anchor(0, Double.NaN)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Drawing("a", Drawing.LINE, Timeframe.DAY, List.of(new Anchor(0, 1)), 0))
                .hasMessageContaining("needs 2 points");
        assertThatThrownBy(() -> new Drawing("a", "nothing", Timeframe.DAY, List.of(new Anchor(0, 1)), 0))
                .hasMessageContaining("no kind of drawing 'nothing'");
    }
}
