package dev.yardarm.desk.line;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.time.LocalDate;
import java.util.OptionalLong;
import java.util.stream.LongStream;

/** Brings a moment into the middle of a chart, as soon as its bars are there. */
final class Going {
    private Going() {}

    /** To a date by the chart's own zone; to the oldest bar, and told so, for one before it. */
    static void toDate(ChartRoom room, LocalDate date) {
        room.onceLoaded(
                () -> to(room, Times.micros(date.atStartOfDay(room.chart().zone()))));
    }

    /** To the first event behind what is shown, or the last before it. */
    static void toEvent(ChartRoom room, int direction) {
        room.onceLoaded(() -> toEventOf(room, direction));
    }

    private static void toEventOf(ChartRoom room, int direction) {
        ChartModel chart = room.chart();
        long edge = chart.axis().openTime(chart.time().bar((chart.time().left() + chart.plotRight()) / 2));
        LongStream times = chart.marks().stream().mapToLong(EventMark::time);
        OptionalLong found = direction > 0
                ? times.filter(time -> time > edge).min()
                : times.filter(time -> time < edge).max();
        if (found.isPresent()) {
            to(room, found.getAsLong());
        } else {
            room.desk()
                    .tell("No " + (direction > 0 ? "later" : "earlier")
                            + " event is known for this chart. Go to a day instead: go to 2026-03-02.");
        }
    }

    private static void to(ChartRoom room, long moment) {
        ChartModel chart = room.chart();
        if (moment < chart.bars().openTime(0)) {
            room.desk()
                    .tell("History starts on "
                            + Readout.time(chart, chart.bars().openTime(0)) + "; showing that.");
        }
        double half = (chart.plotRight() - chart.time().left()) / chart.time().barWidth() / 2;
        chart.setTime(new TimeScale(
                chart.time().left(),
                chart.time().right(),
                chart.time().barWidth(),
                chart.axis().bar(moment) + half));
        room.tell(Aspect.VIEW);
    }
}
