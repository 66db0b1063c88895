package dev.yardarm.bench;

import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Field;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;

/**
 * Formulas against the same computation written by hand over plain arrays, an indicator of one's own against a built-in one of the
 * same steps, the way from a keystroke to the values of a draft, and a long definition by its distinct steps.
 */
public final class FormulaMeasurement {
    private static final int BARS = 1_000_000;
    private static final int ROUNDS = 15;

    private FormulaMeasurement() {}

    public static void main(String[] arguments) {
        Bars bars = MadeBars.minutes(BARS).snapshot();
        against("(close - open) / range * 100", "(close - open) / range * 100", bars, () -> simple(bars));
        against(
                "close > open and volume > volume back 1 and high - low > 0.5",
                "close > open and volume > volume back 1 and high - low > 0.5",
                bars,
                () -> conditions(bars));
        against("ema(close, 20) - ema(close, 50)", "ema(close, 20) - ema(close, 50)", bars, () -> averages(bars));
        against(
                "close crosses above ema(close, 20) held for 1 and close is rising for 3",
                "close crosses above ema(close, 20) and close is rising for 3",
                bars,
                () -> crossing(bars));
        against("bars since (close > open) else 0", "bars since (close > open) else 0", bars, () -> since(bars));
        own(bars);
        longDefinition(bars);
        keystroke();
    }

    private static double best(Supplier<Object> work) {
        double[] times = new double[ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            long begin = System.nanoTime();
            if (work.get() == null) {
                throw new IllegalStateException();
            }
            times[round] = (System.nanoTime() - begin) / 1e6;
        }
        Arrays.sort(times);
        return times[ROUNDS / 2];
    }

    private static void against(String name, String text, Bars bars, Supplier<Object> byHand) {
        Formula formula = Formula.parse(text, Language.builtIn());
        Supplier<Object> ours = () -> {
            ColumnGraph graph = new ColumnGraph();
            ColumnGraph.Node node = formula.in(graph);
            graph.update(bars);
            return node;
        };
        best(ours);
        best(byHand);
        double formulaTime = best(ours);
        double hand = best(byHand);
        System.out.printf(
                Locale.ROOT, "%-60s %6.1f ms / by hand %6.1f ms = %.2f%n", name, formulaTime, hand, formulaTime / hand);
    }

    private static double[] simple(Bars bars) {
        double[] open = bars.column(Field.OPEN);
        double[] high = bars.column(Field.HIGH);
        double[] low = bars.column(Field.LOW);
        double[] close = bars.column(Field.CLOSE);
        double[] result = new double[BARS];
        for (int bar = 0; bar < BARS; bar++) {
            double range = high[bar] - low[bar];
            result[bar] = range == 0 ? Double.NaN : (close[bar] - open[bar]) / range * 100;
        }
        return result;
    }

    private static double[] conditions(Bars bars) {
        double[] open = bars.column(Field.OPEN);
        double[] high = bars.column(Field.HIGH);
        double[] low = bars.column(Field.LOW);
        double[] close = bars.column(Field.CLOSE);
        double[] volume = bars.column(Field.VOLUME);
        double[] result = new double[BARS];
        result[0] = Double.NaN;
        for (int bar = 1; bar < BARS; bar++) {
            result[bar] = close[bar] > open[bar] && volume[bar] > volume[bar - 1] && high[bar] - low[bar] > 0.5 ? 1 : 0;
        }
        return result;
    }

    private static double[] ema(double[] values, int length) {
        double[] result = new double[values.length];
        double weight = 2.0 / (length + 1);
        double sum = 0;
        double mean = Double.NaN;
        for (int bar = 0; bar < BARS; bar++) {
            if (bar < length) {
                sum += values[bar];
                mean = bar == length - 1 ? sum / length : Double.NaN;
            } else {
                mean += weight * (values[bar] - mean);
            }
            result[bar] = mean;
        }
        return result;
    }

    private static double[] averages(Bars bars) {
        double[] fast = ema(bars.column(Field.CLOSE), 20);
        double[] slow = ema(bars.column(Field.CLOSE), 50);
        for (int bar = 0; bar < BARS; bar++) {
            fast[bar] -= slow[bar];
        }
        return fast;
    }

    private static double[] crossing(Bars bars) {
        double[] close = bars.column(Field.CLOSE);
        double[] mean = ema(close, 20);
        double[] result = new double[BARS];
        int rising = 0;
        for (int bar = 1; bar < BARS; bar++) {
            rising = close[bar] > close[bar - 1] ? rising + 1 : 0;
            result[bar] = rising >= 3 && close[bar - 1] <= mean[bar - 1] && close[bar] > mean[bar] ? 1 : 0;
        }
        return result;
    }

