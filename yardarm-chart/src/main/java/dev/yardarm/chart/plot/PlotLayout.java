package dev.yardarm.chart.plot;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.PriceTicks;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.series.Times;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleBiFunction;

/**
 * Where everything of a plot lies at a size: the plot's own box, its scales, the marks of its axes, and what is under a
 * point. Cost: by what is on the plot, once; {@link #readout} the same.
 */
public final class PlotLayout {
    /** How near a point or line has to be to be read. */
    private static final double NEAR = 12;

    private static final double LABEL_APART = 40;
    private static final double MOST_RIGHT = 120;
    private static final double COLUMN = 0.7;

    /** The values a series has from left to right. */
    private static final PlotSeries.Visitor<double[]> ACROSS = new PlotSeries.Visitor<>() {
        @Override
        public double[] line(PlotSeries.Line line) {
            return line.xs();
        }

        @Override
        public double[] columns(PlotSeries.Columns columns) {
            return columns.xs();
        }

        @Override
        public double[] points(PlotSeries.Points points) {
            return points.xs();
        }

        @Override
        public double[] heat(PlotSeries.Heat heat) {
            return new double[0];
        }
    };

    /** The values a series has upward, the base of columns among them. */
    private static final PlotSeries.Visitor<double[]> UPWARD = new PlotSeries.Visitor<>() {
        @Override
        public double[] line(PlotSeries.Line line) {
            return line.ys();
        }

        @Override
        public double[] columns(PlotSeries.Columns columns) {
            double[] values = Arrays.copyOf(columns.ys(), columns.ys().length + 1);
            values[values.length - 1] = columns.base();
            return values;
        }

        @Override
        public double[] points(PlotSeries.Points points) {
            return points.ys();
        }

        @Override
        public double[] heat(PlotSeries.Heat heat) {
            return new double[0];
        }
    };

    /**
     * A mark of an axis.
     *
     * @param at its pixel
     */
    public record Mark(double at, double value, String text) {}

    private final Plot plot;
    private final Box box;
    private final PlotScale across;
    private final PlotScale up;
    private final List<Mark> belowMarks;
    private final List<Mark> rightMarks;
    private final double width;
    private final double height;

    private PlotLayout(Plot plot, double width, double height, ToDoubleBiFunction<String, Type> widths) {
        this.plot = plot;
        this.width = width;
        this.height = height;
        double top = 40;
        double bottom = Math.max(top + 20, height - 44);
        double[] vertical = range(plot.right(), true);
        // Names stand from the top down, as rows do.
        boolean rows = plot.right().kind() == PlotAxis.Kind.NAMES;
        up = rows
                ? new PlotScale(-0.5, plot.right().names().size() - 0.5, top, bottom)
                : new PlotScale(vertical[0], vertical[1], bottom, top);
        rightMarks = marks(plot.right(), up, LABEL_APART, widths);
        double wide = rightMarks.stream()
                .mapToDouble(mark -> widths.applyAsDouble(mark.text(), Type.SMALL))
                .max()
                .orElse(0);
        double right = Math.max(60, width - Math.min(MOST_RIGHT, wide) - 16);
        box = new Box(8, top, right, bottom);
        boolean columns = plot.below().kind() == PlotAxis.Kind.NAMES;
        double[] horizontal = range(plot.below(), false);
        across = columns
                ? new PlotScale(-0.5, plot.below().names().size() - 0.5, box.left(), box.right())
                : new PlotScale(horizontal[0], horizontal[1], box.left(), box.right());
        belowMarks = marks(plot.below(), across, 0, widths);
    }

    /** @param widths of texts, in pixels */
    public static PlotLayout of(Plot plot, double width, double height, ToDoubleBiFunction<String, Type> widths) {
        return new PlotLayout(plot, width, height, widths);
    }

    public Plot plot() {
        return plot;
    }

    public double width() {
        return width;
    }

    public double height() {
        return height;
    }

    /** Where series are drawn. */
    public Box box() {
        return box;
    }

    public double x(double value) {
        return across.at(value);
    }

    public double y(double value) {
        return up.at(value);
    }

    /** The marks of the axis below, from left to right; no two of their texts touch. */
    public List<Mark> below() {
        return belowMarks;
    }

    /** The marks of the axis at the right; no two of their texts touch. */
    public List<Mark> right() {
        return rightMarks;
    }

