package dev.yardarm.core.plain;

import java.util.List;

/** What a sentence adds to a draft: colours, arrows, areas, lines, cues. */
final class Making extends Asked {
    private static final String[] WHERE = {
        "whose", "where", "when", "if", "with", "on", "while", "as soon as", "once", "wherever", "whenever", "only when"
    };

    Making(Words words, Draft draft, Phrases phrases, List<String> understood) {
        super(words, draft, phrases, understood);
    }

    boolean coloured() {
        int place = words.place();
        if (words.has("in")) {
            String only = colour();
            return only != null && words.atEnd() && recoloured(only) || fail(place);
        }
        boolean make = words.has("make bars", "turn bars");
        if (words.take("colour", "color", "paint", "tint", "highlight", "shade bars", "dye", "make bars", "turn bars")
                == null) {
            return false;
        }
        String colour = colour();
        if (make && colour == null) {
            return fail(place);
        }
        boolean named = words.take("bars", "bar", "candles", "candle", "bars bars", "price bars", "chart") != null;
        boolean bars = make || named;
        colour = colour == null ? colour() : colour;
        if (!bars && colour != null && words.atEnd()) {
            return recoloured(colour);
        }
        if (!bars && words.take("them", "it") != null) {
            String other = colour();
            return other != null && recoloured(other) || fail(place);
        }
        words.take(WHERE);
        String condition = phrases.condition();
        if (condition == null) {
            return fail(place);
        }
        colour = colour == null ? colour() : colour;
        String label = label();
        draft.begin("Coloured bars", true);
        draft.add("tint \"" + free(label == null ? "Marked" : label) + "\" "
                + (colour == null ? usual(condition) : colour) + " when " + condition);
        say("colour the bars where " + condition);
        return true;
    }

    /** What speaks of falling alone is drawn as a fall. */
    private static String usual(String condition) {
        boolean down =
                condition.contains("falling") || condition.contains("crosses below") || condition.contains(" < ");
        boolean up = condition.contains("rising") || condition.contains("crosses above") || condition.contains(" > ");
        return down && !up ? "fall" : "rise";
    }

    boolean marked() {
        int place = words.place();
        if (words.take(
                        "mark",
                        "flag",
                        "put arrow",
                        "draw arrow",
                        "show arrow",
                        "add arrow",
                        "put marker",
                        "draw marker",
                        "show marker",
                        "add marker",
                        "put up arrow",
                        "put down arrow",
                        "arrow",
                        "marker",
                        "add up arrow",
                        "add down arrow",
                        "draw up arrow",
                        "draw down arrow",
                        "show up arrow",
                        "show down arrow")
                == null) {
            return false;
        }
        boolean down = words.since(place).contains("down");
        String way = words.take("up", "down", "below bar", "above bar", "below bars", "above bars", "below", "above");
        down |= way != null && (way.equals("down") || way.startsWith("above"));
        words.take("bars", "bar", "every bar", "each bar", "on bars", "at bars", "on", "at");
        words.take("bars", "bar");
        words.take(WHERE);
        String condition = phrases.condition();
        if (condition == null) {
            return fail(place);
        }
        String label = label();
        draft.begin("Marked bars", true);
        draft.add("marker " + (down ? "down" : "up") + (label == null ? "" : " \"" + free(label) + "\"") + " when "
                + condition);
        say("an arrow " + (down ? "above" : "below") + " the bars where " + condition);
        return true;
    }

    boolean shaded() {
        int place = words.place();
        if (words.take("shade", "fill", "shade area", "fill area", "draw area", "colour area") == null) {
            return false;
        }
        words.take("area", "space");
        String low = words.take("between") == null ? null : phrases.value();
        String high = low == null || words.take("and") == null ? null : phrases.value();
        if (high == null) {
            return fail(place);
        }
        String colour = colour();
        draft.begin("Shaded area", true);
        draft.add("area between " + low + " and " + high + (colour == null ? "" : " " + colour));
        say("fill the area between " + low + " and " + high);
        return true;
    }

    boolean drawn() {
        int place = words.place();
        if (!words.has("dots at", "dots of", "columns of")
                && words.take("draw", "plot", "show", "add", "put", "display") == null) {
            return false;
        }
        words.take("line of", "line for", "line at", "me", "line");
        String form = words.take("columns of", "bars of", "histogram of", "dots at", "dots of", "dots");
        String value = phrases.value();
        if (value == null) {
            return fail(place);
        }
        String as = words.take("as bars", "as columns", "as histogram", "as dots", "as line", "as dashed line");
        boolean pane = words.take("in pane", "in separate pane", "in pane below", "below chart", "below price") != null;
        String shown = (form == null ? "" : form) + (as == null ? "" : as);
        String word = shown.contains("dots")
                ? "dots"
                : shown.contains("columns") || shown.contains("bars") || shown.contains("histogram") ? "bars" : "line";
        String width = words.take("width") == null ? null : words.number();
        String colour = colour();
        draft.begin(pane || !priced(value) ? "Own pane" : "Own line", !pane && priced(value));
        draft.add(word + " " + value + (shown.contains("dashed") ? " dashed" : "")
                + (width == null ? "" : " width " + width) + (colour == null ? "" : " " + colour));
        say((word.equals("line") ? "a line of " : word + " of ") + value);
        while (words.has("and")) {
            int before = words.place();
            words.next();
            String next = phrases.value();
            if (next == null) {
                words.back(before);
                break;
            }
            draft.add(word + " " + next);
            say((word.equals("line") ? "a line of " : word + " of ") + next);
        }
        return true;
    }

    /** True for what is priced like the instrument. */
    private boolean priced(String value) {
        String meant = draft.value(value) == null ? value : draft.value(value);
        return !meant.matches(
                        "(rsi|adx|macd|cci|mfi|atr|roc|momentum|stdev|slope|volume|obv|turnover|range|true_range)\\b.*")
                && !meant.contains("volume")
                && !meant.contains(" - ");
    }

    boolean cue() {
        int place = words.place();
        if (words.take(
                        "cue",
                        "add cue",
                        "give cue",
                        "signal",
                        "add signal",
                        "warn me",
                        "tell me",
                        "alert me",
                        "alert",
                        "give me cue",
                        "give signal",
                        "let me know",
                        "show signal",
                        "make cue",
                        "notify me")
                == null) {
            return false;
        }
        String label = null;
        if (words.peek().startsWith("\"")) {
            label = name();
        } else {
            label = label();
        }
        if (words.take(WHERE) == null && label == null) {
            return fail(place);
        }
        words.take(WHERE);
        String condition = phrases.condition();
        if (condition == null) {
            return fail(place);
        }
        label = label == null ? label() : label;
        draft.begin("Signal", true);
        draft.add("cue \"" + free(label == null ? "Signal" : label) + "\" when " + condition);
        say("a cue when " + condition);
        return true;
    }

    /** A condition alone is a cue. */
    boolean condition() {
        int place = words.place();
        words.take("find", "look for", "search for");
        words.take("bars", "bar", "every bar");
        words.take(WHERE);
        String condition = phrases.condition();
        if (condition == null) {
            return fail(place);
        }
        String label = label();
        draft.begin("Signal", true);
        draft.add("cue \"" + free(label == null ? "Signal" : label) + "\" when " + condition);
        say("a cue when " + condition);
        return true;
    }
}
