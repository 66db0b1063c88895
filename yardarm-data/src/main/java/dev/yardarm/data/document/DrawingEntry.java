package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Times;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
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
 * @param words where they stand; null for where the figure has them
 * @param inherited false when lower timeframes do not show it
 * @param chart id of the one chart it is kept on; null for all
 * @param madeAt when it was put where it is, microseconds UTC; 0 when that is not known
 * @param problem why it cannot be read; null when it can
 */
public record DrawingEntry(
        String id,
        String kind,
        Timeframe origin,
        List<Anchor> anchors,
        int colour,
        double width,
        double opacity,
        boolean visible,
        boolean logarithmic,
        Map<String, String> options,
        String dash,
        Double fill,
        Boolean labels,
        String words,
        String name,
        String tracing,
        String group,
        boolean locked,
        List<Timeframe> timeframes,
        Boolean inherited,
        String chart,
        long madeAt,
        @JsonInclude(JsonInclude.Include.NON_NULL) String problem) {
    /** The entry of a drawing. */
    public static DrawingEntry of(Drawing drawing) {
        Drawing.Style style = drawing.style();
        Drawing.Place place = drawing.place();
        Drawing.Style.Words words = style.words();
        return new DrawingEntry(
                drawing.id(),
                drawing.kind().toUpperCase(Locale.ROOT),
                drawing.origin(),
                drawing.anchors(),
                style.colour(),
                style.width(),
                style.opacity(),
                place.visible(),
                drawing.logarithmic(),
                chosen(drawing),
                style.dash().name().toLowerCase(Locale.ROOT),
                style.fill(),
                words != Drawing.Style.Words.NONE,
                words == Drawing.Style.Words.NONE || words == Drawing.Style.Words.AS_BUILT ? null : words.word(),
                place.name(),
                place.tracing(),
                place.group(),
                place.locked(),
                place.timeframes(),
                place.inherited(),
                place.chart().isEmpty() ? null : place.chart(),
                drawing.madeAt(),
                null);
    }

    /**
     * The drawing of the entry.
     *
     * @throws IllegalArgumentException when there is no such figure, or points or options do not fit it
     */
    public Drawing drawing() {
        if (problem != null) {
            throw new IllegalArgumentException(problem);
        }
        if (anchors == null || origin == null || kind == null || id == null) {
            throw new IllegalArgumentException("a drawing needs id, kind, origin and anchors");
        }
        anchors.forEach(anchor -> Times.checked("the time of a point", anchor.time()));
        Times.checked("its 'madeAt'", madeAt);
        if (timeframes != null && timeframes.stream().anyMatch(Objects::isNull)) {
            throw new IllegalArgumentException("one of its timeframes is none");
        }
        Drawing.Style usual = Drawing.Style.of(colour);
        Drawing.Style.Words standing = labels != null && !labels
                ? Drawing.Style.Words.NONE
                : words == null ? usual.words() : Drawing.Style.Words.of(words);
        Drawing.Style style = new Drawing.Style(
                colour,
                width,
                opacity,
                dash == null ? usual.dash() : Drawing.Style.Dash.valueOf(dash.toUpperCase(Locale.ROOT)),
                fill == null ? usual.fill() : fill,
                standing);
        Drawing.Place place = new Drawing.Place(
                text(name),
                text(tracing),
                text(group),
                visible,
                locked,
                timeframes == null ? List.of() : timeframes,
                inherited == null || inherited,
                text(chart));
        return new Drawing(
                id, kind, origin, anchors, logarithmic, options == null ? Map.of() : options, style, place, madeAt);
    }

    /** The options of a drawing that differ from the usual ones. */
    static Map<String, String> chosen(Drawing drawing) {
        Map<String, String> chosen = new TreeMap<>();
        drawing.figure().options().forEach(option -> {
            String value = drawing.options().get(option.name());
            if (!option.standard().equals(value)) {
                chosen.put(option.name(), value);
            }
        });
        return chosen;
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }
}