    /** Lowest and highest value of what is on an axis, with a little air on an upright one. */
    private double[] range(PlotAxis axis, boolean vertical) {
        double least = Double.isNaN(axis.least()) ? Double.POSITIVE_INFINITY : axis.least();
        double most = Double.isNaN(axis.most()) ? Double.NEGATIVE_INFINITY : axis.most();
        double half = 0;
        for (PlotSeries series : plot.series()) {
            double[] values = series.accept(vertical ? UPWARD : ACROSS);
            for (double value : values) {
                if (Double.isFinite(value)) {
                    least = Math.min(least, value);
                    most = Math.max(most, value);
                }
            }
            if (!vertical && series instanceof PlotSeries.Columns columns) {
                half = Math.max(half, apart(columns.xs()) / 2);
            }
        }
        if (!(least <= most)) {
            return new double[] {0, 1};
        }
        if (most - least < 1e-12 * Math.max(1, Math.abs(most))) {
            double reach = Math.max(1e-6, Math.abs(most) * 0.01);
            return new double[] {least - reach, most + reach};
        }
        double air = vertical ? 0.06 * (most - least) : half;
        return new double[] {least - air, most + air};
    }

    /** The least distance between neighbouring values; 1 for a single one. */
    private static double apart(double[] sorted) {
        double least = Double.POSITIVE_INFINITY;
        for (int at = 1; at < sorted.length; at++) {
            double step = Math.abs(sorted[at] - sorted[at - 1]);
            least = step > 0 ? Math.min(least, step) : least;
        }
        return Double.isInfinite(least) ? 1 : least;
    }

    /** Half the width of a column, in pixels. */
    double halfColumn(PlotSeries.Columns columns) {
        return Math.max(0.5, Math.abs(x(apart(columns.xs())) - x(0)) * COLUMN / 2);
    }

    private List<Mark> marks(PlotAxis axis, PlotScale scale, double apart, ToDoubleBiFunction<String, Type> widths) {
        List<Mark> marks = new ArrayList<>();
        switch (axis.kind()) {
            case NAMES -> {
                for (int name = 0; name < axis.names().size(); name++) {
                    marks.add(new Mark(scale.at(name), name, axis.names().get(name)));
                }
            }
            case NUMBERS -> {
                double distance = apart == 0 ? 64 : apart;
                PriceScale numbers = new PriceScale(
                        scale.low(), scale.high(), 0, Math.max(1, Math.abs(scale.to() - scale.from())), false);
                for (double value : PriceTicks.of(numbers, distance, 1e-12)) {
                    marks.add(new Mark(scale.at(value), value, axis.text(value)));
                }
            }
            case MOMENTS -> moments(axis, scale, marks);
        }
        boolean upright = apart > 0;
        return free(marks, upright, widths);
    }

    /** Round moments about 90 pixels apart. */
    private static void moments(PlotAxis axis, PlotScale scale, List<Mark> marks) {
        double perPixel = (scale.high() - scale.low()) / Math.abs(scale.to() - scale.from());
        long wanted = (long) (perPixel * 90);
        ChronoUnit unit = wanted > 200 * Times.DAY
                ? ChronoUnit.YEARS
                : wanted > 20 * Times.DAY
                        ? ChronoUnit.MONTHS
                        : wanted > 12 * Times.HOUR
                                ? ChronoUnit.DAYS
                                : wanted > 30 * Times.MINUTE ? ChronoUnit.HOURS : ChronoUnit.MINUTES;
        long size =
                switch (unit) {
                    case YEARS -> 365 * Times.DAY;
                    case MONTHS -> 30 * Times.DAY;
                    case DAYS -> Times.DAY;
                    case HOURS -> Times.HOUR;
                    default -> Times.MINUTE;
                };
        int step = (int) Math.max(1, Math.rint((double) wanted / size));
        ZonedDateTime at = Times.at((long) scale.low(), axis.zone());
        at = switch (unit) {
            case YEARS -> at.truncatedTo(ChronoUnit.DAYS).withDayOfYear(1);
            case MONTHS -> at.truncatedTo(ChronoUnit.DAYS).withDayOfMonth(1);
            default -> at.truncatedTo(unit);
        };
        for (int count = 0; count < 400; count++) {
            double moment = at.toInstant().toEpochMilli() * 1000.0;
            if (moment > scale.high()) {
                return;
            }
            if (moment >= scale.low()) {
                marks.add(new Mark(scale.at(moment), moment, axis.text(moment)));
            }
            at = at.plus(step, unit);
        }
    }

