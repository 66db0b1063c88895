package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.bars.Timetable;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.work.Schedules;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is due in the time of the market, over nights, weekends and a change of the clocks. */
class SchedulesTest {
    private static final TradingCalendar PVX = World.halcyon().calendar();

    private static long at(String local) {
        return Times.micros(LocalDateTime.parse(local).atZone(PVX.zone()));
    }

    private static List<LocalDateTime> dues(Timetable timetable, long from, int count) {
        List<LocalDateTime> dues = new ArrayList<>();
        long time = from;
        for (int due = 0; due < count; due++) {
            time = timetable.next(time);
            dues.add(Times.at(time, PVX.zone()).toLocalDateTime());
        }
        return dues;
    }

    @Test
    void closesOpensAndBarsFollowTheCalendar() {
        LocalDate friday = LocalDate.of(2026, 10, 23);
        long close = PVX.close(friday);
        LocalDateTime local = Times.at(close, PVX.zone()).toLocalDateTime();
        assertThat(dues(Timetable.atClose(PVX, 0), close - 1, 3))
                .as("the clocks go back on Sunday; the local time stays")
                .containsExactly(local, local.plusDays(3), local.plusDays(4));
        assertThat(Timetable.atClose(PVX, 10 * Times.MINUTE).next(close)).isEqualTo(close + 10 * Times.MINUTE);
        assertThat(Timetable.atClose(PVX, 0).next(close))
                .as("after it, not at it")
                .isGreaterThan(close);
        long open = PVX.open(LocalDate.of(2026, 10, 26));
        assertThat(Timetable.atOpen(PVX, -30 * Times.MINUTE).next(close)).isEqualTo(open - 30 * Times.MINUTE);
        assertThat(Timetable.atOpen(PVX, 0).next(open - 1)).isEqualTo(open);
        BarGrid hours = new BarGrid(PVX, Timeframe.HOUR);
        Timetable bars = Timetable.atBarClose(hours);
        long first = bars.next(open);
        assertThat(first).isEqualTo(hours.slotAt(open).closeTime());
        assertThat(bars.next(first)).isEqualTo(hours.slotAt(first).closeTime());
        assertThat(bars.next(close))
                .as("over the weekend")
                .isEqualTo(hours.slotAt(open).closeTime());
    }

    @Test
    void whatIsDueRunsOnceAndWhatWasMissedIsCounted() {
        Schedules schedules = new Schedules(Runnable::run);
        List<Schedules.Run> runs = new ArrayList<>();
        long monday = at("2026-06-15T12:00");
        Listening evenings = schedules.add(Timetable.atClose(PVX, 0), monday, runs::add);
        schedules.advance(monday + Times.HOUR);
        assertThat(runs).isEmpty();
        schedules.advance(PVX.close(LocalDate.of(2026, 6, 15)));
        assertThat(runs).singleElement().satisfies(run -> assertThat(run.missed())
                .isZero());
        schedules.advance(PVX.close(LocalDate.of(2026, 6, 15)) + 1);
        assertThat(runs).hasSize(1);
        // Closed from Monday night to Friday noon: three evenings went by.
        schedules.advance(at("2026-06-19T12:00"));
        assertThat(runs).hasSize(2);
        assertThat(runs.get(1).missed()).isEqualTo(2);
        assertThat(runs.get(1).due()).isEqualTo(PVX.close(LocalDate.of(2026, 6, 18)));
        evenings.close();
        schedules.advance(at("2026-07-19T12:00"));
        assertThat(runs).hasSize(2);
        assertThat(schedules.count()).isZero();
    }

    @Test
    void theEarliestComesFirstAndOneThatEndsItselfHurtsNobody() {
        Schedules schedules = new Schedules(Runnable::run);
        List<String> order = new ArrayList<>();
        long noon = at("2026-06-15T12:00");
        Listening[] once = new Listening[1];
        schedules.add(Timetable.atClose(PVX, Times.MINUTE), noon, run -> order.add("later"));
        once[0] = schedules.add(Timetable.atClose(PVX, 0), noon, run -> {
            order.add("once");
            once[0].close();
        });
        schedules.advance(at("2026-06-16T07:00"));
        schedules.advance(at("2026-06-17T07:00"));
        assertThat(order).containsExactly("once", "later", "later");
    }

    /** After months of bars of a minute the one that runs is the last that was due, though not all are counted. */
    @Test
    void afterALongTimeTheLastOneRuns() {
        Timetable minutes = Timetable.atBarClose(new BarGrid(PVX, Timeframe.MINUTE));
        Schedules schedules = new Schedules(Runnable::run);
        List<Schedules.Run> runs = new ArrayList<>();
        schedules.add(minutes, at("2026-03-02T12:00"), runs::add);
        long now = at("2026-06-21T12:00");
        schedules.advance(now);
        assertThat(runs).singleElement().satisfies(run -> {
            assertThat(run.due()).as("the close of Friday").isEqualTo(PVX.close(LocalDate.of(2026, 6, 19)));
            assertThat(run.missed()).isEqualTo(1000);
        });
        schedules.advance(now + Times.HOUR);
        assertThat(runs).hasSize(1);
        assertThat(minutes.last(now - Times.HOUR, now)).as("none on a Sunday").isEqualTo(Long.MIN_VALUE);
        long close = PVX.close(LocalDate.of(2026, 6, 19));
        assertThat(minutes.last(close - Times.HOUR, close)).isEqualTo(close);
        assertThat(minutes.last(close - Times.HOUR, close - 1)).isEqualTo(close - Times.MINUTE);
    }
}
