package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import java.util.ArrayList;
import java.util.List;

/**
 * Reads values as people say them: "a climbing 40-bar weighted average", "twice the volume of the bar before". A figure that is
 * missing is asked for.
 */
final class Values {
    static final String SHORTER = "What today brings is seen on shorter bars alone. Say for example: on 5m.";

    /**
     * Where a value is looked at.
     *
     * @param level true for a level, which is the value at the last bar that closed; false at a bar itself
     * @param withinTheDay true at bars shorter than a day
     */
    record Seen(boolean level, boolean withinTheDay) {
        /** At a bar that is taken for a day. */
        static final Seen BARS = new Seen(false, false);
    }

    private final Words words;
    private final Draft draft;
    private final Language language;
    private final List<String> asked;
    private final Spans spans;
    private final Seen seen;
    private final List<String> besides = new ArrayList<>();

    Values(Words words, Draft draft, Language language, List<String> asked, Spans spans, Seen seen) {
        this.words = words;
        this.draft = draft;
        this.language = language;
        this.asked = asked;
        this.spans = spans;
        this.seen = seen;
    }

    /** Conditions that came with the values read since the last call: of a climbing average, that it climbs. */
    List<String> besides() {
        List<String> all = List.copyOf(besides);
        besides.clear();
        return all;
    }

    private String same;

