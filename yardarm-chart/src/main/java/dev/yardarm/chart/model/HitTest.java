package dev.yardarm.chart.model;

import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.AgreementMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Finds what lies under a point: handles before lines, drawings before indicators, indicators before bars. */
public final class HitTest {
    private static final double REACH = 6;
    private static final double EDGE = 3;
    /** Half the height of a tag at the axis. */
    private static final double TAG = 9;
    /** How much farther a point reaches than a line. */
    private static final double HANDLE = 5;
    /** Drawings of more points are moved as a whole. */
    private static final int MOST_HANDLES = 120;

    /** What of one kind of layer lies under a point of a pane; null for nothing. */
    private interface KindHit {
        Hit at(ChartModel chart, Pane pane, double x, double y);
    }

    /** Each kind of layer, the uppermost first. */
    private static final Map<Class<? extends Layer>, KindHit> KINDS = kinds();

    private HitTest() {}

    private static Map<Class<? extends Layer>, KindHit> kinds() {
        Map<Class<? extends Layer>, KindHit> all = new LinkedHashMap<>();
        all.put(PlanLayer.class, (chart, pane, x, y) -> pane.kind() == Pane.Kind.PRICE ? onPlan(chart, x, y) : null);
        all.put(
                DrawingLayer.class,
                (chart, pane, x, y) -> pane.kind() == Pane.Kind.PRICE ? onDrawing(chart, x, y) : null);
        all.put(IndicatorLayer.class, HitTest::onIndicator);
        // Neither has a body that a press could mean.
        all.put(UnknownLayer.class, (chart, pane, x, y) -> null);
        all.put(VolumeLayer.class, (chart, pane, x, y) -> null);
        all.put(ScenarioLayer.class, (chart, pane, x, y) -> null);
        all.put(
                BarsLayer.class,
                (chart, pane, x, y) -> pane.kind() == Pane.Kind.PRICE && isOnBar(chart, x, y)
                        ? new Hit.OnPrice(chart.time().bar(x))
                        : null);
        return all;
    }

    /** True when a kind of layer can be found under the pointer, or is known not to. */
    public static boolean has(Class<?> kind) {
        return KINDS.containsKey(kind);
    }

    private static Hit onIndicator(ChartModel chart, Pane pane, double x, double y) {
        for (IndicatorLayer layer : pane.indicators()) {
            boolean onMark = LargeTradePlaces.of(chart, layer)
                    .flatMap(places -> places.at(pane.scale(), x, y))
                    .isPresent();
            if (layer.style().visible() && (onMark || isOnIndicator(chart, pane, layer, x, y))) {
                return new Hit.OnIndicator(layer.id());
            }
        }
        return null;
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
        for (PlacedWords words : chart.words()) {
            if (!words.counted().isEmpty() && words.box().covers(x, y)) {
                return new Hit.OnCount(words);
            }
        }
        if (x >= chart.plotRight() && !chart.isCompact()) {
            String level = pane.kind() == Pane.Kind.PRICE ? levelAt(chart, y) : "";
            return level.isEmpty() ? new Hit.PriceAxis(pane) : new Hit.OnTag(level);
        }
        if (x >= chart.agreementLeft() && pane.kind() == Pane.Kind.PRICE && !chart.isCompact()) {
            Hit onStrip = onAgreement(chart, y);
            if (onStrip != null) {
                return onStrip;
            }
        }
        for (KindHit kind : KINDS.values()) {
            Hit found = kind.at(chart, pane, x, y);
            if (found != null) {
                return found;
            }
        }
        return new Hit.OnPane(pane);
    }

    /** The level whose tag stands at a height of the price axis; empty for none. */
    private static String levelAt(ChartModel chart, double y) {
        if (!chart.areDrawingsShown()) {
            return "";
        }
        String nearest = "";
        double least = TAG;
        for (Drawing each : chart.drawings()) {
            if (each.kind().equals(Drawing.LEVEL) && each.visible()) {
                double away = Math.abs(chart.price().y(each.anchors().get(0).price()) - y);
                if (away < least) {
                    least = away;
                    nearest = each.id();
                }
            }
        }
        return nearest;
    }

