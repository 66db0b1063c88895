package dev.yardarm.core.plain;

import java.util.List;

/** Reads what is said of bars as a whole: their shape, gaps, new highs and lows, several in a row. A figure that is missing is asked for. */
final class Shapes {
    private final Words words;
    private final List<String> asked;
    private final Spans spans;
    private final Values.Seen seen;

    Shapes(Words words, List<String> asked, Spans spans, Values.Seen seen) {
        this.words = words;
        this.asked = asked;
        this.spans = spans;
        this.seen = seen;
    }

    /** A condition; null, and nothing is read, when none is said here. */
    String read() {
        String shape = shape();
        if (shape == null) {
            shape = extreme();
        }
        if (shape == null) {
            shape = newest();
        }
        return shape == null ? inRow() : shape;
    }

    /** Bars by their shape, and crosses that have a name. */
    private String shape() {
        int place = words.place();
        words.take("is", "bar is", "it is");
        if (words.take("inside bar", "inside bars") != null) {
            return "high < high back 1 and low > low back 1";
        }
        if (words.take("outside bar", "outside bars") != null) {
            return "high > high back 1 and low < low back 1";
        }
        if (words.take("up bar", "rising bar", "up bars", "bullish bar", "closes up", "close up") != null) {
            return "close > open";
        }
        if (words.take("down bar", "falling bar", "down bars", "bearish bar", "closes down") != null) {
            return "close < open";
        }
        String gap = gap();
        if (gap != null) {
            return gap;
        }
        if (words.take("golden cross") != null) {
            return "sma(close, 50) crosses above sma(close, 200)";
        }
        if (words.take("death cross") != null) {
            return "sma(close, 50) crosses below sma(close, 200)";
        }
        words.back(place);
        return null;
    }

    /** Beyond the highest or lowest of so many bars before: "new 20 day high". */
    private String extreme() {
        int place = words.place();
        boolean is = words.take("is", "bar is", "it is") != null;
        String field = words.take("close", "price", "high", "low", "it", "bar", "closes");
        boolean makes = words.take(
                        "makes",
                        "is",
                        "hits",
                        "reaches",
                        "makes new",
                        "is at",
                        "sets",
                        "breaks to",
                        "at",
                        "is new",
                        "makes new record")
                != null;
        words.take("new");
        String bars = spans.bars();
        String side = bars == null ? null : words.take("high", "highs", "low", "lows");
        if (side != null && (makes || field == null || is)) {
            boolean high = side.startsWith("high");
            String of = field == null || field.equals("it") || field.equals("bar")
                    ? high ? "high" : "low"
                    : field.startsWith("close") || field.equals("price") ? "close" : field;
            String record = high ? "highest(high, " + bars + ")" : "lowest(low, " + bars + ")";
            String past = spans.frame().isEmpty()
                    ? record + " back 1"
                    : Values.complete(record + spans.frame(), Values.Seen.BARS);
            return of + (high ? " > " : " < ") + past;
        }
        words.back(place);
        return null;
    }

    /** A new high of what runs, as it stood at the bar before; of how many bars is asked for otherwise. */
    private String newest() {
        int place = words.place();
        words.take("price", "it", "bar");
        words.take("makes", "is", "hits", "sets", "at", "is at");
        // Of all time: "all" is left out as a filling word.
        String said = words.take("new high", "new low", "new time high", "new time low", "time high", "time low");
        if (said == null) {
            words.back(place);
            return null;
        }
        String which = said.endsWith("high") ? "high" : "low";
        String sign = which + (which.equals("high") ? " > " : " < ");
        String running = words.take(
                "of day",
                "of session",
                "today",
                "of week",
                "of this week",
                "this week",
                "of month",
                "of this month",
                "this month");
        if (running != null) {
            String unit = running.contains("week") ? "W" : running.contains("month") ? "M" : "D";
            if (unit.equals("D") && !seen.withinTheDay()) {
                asked.add(Values.SHORTER);
            }
            return sign + "(" + which + " on forming " + unit + ") back 1";
        }
        asked.add("A new " + which + " of how many bars? Say for example: new 20 day " + which + ".");
        return sign + which + " back 1";
    }

    /** A bar that opens beyond the one before; by so many per cent, beyond its close by as much. */
    private String gap() {
        boolean up = words.take("gaps up", "gap up", "opens with gap up", "there is gap up") != null;
        if (!up && words.take("gaps down", "gap down", "opens with gap down", "there is gap down") == null) {
            return null;
        }
        int place = words.place();
        words.take("of", "by");
        boolean more = words.take("at least", "more than") != null
                && words.since(place).endsWith("than");
        String percent = words.number();
        if (percent != null && words.take("%") != null) {
            return "open " + (up ? ">" : "<") + (more ? " " : "= ") + Phrases.factored("close back 1", up, percent);
        }
        words.back(place);
        return up ? "open > high back 1" : "open < low back 1";
    }

    /** So many bars that each close beyond the one before: "three down days in a row". Days are said of daily bars alone. */
    private String inRow() {
        int place = words.place();
        String count = words.number();
        words.take("consecutive", "straight");
        String way = count == null
                ? null
                : words.take(
                        "higher closes", "rising closes", "up closes", "lower closes", "falling closes", "down closes");
        if (way == null && count != null && !seen.withinTheDay()) {
            way = words.take("up days", "down days", "higher days", "lower days");
        }
        if (way == null) {
            words.back(place);
            return null;
        }
        words.take("in row", "running");
        return "close is " + (way.matches("(higher|rising|up) .*") ? "rising" : "falling") + " for " + count;
    }
}
