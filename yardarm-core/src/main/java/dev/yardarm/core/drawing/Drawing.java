package dev.yardarm.core.drawing;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.DoubleUnaryOperator;
import java.util.function.LongUnaryOperator;

/**
 * A drawing on an instrument. It belongs to the instrument, not to a chart. Immutable.
 *
 * <p>Its lines are straight on the timeframe it was drawn on, counted in that timeframe's bars by the calendar, and in price
 * or, when it was drawn on a logarithmic scale, in the logarithm of price; that gives it one price at one moment, the same
 * on every timeframe and scale, for alerts and for the past and the future alike.
 *
 * @param id unique within the instrument
 * @param kind name of its {@link Figure}
 * @param origin the timeframe it was drawn on
 * @param anchors as many as the figure takes
 * @param logarithmic true when its lines are straight in the logarithm of price
 * @param options what was chosen about the figure; the standard for what is not there
 * @param style how it is drawn
 * @param place where and when it is shown
 * @param madeAt when it was put where it is, microseconds UTC; 0 when that is not known. Before, nothing knew of it
 */
public record Drawing(
        String id,
        String kind,
        Timeframe origin,
        List<Anchor> anchors,
        boolean logarithmic,
        Map<String, String> options,
        Style style,
        Place place,
        long madeAt) {
    /** The figure of a horizontal price. */
    public static final String LEVEL = "level";
    /** The figure of a straight line through two points. */
    public static final String LINE = "line";

    /**
     * How a drawing is drawn.
     *
     * @param colour number of the series colour
     * @param width in pixels
     * @param opacity from 0 to 1
     * @param dash of its lines
     * @param fill opacity of its areas, from 0 to 1
     * @param words where its words stand
     */
    public record Style(int colour, double width, double opacity, Dash dash, double fill, Words words) {
        /** How lines are broken. */
        public enum Dash {
            SOLID,
            DASHED,
            DOTTED
        }

        /** Where the words of a drawing stand: where its figure has them, on one side of their points or lines, or nowhere. */
        public enum Words {
            AS_BUILT("as built"),
            LEFT("left"),
            RIGHT("right"),
            ABOVE("above"),
            BELOW("below"),
            NONE("none");

            private final String word;

            Words(String word) {
                this.word = word;
            }

            public String word() {
                return word;
            }

            /** The place of a word. */
            public static Words of(String word) {
                for (Words each : values()) {
                    if (each.word.equals(word)) {
                        return each;
                    }
                }
                throw new IllegalArgumentException(
                        "words stand 'as built', left, right, above, below or 'none', not '" + word + "'");
            }
        }

        public Style {
            Objects.requireNonNull(dash);
            Objects.requireNonNull(words);
            if (!(width > 0) || !(opacity >= 0 && opacity <= 1) || !(fill >= 0 && fill <= 1)) {
                throw new IllegalArgumentException("a drawing needs a width above 0, and opacities from 0 to 1");
            }
        }

        public static Style of(int colour) {
            return new Style(colour, 1.5, 1, Dash.SOLID, 0.12, Words.AS_BUILT);
        }

        public Style withLine(int newColour, double newWidth, double newOpacity) {
            return new Style(newColour, newWidth, newOpacity, dash, fill, words);
        }

        public Style withDash(Dash newDash) {
            return new Style(colour, width, opacity, newDash, fill, words);
        }

        public Style withFill(double newFill) {
            return new Style(colour, width, opacity, dash, newFill, words);
        }

        public Style withWords(Words place) {
            return new Style(colour, width, opacity, dash, fill, place);
        }

        public Style withColour(int number) {
            return new Style(number, width, opacity, dash, fill, words);
        }
    }

    /**
     * Where and when a drawing is shown.
     *
     * @param name the trader's own name for it, by which formulas find it; empty for none
     * @param tracing the sheet it is on; empty for the first
     * @param group drawings of one group are chosen and moved together; empty for none
     * @param visible false while it is hidden
     * @param locked true when it cannot be moved by hand
     * @param timeframes those it shows on; empty for all
     * @param inherited true when lower timeframes than its own show it
     * @param chart the one chart it is kept on; empty for all charts of the instrument
     */
    public record Place(
            String name,
            String tracing,
            String group,
            boolean visible,
            boolean locked,
            List<Timeframe> timeframes,
            boolean inherited,
            String chart) {
        public static final Place STANDARD = new Place("", "", "", true, false, List.of(), true, "");

        public Place {
            timeframes = List.copyOf(timeframes);
        }

        public Place withName(String newName) {
            return new Place(newName, tracing, group, visible, locked, timeframes, inherited, chart);
        }

        public Place withTracing(String sheet) {
            return new Place(name, sheet, group, visible, locked, timeframes, inherited, chart);
        }

        public Place withGroup(String newGroup) {
            return new Place(name, tracing, newGroup, visible, locked, timeframes, inherited, chart);
        }

        public Place withVisible(boolean shown) {
            return new Place(name, tracing, group, shown, locked, timeframes, inherited, chart);
        }

        public Place withLocked(boolean on) {
            return new Place(name, tracing, group, visible, on, timeframes, inherited, chart);
        }

        public Place onTimeframes(List<Timeframe> shown) {
            return new Place(name, tracing, group, visible, locked, shown, inherited, chart);
        }

        public Place onChart(String id) {
            return new Place(name, tracing, group, visible, locked, timeframes, inherited, id);
        }

        public Place withInherited(boolean on) {
            return new Place(name, tracing, group, visible, locked, timeframes, on, chart);
        }
    }

    public Drawing {
        Objects.requireNonNull(id);
        Objects.requireNonNull(origin);
        Objects.requireNonNull(style);
        Objects.requireNonNull(place);
        anchors = List.copyOf(anchors);
        Figure figure = Figures.shared().get(kind);
        kind = figure.name();
        if (anchors.size() < figure.least() || anchors.size() > figure.most()) {
            throw new IllegalArgumentException(figure.title() + " needs " + figure.least()
                    + (figure.most() > figure.least() ? " to " + figure.most() : "")
                    + (figure.most() == 1 ? " point" : " points") + ", not "
                    + anchors.size());
        }
        options =
                Map.copyOf(Settings.of(figure.name(), figure.options(), options).values());
    }

    /** One of which it is not known when it was made, as while it is being placed. */
    public Drawing(
            String id,
            String kind,
            Timeframe origin,
            List<Anchor> anchors,
            boolean logarithmic,
            Map<String, String> options,
            Style style,
            Place place) {
        this(id, kind, origin, anchors, logarithmic, options, style, place, 0);
    }

    /** With the standard options, in a colour. */
    public Drawing(String id, String kind, Timeframe origin, List<Anchor> anchors, int colour) {
        this(id, kind, origin, anchors, false, Map.of(), Style.of(colour), Place.STANDARD, 0);
    }

    /** The same drawing, put where it is at a moment. */
    public Drawing madeAt(long moment) {
        return new Drawing(id, kind, origin, anchors, logarithmic, options, style, place, moment);
    }

    /** True when it stood where it stands at a moment. */
    public boolean wasKnownAt(long moment) {
        return madeAt <= moment;
    }

    public Figure figure() {
        return Figures.shared().get(kind);
    }

    /** True for a drawing of a figure. */
    public boolean is(String figure) {
        return kind.equals(figure);
    }

    /** What was chosen about the figure. */
    public Settings settings() {
        return Settings.of(kind, figure().options(), options);
    }

    /** Its own name, else that of its figure. */
    public String title() {
        return place.name().isEmpty() ? figure().title() : place.name();
    }

    public Drawing withId(String newId) {
        return new Drawing(newId, kind, origin, anchors, logarithmic, options, style, place, madeAt);
    }

    public Drawing withAnchor(int number, Anchor anchor) {
        List<Anchor> changed = new ArrayList<>(anchors);
        changed.set(number, anchor);
        return withAnchors(changed);
    }

    public Drawing withAnchors(List<Anchor> changed) {
        return new Drawing(id, kind, origin, changed, logarithmic, options, style, place, madeAt);
    }

    public Drawing withOptions(Map<String, String> changed) {
        return new Drawing(id, kind, origin, anchors, logarithmic, changed, style, place, madeAt);
    }

    public Drawing withStyle(Style changed) {
        return new Drawing(id, kind, origin, anchors, logarithmic, options, changed, place, madeAt);
    }

    public Drawing withPlace(Place changed) {
        return new Drawing(id, kind, origin, anchors, logarithmic, options, style, changed, madeAt);
    }

    public int colour() {
        return style.colour();
    }

    public boolean visible() {
        return place.visible();
    }

    public Drawing withVisible(boolean shown) {
        return withPlace(place.withVisible(shown));
    }

    /** True when it is to be seen on a timeframe. */
    public boolean showsOn(Timeframe timeframe) {
        boolean lower = origin.isHigherThan(timeframe);
        return place.visible()
                && (place.timeframes().isEmpty()
                        ? place.inherited() || !lower
                        : place.timeframes().contains(timeframe));
    }

    /** The same drawing with all its points elsewhere. */
    public Drawing moved(LongUnaryOperator time, DoubleUnaryOperator price) {
        return withAnchors(anchors.stream()
                .map(anchor -> new Anchor(time.applyAsLong(anchor.time()), price.applyAsDouble(anchor.price())))
                .toList());
    }

    /** A list of drawings, with those of the same id in the place of the old. */
    public static List<Drawing> replaced(List<Drawing> drawings, List<Drawing> changed) {
        Map<String, Drawing> by = new HashMap<>();
        changed.forEach(drawing -> by.put(drawing.id(), drawing));
        return drawings.stream()
                .map(drawing -> by.getOrDefault(drawing.id(), drawing))
                .toList();
    }

    /** The same drawing, all of it moved up or down by a price difference. */
    public Drawing movedBy(double priceDifference) {
        return withAnchors(anchors.stream()
                .map(anchor -> anchor.withPrice(anchor.price() + priceDifference))
                .toList());
    }

    /** The plane it is straight in. */
    public Plane plane(TradingCalendar calendar) {
        return new Plane(calendar, origin, logarithmic);
    }

    /**
     * What it consists of.
     *
     * @param bars of the chart it is looked at on, for figures that read bars; empty for others
     */
    public Sketch sketch(TradingCalendar calendar, Bars bars, PriceFormat format) {
        return sketch(calendar, bars, format, List.of());
    }

    /** @param others the drawings it stands among, for words that tell what another one is worth */
    public Sketch sketch(TradingCalendar calendar, Bars bars, PriceFormat format, List<Drawing> others) {
        return Pen.sketch(this, plane(calendar), bars, format, others);
    }

    /** True when its words tell values of the bars or of other drawings. */
    public boolean tellsValues() {
        return options.values().stream().anyMatch(text -> text.contains("{"));
    }

    /** The price of its first line at moments of time, prepared once for many questions. */
    public Path path(TradingCalendar calendar) {
        return path(calendar, "");
    }

    /**
     * The price of one of its lines at moments of time; NaN where it has none. For figures that read bars there are no bars
     * here, so that they have the values of their points.
     *
     * @param line name of the line; empty for the first
     */
    public Path path(TradingCalendar calendar, String line) {
        Plane plane = plane(calendar);
        Sketch sketch = Pen.sketch(this, plane, Bars.EMPTY, PriceFormat.ofDecimals(4), List.of());
        return time -> {
            double height = sketch.at(line, plane.u(time));
            return Double.isNaN(height) ? Double.NaN : plane.price(height);
        };
    }

    /** The price of a drawing over time. */
    @FunctionalInterface
    public interface Path {
        /** The price at a moment; NaN where it has none, as a line between two points of the same bar. */
        double priceAt(long time);
    }
}
