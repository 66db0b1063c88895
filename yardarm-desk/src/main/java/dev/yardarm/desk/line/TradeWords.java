package dev.yardarm.desk.line;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What the trade calls things that have another word here: {@code renko}, {@code bbands}, {@code trendline}. A line that begins
 * with such a word is read as if it began with ours; the code of an instrument and a word of ours of the same spelling come
 * first.
 */
final class TradeWords {
    private static final Map<String, String> OURS = new LinkedHashMap<>();

    static {
        say("brick", "renko");
        say("heikin-ashi", "heikin", "heikinashi", "heiken", "heikin_ashi");
        say("point-figure", "pnf", "p&f", "pointfigure", "point_figure");
        say("line-break", "linebreak", "3lb", "line_break");
        say("candles", "candlestick", "candlesticks");
        say("bars", "ohlc");
        say("line", "trendline", "trend-line");
        say("level", "hline", "horizontal", "support", "resistance");
        say("upright", "vline", "vertical");
        say("retracement", "fib", "fibo", "fibs", "retrace");
        say("extension", "fibext");
        say("box", "rect", "rectangle");
        say("channel", "parallel");
        say("impulse", "elliott", "waves");
        say("sma", "ma", "moving-average", "mavg");
        say("hull", "hma");
        say("bollinger", "bbands", "bb", "boll");
        say("band_width", "bbw", "bandwidth");
        say("band_position", "percentb", "%b");
        say("keltner", "kc", "kelt");
        say("donchian", "dc");
        say("envelope", "env");
        say("stochastic", "stoch");
        say("stoch_rsi", "stochrsi", "stochasticrsi");
        say("adx", "dmi");
        say("psar", "sar", "parabolic");
        say("obv", "on-balance");
        say("williams_r", "willr", "%r");
        say("roc", "rate-of-change");
        say("mfi", "money-flow");
        say("cmf", "chaikin");
        say("atr", "average-range");
        say("kst", "know-sure");
        say("anchored_vwap", "avwap");
        say("opening_range", "orb");
        say("session_levels", "pdh", "pdl");
        say("pivots", "pivot", "swings", "structure");
        say("floor_pivots", "pivot-points", "floor-pivots");
        say("levels", "key-levels");
        say("M", "monthly");
        say("W", "weekly");
        say("D", "daily");
        say("1h", "hourly");
        say("list", "watchlist", "watch-list");
        say("watch", "alerts");
        say("scan", "screener", "screen");
        say("log", "logarithmic");
        say("step-down", "step_down", "stepdown");
    }

    private TradeWords() {}

    private static void say(String ours, String... trade) {
        for (String word : trade) {
            OURS.put(word, ours);
        }
    }

    /** Our words for lines that begin with a word of the trade, or with the first three letters of it. */
    static List<String> lines(String text) {
        String[] words = text.split("\\s+", 2);
        String first = words[0].toLowerCase(Locale.ROOT);
        String rest = words.length > 1 ? " " + words[1] : "";
        String exact = OURS.get(first);
        if (exact != null) {
            return List.of(exact + rest);
        }
        return first.length() < 3 || !rest.isEmpty()
                ? List.of()
                : OURS.entrySet().stream()
                        .filter(entry -> entry.getKey().startsWith(first))
                        .map(Map.Entry::getValue)
                        .distinct()
                        .toList();
    }
}
