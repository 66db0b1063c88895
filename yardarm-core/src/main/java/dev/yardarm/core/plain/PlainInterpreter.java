package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The interpreter that ships with the application: a few families of sentences, each with its usual words, no network and no
 * guessing. A sentence may ask for several things, joined by <em>and</em> before a word that asks.
 */
public final class PlainInterpreter implements Interpreter {
    private static final Map<String, String> COLOURS = Map.ofEntries(
            Map.entry("blue", "rise"),
            Map.entry("orange", "fall"),
            Map.entry("red", "rose"),
            Map.entry("green", "fern"),
            Map.entry("grey", "soft"),
            Map.entry("gray", "soft"),
            Map.entry("black", "ink"),
            Map.entry("purple", "plum"),
            Map.entry("violet", "plum"),
            Map.entry("brown", "umber"),
            Map.entry("turquoise", "teal"),
            Map.entry("rise", "rise"),
            Map.entry("fall", "fall"),
            Map.entry("soft", "soft"),
            Map.entry("ink", "ink"),
            Map.entry("plum", "plum"),
            Map.entry("teal", "teal"),
            Map.entry("rose", "rose"),
            Map.entry("moss", "moss"),
            Map.entry("indigo", "indigo"),
            Map.entry("umber", "umber"),
            Map.entry("fern", "fern"),
            Map.entry("slate", "slate"));
    private static final String[] COLOUR_WORDS = COLOURS.keySet().toArray(String[]::new);
    private static final String[] WHERE = {
        "whose", "where", "when", "if", "with", "on", "while", "as soon as", "once", "wherever", "whenever", "only when"
    };
    private static final Pattern ASKING = Pattern.compile(
            "(?i)(?:,\\s*|\\s+)(?:and|then|and then)\\s+(?=(?:also\\s+)?(?:colou?r|paint|tint|mark|draw|plot|show|add|give|name|call|"
                    + "make|let|put|remove|delete|shade|fill|change|use|rename|only|require|warn|tell|set|limit)\\b)");

    @Override
    public Reading read(String sentence, String text, Language language) {
        List<String> understood = new ArrayList<>();
        List<String> unclear = new ArrayList<>();
        List<String> asked = new ArrayList<>();
        Draft draft = new Draft(text);
        List<String> lets = draft.lets();
        for (String part : parts(sentence)) {
            One one = new One(new Words(part), draft, language, understood, asked);
            if (!one.read()) {
                unclear.add(part.strip());
            } else if (!one.rest().isBlank()) {
                unclear.add(one.rest());
            }
        }
        if (!asked.isEmpty() || understood.isEmpty()) {
            return new Reading(text, understood, unclear, asked);
        }
        draft.prune(lets);
        String made = draft.text();
        try {
            Definition.parse(made, language);
        } catch (FormulaException fault) {
            boolean before = !text.isBlank();
            unclear.add((before ? "with it the definition could not be read: " : "it could not be written down: ")
                    + fault.faults().get(0).problem());
            return new Reading(text, List.of(), unclear, asked);
        }
        return new Reading(made, understood, unclear, asked);
    }

    private static List<String> parts(String sentence) {
        List<String> parts = new ArrayList<>();
        for (String whole : sentence.split("[;\\n]+|\\.(?!\\d)")) {
            for (String part : ASKING.split(whole)) {
                if (!part.isBlank()) {
                    parts.add(part.strip());
                }
            }
        }
        return parts;
    }

    /** One thing that is asked for. */
    private static final class One {
        private final Words words;
        private final Draft draft;
        private final List<String> understood;
        private final Phrases phrases;

        One(Words words, Draft draft, Language language, List<String> understood, List<String> asked) {
            this.words = words;
            this.draft = draft;
            this.understood = understood;
            this.phrases = new Phrases(words, draft, language, asked);
        }

        String rest() {
            return words.rest();
        }

        boolean read() {
            words.take("also", "i want to", "i would like to", "can you");
            if (words.has("and") && !draft.isEmpty() && narrowed()) {
                return true;
            }
            words.take("and");
            return adjustable()
                    || named()
                    || narrowed()
                    || coloured()
                    || changed()
                    || removed()
                    || marked()
                    || shaded()
                    || drawn()
                    || cue()
                    || condition();
        }

        private void say(String what) {
            understood.add(what);
        }

