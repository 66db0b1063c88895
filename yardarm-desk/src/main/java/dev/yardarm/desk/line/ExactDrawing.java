package dev.yardarm.desk.line;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.drawing.Plane;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;

/** Draws figures through points that were typed. */
final class ExactDrawing {
    private ExactDrawing() {}

    static void draw(ChartRoom room, LineCommand.Draw draw) {
        if (!room.onceLoaded(() -> drawOnBars(room, draw))) {
            room.desk().tell("There are no bars to draw on.");
        }
    }

    private static void drawOnBars(ChartRoom room, LineCommand.Draw draw) {
        Bars bars = room.chart().bars();
        int last = bars.size() - 1;
        List<Anchor> anchors = new ArrayList<>();
        for (LineCommand.DrawnPoint point : draw.points()) {
            long time = point.moment() == null ? bars.openTime(last) : slot(room, point.moment());
            anchors.add(new Anchor(time, Double.isNaN(point.price()) ? bars.close(last) : point.price()));
        }
        if (draw.figure().equals(Drawing.LINE)
                && anchors.get(0).time() == anchors.get(1).time()) {
            room.desk()
                    .tell("Both points lie on the same bar of " + room.chart().timeframe()
                            + "; a line needs two bars.");
            return;
        }
        try {
            ChartModel chart = room.chart();
            Plane plane = new Plane(chart.axis().grid().calendar(), chart.timeframe(), chart.isLogarithmic());
            room.drawings()
                    .draw(
                            draw.figure(),
                            Figures.shared().get(draw.figure()).settled(anchors, bars, plane),
                            draw.options());
        } catch (IllegalArgumentException noPlace) {
            room.desk().tell("Nothing was drawn: " + noPlace.getMessage() + ".");
        }
    }

    /** The opening of the bar a moment by the exchange's clock falls in; of the session for a date alone. */
    private static long slot(ChartRoom room, LocalDateTime moment) {
        BarGrid grid = room.chart().axis().grid();
        TradingCalendar calendar = grid.calendar();
        boolean dateAlone = moment.toLocalTime().equals(LocalTime.MIDNIGHT);
        return grid.slotAt(
                        dateAlone
                                ? calendar.open(calendar.sameOrNext(moment.toLocalDate()))
                                : Times.micros(moment.atZone(calendar.zone())))
                .openTime();
    }
}
