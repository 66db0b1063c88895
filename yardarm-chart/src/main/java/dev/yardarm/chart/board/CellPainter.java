package dev.yardarm.chart.board;

import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;

/**
 * Paints what stands in one place of a board. What rises is hollow and what falls is filled, as bars are. Keeps its batches from frame to frame.
 */
final class CellPainter {
    static final double PAD = 6;
    private static final double WEDGE = 4;
    /** No sign is wider, in pixels. */
    private static final double WIDEST = 11;

    private static final double COURSE_HEIGHT = BoardPicture.LINE - 8;

    private final Batch shape = new Batch();
    /** How wide signs are, each measured once: what fits by their sum need not be measured. */
    private final double[] signs = new double[128];

    void paint(Cell cell, double x, double y, double width, double height, Palette palette, Surface surface) {
        double middle = y + height / 2;
        if (cell instanceof Cell.Words words) {
            words(words, x, middle, width, palette, surface);
        } else if (cell instanceof Cell.Tick tick) {
            wedge(tick.way(), x + width / 2, middle, palette, surface);
        } else if (cell instanceof Cell.Range range) {
            range(range, x + PAD, middle, width - 2 * PAD, palette, surface);
        } else if (cell instanceof Cell.Course course) {
            course(course, x + PAD, y + 4, width - 2 * PAD, height - 8, palette, surface);
        }
    }

    /** True when one looks as the other does in a column so wide: what moves by less than half a pixel does not show. */
    static boolean looksAs(Cell one, Cell other, double width) {
        if (one instanceof Cell.Range a && other instanceof Cell.Range b) {
            return a.equals(b)
                    || place(a, a.open(), width) == place(b, b.open(), width)
                            && place(a, a.last(), width) == place(b, b.last(), width)
                            && a.high() > a.low() == b.high() > b.low()
                            && a.last() >= a.open() == b.last() >= b.open();
        }
        if (one instanceof Cell.Course a && other instanceof Cell.Course b) {
            return a.closes() == b.closes() && Math.abs(a.last() - b.last()) <= spanOf(a) / (2 * COURSE_HEIGHT);
        }
        return one.equals(other);
    }

    private static long place(Cell.Range range, double price, double width) {
        return Math.round(2 * width * (price - range.low()) / (range.high() - range.low()));
    }

    private static double spanOf(Cell.Course course) {
        double low = course.last();
        double high = course.last();
        for (double close : course.closes()) {
            low = Math.min(low, close);
            high = Math.max(high, close);
        }
        return high - low;
    }

    private void words(Cell.Words words, double x, double middle, double width, Palette palette, Surface surface) {
        if (words.text().isEmpty()) {
            return;
        }
        String text = shortened(words.text(), width - 2 * PAD, surface);
        surface.text(
                text,
                words.right() ? x + width - PAD : x + PAD,
                middle,
                Type.BASE,
                words.right() ? Align.RIGHT : Align.LEFT,
                palette.of(words.role()));
    }

    /** A text that fits, with dots where it ends early. */
    String shortened(String text, double room, Surface surface) {
        if (atMost(text, surface) <= room || surface.textWidth(text, Type.BASE) <= room) {
            return text;
        }
        int length = text.length() - 1;
        while (length > 1 && surface.textWidth(text.substring(0, length) + "…", Type.BASE) > room) {
            length--;
        }
        return text.substring(0, length).stripTrailing() + "…";
    }

    private double atMost(String text, Surface surface) {
        double sum = 1;
        for (int at = 0; at < text.length(); at++) {
            char sign = text.charAt(at);
            if (sign >= signs.length) {
                sum += WIDEST;
                continue;
            }
            if (signs[sign] == 0) {
                signs[sign] = surface.textWidth(String.valueOf(sign), Type.BASE);
            }
            sum += signs[sign];
        }
        return sum;
    }

    void wedge(int way, double x, double middle, Palette palette, Surface surface) {
        if (way == 0) {
            return;
        }
        shape.clear();
        double tip = middle - way * WEDGE;
        double base = middle + way * WEDGE;
        shape.point(x - WEDGE, base);
        shape.point(x, tip);
        shape.point(x + WEDGE, base);
        shape.point(x - WEDGE, base);
        if (way > 0) {
            surface.line(palette.of(Role.RISE), 1.4, Palette.dash(0), shape.values(), 4);
        } else {
            surface.fillPolygon(palette.of(Role.FALL), shape.values(), 3);
        }
    }

    private void range(Cell.Range of, double x, double middle, double width, Palette palette, Surface surface) {
        if (!(of.high() >= of.low())) {
            return;
        }
        double span = of.high() - of.low();
        double pixel = surface.hairline();
        rectangle(x, surface.snap(middle), width, pixel, palette.of(Role.SOFT), surface);
        if (span == 0) {
            return;
        }
        double open = x + width * (of.open() - of.low()) / span;
        double last = x + width * (of.last() - of.low()) / span;
        double left = surface.snap(Math.min(open, last));
        double right = Math.max(surface.snap(Math.max(open, last)), left + pixel);
        boolean rises = of.last() >= of.open();
        int colour = palette.of(rises ? Role.RISE : Role.FALL);
        double top = surface.snap(middle) - 3;
        rectangle(left, top, right - left, 7, colour, surface);
        if (rises && right - left > 2 * pixel) {
            rectangle(
                    left + pixel,
                    top + pixel,
                    right - left - 2 * pixel,
                    7 - 2 * pixel,
                    palette.of(Role.PAPER),
                    surface);
        }
        // Where price is now stands out over both ends.
        rectangle(surface.snap(last) - pixel, top - 3, 2 * pixel, 13, palette.of(Role.INK), surface);
    }

    private void course(
            Cell.Course of, double x, double y, double width, double height, Palette palette, Surface surface) {
        int count = of.closes().length + (Double.isNaN(of.last()) ? 0 : 1);
        if (count < 2) {
            return;
        }
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (int at = 0; at < count; at++) {
            low = Math.min(low, value(of, at));
            high = Math.max(high, value(of, at));
        }
        double span = high > low ? high - low : 1;
        shape.clear();
        for (int at = 0; at < count; at++) {
            shape.point(x + width * at / (count - 1), y + height * (high - value(of, at)) / span);
        }
        boolean rises = value(of, count - 1) >= value(of, 0);
        surface.line(palette.of(rises ? Role.RISE : Role.FALL), 1.2, Palette.dash(0), shape.values(), count);
    }

    private static double value(Cell.Course of, int at) {
        return at < of.closes().length ? of.closes()[at] : of.last();
    }

    void rectangle(double x, double y, double width, double height, int colour, Surface surface) {
        shape.clear();
        shape.rectangle(x, y, width, height);
        shape.fill(surface, colour);
    }
}