        private String colour() {
            int place = words.place();
            words.take("in", "as", "to");
            String word = words.take(COLOUR_WORDS);
            if (word == null) {
                words.back(place);
                return null;
            }
            return COLOURS.get(word);
        }

        // --- what is new ---

        private boolean coloured() {
            int place = words.place();
            if (words.has("in")) {
                String only = colour();
                return only != null && words.atEnd() && recoloured(only) || fail(place);
            }
            boolean make = words.has("make bars", "turn bars");
            if (words.take(
                            "colour",
                            "color",
                            "paint",
                            "tint",
                            "highlight",
                            "shade bars",
                            "dye",
                            "make bars",
                            "turn bars")
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
            boolean up =
                    condition.contains("rising") || condition.contains("crosses above") || condition.contains(" > ");
            return down && !up ? "fall" : "rise";
        }

        private String free(String label) {
            String name = label;
            for (int number = 2; draft.hasLabel(name); number++) {
                name = label + " " + number;
            }
            return name;
        }

        private String label() {
            int place = words.place();
            if (words.take("called", "named", "as", "and call them", "and call it", "and name them") != null) {
                String name = name();
                if (name != null) {
                    return name;
                }
            }
            words.back(place);
            return null;
        }

        private String name() {
            String written = words.writtenNext();
            if (written.isEmpty()) {
                return null;
            }
            words.next();
            if (written.startsWith("\"")) {
                return written.substring(1, written.length() - 1);
            }
            StringBuilder name = new StringBuilder(Character.toUpperCase(written.charAt(0)) + written.substring(1));
            while (!words.atEnd() && !words.has("and", "in", "with", "when")) {
                name.append(' ').append(words.writtenNext());
                words.next();
            }
            return name.toString();
        }

        private boolean marked() {
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
            String way =
                    words.take("up", "down", "below bar", "above bar", "below bars", "above bars", "below", "above");
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

        private boolean shaded() {
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

        private boolean drawn() {
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
            boolean pane =
                    words.take("in pane", "in separate pane", "in pane below", "below chart", "below price") != null;
            String shown = (form == null ? "" : form) + (as == null ? "" : as);
            String word = shown.contains("dots")
                    ? "dots"
                    : shown.contains("columns") || shown.contains("bars") || shown.contains("histogram")
                            ? "bars"
                            : "line";
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

        private boolean cue() {
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
        private boolean condition() {
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

        private boolean fail(int place) {
            words.back(place);
            return false;
        }

        // --- what changes ---

        private static final Pattern AVERAGE =
                Pattern.compile("(sma|ema|wma|average\\((\\w+),)\\(?\\s*([^,]+), (\\w+)\\)(.*)");

        private boolean adjustable() {
            int place = words.place();
            if (words.take("make", "let me adjust", "let me change", "let me set", "turn") == null) {
                return false;
            }
            String what = words.take(
                    "average",
                    "length",
                    "period",
                    "length of average",
                    "average length",
                    "kind of average",
                    "type of average",
                    "average kind",
                    "both",
                    "number of bars",
                    "threshold",
                    "level",
                    "rsi length",
                    "limit",
                    "percentage",
                    "length and kind",
                    "colour",
                    "usual volume",
                    "factor");
            if (what == null) {
                return fail(place);
            }
            boolean asked = words.take(
                            "adjustable",
                            "a setting",
                            "setting",
                            "into setting",
                            "configurable",
                            "changeable",
                            "variable",
                            "adjustable setting",
                            "an adjustable setting")
                    != null;
            if (!asked && !words.atEnd()) {
                return fail(place);
            }
            String least = words.take("from") == null ? null : words.number();
            String most = least == null || words.take("to") == null ? null : words.number();
            boolean kind = what.contains("kind") || what.contains("type") || what.equals("both");
            boolean done = false;
            if (kind) {
                done = kindAdjustable();
            }
            if (!kind || what.equals("both") || what.contains("length and")) {
                done |= what.matches("threshold|level|limit|percentage|factor")
                        ? numberAdjustable(least, most)
                        : lengthAdjustable(what.equals("usual volume") ? "usual_volume" : "average", least, most);
            }
            return done || fail(place);
        }

        private boolean lengthAdjustable(String name, String least, String most) {
            String value = draft.value(name);
            if (value == null && !draft.lets().isEmpty()) {
                name = draft.lets().get(0);
                value = draft.value(name);
            }
            Matcher average = value == null ? null : AVERAGE.matcher(value);
            String length = null;
            if (average != null && average.matches() && average.group(4).matches("\\d+")) {
                length = average.group(4);
                String setting = setting("length", length, least, most);
                draft.setValue(name, value.replaceFirst(", " + length + "\\)", ", " + setting + ")"));
            } else {
                Matcher inLine = Pattern.compile("\\b(rsi|atr|adx|cci|mfi|roc|stdev|momentum)\\(([^()]*?)(\\d+)\\)")
                        .matcher(draft.text());
                if (!inLine.find()) {
                    return false;
                }
                length = inLine.group(3);
                String setting = setting("length", length, least, most);
                draft.replaceEverywhere(
                        Pattern.compile(Pattern.quote(inLine.group(1) + "(" + inLine.group(2) + length + ")")),
                        inLine.group(1) + "(" + inLine.group(2) + setting + ")");
            }
            say("its length is a setting, " + length + " at first");
            return true;
        }

        private String setting(String name, String value, String least, String most) {
            String free = name;
            for (int number = 2; draft.setting(free) != null || draft.value(free) != null; number++) {
                free = name + "_" + number;
            }
            draft.addSetting("setting " + free + " = " + value + " from " + (least == null ? "2" : least) + " to "
                    + (most == null ? String.valueOf(Math.max(400, Integer.parseInt(value) * 2)) : most));
            return free;
        }

        private boolean kindAdjustable() {
            String value = draft.value("average");
            Matcher average = value == null ? null : AVERAGE.matcher(value);
            if (average == null || !average.matches() || draft.setting("kind") != null) {
                return false;
            }
            String kind = average.group(2) != null
                    ? average.group(2)
                    : Map.of("sma", "simple", "ema", "exponential", "wma", "weighted")
                            .get(average.group(1));
            draft.addSetting("setting kind = " + kind + " among simple, exponential, weighted, wilder");
            draft.setValue(
                    "average", "average(kind, " + average.group(3) + ", " + average.group(4) + ")" + average.group(5));
            say("its kind is a setting, " + kind + " at first");
            return true;
        }

        /** The number a condition compares with. */
        private boolean numberAdjustable(String least, String most) {
            int at = draft.subject();
            Matcher number = at < 0
                    ? null
                    : Pattern.compile("([<>=] |within )(\\d+(?:\\.\\d+)?%?)").matcher(draft.line(at));
            if (number == null || !number.find()) {
                return false;
            }
            String value = number.group(2);
            boolean share = value.endsWith("%");
            double plain = Double.parseDouble(value.replace("%", ""));
            String sign = share ? "%" : "";
            String lower = least == null ? "0" : least;
            String upper =
                    most == null ? dev.yardarm.core.indicator.Setting.Number.plain(Math.max(10, plain * 4)) : most;
            draft.addSetting("setting threshold = " + value + " from " + lower + sign + " to " + upper + sign);
            at = draft.subject();
            draft.set(at, draft.line(at).replace(number.group(1) + value, number.group(1) + "threshold"));
            say("the threshold is a setting, " + value + " at first");
            return true;
        }

        private boolean named() {
            int place = words.place();
            if (words.take(
                            "rename indicator to",
                            "call indicator",
                            "name indicator",
                            "call whole thing",
                            "rename it to",
                            "title it",
                            "rename indicator")
                    != null) {
                String name = name();
                if (name == null || draft.isEmpty()) {
                    return fail(place);
                }
                draft.rename(name);
                say("the indicator is called " + name);
                return true;
            }
            if (words.take("give them cue", "give it cue", "give bars cue", "give them cue too", "with cue") != null) {
                return cueOf();
            }
            if (words.take(
                            "name bars",
                            "call bars",
                            "name them",
                            "call them",
                            "name it",
                            "call it",
                            "label them",
                            "label bars",
                            "label it")
                    == null) {
                return fail(place);
            }
            String name = name();
            int at = draft.subject();
            if (name == null || at < 0) {
                return fail(place);
            }
            String line = draft.line(at);
            String old = line.replaceFirst("^[^\"]*\"([^\"]*)\".*$", "$1");
            draft.set(
                    at,
                    line.contains("\"")
                            ? line.replaceFirst("\"[^\"]*\"", Matcher.quoteReplacement("\"" + name + "\""))
                            : line.replaceFirst("^(marker \\w+)", "$1 \"" + name + "\""));
            if (line.contains("\"")) {
                draft.replaceEverywhere(
                        Pattern.compile("\\b" + Definition.word(old) + "\\b(?=[^\"]*$)"), Definition.word(name));
            }
            say("they are called " + name);
            if (words.take("and give them cue", "and give it cue", "with cue", "and add cue") != null) {
                cueOf();
            }
            return true;
        }

        private boolean cueOf() {
            int at = draft.last("tint", "marker", "cue");
            if (at < 0) {
                return false;
            }
            String line = draft.line(at);
            if (!line.contains("\"")) {
                draft.set(at, line.replaceFirst("^(marker \\w+)", "$1 \"Marked\""));
            }
            String label = draft.line(at).replaceFirst("^[^\"]*\"([^\"]*)\".*$", "$1");
            String begins = free(label + " begins");
            draft.add("cue \"" + begins + "\" when just " + Definition.word(label));
            say(label + " is a cue, and " + begins + " on its first bar");
            return true;
        }

        private boolean narrowed() {
            int place = words.place();
            String how = words.take(
                    "but only when",
                    "but only if",
                    "only when",
                    "only if",
                    "require",
                    "and only when",
                    "only where",
                    "add condition",
                    "and require",
                    "or when",
                    "or if",
                    "except when",
                    "except if",
                    "unless",
                    "but not when",
                    "only while",
                    "as long as",
                    "limit it to",
                    "limit them to bars where",
                    "and");
            if (how == null) {
                return false;
            }
            int at = draft.subject();
            if (at < 0) {
                return fail(place);
            }
            words.take("where", "when", "if");
            String condition = phrases.condition();
            if (condition == null) {
                return fail(place);
            }
            // Names that came with the condition stand above it now.
            at = draft.subject();
            String line = draft.line(at);
            int when = line.indexOf(" when ") + 6;
            String before = line.substring(when);
            boolean or = how.startsWith("or");
            boolean not = how.startsWith("except") || how.equals("unless") || how.equals("but not when");
            String joined = or
                    ? before + " or " + condition
                    : (before.contains(" or ") ? "(" + before + ")" : before) + " and "
                            + (not
                                    ? negation(condition)
                                    : condition.contains(" or ") ? "(" + condition + ")" : condition);
            draft.set(at, line.substring(0, when) + joined);
            say((or ? "or when " : not ? "not when " : "only when ") + condition);
            return true;
        }

        private static String negation(String condition) {
            return condition.contains(" and ") || condition.contains(" or ") || condition.contains(" = ")
                    ? "not (" + condition + ")"
                    : "not " + condition;
        }

        private boolean recoloured(String colour) {
            int at = draft.last("tint", "marker", "line", "dots", "area", "bars");
            if (at < 0) {
                return false;
            }
            String line = draft.line(at);
            String names = "\\b(" + String.join("|", COLOURS.values()) + ")\\b";
            if (line.startsWith("tint")) {
                line = line.replaceFirst("(\"[^\"]*\") " + names, "$1 " + colour);
            } else if (line.startsWith("marker")) {
                line = line.contains(" when ")
                                && line.substring(0, line.indexOf(" when ")).matches(".*" + names)
                        ? line.replaceFirst(names, colour)
                        : line.replaceFirst(" when ", " " + colour + " when ");
            } else {
                line = line.matches(".*" + names + "$") ? line.replaceFirst(names + "$", colour) : line + " " + colour;
            }
            draft.set(at, line);
            say("in " + colour);
            return true;
        }

        private boolean changed() {
            int place = words.place();
            if (words.take("only first bar", "only on first bar", "only first one", "only first", "just first bar")
                    != null) {
                int at = draft.subject();
                if (at < 0) {
                    return fail(place);
                }
                String line = draft.line(at);
                int when = line.indexOf(" when ") + 6;
                String before = line.substring(when);
                draft.set(
                        at,
                        line.substring(0, when) + "just "
                                + (before.contains(" and ") || before.contains(" or ") ? "(" + before + ")" : before));
                say("only on the first bar");
                return true;
            }
            if (words.take(
                            "put it in pane",
                            "put in pane",
                            "move it to pane",
                            "show it in pane",
                            "in pane",
                            "put it in separate pane",
                            "put it below price",
                            "put it in pane below")
                    != null) {
                return place("in price", "in pane", "it has a pane of its own");
            }
            if (words.take(
                            "put it on price",
                            "put it on chart",
                            "show it with price",
                            "put it with price",
                            "move it to price",
                            "put it in price")
                    != null) {
                return place("in pane", "in price", "it is drawn with the price");
            }
            if (words.take(
                            "use",
                            "change average to",
                            "change it to",
                            "make it",
                            "make average",
                            "change average",
                            "change length to",
                            "set length to",
                            "instead use",
                            "change to",
                            "set average to",
                            "make them",
                            "let it be")
                    == null) {
                return false;
            }
            words.take("in");
            String colour = colour();
            if (colour != null) {
                return recoloured(colour) || fail(place);
            }
            String kind = words.take("exponential", "weighted", "simple", "wilder");
            words.take("average", "one", "and", "with", "of");
            String length = words.number();
            words.take("bars", "bar", "days", "periods", "weeks");
            words.take("instead", "average", "average instead", "long");
            if (kind == null && length == null) {
                return fail(place);
            }
            return kind != null && !kind(kind) || length != null && !length(length) ? fail(place) : true;
        }

        private boolean place(String from, String to, String says) {
            for (int at = 0; at < draft.lines().size(); at++) {
                String line = draft.line(at);
                if (line.startsWith("define") && line.contains(from)) {
                    draft.set(at, line.replace(from, to));
                    say(says);
                    return true;
                }
            }
            return false;
        }

        private boolean kind(String kind) {
            String value = draft.value("average");
            Matcher average = value == null ? null : AVERAGE.matcher(value);
            if (average == null || !average.matches()) {
                return false;
            }
            String function = Map.of(
                            "simple", "sma(", "exponential", "ema(", "weighted", "wma(", "wilder", "average(wilder, ")
                    .get(kind);
            if (draft.setting("kind") != null) {
                draft.replaceSetting("kind", draft.setting("kind").replaceFirst("= \\w+", "= " + kind));
            } else {
                draft.setValue(
                        "average", function + average.group(3) + ", " + average.group(4) + ")" + average.group(5));
            }
            say("the average is " + kind);
            return true;
        }

        private boolean length(String length) {
            if (draft.setting("length") != null) {
                draft.replaceSetting("length", draft.setting("length").replaceFirst("= \\d+", "= " + length));
                say("the length is " + length + " at first");
                return true;
            }
            String name = draft.value("average") != null
                    ? "average"
                    : draft.lets().isEmpty() ? null : draft.lets().get(0);
            String value = name == null ? null : draft.value(name);
            Matcher average = value == null ? null : AVERAGE.matcher(value);
            if (average != null && average.matches()) {
                draft.setValue(name, value.replaceFirst(", \\w+\\)", ", " + length + ")"));
            } else {
                Pattern first = Pattern.compile("\\b(rsi|atr|adx|cci|mfi|roc|stdev|momentum)\\((\\d+)\\)");
                Matcher found = first.matcher(draft.text());
                if (!found.find()) {
                    return false;
                }
                draft.replaceEverywhere(
                        Pattern.compile(Pattern.quote(found.group())), found.group(1) + "(" + length + ")");
            }
            say("the length is " + length);
            return true;
        }

        private boolean removed() {
            int place = words.place();
            if (words.take("remove", "delete", "drop", "take away", "leave out") == null) {
                return false;
            }
            String what = words.take(
                    "line",
                    "colour",
                    "tint",
                    "colours",
                    "cue",
                    "arrow",
                    "marker",
                    "area",
                    "columns",
                    "dots",
                    "last line",
                    "last one",
                    "it",
                    "arrows");
            int at = what == null
                    ? -1
                    : switch (what) {
                        case "line" -> draft.last("line");
                        case "colour", "tint", "colours" -> draft.last("tint");
                        case "cue" -> draft.last("cue");
                        case "arrow", "marker", "arrows" -> draft.last("marker");
                        case "area" -> draft.last("area");
                        case "columns" -> draft.last("bars");
                        case "dots" -> draft.last("dots");
                        default -> draft.last();
                    };
            if (at < 0) {
                return fail(place);
            }
            say("without " + draft.line(at));
            draft.remove(at);
            return true;
        }
    }
}
