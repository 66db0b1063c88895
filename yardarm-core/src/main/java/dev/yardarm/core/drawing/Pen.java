package dev.yardarm.core.drawing;

import dev.yardarm.core.drawing.Sketch.Area;
import dev.yardarm.core.drawing.Sketch.Course;
import dev.yardarm.core.drawing.Sketch.Note;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;
import dev.yardarm.core.drawing.Sketch.Stroke;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What a figure draws with: the points and options of a drawing, and strokes, areas, words and lines to put down. */
public final class Pen {
    /** Farther than any chart reaches. */
    private static final double FAR = Double.POSITIVE_INFINITY;

    private final Drawing drawing;
    private final Plane plane;
    private final Settings options;
    private final Bars bars;
    private final PriceFormat format;
    private final List<Point> points = new ArrayList<>();
    private final List<Stroke> strokes = new ArrayList<>();
    private final List<Area> areas = new ArrayList<>();
    private final List<Note> notes = new ArrayList<>();
    private final List<Course> courses = new ArrayList<>();
    private final List<String> broken = new ArrayList<>();

    private final List<Drawing> others;

    private Pen(Drawing drawing, Plane plane, Bars bars, PriceFormat format, List<Drawing> others) {
        this.others = others;
        this.drawing = drawing;
        this.plane = plane;
        this.bars = bars;
        this.format = format;
        options = drawing.settings();
        drawing.anchors().forEach(anchor -> points.add(plane.point(anchor)));
    }

    /** Lets the figure of a drawing draw itself. */
    static Sketch sketch(Drawing drawing, Plane plane, Bars bars, PriceFormat format, List<Drawing> others) {
        Pen pen = new Pen(drawing, plane, bars, format, others);
        boolean placed = pen.points.stream().allMatch(each -> Double.isFinite(each.v()));
        if (placed) {
            drawing.figure().draw(pen);
        }
        return new Sketch(pen.strokes, pen.areas, pen.notes, pen.courses, pen.broken);
    }

    // --- what is given ---

    public int count() {
        return points.size();
    }

    public Point at(int number) {
        return points.get(number);
    }

    public List<Point> points() {
        return points;
    }

    public Drawing drawing() {
        return drawing;
    }

    public Plane plane() {
        return plane;
    }

    /** The bars of the chart; empty where there is none. */
    public Bars bars() {
        return bars;
    }

    /**
     * What another drawing is worth at the newest bar, as the instrument writes prices: {@code line} for the one it is
     * grouped with, else by name in any case. None without bars, without such a drawing, or when it has no price there.
     */
    public Optional<String> worth(String name) {
        if (bars.isEmpty()) {
            return Optional.empty();
        }
        long now = bars.openTime(bars.size() - 1);
        String group = drawing.place().group();
        boolean grouped = name.equalsIgnoreCase("line") && !group.isEmpty();
        return others.stream()
                .filter(each -> each != drawing
                        && (grouped
                                ? each.place().group().equals(group)
                                : each.place().name().equalsIgnoreCase(name)))
                .map(each -> each.path(plane.calendar()).priceAt(now))
                .filter(price -> !Double.isNaN(price))
                .findFirst()
                .map(format::format);
    }

    public double number(String name) {
        return options.number(name);
    }

    public int whole(String name) {
        return options.whole(name);
    }

    public String word(String name) {
        return options.word(name);
    }

    public boolean is(String name, String word) {
        return options.word(name).equals(word);
    }

    public double[] numbers(String name) {
        return options.numbers(name);
    }

    /** The extent the option {@code extend} names. */
    public Extent extent() {
        return Extent.of(options.word("extend"));
    }

    // --- what is put down ---

    public void stroke(Part part, Point... through) {
        strokes.add(new Stroke(flat(List.of(through)), Extent.NONE, part));
    }

    public void stroke(Part part, List<Point> through) {
        strokes.add(new Stroke(flat(through), Extent.NONE, part));
    }

    /** A straight stroke that may go on. */
    public void straight(Part part, Point from, Point to, Extent extent) {
        strokes.add(new Stroke(flat(List.of(from, to)), extent, part));
    }

    /** A straight stroke that also gives the drawing a value under a name. */
    public void course(String name, Part part, Point from, Point to, Extent extent) {
        straight(part, from, to, extent);
        courses.add(new Course(name, from, to, extent));
    }

