package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/**
 * All bars of a chart in one low strip, with a frame around those in view. Dragging the frame pans, dragging one of its
 * ends zooms, a click beside it goes there.
 */
public final class OverviewStrip extends Region {
    static final double HEIGHT = 26;
    private static final double GRIP = 6;
    private static final double LEAST_FRAME = 4;

    private enum Hold {
        NONE,
        FRAME,
        FROM,
        TO
    }

    private final ChartRoom room;
    private final ChartModel chart;
    private final Listening heard;
    private final CrispCanvas canvas = new CrispCanvas();
    private Palette palette = Palette.of(Palette.Theme.DAYLIGHT);
    private Hold hold = Hold.NONE;
    private double grabbed;

    public OverviewStrip(ChartRoom room) {
        this.room = room;
        chart = room.chart();
        getStyleClass().add("overview");
        setId("overview");
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setMaxHeight(HEIGHT);
        getChildren().add(canvas);
        heard = room.listen(aspect -> {
            if (isVisible() && (aspect == Aspect.DATA || aspect == Aspect.VIEW || aspect == Aspect.CHART)) {
                requestLayout();
            }
        });
        setOnMousePressed(event -> press(event.getX()));
        setOnMouseDragged(event -> drag(event.getX()));
        setOnMouseReleased(event -> hold = Hold.NONE);
        setOnMouseMoved(event -> {
            Hold under = under(event.getX());
            setCursor(
                    under == Hold.FROM || under == Hold.TO
                            ? Cursor.H_RESIZE
                            : under == Hold.FRAME ? Cursor.OPEN_HAND : Cursor.DEFAULT);
        });
    }

    /** Lets go of the chart; the strip is not shown any more. */
    public void close() {
        heard.close();
    }

    public void setPalette(Palette newPalette) {
        palette = newPalette;
        requestLayout();
    }

    private double perBar() {
        return getWidth() / Math.max(1, chart.bars().size());
    }

    private double frameFrom() {
        return Math.max(0, chart.time().position(chart.time().left())) * perBar();
    }

    private double frameTo() {
        return Math.max(
                frameFrom() + LEAST_FRAME,
                Math.min(chart.bars().size(), chart.time().edge()) * perBar());
    }

    private Hold under(double x) {
        if (chart.bars().isEmpty()) {
            return Hold.NONE;
        }
        boolean wide = frameTo() - frameFrom() > 3 * GRIP;
        if (Math.abs(x - frameFrom()) <= GRIP && (wide || x < frameFrom())) {
            return Hold.FROM;
        }
        if (Math.abs(x - frameTo()) <= GRIP && (wide || x > frameTo())) {
            return Hold.TO;
        }
        return x > frameFrom() && x < frameTo() ? Hold.FRAME : Hold.NONE;
    }

    private void press(double x) {
        hold = under(x);
        if (hold == Hold.NONE && !chart.bars().isEmpty()) {
            TimeScale time = chart.time();
            double half = (time.right() - time.left()) / time.barWidth() / 2;
            show(x / perBar() + half, time.barWidth());
            hold = Hold.FRAME;
        }
        grabbed = x - frameTo();
    }

    private void drag(double x) {
        TimeScale time = chart.time();
        if (hold == Hold.FRAME) {
            show((x - grabbed) / perBar(), time.barWidth());
        } else if (hold == Hold.FROM) {
            double end = Math.min(chart.bars().size(), time.edge());
            double bars = Math.max(3, end - x / perBar());
            show(time.edge(), width(bars + time.edge() - end));
        } else if (hold == Hold.TO) {
            double first = time.position(time.left());
            double bars = Math.max(3, x / perBar() - first);
            show(first + bars, width(bars));
        }
    }

    private double width(double bars) {
        TimeScale time = chart.time();
        return Math.max(TimeScale.NARROWEST, Math.min(TimeScale.WIDEST, (time.right() - time.left()) / bars));
    }

    private void show(double edge, double barWidth) {
        TimeScale time = chart.time();
        chart.setTime(new TimeScale(time.left(), time.right(), barWidth, edge));
        room.tell(Aspect.VIEW);
    }

    @Override
    protected void layoutChildren() {
        double width = Math.max(1, getWidth());
        canvas.fit(this, width, HEIGHT);
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.setFill(CanvasSurface.colour(palette.of(Palette.Role.PANEL)));
        graphics.fillRect(0, 0, width, HEIGHT);
        if (chart.bars().isEmpty()) {
            return;
        }
        ExtremePyramid.View closes = chart.data().closes();
        closes.find(0, closes.size());
        double least = closes.least();
        double span = Math.max(1e-12, closes.most() - least);
        int size = Math.max(1, closes.size());
        double from = Math.rint(frameFrom());
        double to = Math.rint(frameTo());
        graphics.setFill(CanvasSurface.colour(palette.of(Palette.Role.PAPER)));
        graphics.fillRect(from, 0, to - from, HEIGHT);
        graphics.setFill(CanvasSurface.colour(Palette.fade(palette.of(Palette.Role.SOFT), 0.32)));
        for (int x = 0; x < width; x++) {
            int first = (int) ((long) x * size / (long) width);
            int end = Math.max(first + 1, (int) ((long) (x + 1) * size / (long) width));
            closes.find(first, end);
            if (closes.found()) {
                double top = HEIGHT - 3 - (closes.most() - least) / span * (HEIGHT - 6);
                graphics.fillRect(x, top, 1, HEIGHT - top);
            }
        }
        graphics.setFill(CanvasSurface.colour(palette.of(Palette.Role.EDGE)));
        graphics.fillRect(from, 0, to - from, 1);
        graphics.fillRect(from, HEIGHT - 1, to - from, 1);
        graphics.fillRect(from, 0, 2, HEIGHT);
        graphics.fillRect(to - 2, 0, 2, HEIGHT);
    }
}
