package dev.yardarm.bench;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Field;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * Formulas of indicators as one would write them by hand over plain arrays, with the standard settings of the catalogue:
 * what an indicator of the catalogue is measured against. Each yields its last value, so that nothing is left out.
 */
final class HandLoops {
    private final double[] open;
    private final double[] high;
    private final double[] low;
    private final double[] close;
    private final double[] volume;
    private final int size;

    private HandLoops(Bars bars) {
        open = bars.column(Field.OPEN);
        high = bars.column(Field.HIGH);
        low = bars.column(Field.LOW);
        close = bars.column(Field.CLOSE);
        volume = bars.column(Field.VOLUME);
        size = bars.closed();
    }

    /** The loops by the names of the indicators. */
    static Map<String, Runnable> over(Bars bars) {
        HandLoops loops = new HandLoops(bars);
        Map<String, Function<HandLoops, Double>> all = new LinkedHashMap<>();
        all.put("ad", HandLoops::accumulation);
        all.put("atr", each -> each.atr(14)[each.size - 1]);
        all.put("bollinger", HandLoops::bollinger);
        all.put("bop", HandLoops::balance);
        all.put("cci", HandLoops::channelIndex);
        all.put("ema", each -> ema(each.close, 20)[each.size - 1]);
        all.put("highest", each -> each.highest(20)[each.size - 1]);
        all.put("kama", HandLoops::adaptive);
        all.put("macd", HandLoops::macd);
        all.put("mfi", HandLoops::moneyFlow);
        all.put("obv", HandLoops::balanceVolume);
        all.put("roc", HandLoops::rateOfChange);
        all.put("rsi", HandLoops::strength);
        all.put("sma", each -> sma(each.close, 50)[each.size - 1]);
        all.put("true_range", each -> each.trueRange()[each.size - 1]);
        all.put("wma", HandLoops::weighted);
        Map<String, Runnable> runs = new LinkedHashMap<>();
        all.forEach((name, loop) -> runs.put(name, () -> {
            if (Double.isNaN(loop.apply(loops))) {
                throw new IllegalStateException(name + " has no last value");
            }
        }));
        return runs;
    }

    private static double[] ema(double[] values, int length) {
        double[] out = new double[values.length];
        double factor = 2.0 / (length + 1);
        double sum = 0;
        for (int bar = 0; bar < values.length; bar++) {
            if (bar < length) {
                sum += values[bar];
                out[bar] = bar == length - 1 ? sum / length : Double.NaN;
            } else {
                out[bar] = out[bar - 1] + factor * (values[bar] - out[bar - 1]);
            }
        }
        return out;
    }

    private static double[] sma(double[] values, int length) {
        double[] out = new double[values.length];
        double sum = 0;
        for (int bar = 0; bar < values.length; bar++) {
            sum += values[bar] - (bar >= length ? values[bar - length] : 0);
            out[bar] = bar >= length - 1 ? sum / length : Double.NaN;
        }
        return out;
    }

    private double[] trueRange() {
        double[] out = new double[size];
        out[0] = high[0] - low[0];
        for (int bar = 1; bar < size; bar++) {
            out[bar] = Math.max(high[bar], close[bar - 1]) - Math.min(low[bar], close[bar - 1]);
        }
        return out;
    }

    private double[] atr(int length) {
        double[] range = trueRange();
        double[] out = new double[size];
        double sum = 0;
        for (int bar = 0; bar < size; bar++) {
            if (bar < length) {
                sum += range[bar];
                out[bar] = bar == length - 1 ? sum / length : Double.NaN;
            } else {
                out[bar] = (out[bar - 1] * (length - 1) + range[bar]) / length;
            }
        }
        return out;
    }

    private double accumulation() {
        double[] out = new double[size];
        double sum = 0;
        for (int bar = 0; bar < size; bar++) {
            double range = high[bar] - low[bar];
            sum += range == 0 ? 0 : volume[bar] * (2 * close[bar] - high[bar] - low[bar]) / range;
            out[bar] = sum;
        }
        return out[size - 1];
    }

    /** Middle, both bands, width and position, as the catalogue has them. */
    private double bollinger() {
        double[][] out = new double[5][size];
        double sum = 0;
        double squares = 0;
        for (int bar = 0; bar < size; bar++) {
            sum += close[bar] - (bar >= 20 ? close[bar - 20] : 0);
            squares += close[bar] * close[bar] - (bar >= 20 ? close[bar - 20] * close[bar - 20] : 0);
            double mean = sum / 20;
            double reach = 2 * Math.sqrt(Math.max(0, squares / 20 - mean * mean));
            out[0][bar] = mean;
            out[1][bar] = mean + reach;
            out[2][bar] = mean - reach;
            out[3][bar] = 2 * reach / mean;
            out[4][bar] = (close[bar] - mean + reach) / (2 * reach);
        }
        return out[0][size - 1] + out[4][size - 1];
    }

    private double balance() {
        double[] each = new double[size];
        for (int bar = 0; bar < size; bar++) {
            each[bar] = high[bar] == low[bar] ? 0 : (close[bar] - open[bar]) / (high[bar] - low[bar]);
        }
        return sma(each, 14)[size - 1];
    }