    /** A stroke through points that gives a value under a name, piece by piece. */
    public void path(String name, Part part, List<Point> through) {
        stroke(part, through);
        for (int point = 1; point < through.size(); point++) {
            courses.add(new Course(name, through.get(point - 1), through.get(point), Extent.NONE));
        }
    }

    /** A level over a stretch of bars that gives a value. */
    public void level(String name, Part part, double height, double from, double to, Extent extent) {
        course(name, part, new Point(from, height), new Point(to == from ? from + 1 : to, height), extent);
    }

    /** An upright line over the whole chart. */
    public void upright(Part part, double u) {
        strokes.add(new Stroke(new double[] {u, -FAR, u, FAR}, Extent.NONE, part));
    }

    public void area(Point... corners) {
        areas.add(new Area(flat(List.of(corners))));
    }

    public void area(List<Point> corners) {
        areas.add(new Area(flat(corners)));
    }

    /** The area between two heights over a stretch of bars, on to the right or left where it goes on. */
    public void band(double from, double to, double one, double other, Extent extent) {
        double left = extent.isLeft() ? -FAR : Math.min(from, to);
        double right = extent.isRight() ? FAR : Math.max(from, to);
        areas.add(new Area(new double[] {left, one, right, one, right, other, left, other}));
    }

    /** The area between two bars over all heights. */
    public void uprightBand(double from, double to) {
        areas.add(new Area(new double[] {from, -FAR, to, -FAR, to, FAR, from, FAR}));
    }

    public void note(Point at, String text, Side side) {
        note(at, text, side, 0);
    }

    /** @param size 0 for small, 1 for the size of everything, 2 for headings */
    public void note(Point at, String text, Side side, int size) {
        if (!text.isBlank()) {
            notes.add(new Note(
                    at.u(),
                    at.v(),
                    text,
                    switch (drawing.style().words()) {
                        case LEFT -> Side.LEFT;
                        case RIGHT -> Side.RIGHT;
                        case ABOVE -> Side.ABOVE;
                        case BELOW -> Side.BELOW;
                        default -> side;
                    },
                    size));
        }
    }

    /** Rules that are broken, written at a point; nothing for none. */
    public void broken(Point at, List<String> rules) {
        if (!rules.isEmpty()) {
            broken.addAll(rules);
            notes.add(new Note(at.u(), at.v(), Sketch.words(rules), Side.RIGHT, 0));
        }
    }

    /** Words at one of the ends of a level, standing on its line or below it; at the right end unless it is styled otherwise. */
    public void noteOfLevel(double height, double from, double to, String text) {
        double left = extent().isLeft() ? -FAR : Math.min(from, to);
        double right = extent().isRight() ? FAR : Math.max(from, to);
        boolean atLeft = drawing.style().words() == Drawing.Style.Words.LEFT;
        Side side = atLeft
                ? Side.LEFT_EDGE
                : drawing.style().words() == Drawing.Style.Words.BELOW ? Side.BELOW_EDGE : Side.RIGHT_EDGE;
        notes.add(new Note(atLeft ? left : right, height, text, side, 0));
    }

    private static double[] flat(List<Point> through) {
        double[] flat = new double[2 * through.size()];
        for (int each = 0; each < through.size(); each++) {
            flat[2 * each] = through.get(each).u();
            flat[2 * each + 1] = through.get(each).v();
        }
        return flat;
    }

    // --- words ---

    /** The price at a height, as the instrument writes it. */
    public String price(double height) {
        return format.format(plane.price(height));
    }

    /** The difference of prices between two heights, in the instrument's price and in per cent. */
    public String change(double from, double to) {
        double before = plane.price(from);
        double after = plane.price(to);
        String sign = after > before ? "+" : after < before ? "−" : "";
        String part =
                before > 0 ? String.format(Locale.ROOT, "  %s%.2f %%", sign, Math.abs(100 * (after / before - 1))) : "";
        return sign + format.format(Math.abs(after - before)) + part;
    }

    /** A number of bars. */
    public static String bars(double count) {
        long whole = Math.round(Math.abs(count));
        return (count < -0.5 ? "−" : "") + whole + (whole == 1 ? " bar" : " bars");
    }

    /** A ratio with three digits at most, without needless zeros. */
    public static String ratio(double ratio) {
        String text = String.format(Locale.ROOT, "%.3f", ratio);
        text = text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
        return text.replace('-', '−');
    }
}
