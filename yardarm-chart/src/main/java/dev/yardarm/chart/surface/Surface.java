package dev.yardarm.chart.surface;

/**
 * Something to draw on: a window's canvas, a picture file, a page. Coordinates are in logical pixels, y downward;
 * colours are ARGB. Shapes come in batches, taken from arrays whose owner uses them again.
 */
public interface Surface {
    /** Sizes of type. */
    enum Type {
        /** Axes, tags and readouts. */
        SMALL,
        /** Everything else. */
        BASE,
        /** Headings. */
        STRONG
    }

    /** Where a text stands to its x. */
    enum Align {
        LEFT,
        CENTRE,
        RIGHT
    }

    /** Device pixels for one logical pixel: 1, 1.25, 1.5, 2 ... */
    double scale();

    /** Fills rectangles, each given as x, y, width, height. */
    void fillRectangles(int colour, double[] rectangles, int count);

    /** Draws a line through points, each given as x, y. Dash lengths in pixels; none for a plain line. */
    void line(int colour, double width, double[] dash, double[] points, int count);

    /** Draws separate straight lines, each given as the x, y of its two ends. */
    void segments(int colour, double width, double[] ends, int count);

    /** Fills a polygon, its corners given as x, y. */
    void fillPolygon(int colour, double[] points, int count);

    /** Writes a text whose middle height is at y. */
    void text(String text, double x, double y, Type type, Align align, int colour);

    /** Width of a text in logical pixels. */
    double textWidth(String text, Type type);

    /** Keeps what follows inside a rectangle, until {@link #endClip()}. */
    void beginClip(double x, double y, double width, double height);

    void endClip();

    /** The coordinate moved to the nearest edge between device pixels. */
    default double snap(double coordinate) {
        return Math.rint(coordinate * scale()) / scale();
    }

    /** The length of one device pixel. */
    default double hairline() {
        return 1 / scale();
    }
}
