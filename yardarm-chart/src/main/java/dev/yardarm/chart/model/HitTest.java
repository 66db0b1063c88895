package dev.yardarm.chart.model;

import dev.yardarm.chart.surface.Batch;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.List;

/** Finds what lies under a point: handles before lines, drawings before indicators, indicators before bars. */
public final class HitTest {
    private static final double REACH = 6;
    private static final double EDGE = 3;

    private HitTest() {
    }

    public static Hit at(ChartModel chart, double x, double y) {
        if (chart.instrument().isEmpty() || x < 0 || y < 0 || x > chart.width() || y > chart.height()) {
            return new Hit.Nothing();
        }
        if (y >= chart.plotBottom()) {
            return new Hit.TimeAxisStrip();
        }
        Pane pane = chart.paneAt(y).orElse(chart.pricePane());
        for (Pane each : chart.panes()) {
            if (each.top() > 0 && Math.abs(each.top() - y) <= EDGE && !chart.isCompact()) {
                return new Hit.PaneEdge(each.id());
            }
        }
        if (y >= chart.plotBottom() - MarkPlace.SIZE - 2 && !chart.isCompact()) {
            for (MarkPlace place : MarkPlace.of(chart)) {
                if (place.covers(x, y)) {
                    return new Hit.OnMark(place);
                }
            }
        }
        if (x >= chart.plotRight() && !chart.isCompact()) {
            return new Hit.PriceAxis(pane);
        }
        if (pane.kind() == Pane.Kind.PRICE) {
            Hit found = onPlan(chart, x, y);
            found = found != null ? found : onDrawing(chart, x, y);
            if (found != null) {
                return found;
            }
        }
        for (IndicatorLayer layer : pane.indicators()) {
            if (layer.style().visible() && isOnIndicator(chart, pane, layer, x, y)) {
                return new Hit.OnIndicator(layer.id());
            }
        }
        if (pane.kind() == Pane.Kind.PRICE && isOnBar(chart, x, y)) {
            return new Hit.OnPrice(chart.time().bar(x));
        }
        return new Hit.OnPane(pane);
    }

    private static Hit onPlan(ChartModel chart, double x, double y) {
        return chart.plan().map(plan -> {
            BracketLayout bracket = BracketLayout.of(chart, plan);
            for (BracketLayout.Arm arm : BracketLayout.Arm.values()) {
                if (Math.abs(bracket.y(arm) - y) <= REACH && x >= bracket.spineX() - REACH
                        && x <= bracket.armEnd() + REACH) {
                    return new Hit.OnBracket(arm);
                }
            }
            return null;
        }).orElse(null);
    }

    private static Hit onDrawing(ChartModel chart, double x, double y) {
        List<Drawing> drawings = chart.drawings();
        Batch points = new Batch();
        for (int number = drawings.size() - 1; number >= 0; number--) {
            Drawing drawing = drawings.get(number);
            if (!drawing.visible()) {
                continue;
            }
            for (int anchor = 0; anchor < drawing.anchors().size() && drawing.kind() == Drawing.Kind.LINE; anchor++) {
                Anchor at = drawing.anchors().get(anchor);
                double anchorX = chart.time().middle(chart.axis().bar(at.time()));
                if (Math.hypot(anchorX - x, chart.price().y(at.price()) - y) <= REACH + 1) {
                    return new Hit.OnDrawing(drawing.id(), anchor);
                }
            }
            DrawingPath.trace(chart, drawing, points);
            if (isNear(points, x, y)) {
                return new Hit.OnDrawing(drawing.id(), -1);
            }
        }
        return null;
    }

    private static boolean isNear(Batch line, double x, double y) {
        double[] values = line.values();
        for (int point = 1; point < line.points(); point++) {
            double startX = values[2 * point - 2];
            double startY = values[2 * point - 1];
            double endX = values[2 * point];
            double endY = values[2 * point + 1];
            double length = (endX - startX) * (endX - startX) + (endY - startY) * (endY - startY);
            double part = length == 0 ? 0
                    : ((x - startX) * (endX - startX) + (y - startY) * (endY - startY)) / length;
            double held = Math.max(0, Math.min(1, part));
            if (Math.hypot(startX + held * (endX - startX) - x, startY + held * (endY - startY) - y) <= REACH) {
                return true;
            }
        }
        return false;
    }

    private static boolean isOnIndicator(ChartModel chart, Pane pane, IndicatorLayer layer, double x, double y) {
        double position = chart.time().position(x) - 0.5;
        int bar = (int) Math.floor(position);
        List<ChartData.Line> lines = chart.data().of(layer);
        for (int output = 0; output < lines.size(); output++) {
            if (!layer.draws(output) || layer.indicator().outputs().get(output).cue()) {
                continue;
            }
            Column column = lines.get(output).column();
            double left = column.at(bar);
            double right = column.at(bar + 1);
            double value = Double.isNaN(right) ? left : left + (right - left) * (position - bar);
            if (Math.abs(pane.scaleOf(layer).y(value) - y) <= REACH) {
                return true;
            }
        }
        return false;
    }

    private static boolean isOnBar(ChartModel chart, double x, double y) {
        Bars bars = chart.bars();
        int bar = chart.time().bar(x);
        if (bar < 0 || bar >= bars.size()) {
            return false;
        }
        double one = chart.price().y(bars.high(bar));
        double other = chart.price().y(bars.low(bar));
        return y >= Math.min(one, other) - 3 && y <= Math.max(one, other) + 3;
    }
}
