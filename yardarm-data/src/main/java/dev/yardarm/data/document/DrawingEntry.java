package dev.yardarm.data.document;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * A drawing as it is written in a file. What older files do not have is as usual.
 *
 * @param kind name of the figure, in capitals; read in any case
 * @param colour number of the series colour
 * @param logarithmic true when its lines are straight in the logarithm of price
 * @param options of the figure, those that differ from the usual ones
 * @param dash solid, dashed or dotted; null for solid
 * @param fill opacity of its areas; null for the usual one
 * @param labels false when its words are hidden
 * @param inherited false when lower timeframes do not show it
 */
public record DrawingEntry(String id, String kind, Timeframe origin, List<Anchor> anchors, int colour, double width,
                           double opacity, boolean visible, boolean logarithmic, Map<String, String> options, String dash,
                           Double fill, Boolean labels, String name, String tracing, String group, boolean locked,
                           List<Timeframe> timeframes, Boolean inherited) {
    /** The entry of a drawing. */
    public static DrawingEntry of(Drawing drawing) {
        Drawing.Style style = drawing.style();
        Drawing.Place place = drawing.place();
        Map<String, String> chosen = new TreeMap<>();
        drawing.figure().options().forEach(option -> {
            String value = drawing.options().get(option.name());
            if (!option.standard().equals(value)) {
                chosen.put(option.name(), value);
            }
        });
        return new DrawingEntry(drawing.id(), drawing.kind().toUpperCase(Locale.ROOT), drawing.origin(), drawing.anchors(), style.colour(),
                style.width(), style.opacity(), place.visible(), drawing.logarithmic(), chosen,
                style.dash().name().toLowerCase(Locale.ROOT), style.fill(), style.labels(), place.name(), place.tracing(),
                place.group(), place.locked(), place.timeframes(), place.inherited());
    }

    /**
     * The drawing of the entry.
     *
     * @throws IllegalArgumentException when there is no such figure, or points or options do not fit it
     */
    public Drawing drawing() {
        if (anchors == null || origin == null || kind == null || id == null) {
            throw new IllegalArgumentException("a drawing needs id, kind, origin and anchors");
        }
        Drawing.Style usual = Drawing.Style.of(colour);
        Drawing.Style style = new Drawing.Style(colour, width, opacity, dash == null ? usual.dash()
                : Drawing.Style.Dash.valueOf(dash.toUpperCase(Locale.ROOT)), fill == null ? usual.fill() : fill,
                labels == null || labels);
        Drawing.Place place = new Drawing.Place(text(name), text(tracing), text(group), visible, locked,
                timeframes == null ? List.of() : timeframes, inherited == null || inherited);
        return new Drawing(id, kind, origin, anchors, logarithmic, options == null ? Map.of() : options, style, place);
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }
}
