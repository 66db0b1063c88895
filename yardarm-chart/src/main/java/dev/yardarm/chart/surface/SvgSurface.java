package dev.yardarm.chart.surface;

import java.util.Locale;
import java.util.function.ToDoubleBiFunction;

/**
 * Draws into an SVG document (W3C Scalable Vector Graphics 1.1): shapes as paths, text as text, so that it stays sharp
 * at any size and can be searched. Coordinates are written with two digits.
 */
public final class SvgSurface implements Surface {
    private final StringBuilder body = new StringBuilder();
    private final StringBuilder clips = new StringBuilder();
    private final double width;
    private final double height;
    private final ToDoubleBiFunction<String, Type> widths;
    private int clipCount;

    /** @param widths width of a text in pixels */
    public SvgSurface(double width, double height, ToDoubleBiFunction<String, Type> widths) {
        this.width = width;
        this.height = height;
        this.widths = widths;
    }

    @Override
    public double scale() {
        return 1;
    }

    private static String number(double value) {
        String text = String.format(Locale.ROOT, "%.2f", value);
        int end = text.length();
        while (text.charAt(end - 1) == '0') {
            end--;
        }
        return text.substring(0, text.charAt(end - 1) == '.' ? end - 1 : end);
    }

    private static String paint(String what, int colour) {
        int alpha = colour >>> 24;
        return " " + what + "=\"#" + String.format("%06x", colour & 0xFFFFFF) + "\""
                + (alpha == 255 ? "" : " " + what + "-opacity=\"" + number(alpha / 255.0) + "\"");
    }

    @Override
    public void fillRectangles(int colour, double[] rectangles, int count) {
        body.append("<path").append(paint("fill", colour)).append(" d=\"");
        for (int at = 0; at < 4 * count; at += 4) {
            body.append('M')
                    .append(number(rectangles[at]))
                    .append(' ')
                    .append(number(rectangles[at + 1]))
                    .append('h')
                    .append(number(rectangles[at + 2]))
                    .append('v')
                    .append(number(rectangles[at + 3]))
                    .append('h')
                    .append(number(-rectangles[at + 2]))
                    .append('z');
        }
        body.append("\"/>\n");
    }

    @Override
    public void line(int colour, double lineWidth, double[] dash, double[] points, int count) {
        body.append("<polyline fill=\"none\"")
                .append(paint("stroke", colour))
                .append(stroke(lineWidth, dash))
                .append(" points=\"")
                .append(points(points, count))
                .append("\"/>\n");
    }

    private static String stroke(double lineWidth, double[] dash) {
        StringBuilder text = new StringBuilder(" stroke-linejoin=\"round\" stroke-width=\"")
                .append(number(lineWidth))
                .append('"');
        if (dash.length > 0) {
            text.append(" stroke-dasharray=\"");
            for (int at = 0; at < dash.length; at++) {
                text.append(at == 0 ? "" : " ").append(number(dash[at]));
            }
            text.append('"');
        }
        return text.toString();
    }

    private static String points(double[] points, int count) {
        StringBuilder text = new StringBuilder();
        for (int point = 0; point < count; point++) {
            text.append(point == 0 ? "" : " ")
                    .append(number(points[2 * point]))
                    .append(',')
                    .append(number(points[2 * point + 1]));
        }
        return text.toString();
    }

    @Override
    public void segments(int colour, double lineWidth, double[] ends, int count) {
        if (count == 0) {
            return;
        }
        body.append("<path fill=\"none\"")
                .append(paint("stroke", colour))
                .append(stroke(lineWidth, new double[0]))
                .append(" d=\"");
        for (int at = 0; at < 4 * count; at += 4) {
            body.append('M')
                    .append(number(ends[at]))
                    .append(' ')
                    .append(number(ends[at + 1]))
                    .append('L')
                    .append(number(ends[at + 2]))
                    .append(' ')
                    .append(number(ends[at + 3]));
        }
        body.append("\"/>\n");
    }

    @Override
    public void fillPolygon(int colour, double[] points, int count) {
        body.append("<polygon")
                .append(paint("fill", colour))
                .append(" points=\"")
                .append(points(points, count))
                .append("\"/>\n");
    }

    @Override
    public void text(String text, double x, double y, Type type, Align align, int colour) {
        String anchor =
                switch (align) {
                    case LEFT -> "start";
                    case CENTRE -> "middle";
                    case RIGHT -> "end";
                };
        body.append("<text x=\"")
                .append(number(x))
                .append("\" y=\"")
                .append(number(y + size(type) * 0.35))
                .append("\" font-size=\"")
                .append(number(size(type)))
                .append("\" text-anchor=\"")
                .append(anchor)
                .append('"')
                .append(type == Type.STRONG ? " font-weight=\"600\"" : "")
                .append(paint("fill", colour))
                .append('>')
                .append(escape(text))
                .append("</text>\n");
    }

    private static double size(Type type) {
        return type == Type.SMALL ? 11 : type == Type.BASE ? 12 : 13;
    }

    private static String escape(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }

    @Override
    public double textWidth(String text, Type type) {
        return widths.applyAsDouble(text, type);
    }

    @Override
    public void beginClip(double x, double y, double clipWidth, double clipHeight) {
        String id = "clip" + ++clipCount;
        clips.append("<clipPath id=\"")
                .append(id)
                .append("\"><rect x=\"")
                .append(number(x))
                .append("\" y=\"")
                .append(number(y))
                .append("\" width=\"")
                .append(number(clipWidth))
                .append("\" height=\"")
                .append(number(clipHeight))
                .append("\"/></clipPath>\n");
        body.append("<g clip-path=\"url(#").append(id).append(")\">\n");
    }

    @Override
    public void endClip() {
        body.append("</g>\n");
    }

    /** The whole document. */
    public String document() {
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + number(width) + "\" height=\"" + number(height)
                + "\" viewBox=\"0 0 " + number(width) + " " + number(height) + "\" font-family=\"'IBM Plex Sans', "
                + "sans-serif\">\n<defs>\n" + clips + "</defs>\n" + body + "</svg>\n";
    }
}
