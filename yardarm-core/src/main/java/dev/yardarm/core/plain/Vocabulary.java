package dev.yardarm.core.plain;

import java.util.Map;
import java.util.Set;

/** The words people have for what formulas can say, and how formulas say it. */
final class Vocabulary {
    /** What each bar has. */
    static final Map<String, String> FIELDS = Map.ofEntries(
            Map.entry("close", "close"),
            Map.entry("closes", "close"),
            Map.entry("closing price", "close"),
            Map.entry("price", "close"),
            Map.entry("prices", "close"),
            Map.entry("it", "close"),
            Map.entry("last", "close"),
            Map.entry("open", "open"),
            Map.entry("opening price", "open"),
            Map.entry("opens", "open"),
            Map.entry("high", "high"),
            Map.entry("highs", "high"),
            Map.entry("low", "low"),
            Map.entry("lows", "low"),
            Map.entry("volume", "volume"),
            Map.entry("turnover", "turnover"),
            Map.entry("range", "range"),
            Map.entry("midpoint", "midprice"),
            Map.entry("middle of bar", "midprice"),
            Map.entry("typical price", "typical"),
            Map.entry("body", "abs(close - open)"),
            Map.entry("true range", "true_range"));

    /** Kinds of averages. */
    static final Map<String, String> KINDS = Map.of(
            "simple",
            "sma",
            "plain",
            "sma",
            "exponential",
            "ema",
            "weighted",
            "wma",
            "linear",
            "wma",
            "linearly weighted",
            "wma",
            "wilder",
            "wilder",
            "smoothed",
            "wilder");

    /** Indicators that want a number of bars. */
    static final Map<String, String> INDICATORS = Map.ofEntries(
            Map.entry("rsi", "rsi"),
            Map.entry("relative strength index", "rsi"),
            Map.entry("atr", "atr"),
            Map.entry("average true range", "atr"),
            Map.entry("adx", "adx"),
            Map.entry("average directional index", "adx"),
            Map.entry("money flow index", "mfi"),
            Map.entry("mfi", "mfi"),
            Map.entry("cci", "cci"),
            Map.entry("commodity channel index", "cci"),
            Map.entry("standard deviation", "stdev"),
            Map.entry("rate of change", "roc"),
            Map.entry("roc", "roc"),
            Map.entry("momentum", "momentum"),
            Map.entry("slope", "slope"));

    /** Indicators and outputs that are said without one. */
    static final Map<String, String> WHOLE = Map.ofEntries(
            Map.entry("macd line", "macd"),
            Map.entry("macd histogram", "macd.histogram"),
            Map.entry("macd", "macd"),
            Map.entry("signal line", "macd.signal"),
            Map.entry("macd signal", "macd.signal"),
            Map.entry("upper bollinger band", "bollinger.upper"),
            Map.entry("upper band", "bollinger.upper"),
            Map.entry("lower bollinger band", "bollinger.lower"),
            Map.entry("lower band", "bollinger.lower"),
            Map.entry("vwap", "vwap"),
            Map.entry("volume weighted average price", "vwap"),
            Map.entry("on balance volume", "obv"),
            Map.entry("obv", "obv"),
            Map.entry("supertrend", "supertrend"));

    /** Indicators that may be of another value than the close. */
    static final Set<String> OF_SOURCE = Set.of("stdev", "roc", "momentum", "slope");

    /** Of which bar or period, said before a value. */
    static final String[] PERIODS = {
        "previous bar",
        "bar before",
        "prior bar",
        "previous",
        "prior",
        "last bar",
        "yesterday",
        "previous day",
        "prior day",
        "today",
        "last week",
        "previous week",
        "prior week",
        "this week",
        "last month",
        "previous month",
        "prior month",
        "this month"
    };
    /** The same, said behind it. */
    static final String[] OF_PERIODS = {
        "of bar before",
        "of previous bar",
        "of prior bar",
        "bar before",
        "of last bar",
        "of day before",
        "of previous day",
        "of yesterday",
        "of day",
        "of today",
        "of last week",
        "of previous week",
        "of week",
        "of this week",
        "of last month",
        "of previous month",
        "of month",
        "of this month"
    };

    private Vocabulary() {}
}
