package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.indicator.Setting;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a sentence changes in a draft: settings, names, conditions, colours, places. */
final class Changing extends Asked {

    Changing(Words words, Draft draft, Phrases phrases, List<String> understood) {
        super(words, draft, phrases, understood);
    }

    private static final Pattern AVERAGE =
            Pattern.compile("(sma|ema|wma|average\\((\\w+),)\\(?\\s*([^,]+), (\\w+)\\)(.*)");

    boolean adjustable() {
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
        String upper = most == null ? Setting.Number.plain(Math.max(10, plain * 4)) : most;
        draft.addSetting("setting threshold = " + value + " from " + lower + sign + " to " + upper + sign);
        at = draft.subject();
        draft.set(at, draft.line(at).replace(number.group(1) + value, number.group(1) + "threshold"));
        say("the threshold is a setting, " + value + " at first");
        return true;
    }

    boolean named() {
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

    boolean narrowed() {
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
                        + (not ? negation(condition) : condition.contains(" or ") ? "(" + condition + ")" : condition);
        draft.set(at, line.substring(0, when) + joined);
        say((or ? "or when " : not ? "not when " : "only when ") + condition);
        return true;
    }

    private static String negation(String condition) {
        return condition.contains(" and ") || condition.contains(" or ") || condition.contains(" = ")
                ? "not (" + condition + ")"
                : "not " + condition;
    }

    boolean changed() {
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
            draft.setValue("average", function + average.group(3) + ", " + average.group(4) + ")" + average.group(5));
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
            draft.replaceEverywhere(Pattern.compile(Pattern.quote(found.group())), found.group(1) + "(" + length + ")");
        }
        say("the length is " + length);
        return true;
    }

    boolean removed() {
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