    /** The marks whose texts have room beside the one before. */
    private static List<Mark> free(List<Mark> marks, boolean upright, ToDoubleBiFunction<String, Type> widths) {
        List<Mark> free = new ArrayList<>();
        double taken = Double.NaN;
        for (Mark mark : marks) {
            double half = upright ? 7 : widths.applyAsDouble(mark.text(), Type.SMALL) / 2 + 4;
            double from = mark.at() - half;
            double to = mark.at() + half;
            // An upright axis of numbers runs upward: its pixels grow smaller.
            boolean clear = Double.isNaN(taken) || (upright ? Math.abs(mark.at() - taken) >= 14 : from >= taken);
            if (clear) {
                free.add(mark);
                taken = upright ? mark.at() : to;
            }
        }
        return free;
    }

    /** What lies under a point: the cell or column there, else the nearest point within reach; empty for nothing. */
    public Optional<PlotReadout> readout(double x, double y) {
        if (!box.covers(x, y)) {
            return Optional.empty();
        }
        PlotReadout near = null;
        for (int number = plot.series().size() - 1; number >= 0 && near == null; number--) {
            near = plot.series().get(number).accept(new Under(x, y));
        }
        return Optional.ofNullable(near);
    }

    /** What of a series lies under a point; null for nothing. Of several the uppermost is read. */
    private final class Under implements PlotSeries.Visitor<PlotReadout> {
        private final double x;
        private final double y;

        Under(double x, double y) {
            this.x = x;
            this.y = y;
        }

        @Override
        public PlotReadout line(PlotSeries.Line line) {
            int point = nearest(line.xs(), line.ys(), x, y, NEAR);
            return point < 0 ? null : at(line.name(), line.xs()[point], line.ys()[point], "");
        }

        @Override
        public PlotReadout columns(PlotSeries.Columns columns) {
            return column(columns, x);
        }

        @Override
        public PlotReadout points(PlotSeries.Points points) {
            int point = nearest(points.xs(), points.ys(), x, y, NEAR);
            String text = point < 0 || points.texts() == null ? "" : points.texts()[point];
            return point < 0 ? null : at(points.name(), points.xs()[point], points.ys()[point], text);
        }

        @Override
        public PlotReadout heat(PlotSeries.Heat heat) {
            return cellAt(heat, x, y);
        }
    }

    private int nearest(double[] xs, double[] ys, double x, double y, double within) {
        int found = -1;
        double least = within;
        for (int point = 0; point < xs.length; point++) {
            double away = Math.hypot(x(xs[point]) - x, y(ys[point]) - y);
            if (away < least) {
                least = away;
                found = point;
            }
        }
        return found;
    }

    private PlotReadout at(String name, double valueX, double valueY, String text) {
        double x = x(valueX);
        double y = y(valueY);
        return new PlotReadout(
                (text.isEmpty() ? name : name + ", " + text) + ": "
                        + plot.below().text(valueX) + ", " + named(valueY),
                new Box(x - 4, y - 4, x + 4, y + 4));
    }

    /** A value of the axis at the right with what it measures. */
    private String named(double value) {
        String title = plot.right().title();
        return (title.isEmpty() ? "" : title + " ") + plot.right().text(value);
    }

    private PlotReadout column(PlotSeries.Columns columns, double x) {
        double half = halfColumn(columns);
        for (int at = 0; at < columns.xs().length; at++) {
            double middle = x(columns.xs()[at]);
            if (Math.abs(middle - x) <= half) {
                double y = y(columns.ys()[at]);
                double base = y(columns.base());
                String text =
                        columns.name() + ": " + plot.below().text(columns.xs()[at]) + ", " + named(columns.ys()[at]);
                double edge = Double.isNaN(y) ? base : y;
                return new PlotReadout(
                        text, new Box(middle - half, Math.min(edge, base), middle + half, Math.max(edge, base)));
            }
        }
        return null;
    }

    private PlotReadout cellAt(PlotSeries.Heat heat, double x, double y) {
        int column = (int) Math.rint(across.value(x));
        int row = (int) Math.rint(up.value(y));
        if (row < 0 || row >= heat.values().length || column < 0 || column >= heat.values()[row].length) {
            return null;
        }
        Box cell = cell(row, column);
        return new PlotReadout(
                heat.name() + ": " + plot.right().text(row) + ", "
                        + plot.below().text(column) + ", " + heatText(heat.values()[row][column]),
                cell);
    }

    /** Where a cell of heat lies. */
    Box cell(int row, int column) {
        return new Box(x(column - 0.5), y(row - 0.5), x(column + 0.5), y(row + 0.5));
    }

    /** A value in a cell. */
    static String heatText(double value) {
        return PlotAxis.numbers("").text(value);
    }
}