    /** A value at the right, where "its average" is that of what stands at the left. */
    String ofSame(String left) {
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
        String when = words.take(Vocabulary.PERIODS);
        String value = plain();
        if (value == null) {
            return null;
        }
        String of = words.take(Vocabulary.OF_PERIODS);
        String period = of != null ? of : when == null ? "" : when;
        if (value.equals("close") && seen.withinTheDay() && period.matches("previous|prior")) {
            // What the trade calls the previous close is that of the day.
            period = "previous day";
        }
        String back = backTo(period);
        int place = words.place();
        String ago = spans.bars();
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
        if (frame == null && period.isEmpty()) {
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
        return frame == null ? ofPeriod(value, period) : value + " on " + timeframe(frame);
    }

    /** How a value of a period is written when the period is none of the bars'. */
    private String ofPeriod(String value, String period) {
        String unit = period.contains("week")
                ? "W"
                : period.contains("month") ? "M" : period.contains("day") && seen.withinTheDay() ? "D" : "";
        boolean running = isRunning(period);
        if (!unit.isEmpty()) {
            return running ? value + " on forming " + unit : complete(value + " on " + unit, seen);
        }
        if (running && seen.level()) {
            asked.add(SHORTER);
        }
        return value;
    }

    /** The last bar of a period completes it: what was complete before it is meant there. */
    static String complete(String value, Seen seen) {
        return seen.level() ? value : "(" + value + ") back 1";
    }

    private static boolean isRunning(String period) {
        return period.matches("(of )?(today|this .*)|of (day|week|month)");
    }

    /** A level is of the last bar that closed, which is the previous one to who looks at the running bar. */
    private String backTo(String period) {
        boolean before = period.contains("bar")
                || period.matches("previous|prior")
                || period.contains("day") && !seen.withinTheDay() && !isRunning(period);
        return before && !seen.level() ? " back 1" : "";
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
        String output = its ? output() : null;
        if (output != null) {
            return output;
        }
        String average = average(its);
        if (average != null) {
            return average;
        }
        String usual = usual();
        if (usual != null) {
            return usual;
        }
        String extreme = extreme();
        if (extreme != null) {
            return extreme;
        }
        String indicator = indicator();
        if (indicator != null) {
            return indicator;
        }
        String field = words.take(Vocabulary.FIELDS.keySet().toArray(String[]::new));
        if (field != null) {
            return Vocabulary.FIELDS.get(field);
        }
        for (String name : draft.lets()) {
            if (words.take(name, name.replace('_', ' ')) != null) {
                return name;
            }
        }
        String number = words.number();
        if (number != null) {
            boolean unit = words.has(Spans.UNITS);
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
            } else if (kind == null && words.has(Vocabulary.KINDS.keySet().toArray(String[]::new))) {
                kind = Vocabulary.KINDS.get(words.take(Vocabulary.KINDS.keySet().toArray(String[]::new)));
            } else if (length == null && words.peek().matches("\\d+")) {
                length = words.next();
                String unit = words.take(Spans.UNITS);
                frame = unit == null ? "" : spans.frame(unit);
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
            length = words.take("of last", "over last", "over", "of", "with length") == null
                    ? words.number()
                    : spans.bars();
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
            String source = words.take(Vocabulary.FIELDS.keySet().toArray(String[]::new));
            if (source == null) {
                words.back(before);
            } else {
                of = Vocabulary.FIELDS.get(source);
                length = length == null && words.take("over", "over last") != null ? spans.bars() : length;
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

    /** What is usual is the average of so many bars: of the volume, or of what stands at the left. */
    private String usual() {
        String of = words.take("usual volume", "normal volume") != null ? "volume" : null;
        if (of == null && same != null && words.take("usual", "normal") != null) {
            of = same;
        }
        if (of == null) {
            return null;
        }
        int place = words.place();
        spans.forget();
        String length = words.take("of last", "over last", "over", "of", "in last") == null ? null : spans.bars();
        if (length == null) {
            words.back(place);
            asked.add("What is usual, of how many bars? Say for example: its 20-bar average.");
            length = "1";
        }
        return draft.named(
                of.equals("volume") ? "usual_volume" : "average", "sma(" + of + ", " + length + ")" + spans.frame());
    }

    private void slope(String name, boolean rising, boolean falling) {
        if (rising || falling) {
            besides.add(name + (rising ? " is rising" : " is falling"));
        }
    }

    /** Another output of the indicator at the left: its signal. */
    private String output() {
        String base = same == null ? "" : same.replaceFirst("\\.\\w+$", "");
        Indicator indicator =
                language.catalogue().find(base.replaceFirst("\\(.*", "")).orElse(null);
        if (indicator != null) {
            for (Indicator.Output each : indicator.outputs()) {
                String name = each.name();
                if (!each.cue() && words.take(name, name + " line", name + " band") != null) {
                    return base + "." + name;
                }
            }
        }
        return null;
    }

    /** The highest high of so many bars. */
    private String extreme() {
        int place = words.place();
        String bars = spans.bars();
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
            spans.forget();
            words.take("of", "of last", "over", "over last", "in last");
            bars = spans.bars();
            if (bars == null) {
                asked.add("The " + side + " of how many bars? Say for example: of the last 20 bars.");
                bars = "1";
            }
        }
        boolean before = words.take("before", "before it", "of bars before") != null;
        return (high ? "highest(" : "lowest(") + of + ", " + bars + ")"
                + (!spans.frame().isEmpty() ? spans.frame() : before ? " back 1" : "");
    }

    private String indicator() {
        int place = words.place();
        String whole = words.take(Vocabulary.WHOLE.keySet().toArray(String[]::new));
        if (whole != null) {
            return Vocabulary.WHOLE.get(whole);
        }
        String bars = spans.bars();
        String name = words.take(Vocabulary.INDICATORS.keySet().toArray(String[]::new));
        if (name == null) {
            words.back(place);
            return own();
        }
        String function = Vocabulary.INDICATORS.get(name);
        String length = bars != null ? bars : length();
        String of = "";
        int before = words.place();
        if (Vocabulary.OF_SOURCE.contains(function) && words.take("of") != null) {
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
            words.take(Spans.UNITS);
            return number;
        }
        words.back(place);
        if (words.take("of", "over", "of last", "over last") != null) {
            String bars = spans.bars();
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
                && !Vocabulary.FIELDS.containsKey(word)
                && language.catalogue().find(word).isPresent();
        if (!known) {
            return null;
        }
        words.next();
        String length = length();
        return word + (length == null ? "" : "(" + length + ")");
    }
}
