package dev.yardarm.core.plain;

/** Reads a number of bars: "20 bars", "3 weeks". */
final class Spans {
    /** Words for one bar or several. */
    static final String[] UNITS = {
        "bar",
        "bars",
        "day",
        "days",
        "period",
        "periods",
        "candle",
        "candles",
        "session",
        "sessions",
        "week",
        "weeks",
        "month",
        "months"
    };

    private final Words words;
    private final boolean withinTheDay;
    private String frame = "";

    /** @param withinTheDay true for bars shorter than a day, of which days are not said */
    Spans(Words words, boolean withinTheDay) {
        this.words = words;
        this.withinTheDay = withinTheDay;
    }

    /** How many bars; null, and nothing is read, when none are said here. */
    String bars() {
        int place = words.place();
        String number = words.number();
        String taken = number == null || number.contains(".") ? null : words.take(UNITS);
        if (taken != null) {
            frame = frame(taken);
            return number;
        }
        words.back(place);
        return null;
    }

    /** The timeframe of the bars that were said last, as a formula says it; empty for those of the chart. */
    String frame() {
        return frame;
    }

    /** Forgets the timeframe of the bars that were said last. */
    void forget() {
        frame = "";
    }

    /** The timeframe in a word for bars, as a formula says it; empty for those of the chart. */
    String frame(String unit) {
        if (withinTheDay && unit.matches("(day|session)s?")) {
            return " on D";
        }
        return unit.startsWith("week") ? " on W" : unit.startsWith("month") ? " on M" : "";
    }
}