    private static Hit onAgreement(ChartModel chart, double y) {
        AgreementMap map = chart.agreement().map().orElse(null);
        if (map == null) {
            return null;
        }
        double price = chart.price().price(y);
        double reach = Math.abs(chart.price().price(y - EDGE) - price);
        AgreementMap.Zone zone = chart.agreement().zoneAt(price, reach).orElse(null);
        List<AgreementMap.Mark> marks = zone == null ? map.near(price) : zone.marks();
        return marks.isEmpty() ? null : new Hit.OnAgreement(zone, marks);
    }

    private static Hit onPlan(ChartModel chart, double x, double y) {
        return chart.plan()
                .map(plan -> {
                    BracketLayout bracket = BracketLayout.of(chart, plan);
                    for (BracketLayout.Arm arm : BracketLayout.Arm.values()) {
                        if (Math.abs(bracket.y(arm) - y) <= REACH
                                && x >= bracket.spineX() - REACH
                                && x <= bracket.armEnd() + REACH) {
                            return new Hit.OnBracket(arm);
                        }
                    }
                    return null;
                })
                .orElse(null);
    }

    /** The nearest drawing within reach; its points before its lines, of equally near ones the upper. */
    private static Hit onDrawing(ChartModel chart, double x, double y) {
        Hit found = null;
        double least = REACH;
        List<Drawing> drawings = chart.places().near(x, y, REACH);
        for (int number = drawings.size() - 1; number >= 0; number--) {
            Drawing drawing = drawings.get(number);
            DrawingShape shape = DrawingShape.of(chart, drawing);
            boolean isFound = chart.drawing(drawing.id()).isEmpty();
            if (isFound && found != null) {
                // What the trader drew comes before what lies below it.
                continue;
            }
            for (int anchor = 0;
                    anchor < drawing.anchors().size()
                            && !isFound
                            && !drawing.is(Drawing.LEVEL)
                            && drawing.anchors().size() <= MOST_HANDLES;
                    anchor++) {
                double distance =
                        Math.hypot(shape.handles()[2 * anchor] - x, shape.handles()[2 * anchor + 1] - y) - HANDLE;
                if (distance < least) {
                    least = distance;
                    found = new Hit.OnDrawing(drawing.id(), anchor);
                }
            }
            double distance = shape.distance(x, y);
            if (distance < least) {
                least = distance;
                found = isFound
                        ? chart.found()
                                .find(drawing.id())
                                .<Hit>map(of -> new Hit.OnFinding(of.id()))
                                .orElse(found)
                        : new Hit.OnDrawing(drawing.id(), -1);
            }
        }
        return found != null ? found : onWords(chart, x, y);
    }

    /** The drawing whose words stand under a point. */
    private static Hit onWords(ChartModel chart, double x, double y) {
        for (PlacedWords words : chart.words()) {
            if (!words.owner().isEmpty() && words.box().covers(x, y)) {
                if (chart.drawing(words.owner()).isPresent()) {
                    return new Hit.OnDrawing(words.owner(), -1);
                }
                return chart.found()
                        .find(words.owner())
                        .<Hit>map(found -> new Hit.OnFinding(found.id()))
                        .orElse(null);
            }
        }
        return null;
    }

    /** All drawings within reach, the nearest first. */
    public static List<Drawing> drawingsAt(ChartModel chart, double x, double y) {
        record Near(Drawing drawing, double distance) {}
        List<Near> near = new ArrayList<>();
        for (Drawing drawing : chart.places().near(x, y, REACH)) {
            if (chart.drawing(drawing.id()).isEmpty()) {
                continue;
            }
            double distance = DrawingShape.of(chart, drawing).distance(x, y);
            if (distance <= REACH) {
                near.add(new Near(drawing, distance));
            }
        }
        near.sort(Comparator.comparingDouble(Near::distance));
        return near.stream().map(Near::drawing).toList();
    }

    /** The drawings of which a line, a point or words lie in a box of the price pane, in their order. */
    public static List<Drawing> drawingsIn(ChartModel chart, double left, double top, double right, double bottom) {
        return chart.places().inView().stream()
                .filter(drawing -> chart.drawing(drawing.id()).isPresent())
                .filter(drawing -> DrawingShape.of(chart, drawing).meets(left, top, right, bottom))
                .toList();
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
