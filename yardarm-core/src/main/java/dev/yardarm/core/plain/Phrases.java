package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Language;
import java.util.ArrayList;
import java.util.List;

/** Reads conditions as people say them: "volume is twice its 20-bar average". A figure that is missing is asked for. */
final class Phrases {
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
    private final List<String> asked;
    private final Spans spans;
    private final Values values;
    private final Shapes shapes;

    Phrases(Words words, Draft draft, Language language, List<String> asked) {
        this(words, draft, language, asked, Values.Seen.BARS);
    }

    /** @param seen of which bars days are said */
    Phrases(Words words, Draft draft, Language language, List<String> asked, Values.Seen seen) {
        this.words = words;
        this.asked = asked;
        spans = new Spans(words, seen.withinTheDay());
        values = new Values(words, draft, language, asked, spans, seen);
        shapes = new Shapes(words, asked, spans, seen);
    }

    /** A value; null when none is said here. */
    String value() {
        return values.value();
    }

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
        values.besides();
        int place = words.place();
        boolean not = words.take("not", "no longer", "never") != null;
        String made = bare(before);
        if (made == null) {
            words.back(place);
            return null;
        }
        List<String> more = values.besides();
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
            String bars = spans.bars();
            if (bars != null) {
                words.take("in row", "running", "or more", "at least");
                return grouped(made) + " held for " + bars;
            }
        }
        words.back(place);
        if (words.take("in last", "within last", "during last", "at least once in last", "in past", "within past")
                != null) {
            String bars = spans.bars();
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

    private String bare(String before) {
        String shape = shapes.read();
        if (shape != null) {
            return shape;
        }
        int place = words.place();
        String several = closes();
        if (several != null) {
            return several;
        }
        String left = values.value();
        if (left != null && left.matches("[0-9.]+%?")) {
            // Nobody compares a figure with anything: it belongs to what was not understood.
            words.back(place);
            return null;
        }
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

    /** So many closes in a row: "two closes below 100". */
    private String closes() {
        int place = words.place();
        String count = words.number();
        words.take("consecutive", "straight", "daily");
        if (count != null && words.take("closes", "close") != null) {
            words.take("in row");
            String made = compared("close");
            if (made != null) {
                return made + " held for " + count;
            }
        }
        words.back(place);
        return null;
    }

    private static String subject(String clause) {
        String first = clause.split(" (>|<|>=|<=|=|is|crosses) ", 2)[0];
        return first.equals(clause) ? null : first;
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
        String sign = sign(left);
        if (sign != null) {
            return sign;
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
            String right = values.value();
            asked.add("How near to " + (right == null ? "it" : right) + "? Say for example: is within 2 % of.");
            return left + " is within 2% of " + right;
        }
        if (words.take("between") != null) {
            String low = values.value();
            String high = words.take("and") == null ? null : values.value();
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
            String right = values.ofSame(left);
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
            String right = values.ofSame(left);
            return right == null ? null : left + " crosses below " + before(right, "lowest");
        }
        if (words.take("crosses", "cross") != null) {
            String right = values.ofSame(left);
            return right == null ? null : left + " crosses " + right;
        }
        return compared(left);
    }

    /** On which side of nothing a value is or comes to, or that it has gone far: how far is asked for. */
    private String sign(String left) {
        if (left.matches("(close|open|high|low)\\b.*")) {
            // A price that turns positive is meant against another price, and which one is not said.
            return null;
        }
        String side = words.take("turns positive", "goes positive", "turns negative", "goes negative");
        if (side != null) {
            return left + (side.endsWith("positive") ? " crosses above 0" : " crosses below 0");
        }
        side = words.take("positive", "negative");
        if (side != null) {
            return left + (side.equals("positive") ? " > 0" : " < 0");
        }
        side = words.take("overbought", "oversold");
        if (side != null) {
            boolean over = side.equals("overbought");
            asked.add("What is " + side + "? Say for example: is " + (over ? "above 70." : "below 30."));
            return left + (over ? " > 70" : " < 30");
        }
        return null;
    }

    /** The highest of the last bars, this one included. */
    private String record(String left) {
        int place = words.place();
        String which = words.take("highest", "largest", "widest", "greatest", "lowest", "smallest", "narrowest");
        if (which != null && words.take("of last", "in last", "of", "in", "over last") != null) {
            String bars = spans.bars();
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
            String bars = spans.bars();
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
            String right = values.value();
            return right == null ? null : left + " is within " + number + "% of " + right;
        }
        String unit = words.take("atr", "average true range", "average true ranges", "atrs") == null ? null : atr();
        words.take("of");
        String right = values.value();
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
            String right = side == null ? null : values.value();
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
            String right = side == null ? null : values.value();
            if (right != null) {
                boolean above = side.equals("above") || side.equals("over");
                return left + (above == sign.startsWith(">") ? " > " : " < ") + factored(right, above, percent);
            }
        }
        words.back(amount);
        String right = values.ofSame(left);
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
            String right = values.ofSame(left);
            if (right != null) {
                return left + " >= " + right;
            }
        }
        words.back(place);
        return null;
    }

    /** A value moved by so many per cent. */
    static String factored(String right, boolean above, String percent) {
        double factor = 1 + (above ? 1 : -1) * Double.parseDouble(percent) / 100;
        return dev.yardarm.core.indicator.Setting.Number.plain(Math.rint(factor * 1e6) / 1e6) + " * " + right;
    }
}