    private double channelIndex() {
        double[] typical = new double[size];
        for (int bar = 0; bar < size; bar++) {
            typical[bar] = (high[bar] + low[bar] + close[bar]) / 3;
        }
        double[] mean = sma(typical, 20);
        double[] out = new double[size];
        for (int bar = 19; bar < size; bar++) {
            double away = 0;
            for (int back = 0; back < 20; back++) {
                away += Math.abs(typical[bar - back] - mean[bar]);
            }
            out[bar] = away == 0 ? 0 : (typical[bar] - mean[bar]) / (0.015 * away / 20);
        }
        return out[size - 1];
    }

    private double[] highest(int length) {
        double[] out = new double[size];
        int[] queue = new int[size];
        int head = 0;
        int tail = 0;
        for (int bar = 0; bar < size; bar++) {
            while (tail > head && high[queue[tail - 1]] <= high[bar]) {
                tail--;
            }
            queue[tail++] = bar;
            if (queue[head] <= bar - length) {
                head++;
            }
            out[bar] = bar >= length - 1 ? high[queue[head]] : Double.NaN;
        }
        return out;
    }

    private double adaptive() {
        double[] out = new double[size];
        double[] efficiency = new double[size];
        double way = 0;
        out[10] = close[10];
        for (int bar = 1; bar < size; bar++) {
            way += Math.abs(close[bar] - close[bar - 1]) - (bar > 10 ? Math.abs(close[bar - 10] - close[bar - 11]) : 0);
            if (bar > 10) {
                efficiency[bar] = way == 0 ? 0 : Math.abs(close[bar] - close[bar - 10]) / way;
                double factor = efficiency[bar] * (2.0 / 3 - 2.0 / 31) + 2.0 / 31;
                out[bar] = out[bar - 1] + factor * factor * (close[bar] - out[bar - 1]);
            }
        }
        return out[size - 1] + efficiency[size - 1];
    }

    /** Line, signal, histogram and both crossings. */
    private double macd() {
        double[] fast = ema(close, 12);
        double[] slow = ema(close, 26);
        double[][] out = new double[5][size];
        double sum = 0;
        for (int bar = 25; bar < size; bar++) {
            out[0][bar] = fast[bar] - slow[bar];
            if (bar < 34) {
                sum += out[0][bar];
                out[1][bar] = bar == 33 ? sum / 9 : Double.NaN;
            } else {
                out[1][bar] = out[1][bar - 1] + 0.2 * (out[0][bar] - out[1][bar - 1]);
            }
            out[2][bar] = out[0][bar] - out[1][bar];
            out[3][bar] = out[2][bar - 1] <= 0 && out[2][bar] > 0 ? 1 : 0;
            out[4][bar] = out[2][bar - 1] >= 0 && out[2][bar] < 0 ? 1 : 0;
        }
        return out[2][size - 1] + out[3][size - 1];
    }

    private double moneyFlow() {
        double[] out = new double[size];
        double[] up = new double[size];
        double[] down = new double[size];
        double ups = 0;
        double downs = 0;
        for (int bar = 1; bar < size; bar++) {
            double now = (high[bar] + low[bar] + close[bar]) / 3;
            double before = (high[bar - 1] + low[bar - 1] + close[bar - 1]) / 3;
            up[bar] = now > before ? now * volume[bar] : 0;
            down[bar] = now < before ? now * volume[bar] : 0;
            ups += up[bar] - (bar > 14 ? up[bar - 14] : 0);
            downs += down[bar] - (bar > 14 ? down[bar - 14] : 0);
            out[bar] = ups + downs == 0 ? 50 : 100 * ups / (ups + downs);
        }
        return out[size - 1];
    }

    private double balanceVolume() {
        double[] out = new double[size];
        for (int bar = 1; bar < size; bar++) {
            out[bar] = out[bar - 1]
                    + (close[bar] > close[bar - 1] ? volume[bar] : close[bar] < close[bar - 1] ? -volume[bar] : 0);
        }
        return out[size - 1];
    }

    private double rateOfChange() {
        double[] out = new double[size];
        for (int bar = 12; bar < size; bar++) {
            out[bar] = 100 * (close[bar] / close[bar - 12] - 1);
        }
        return out[size - 1];
    }

    private double strength() {
        double[] out = new double[size];
        double up = 0;
        double down = 0;
        for (int bar = 1; bar < size; bar++) {
            double change = close[bar] - close[bar - 1];
            double rise = Math.max(change, 0);
            double fall = Math.max(-change, 0);
            if (bar <= 14) {
                up += rise / 14;
                down += fall / 14;
            } else {
                up = (up * 13 + rise) / 14;
                down = (down * 13 + fall) / 14;
            }
            out[bar] = bar < 14 ? Double.NaN : up + down == 0 ? 50 : 100 * up / (up + down);
        }
        return out[size - 1];
    }

    private double weighted() {
        double[] out = new double[size];
        double sum = 0;
        double plain = 0;
        for (int bar = 0; bar < size; bar++) {
            if (bar < 20) {
                sum += close[bar] * (bar + 1);
                plain += close[bar];
            } else {
                sum += 20 * close[bar] - plain;
                plain += close[bar] - close[bar - 20];
            }
            out[bar] = bar < 19 ? Double.NaN : sum / 210;
        }
        return out[size - 1];
    }
}