    private static double[] since(Bars bars) {
        double[] open = bars.column(Field.OPEN);
        double[] close = bars.column(Field.CLOSE);
        double[] result = new double[BARS];
        int last = -1;
        for (int bar = 0; bar < BARS; bar++) {
            last = close[bar] > open[bar] ? bar : last;
            result[bar] = last < 0 ? 0 : bar - last;
        }
        return result;
    }

    /** An indicator of one's own of the steps of a built-in one. */
    private static void own(Bars bars) {
        Definition definition = Definition.parse(
                """
                define "My macd" in pane
                let main = ema(close, 12) - ema(close, 26)
                let signal = ema(main, 9)
                line main
                line signal
                bars main - signal "Histogram"
                cue "Cross up" when main crosses above signal
                cue "Cross down" when main crosses below signal
                """,
                Language.builtIn());
        Indicator builtIn = Catalogue.builtIn().find("macd").orElseThrow();
        Supplier<Object> ours = () -> computed(definition.indicator(), bars);
        Supplier<Object> shipped = () -> computed(builtIn, bars);
        best(ours);
        best(shipped);
        double own = best(ours);
        double theirs = best(shipped);
        System.out.printf(
                Locale.ROOT, "%-60s %6.1f ms / built-in %6.1f ms = %.2f%n", "macd defined", own, theirs, own / theirs);
    }

    private static Object computed(Indicator indicator, Bars bars) {
        ColumnGraph graph = new ColumnGraph();
        indicator.in(graph, Settings.standard(indicator));
        graph.update(bars);
        return graph;
    }

    /** Sixty lines in which ten names are used many times, against their distinct steps alone. */
    private static void longDefinition(Bars bars) {
        StringBuilder few = new StringBuilder("define \"Few\" in pane\n");
        StringBuilder many = new StringBuilder("define \"Many\" in pane\n");
        for (int number = 0; number < 10; number++) {
            String let = "let a" + number + " = ema(close, " + (10 + number) + ") - sma(high, " + (20 + number) + ")\n";
            few.append(let);
            many.append(let);
        }
        StringBuilder sum = new StringBuilder("a0");
        for (int number = 1; number < 10; number++) {
            sum.append(" + a").append(number);
        }
        few.append("line ").append(sum).append('\n');
        for (int line = 0; line < 49; line++) {
            many.append("line ").append(sum).append(" \"L").append(line).append("\"\n");
        }
        Indicator once = Definition.parse(few.toString(), Language.builtIn()).indicator();
        Indicator often = Definition.parse(many.toString(), Language.builtIn()).indicator();
        ColumnGraph graph = new ColumnGraph();
        often.in(graph, Settings.standard(often));
        best(() -> computed(once, bars));
        double one = best(() -> computed(once, bars));
        double all = best(() -> computed(often, bars));
        System.out.printf(
                Locale.ROOT,
                "%-60s %6.1f ms / one line %6.1f ms = %.2f (%d steps)%n",
                "60 lines, ten names used 49 times",
                all,
                one,
                all / one,
                graph.size());
    }

    /** From a changed text to the values of 5,000 bars, as the editor does it. */
    private static void keystroke() {
        Bars bars = MadeBars.minutes(5000).snapshot();
        String text =
                """
                define "Four" in price
                setting length = 30 from 2 to 400
                setting average = simple among simple, exponential, weighted
                let middle = average(average, close, length)
                let climb = slope(middle, 5) / atr(14)
                line middle "Average" width 2
                tint "Climbing" rise when climb > 0.05 and close > middle
                tint "Sinking" fall when climb < -0.05 and close < middle
                cue "Fresh" when just Climbing and volume > 1.5 * sma(volume, 20)
                """;
        int[] number = {0};
        Supplier<Object> typed = () -> {
            String changed = text.replace("0.05", "0.0" + (1 + number[0]++ % 8));
            Indicator draft = Definition.parse(changed, Language.builtIn()).indicator();
            IndicatorLayer layer = new IndicatorLayer("tried", draft, Settings.standard(draft), LayerStyle.of(0));
            return new ChartDataBuilder(List.of(layer)).update(bars);
        };
        for (int round = 0; round < 20; round++) {
            best(typed);
        }
        System.out.printf(Locale.ROOT, "%-60s %6.2f ms%n", "keystroke to the values of 5,000 bars", best(typed));
    }
}
