package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Language;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Reads values and conditions as people say them: "a climbing 40-bar weighted average", "volume is twice its 20-bar average". A
 * figure that is missing is asked for.
 */
final class Phrases {
    private static final Map<String, String> FIELDS = Map.ofEntries(
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
    private static final String[] UNITS = {
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
    private static final Map<String, String> KINDS = Map.of(
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
    private static final String[] RISING = {
        "rising",
        "climbing",
        "going up",
        "increasing",
        "sloping up",
        "advancing",
        "turning up",
        "growing",
        "upward",
        "rises",
        "climbs",
        "goes up",
        "increases",
        "grows",
        "up"
    };
    private static final String[] FALLING = {
        "falling",
        "declining",
        "going down",
        "decreasing",
        "sloping down",
        "sinking",
        "dropping",
        "turning down",
        "shrinking",
        "downward",
        "falls",
        "declines",
        "goes down",
        "decreases",
        "sinks",
        "drops",
        "shrinks",
        "down"
    };

    private final Words words;
    private final Draft draft;
    private final Language language;
    private final List<String> asked;
    /** Conditions that came with values: of a climbing average, that it climbs. */
    private final List<String> besides = new ArrayList<>();

    Phrases(Words words, Draft draft, Language language, List<String> asked) {
        this.words = words;
        this.draft = draft;
        this.language = language;
        this.asked = asked;
    }

    // --- conditions ---

    /** A condition; null when none is said here. */
    String condition() {
        String first = conjunction();
        if (first == null) {
            return null;
        }
        StringBuilder all = new StringBuilder(first);
        while (true) {
            int place = words.place();
            words.take("either");
            if (words.take("or") == null) {
                words.back(place);
                return all.toString();
            }
            words.take("if", "when", "where", "whose");
            String next = conjunction();
            if (next == null) {
                words.back(place);
                return all.toString();
            }
            all.append(" or ").append(next);
        }
    }

    private String conjunction() {
        String first = clause(null);
        if (first == null) {
            return null;
        }
        List<String> all = new ArrayList<>(List.of(first));
        while (true) {
            int place = words.place();
            if (words.take("and", "while", "but", "with", "and only when", "and only if", "as long as") == null) {
                break;
            }
            words.take("if", "when", "where", "whose", "also", "only");
            String next = clause(all.get(all.size() - 1));
            if (next == null) {
                words.back(place);
                break;
            }
            all.add(next);
        }
        return String.join(" and ", all);
    }

    /** @param before the clause before, whose subject may be meant again */
    private String clause(String before) {
        besides.clear();
        int place = words.place();
        boolean not = words.take("not", "no longer", "never") != null;
        String made = bare(before);
        if (made == null) {
            words.back(place);
            return null;
        }
        List<String> more = new ArrayList<>(besides);
        besides.clear();
        made = lasting(made);
        if (not || negated) {
            made = made.contains(" and ") || made.contains(" or ") ? "not (" + made + ")" : "not " + made;
        }
        negated = false;
        StringBuilder all = new StringBuilder(made);
        for (String each : more) {
            if (all.indexOf(each) < 0) {
                all.append(" and ").append(each);
            }
        }
        return all.toString();
    }

    private boolean negated;

    /** For how long, or how long ago. */
    private String lasting(String made) {
        int place = words.place();
        if (words.take("for first time") != null) {
            return "just " + grouped(made);
        }
        if (words.take("for", "for last", "for at least", "on each of last", "on last") != null) {
            String bars = bars();
            if (bars != null) {
                words.take("in row", "running", "or more", "at least");
                return grouped(made) + " held for " + bars;
            }
        }
        words.back(place);
        if (words.take("in last", "within last", "during last", "at least once in last", "in past", "within past")
                != null) {
            String bars = bars();
            if (bars != null) {
                return grouped(made) + " seen in " + bars;
            }
        }
        words.back(place);
        return made;
    }

    private static String grouped(String made) {
        return made.contains(" and ") || made.contains(" or ") ? "(" + made + ")" : made;
    }

    /** The timeframe of the unit that was said last; empty for bars. */
    private String unit = "";

    private String bars() {
        int place = words.place();
        String number = words.number();
        String taken = number == null || number.contains(".") ? null : words.take(UNITS);
        if (taken != null) {
            unit = taken.startsWith("week") ? " on W" : taken.startsWith("month") ? " on M" : "";
            return number;
        }
        words.back(place);
        return null;
    }

    private String bare(String before) {
        String shape = shape();
        if (shape != null) {
            return shape;
        }
        int place = words.place();
        String left = value();
        if (left == null) {
            words.back(place);
            String subject = before == null ? null : subject(before);
            if (subject == null
                    || !words.has("is", "stays", "above", "below", "over", "under", "crosses", "rising", "falling")) {
                return null;
            }
            left = subject;
        }
        String made = verb(left);
        if (made == null) {
            words.back(place);
        }
        return made;
    }

    private static String subject(String clause) {
        String first = clause.split(" (>|<|>=|<=|=|is|crosses) ", 2)[0];
        return first.equals(clause) ? null : first;
    }

    /** Bars by their shape, and news. */
    private String shape() {
        int place = words.place();
        boolean is = words.take("is", "bar is", "it is") != null;
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
        if (words.take("gaps up", "gap up", "opens with gap up", "there is gap up") != null) {
            return "open > high back 1";
        }
        if (words.take("gaps down", "gap down", "opens with gap down", "there is gap down") != null) {
            return "open < low back 1";
        }
        words.back(place);
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
        String bars = bars();
        String side = bars == null ? null : words.take("high", "highs", "low", "lows");
        if (side != null && (makes || field == null || is)) {
            boolean high = side.startsWith("high");
            String of = field == null || field.equals("it") || field.equals("bar")
                    ? high ? "high" : "low"
                    : field.startsWith("close") || field.equals("price") ? "close" : field;
            String past = unit.isEmpty() ? " back 1" : unit;
            return high ? of + " > highest(high, " + bars + ")" + past : of + " < lowest(low, " + bars + ")" + past;
        }
        words.back(place);
        return null;
    }

    private String verb(String left) {
        words.take(
                "is",
                "are",
                "stays",
                "stay",
                "trades",
                "stands",
                "lies",
                "remains",
                "closes",
                "holds",
                "sits",
                "was",
                "does",
                "keeps",
                "is now",
                "has been");
        words.take("well", "clearly", "always");
        negated = words.take("not") != null;
        words.take("been");
        String record = record(left);
        if (record != null) {
            return record;
        }
        String turn = words.take("turns up", "turns down", "turning up", "turning down");
        if (turn != null) {
            return "just " + left + (turn.endsWith("up") ? " is rising" : " is falling");
        }
        String tendency = tendency(left);
        if (tendency != null) {
            return tendency;
        }
        if (words.take("within") != null) {
            return within(left);
        }
        if (words.take("near", "close to", "around", "about") != null) {
            String right = value();
            asked.add("How near to " + (right == null ? "it" : right) + "? Say for example: is within 2 % of.");
            return left + " is within 2% of " + right;
        }
        if (words.take("between") != null) {
            String low = value();
            String high = words.take("and") == null ? null : value();
            return low == null || high == null ? null : left + " is between " + low + " and " + high;
        }
        String crossing = words.take(
                "crosses above",
                "crosses over",
                "crosses up through",
                "crosses up over",
                "cross above",
                "breaks above",
                "breaks over",
                "goes above",
                "moves above",
                "rises above",
                "comes back above",
                "climbs above",
                "breaks out above",
                "turns above",
                "crossing above",
                "breaks through",
                "recovers above");
        if (crossing != null) {
            String right = value();
            return right == null ? null : left + " crosses above " + before(right, "highest");
        }
        crossing = words.take(
                "crosses below",
                "crosses under",
                "crosses down through",
                "cross below",
                "breaks below",
                "goes below",
                "moves below",
                "falls below",
                "drops below",
                "breaks under",
                "sinks below",
                "crossing below",
                "comes back below",
                "loses");
        if (crossing != null) {
            String right = value();
            return right == null ? null : left + " crosses below " + before(right, "lowest");
        }
        if (words.take("crosses", "cross") != null) {
            String right = value();
            return right == null ? null : left + " crosses " + right;
        }
        return compared(left);
    }

    /** The highest of the last bars, this one included. */
    private String record(String left) {
        int place = words.place();
        String which = words.take("highest", "largest", "widest", "greatest", "lowest", "smallest", "narrowest");
        if (which != null && words.take("of last", "in last", "of", "in", "over last") != null) {
            String bars = bars();
            if (bars != null) {
                boolean most =
                        List.of("highest", "largest", "widest", "greatest").contains(which);
                return left + (most ? " = highest(" : " = lowest(") + left + ", " + bars + ")";
            }
        }
        words.back(place);
        return null;
    }

    private String tendency(String left) {
        int place = words.place();
        String way = words.take(RISING);
        boolean rising = way != null;
        if (!rising) {
            way = words.take(FALLING);
        }
        if (way == null || words.has("above", "below", "through", "over", "under")) {
            words.back(place);
            return null;
        }
        int before = words.place();
        if (words.take("for", "over") != null) {
            String bars = bars();
            if (bars != null) {
                words.take("in row", "running");
                return left + (rising ? " is rising for " : " is falling for ") + bars;
            }
        }
        words.back(before);
        return left + (rising ? " is rising" : " is falling");
    }

    private String within(String left) {
        String number = words.number();
        if (number == null) {
            return null;
        }
        if (words.take("%") != null) {
            words.take("of");
            String right = value();
            return right == null ? null : left + " is within " + number + "% of " + right;
        }
        String unit = words.take("atr", "average true range", "average true ranges", "atrs") == null ? null : atr();
        words.take("of");
        String right = value();
        return right == null || unit == null && number == null
                ? null
                : left + " is within " + number + (unit == null ? "" : " " + unit) + " of " + right;
    }

    private String atr() {
        String length = words.number();
        if (length == null) {
            asked.add(
                    "The average true range of how many bars? Say for example: 14-bar average true range, or atr 14.");
        }
        return "atr(" + (length == null ? "14" : length) + ")";
    }

    private String compared(String left) {
        int place = words.place();
        String number = words.number();
        if (number != null && words.take("%") != null) {
            // 5 % above the average
            String side = words.take("above", "over", "higher than", "below", "under", "lower than");
            String right = side == null ? null : value();
            if (right != null) {
                boolean above = side.equals("above") || side.equals("over") || side.equals("higher than");
                return left + (above ? " > " : " < ") + factored(right, above, number);
            }
        }
        words.back(place);
        boolean atLeast = words.take("at least", "no less than", "not below", ">=") != null;
        boolean atMost = !atLeast && words.take("at most", "no more than", "not above", "<=") != null;
        String sign = atLeast ? ">=" : atMost ? "<=" : null;
        if (sign == null) {
            if (words.take(
                            "above",
                            "over",
                            "higher than",
                            "greater than",
                            "more than",
                            "larger than",
                            "exceeds",
                            ">",
                            "beats",
                            "bigger than",
                            "stronger than",
                            "on top of")
                    != null) {
                sign = ">";
            } else if (words.take(
                            "below",
                            "under",
                            "lower than",
                            "less than",
                            "smaller than",
                            "fewer than",
                            "<",
                            "weaker than",
                            "beneath")
                    != null) {
                sign = "<";
            } else if (words.take("equal to", "equals", "=", "exactly", "same as") != null) {
                sign = "=";
            }
        }
        if (sign == null) {
            return times(left);
        }
        int amount = words.place();
        String percent = words.number();
        if (percent != null && words.take("%") != null) {
            String side = words.take("above", "over", "below", "under");
            String right = side == null ? null : value();
            if (right != null) {
                boolean above = side.equals("above") || side.equals("over");
                return left + (above == sign.startsWith(">") ? " > " : " < ") + factored(right, above, percent);
            }
        }
        words.back(amount);
        String right = ofSame(left);
        return right == null
                ? null
                : left + " " + sign + " " + before(right, sign.startsWith(">") ? "highest" : "lowest");
    }

    /** Nothing is above the highest of bars it is one of: those before are meant. */
    private static String before(String right, String extreme) {
        return right.matches(extreme + "\\([^()]*\\)") ? right + " back 1" : right;
    }

    /** Twice its average, without a word of comparison: taken as at least that much. */
    private String times(String left) {
        int place = words.place();
        if (words.has("twice", "double")
                || words.peek().matches("\\d.*") && words.peek(1).equals("times")) {
            String right = ofSame(left);
            if (right != null) {
                return left + " >= " + right;
            }
        }
        words.back(place);
        return null;
    }

    private static String factored(String right, boolean above, String percent) {
        double factor = 1 + (above ? 1 : -1) * Double.parseDouble(percent) / 100;
        return dev.yardarm.core.indicator.Setting.Number.plain(Math.rint(factor * 1e6) / 1e6) + " * " + right;
    }

    // --- values ---

    private String same;

    /** A value at the right, where "its average" is that of what stands at the left. */
    private String ofSame(String left) {
        same = left;
        String value = value();
        same = null;
        return value;
    }

    /** A value; null when none is said here. */
    String value() {
        String first = factor();
        if (first == null) {
            return null;
        }
        StringBuilder all = new StringBuilder(first);
        while (true) {
            int place = words.place();
            String sign = words.take("plus", "minus", "less", "+");
            boolean sum = sign != null && !words.has("than");
            String next = sum ? factor() : null;
            if (next == null) {
                words.back(place);
                return all.toString();
            }
            all.append(sign.equals("plus") || sign.equals("+") ? " + " : " - ").append(next);
        }
    }

    private String factor() {
        int place = words.place();
        String scale = null;
        if (words.take("twice", "double", "twice as much as") != null) {
            scale = "2";
        } else if (words.take("half", "half of") != null) {
            scale = "0.5";
        } else {
            String number = words.number();
            if (number != null && words.take("times", "×", "*", "x") != null) {
                scale = number;
            } else {
                words.back(place);
            }
        }
        if (scale == null) {
            return placed();
        }
        words.take("as much as", "of");
        String of = placed();
        if (of == null) {
            words.back(place);
            return null;
        }
        return scale + " * " + of;
    }

    /** A value on its timeframe, of its instrument, of its bar. */
    private String placed() {
        String frame = words.take("weekly", "monthly", "daily", "hourly");
        String back = "";
        if (words.take(
                        "previous bar",
                        "bar before",
                        "prior bar",
                        "previous",
                        "prior",
                        "yesterday",
                        "previous day",
                        "last bar")
                != null) {
            back = " back 1";
        }
        String value = plain();
        if (value == null) {
            return null;
        }
        if (words.take("of bar before", "of previous bar", "of prior bar", "bar before", "of last bar", "of day before")
                != null) {
            back = " back 1";
        }
        int place = words.place();
        String ago = bars();
        if (ago != null && words.take("ago", "earlier", "before", "back") != null) {
            back = " back " + ago;
        } else {
            words.back(place);
        }
        value = value + back;
        if (words.take("of benchmark", "of index", "of market") != null) {
            value = value + " of benchmark";
        } else if (words.take("of sector", "of its sector") != null) {
            value = value + " of sector";
        } else if (words.peek().equals("of") && words.peek(1).startsWith("#")) {
            words.next();
            value = value + " of " + words.next().toUpperCase(java.util.Locale.ROOT);
        }
        if (frame == null) {
            frame = words.take(
                    "on weekly bars",
                    "on weekly chart",
                    "on weekly",
                    "on weeks",
                    "on monthly bars",
                    "on monthly chart",
                    "on monthly",
                    "on daily bars",
                    "on daily chart",
                    "on daily",
                    "on hourly bars");
        }
        return frame == null ? value : value + " on " + timeframe(frame);
    }

    static String timeframe(String words) {
        return words.contains("week") ? "W" : words.contains("month") ? "M" : words.contains("hour") ? "1h" : "D";
    }

    private String plain() {
        int place = words.place();
        for (String name : draft.lets()) {
            if (name.contains("_") && words.take(name, name.replace('_', ' ')) != null) {
                return name;
            }
        }
        boolean its = words.take("its", "own") != null;
        String average = average(its);
        if (average != null) {
            return average;
        }
        String extreme = extreme();
        if (extreme != null) {
            return extreme;
        }
        String indicator = indicator();
        if (indicator != null) {
            return indicator;
        }
        String field = words.take(FIELDS.keySet().toArray(String[]::new));
        if (field != null) {
            return FIELDS.get(field);
        }
        for (String name : draft.lets()) {
            if (words.take(name, name.replace('_', ' ')) != null) {
                return name;
            }
        }
        String number = words.number();
        if (number != null) {
            boolean unit = words.has(UNITS);
            if (!unit) {
                return words.take("%") != null ? number + "%" : number;
            }
        }
        words.back(place);
        return null;
    }

    /** An average with what goes with it: how it slopes, of how many bars, of what kind, of what. */
    private String average(boolean its) {
        int place = words.place();
        boolean rising = false;
        boolean falling = false;
        String kind = null;
        String length = null;
        String frame = "";
        while (true) {
            if (words.take("rising", "climbing", "upward sloping", "growing") != null) {
                rising = true;
            } else if (words.take("falling", "declining", "sinking", "downward sloping") != null) {
                falling = true;
            } else if (kind == null && words.has(KINDS.keySet().toArray(String[]::new))) {
                kind = KINDS.get(words.take(KINDS.keySet().toArray(String[]::new)));
            } else if (length == null && words.peek().matches("\\d+")) {
                length = words.next();
                String unit = words.take(UNITS);
                frame = unit == null ? "" : unit.startsWith("week") ? " on W" : unit.startsWith("month") ? " on M" : "";
            } else {
                break;
            }
        }
        String short_ = words.take("sma", "ema", "wma");
        boolean is = short_ != null || words.take("moving average", "average", "mean", "moving mean", "ma") != null;
        if (!is || words.has("true range", "directional")) {
            words.back(place);
            return null;
        }
        if (length == null) {
            length = words.take("of last", "over last", "over", "of", "with length") == null ? words.number() : bars();
        }
        // "Its average" is that of what stands at the left; any other average is that of the close, but beside a volume
        // or an
        // oscillator only one of the same makes sense.
        String meant = same != null && draft.value(same) != null ? draft.value(same) : same;
        boolean priced =
                meant == null || !meant.matches(".*\\b(volume|turnover|range|rsi|adx|mfi|cci|atr|abs|roc|obv)\\b.*");
        String of = same != null && (its || !priced) ? same : "close";
        of = !frame.isEmpty() && of.endsWith(frame) ? of.substring(0, of.length() - frame.length()) : of;
        int before = words.place();
        if (words.take("of", "of its") != null) {
            String source = words.take(FIELDS.keySet().toArray(String[]::new));
            if (source == null) {
                words.back(before);
            } else {
                of = FIELDS.get(source);
                length = length == null && words.take("over", "over last") != null ? bars() : length;
            }
        }
        String known = draft.lets().stream()
                .filter(each -> each.startsWith("average"))
                .findFirst()
                .orElse(null);
        if (length == null && known != null && kind == null && short_ == null) {
            slope(known, rising, falling);
            return known;
        }
        if (length == null) {
            asked.add("An average of how many bars? Say for example: 40-bar average.");
            length = "1";
        }
        String function = short_ != null ? short_ : kind == null ? "sma" : kind;
        String formula = function.equals("wilder")
                ? "average(wilder, " + of + ", " + length + ")"
                : function + "(" + of + ", " + length + ")";
        String name = draft.named(of.equals("volume") ? "usual_volume" : "average", formula + frame);
        slope(name, rising, falling);
        return name;
    }

    private void slope(String name, boolean rising, boolean falling) {
        if (rising || falling) {
            besides.add(name + (rising ? " is rising" : " is falling"));
        }
    }

    /** The highest high of so many bars. */
    private String extreme() {
        int place = words.place();
        String bars = bars();
        String side = bars == null
                ? words.take("highest high", "lowest low", "highest close", "lowest close", "highest", "lowest")
                : words.take("high", "low");
        if (side == null) {
            words.back(place);
            return null;
        }
        boolean high = side.startsWith("h");
        String of = side.endsWith("close") ? "close" : high ? "high" : "low";
        if (bars == null) {
            unit = "";
            words.take("of", "of last", "over", "over last", "in last");
            bars = bars();
            if (bars == null) {
                asked.add("The " + side + " of how many bars? Say for example: of the last 20 bars.");
                bars = "1";
            }
        }
        boolean before = words.take("before", "before it", "of bars before") != null;
        return (high ? "highest(" : "lowest(") + of + ", " + bars + ")"
                + (!unit.isEmpty() ? unit : before ? " back 1" : "");
    }

    private static final Map<String, String> INDICATORS = Map.ofEntries(
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
    private static final Map<String, String> WHOLE = Map.ofEntries(
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
    private static final Set<String> OF_SOURCE = Set.of("stdev", "roc", "momentum", "slope");

    private String indicator() {
        int place = words.place();
        String whole = words.take(WHOLE.keySet().toArray(String[]::new));
        if (whole != null) {
            return WHOLE.get(whole);
        }
        String bars = bars();
        String name = words.take(INDICATORS.keySet().toArray(String[]::new));
        if (name == null) {
            words.back(place);
            return own();
        }
        String function = INDICATORS.get(name);
        String length = bars != null ? bars : length();
        String of = "";
        int before = words.place();
        if (OF_SOURCE.contains(function) && words.take("of") != null) {
            String source = plain();
            if (source == null) {
                words.back(before);
            } else {
                of = source + ", ";
            }
        }
        if (length == null) {
            asked.add("The " + name + " of how many bars? Say for example: " + name + " 14.");
            length = "14";
        }
        return function + "(" + of + length + ")";
    }

    private String length() {
        int place = words.place();
        String number = words.number();
        if (number != null && !number.contains(".") && !words.has("%", "times")) {
            words.take(UNITS);
            return number;
        }
        words.back(place);
        if (words.take("of", "over", "of last", "over last") != null) {
            String bars = bars();
            if (bars != null) {
                return bars;
            }
        }
        words.back(place);
        return null;
    }

    /** An indicator by the name it has in formulas. */
    private String own() {
        String word = words.peek();
        boolean known = word.length() > 2
                && Character.isLetter(word.charAt(0))
                && !FIELDS.containsKey(word)
                && language.catalogue().find(word).isPresent();
        if (!known) {
            return null;
        }
        words.next();
        String length = length();
        return word + (length == null ? "" : "(" + length + ")");
    }
}
