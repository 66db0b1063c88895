package dev.yardarm.chart.model;

import dev.yardarm.core.profile.BarFiguresTerm;
import java.util.Optional;

/**
 * Where the rows of figures of bars lie in their pane.
 *
 * @param outputs the numbers of their outputs, from above
 * @param top of the first row
 * @param high height of a row
 */
public record FigureRows(int[] outputs, double top, double high) {
    private static final double LEGEND = 18;
    private static final double HIGHEST = 20;

    /** Those of a layer of figures; empty for any other layer. */
    public static Optional<FigureRows> of(Pane pane, IndicatorLayer layer) {
        if (!(layer.indicator() instanceof BarFiguresTerm figures)) {
            return Optional.empty();
        }
        int[] outputs = figures.rows(layer.settings());
        double room = pane.bottom() - pane.top() - LEGEND - 2;
        return Optional.of(new FigureRows(outputs, pane.top() + LEGEND, Math.min(HIGHEST, room / outputs.length)));
    }

    /** The upper edge of a row. */
    public double top(int row) {
        return top + row * high;
    }

    /** The row at a height of the chart; empty outside of them. */
    public Optional<Integer> at(double y) {
        int row = (int) Math.floor((y - top) / high);
        return high > 0 && row >= 0 && row < outputs.length ? Optional.of(row) : Optional.empty();
    }

    /** What an output is called in its row, in short. */
    public static String name(String output) {
        return switch (output) {
            case "delta_high" -> "highest";
            case "delta_low" -> "lowest";
            default -> output;
        };
    }
}
