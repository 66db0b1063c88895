package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Decimals;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;

/** The words and numbers a chart shows: readouts of a bar, quantities, changes, times. */
public final class Readout {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter MINUTE = DateTimeFormatter.ofPattern("EEE d MMM yyyy HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter SECOND =
            DateTimeFormatter.ofPattern("EEE d MMM yyyy HH:mm:ss", Locale.ENGLISH);

    private static final DateTimeFormatter SECOND_OF_DAY = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_OF_YEAR = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    /** How many shorter readouts there are than the whole one. */
    private static final int SHORTER = 7;

    private Readout() {}

    /** A quantity, shortened: {@code 950}, {@code 12.4 k}, {@code 3.15 M}, {@code 1.20 bn}. */
    public static String quantity(double value) {
        if (Double.isNaN(value)) {
            return "–";
        }
        double size = Math.abs(value);
        if (size >= 1e9) {
            return Decimals.of(value / 1e9, 2) + " bn";
        }
        if (size >= 1e6) {
            return Decimals.of(value / 1e6, 2) + " M";
        }
        return size >= 1e4 ? Decimals.of(value / 1e3, 1) + " k" : Decimals.of(value, 0);
    }

    /** A number with as many digits as tell something. */
    public static String plain(double value) {
        if (Double.isNaN(value)) {
            return "–";
        }
        double size = Math.abs(value);
        int decimals = size == 0 || size >= 100 || value == Math.rint(value) && size >= 1
                ? 0
                : size >= 10 ? 1 : size >= 0.1 ? 2 : 4;
        return Decimals.of(value, decimals);
    }

    /** A change with its sign: {@code +1.2 %}. */
    public static String percent(double part) {
        return percent(part, 2);
    }

    /**
     * A change with its sign and as many decimals as it needs: {@code −0.0034 %}.
     *
     * @param decimals digits after the point, 0 to 10
     */
    public static String percent(double part, int decimals) {
        return Double.isFinite(part) ? signed(100 * part, decimals) : "–";
    }

    /**
     * The change of the newest bar from the close of the one before. Of a day it is the change everyone means; of other bars
     * it says so: {@code W  −2.90 %}. Empty while there is none.
     */
    public static String changeOfBars(ChartModel chart) {
        double part = partOfBars(chart);
        String of = chart.request().shortText();
        return Double.isNaN(part) ? "" : (of.equals("D") ? "" : of + "  ") + percent(part);
    }

    /** The change of the newest bar as a part of the close before; NaN while there is none. */
    public static double partOfBars(ChartModel chart) {
        int bar = chart.bars().size() - 1;
        return bar > 0 && chart.bars().close(bar - 1) != 0
                ? chart.data().last() / chart.bars().close(bar - 1) - 1
                : Double.NaN;
    }

    /** Percent with their sign. */
    static String signed(double percent) {
        return signed(percent, 2);
    }

    private static String signed(double percent, int decimals) {
        String text = Decimals.of(percent, decimals);
        return (text.charAt(0) == '-' ? "−" + text.substring(1) : "+" + text) + " %";
    }

    /** When a bar opened, as precisely as its timeframe needs. */
    public static String time(long time, Timeframe timeframe, ZoneId zone) {
        return Times.at(time, zone).format(timeframe.isIntraday() ? MINUTE : DAY);
    }

    /** When a bar of a chart opened, in the chart's zone. */
    public static String time(ChartModel chart, long time) {
        return Times.at(time, chart.zone())
                .format(!chart.request().isTime() ? SECOND : chart.timeframe().isIntraday() ? MINUTE : DAY);
    }

    /**
     * When a bar was: its opening where bars are of time, else from when to when:
     * {@code Fri 19 Jun 2026 15:38:00-15:41:30}, {@code Wed 20 May to Fri 12 Jun 2026}.
     */
    static String span(ChartModel chart, int bar) {
        long open = chart.bars().openTime(bar);
        if (chart.request().isTime()) {
            return time(chart, open);
        }
        ZonedDateTime from = Times.at(open, chart.zone());
        ZonedDateTime to = Times.at(Math.max(open, chart.bars().closeTime(bar)), chart.zone());
        if (from.toLocalDate().equals(to.toLocalDate())) {
            return from.format(SECOND) + "-" + to.format(SECOND_OF_DAY);
        }
        return from.format(from.getYear() == to.getYear() ? DAY_OF_YEAR : DAY) + " to " + to.format(DAY);
    }

    /** The readout of a bar: time, open, high, low, close, change from the bar before, volume. */
    public static String bar(ChartModel chart, int bar) {
        Bars bars = chart.bars();
        if (bar < 0 || bar >= bars.size()) {
            return "";
        }
        PriceFormat format = chart.instrument().orElseThrow().format();
        double before = bar > 0 ? bars.close(bar - 1) : Double.NaN;
        String left = timeLeft(chart);
        return span(chart, bar)
                + "   open " + format.format(bars.open(bar))
                + "  high " + format.format(bars.high(bar))
                + "  low " + format.format(bars.low(bar))
                + "  close " + format.format(bars.close(bar))
                + "  " + percent(bars.close(bar) / before - 1)
                + "   volume " + quantity(bars.volume(bar))
                + (bar == bars.closed() ? "   forming" + (left.isEmpty() ? "" : ", " + left + " left") : "");
    }

    /**
     * The longest readout of a bar that fits, in whole parts; the shortest are the prices alone:
     * {@code 103.16-106.10  open 103.50  last 103.76}. Each is made only when the longer ones are too long.
     *
     * @param most letters there is room for
     */
    public static String bar(ChartModel chart, int bar, int most) {
        String text = bar(chart, bar);
        for (int shorter = 0; text.length() > most && shorter < SHORTER; shorter++) {
            text = shortened(chart, bar, shorter);
        }
        return text.substring(0, Math.max(0, Math.min(most, text.length())));
    }

    /**
     * A chart in a sentence, for who cannot see it: code, name, bars and last price, how many layers, and the bar in hand with
     * the values of the layers there.
     *
     * @param bar under the crosshair; below 0 for none
     */
    public static String spoken(ChartModel chart, int bar) {
        if (chart.instrument().isEmpty()) {
            return "Chart, nothing is open";
        }
        var instrument = chart.instrument().get();
        StringBuilder text = new StringBuilder("Chart of " + instrument.code() + ", " + instrument.name() + ", "
                + chart.request().shortText());
        if (chart.bars().isEmpty()) {
            return text.append(", loading").toString();
        }
        text.append(", last ").append(instrument.format().format(chart.data().last()));
        String change = changeOfBars(chart);
        text.append(change.isEmpty() ? "" : ", " + change);
        int layers = chart.drawnIndicators().size() + chart.drawings().size();
        text.append(", ").append(layers).append(layers == 1 ? " layer" : " layers");
        if (bar >= 0) {
            int under = Math.min(bar, chart.bars().size() - 1);
            text.append(". ").append(bar(chart, under));
            for (IndicatorLayer layer : chart.drawnIndicators()) {
                if (layer.style().showsOn(chart.timeframe())) {
                    text.append(". ").append(chart.titleOf(layer)).append(' ').append(values(chart, layer, under));
                }
            }
        }
        return text.toString();
    }

    /** Fewer and fewer words of a bar. */
    private static String shortened(ChartModel chart, int bar, int step) {
        Bars bars = chart.bars();
        PriceFormat format = chart.instrument().orElseThrow().format();
        String range = format.format(bars.low(bar)) + "-" + format.format(bars.high(bar));
        String last = "  last " + format.format(bars.close(bar));
        String prices = range + "  open " + format.format(bars.open(bar)) + last;
        String change = "  " + percent(bars.close(bar) / (bar > 0 ? bars.close(bar - 1) : Double.NaN) - 1);
        String when = span(chart, bar) + "  ";
        String forming = bar == bars.closed() ? "  forming" : "";
        return switch (step) {
            case 0 -> when + prices + change + "  volume " + quantity(bars.volume(bar)) + forming;
            case 1 -> when + prices + change + forming;
            case 2 -> when + prices;
            case 3 -> prices + change;
            case 4 -> prices;
            case 5 -> range + last;
            default -> format.format(bars.close(bar));
        };
    }

    /** The time left until the forming bar closes, in words; empty when that is not known or not within a day. */
    static String timeLeft(ChartModel chart) {
        long seconds = secondsLeft(chart);
        if (seconds < 0) {
            return "";
        }
        if (seconds < 60) {
            return seconds + " s";
        }
        long minutes = (seconds + 59) / 60;
        return minutes < 60 ? minutes + " min" : minutes / 60 + " h " + (minutes % 60 < 10 ? "0" : "") + minutes % 60;
    }

    /** Seconds until the forming bar closes; below 0 when that is not known or not within a day. */
    static long secondsLeft(ChartModel chart) {
        Bars bars = chart.bars();
        long now = chart.now();
        if (!bars.hasForming() || now == Long.MIN_VALUE || !chart.request().isTime()) {
            return -1;
        }
        long seconds = (bars.closeTime(bars.closed()) - now) / Times.SECOND;
        return seconds > 86_400 ? -1 : seconds;
    }

    /** The values of an indicator's drawn outputs at a bar: {@code 104.20}, {@code 1.2  0.8  0.4}. */
    public static String values(ChartModel chart, IndicatorLayer layer, int bar) {
        StringBuilder text = new StringBuilder();
        for (int output = 0; output < layer.indicator().outputs().size(); output++) {
            if (layer.draws(output) && !layer.indicator().outputs().get(output).cue()) {
                text.append(text.isEmpty() ? "" : "  ").append(value(chart, layer, output, bar));
            }
        }
        return text.isEmpty() ? "–" : text.toString();
    }

    /** The first output of an indicator at a bar; of one that has cues alone the name of the first that holds. */
    public static String value(ChartModel chart, IndicatorLayer layer, int bar) {
        List<Indicator.Output> outputs = layer.indicator().outputs();
        if (!outputs.stream().allMatch(Indicator.Output::cue)) {
            return value(chart, layer, 0, bar);
        }
        List<ChartData.Line> lines = chart.data().of(layer);
        for (int output = 0; output < lines.size(); output++) {
            if (lines.get(output).column().at(bar) == 1) {
                return outputs.get(output).name().replace('_', ' ');
            }
        }
        return "–";
    }

    /** An output of an indicator at a bar, written like prices when it is drawn with them. */
    public static String value(ChartModel chart, IndicatorLayer layer, int output, int bar) {
        List<ChartData.Line> lines = chart.data().of(layer);
        double value = output < lines.size() ? lines.get(output).column().at(bar) : Double.NaN;
        if (Double.isNaN(value)) {
            return "–";
        }
        if (layer.indicator().isOfBars()) {
            return chart.formatOf(layer.settings().word("with"))
                    .map(format -> format.format(value))
                    .orElseGet(() -> number(value));
        }
        boolean priced =
                layer.indicator().place().withPrice() && layer.reference().isEmpty();
        if (priced) {
            return chart.instrument().orElseThrow().format().format(value);
        }
        // What was traded is counted, not measured.
        boolean counted = layer.indicator().family() == Indicator.Family.ORDER_FLOW && value == Math.rint(value);
        return counted && Math.abs(value) < 1000 ? Decimals.of(value, 0).replace('-', '−') : number(value);
    }

    /** How a layer stands against the bar percentages of it are counted from: {@code +1.20 %}; empty when they are not. */
    public static String change(ChartModel chart, IndicatorLayer layer, int bar) {
        List<ChartData.Line> lines = chart.data().of(layer);
        double base = chart.ownScale(layer).map(Pane.OwnScale::base).orElse(Double.NaN);
        return lines.isEmpty() || Double.isNaN(base)
                ? ""
                : percent(lines.get(0).column().at(bar) / base - 1);
    }

    /**
     * What an indicator tells about its value at a bar: which time it is of, as in
     * {@code bars from Thu 27 Aug 2026 to Fri 20 Nov 2026}, or that it is an estimate; else empty.
     */
    public static String covered(ChartModel chart, IndicatorLayer layer, int bar) {
        List<ChartData.Line> lines = chart.data().of(layer);
        int output = layer.indicator().output("since");
        double since = output < 0 || lines.isEmpty()
                ? Double.NaN
                : lines.get(output).column().at(bar);
        int guess = layer.indicator().output("estimated");
        if (guess >= 0 && !lines.isEmpty() && lines.get(guess).column().at(bar) == 1) {
            return "estimated from bars";
        }
        return Double.isNaN(since)
                ? ""
                : "bars from " + time(chart, (long) since) + " to "
                        + time(chart, chart.bars().openTime(bar));
    }

    /** With as many decimals as its size needs: {@code 43.1}, {@code 0.0123}, {@code 1.25 M}. */
    static String number(double value) {
        double size = Math.abs(value);
        if (size >= 100_000) {
            return (value < 0 ? "−" : "") + quantity(size);
        }
        String text = Decimals.of(value, size >= 1000 ? 0 : size >= 10 || size == 0 ? 1 : size >= 0.1 ? 2 : 4);
        return text.replace('-', '−');
    }
}
