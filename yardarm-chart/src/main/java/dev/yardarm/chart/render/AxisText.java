package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.PriceTicks;
import dev.yardarm.core.instrument.Decimals;
import dev.yardarm.core.profile.BarFiguresTerm;
import java.util.ArrayList;
import java.util.List;

/** What stands on the value axes: marks at round values, and any value in the words of its axis. */
public final class AxisText {
    /** How far labels are apart, in pixels: where there is room, and at the least. */
    private static final double PLEASANT = 44;

    private static final double CLOSEST = 16;

    private AxisText() {}

    /** A value of a pane's right axis as it is written there. */
    public static String of(ChartModel chart, Pane pane, double value) {
        return switch (pane.kind()) {
            case PRICE -> price(chart, value);
            case VOLUME -> Readout.quantity(value);
            case INDICATOR -> pane.percent() ? percent(value) : Readout.plain(value);
        };
    }

    /** A price as the price axis writes it: in the instrument's units, as a change, or as an index. */
    public static String price(ChartModel chart, double price) {
        double base = chart.scale().isRelative() ? chart.basePrice() : Double.NaN;
        if (Double.isNaN(base) || base == 0) {
            return chart.instrument().map(each -> each.format().format(price)).orElse("");
        }
        return chart.scale().mode() == ScaleChoice.Mode.PERCENT
                ? percent(100 * (price / base - 1))
                : Decimals.of(100 * price / base, 2);
    }

    private static String percent(double value) {
        return Readout.signed(Math.abs(value) < 0.005 ? 0 : value);
    }

    /**
     * Values for grid lines and labels of a pane's right axis, as far apart as is pleasant, or as near as is needed for a
     * label every 50 pixels of its height, three at least.
     */
    static List<Double> marks(ChartModel chart, Pane pane) {
        if (!pane.indicators().isEmpty()
                && pane.indicators().stream().allMatch(each -> each.indicator() instanceof BarFiguresTerm)) {
            // Rows have names, not a scale.
            return List.of();
        }
        double height = pane.bottom() - pane.top();
        double wanted = height < 3 * CLOSEST ? 1 : Math.max(3, Math.floor(height / 50));
        List<Double> marks = List.of();
        for (double apart = PLEASANT; apart >= CLOSEST; apart -= 4) {
            marks = marks(chart, pane, apart).stream()
                    .filter(mark -> isInside(pane, pane.scale().y(mark)))
                    .toList();
            if (marks.size() >= wanted) {
                break;
            }
        }
        return marks;
    }

    private static boolean isInside(Pane pane, double y) {
        return y > pane.top() + 7 && y < pane.bottom() - 7;
    }

    private static List<Double> marks(ChartModel chart, Pane pane, double apart) {
        return switch (pane.kind()) {
            case PRICE -> prices(chart, pane.scale(), apart);
            case VOLUME ->
                PriceTicks.of(pane.scale(), apart * 0.7, 1).stream()
                        .filter(mark -> mark > 0)
                        .toList();
            case INDICATOR -> {
                List<Double> levels = pane.indicators().isEmpty()
                        ? List.of()
                        : pane.indicators().get(0).levels();
                List<Double> marks = new ArrayList<>(levels);
                if (apart < PLEASANT || levels.isEmpty() || levels.equals(List.of(0.0))) {
                    // Round values beside the levels, where they do not touch them.
                    PriceTicks.of(pane.scale(), apart * 0.7, 1e-9).stream()
                            .filter(tick -> levels.stream()
                                    .noneMatch(level -> Math.abs(pane.scale().y(level)
                                                    - pane.scale().y(tick))
                                            < CLOSEST))
                            .forEach(marks::add);
                }
                yield marks;
            }
        };
    }

    private static List<Double> prices(ChartModel chart, PriceScale scale, double apart) {
        double base = chart.scale().isRelative() ? chart.basePrice() : Double.NaN;
        if (Double.isNaN(base) || base <= 0) {
            return PriceTicks.of(
                    scale,
                    apart,
                    chart.instrument().map(each -> each.format().tick()).orElse(1e-9));
        }
        double from = 100 * (scale.low() / base - 1);
        double to = 100 * (scale.high() / base - 1);
        return PriceTicks.of(new PriceScale(from, to, scale.top(), scale.bottom(), false), apart, 0.01).stream()
                .map(percent -> base * (1 + percent / 100))
                .toList();
    }
}
