package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.plain.PlainTerms;
import dev.yardarm.core.plain.Sayings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Times;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads one wait of a sentence: how, what, by how much. What begins with none of the ways price can meet something is a condition. */
final class WaitReader {
    private static final PriceFormat ANY = new PriceFormat(6, 1.0 / 128, PriceFormat.Style.THIRTY_SECONDS);
    private static final String AMOUNT =
            "([0-9]+(?:[.,][0-9]+)?|an?|one|half an?)\\s*(ticks?|t|%|percent|per cent|atr)?";
    private static final String WHO = "(?i)^(?:(?:the\\s+)?(?:price|it|(?:a|the)\\s+bar|bar|market)\\s+)?";
    private static final Pattern WITHIN =
            Pattern.compile("(?i)^(.*\\S)[\\s,]+within\\s+(\\d+|one|two|three|four|five|six|ten)\\s+bars?$");
    private static final Pattern COMES = Pattern.compile(
            WHO + "(?:(?:comes?|gets?|is)\\s+)?(?:to\\s+)?within\\s+" + AMOUNT + "\\s+(?:of|from)\\s+(.+)$");
    private static final Pattern REACHES = Pattern.compile(
            WHO
                    + "(reaches|reach|touches|touch|hits|hit|trades\\s+at|gets?\\s+to|comes?\\s+to|at|(?:rises?|climbs?|goes\\s+up)\\s+to|(?:falls?|drops?|dips?|goes\\s+down)\\s+to)\\s+(.+)$");
    private static final Pattern THROUGH = Pattern.compile(
            WHO
                    + "(?:(?:is\\s+)?(goes|go|going|gets?|trades?|trading|crosses|cross|crossing|breaks?|breaking|moves?|is|comes?|runs?|pushes|push|jumps?|pops?|shoots?"
                    + "|rises?|rising|climbs?|rallies|drops?|dropping|falls?|falling|slips?|slipping|sinks?|dips?|slides?|declines?|tumbles?|plunges?)\\s+)?"
                    + "(?:back\\s+)?(?:out\\s+|up\\s+|down\\s+)?"
                    + "(through|above|below|over|under|underneath|beneath|beyond|past|loses|clears|takes\\s+out|>=?|<=?)\\s*(.+)$");
    private static final String RISING = "rises?|rising|climbs?|rallies|jumps?|pops?|shoots?|pushes|push";
    private static final String FALLING =
            "drops?|dropping|falls?|falling|slips?|slipping|sinks?|dips?|slides?|declines?|tumbles?|plunges?";
    private static final Pattern BOUNCES = Pattern.compile(
            WHO
                    + "(?:touches|touch|hits?|reaches|reach|tags?|tests?|comes?\\s+to)\\s+(.+?)\\s+and\\s+(?:bounces?|rebounds?|reverses?|holds?|turns?)(?:\\s+(?:back|off|away|around))?(?:\\s+by\\s+(.+))?$");
    private static final Pattern TOLERATED = Pattern.compile(WHO
            + "(?:touches|touch|hits?|reaches|reach|tags?|tests?|comes?\\s+to|at)\\s+(.+?)[\\s,]+(?:with|give\\s+or\\s+take)\\s+(?:a\\s+)?"
            + AMOUNT + "(?:\\s+(?:of\\s+)?(?:tolerance|room|slack))?$");
    /** A length below zero is none; its sign must not be passed over. */
    private static final Pattern BELOW_NOTHING =
            Pattern.compile("(?i)(?:^|\\s)[-\u2212]\\s*\\d+\\s*-?\\s*(?:day|bar|week|month|hour|minute|period)s?\\b.*");

    private static final Pattern NUMBERS = Pattern.compile("[0-9+*/^().\\s-]*[0-9)]\\s*[+*/^-][0-9+*/^().\\s-]*");
    private static final Pattern RESISTANCE = Pattern.compile(
            "(?i)(?:the\\s+|its\\s+)?(?:next\\s+|nearest\\s+)?(?:resistance|level\\s+above|support|level\\s+below)");
    private static final Pattern CROSSES = Pattern.compile(WHO + "(?:crosses|cross|breaks?)\\s+(.+)$");
    private static final Pattern CLOSES =
            Pattern.compile(WHO + "(?:closes?|closing|close)\\s+(above|below|over|under|beyond|through)\\s+(.+)$");
    private static final Pattern OVERSHOOTS =
            Pattern.compile(WHO + "(?:overshoots?|overshooting)\\s+(above\\s+|below\\s+)?(.+)$");
    private static final Pattern TURNS = Pattern.compile(
            WHO + "(?:turns?|turning|comes?|bounces?)\\s+(?:back|off|away)?\\s*(?:at|from|off)\\s+(.+)$");
    private static final Pattern ABOUT = Pattern.compile(
            WHO
                    + "(?:is\\s+)?about\\s+to\\s+close\\s+(above|below|over|under|beyond)\\s+(.+?)(?:[\\s,]+(\\d+)\\s*(?:m|min|minutes?)(?:\\s+before(?:\\s+(?:the\\s+)?close)?)?)?$");
    private static final Pattern BEFORE = Pattern.compile(
            WHO
                    + "(\\d+)\\s*(?:m|min|minutes?)\\s+before(?:\\s+(?:the|a)\\s+close)?\\s+(above|below|over|under|beyond)\\s+(.+)$");
    private static final Pattern DUE =
            Pattern.compile("(?i)^(\\d{1,4})\\s*(m|min|minutes?|h|hours?|d|days?)\\s+(?:before|ahead\\s+of)\\s+(.+)$");
    private static final Pattern FOUND = Pattern.compile(
            "(?i)^(?:the\\s+)?scan\\s+[\"\u201c]([^\"\u201d]+)[\"\u201d]\\s+(?:gets|has|finds)\\s+.*\\bnew\\b.*$");
    private static final Pattern TRADED = Pattern.compile(
            "(?i)^(?:on\\s+)?(?:an?\\s+)?(?:large\\s+|big\\s+)?trades?\\s+(?:of\\s+|from\\s+|over\\s+)?([0-9]{1,12}(?:\\.[0-9]+)?)(?:\\s+or\\s+more)?(?:\\s+(?:put\\s+)?together\\s+(?:within\\s+)?([0-9]+)\\s*(ms|s))?$");
    private static final Pattern BY = Pattern.compile("(?i)^(.*\\S)\\s+by\\s+" + AMOUNT + "(?:\\s+or\\s+more)?$");
    private static final Pattern NAMED = Pattern.compile(
            "(?i)^(?:(?:the\\s+)?(?:drawing|line|level)\\s+)?[\"\u201c]([^\"\u201d]+)[\"\u201d](?:\\s*\\.\\s*|\\s+)?([\\w.%]+)?$");
    private static final Pattern MOVES = Pattern.compile(
            WHO
                    + "(?:is\\s+)?(\\+|-|\\u2212|(?:rises?|gains?|climbs?|up|falls?|drops?|loses?|sinks?|down)\\s)\\s*(?:by\\s+)?([0-9]{1,3}(?:[.,][0-9]{1,4})?)\\s*(?:%|percent|per cent)"
                    + "(?:\\s+(?:on|in|from)\\s+(?:the|a|its|yesterday's)\\s+(?:day|session|previous\\s+close|last\\s+close|close))?(?:\\s+or\\s+more)?$");
    /** Amounts as people write them: 1.2m, 300k; not the minutes of a timeframe. */
    private static final Pattern MANY = Pattern.compile(
            "(?i)(?<!\\bon )(?<!\\bin )\\b(\\d+(?:\\.\\d+)?)\\s*(k|thousand|m|mio|million|bn|billion)\\b");

    private static final Pattern BARE_SETTING =
            Pattern.compile("([A-Za-z_]\\w*)\\s+(\\d+(?:\\.\\d+)?)(?=$|[\\s<>=+*/-])");
    private static final long EARLY = 5;
    /** Prints of one side so soon after the first are one trade unless the line says otherwise. */
    static final long TOGETHER = 100 * Times.SECOND / 1000;

    private final int number;
    private final boolean forming;
    private final boolean withinTheDay;
    /** True when the line names bars: then to get above or below is a close there. */
    private final boolean barsAreSaid;

    private final AlertSentence.Context context;
    private String text;
    private int within;

    /** @param bars of which closes count */
    WaitReader(
            String text,
            int number,
            boolean forming,
            BarRule bars,
            boolean barsAreSaid,
            AlertSentence.Context context) {
        this.barsAreSaid = barsAreSaid;
        this.withinTheDay =
                !(bars instanceof BarRule.Time time) || time.timeframe().isIntraday();
        this.text = text;
        this.number = number;
        this.forming = forming;
        this.context = context;
    }

    Wait read() {
        Matcher limited = WITHIN.matcher(text);
        if (limited.matches() && !(number == 0 && COMES.matcher(text).matches())) {
            if (number == 0) {
                throw new IllegalArgumentException(
                        "'within " + limited.group(2) + " bars' belongs to what comes after 'then'");
            }
            within = switch (limited.group(2).toLowerCase(Locale.ROOT)) {
                case "one" -> 1;
                case "two" -> 2;
                case "three" -> 3;
                case "four" -> 4;
                case "five" -> 5;
                case "six" -> 6;
                case "ten" -> 10;
                default -> Integer.parseInt(limited.group(2));
            };
            text = limited.group(1);
        }
        return one().within(within);
    }

    private Wait one() {
        Optional<String> saying = Sayings.read(text, withinTheDay);
        if (saying.isPresent()) {
            Formula read = Formula.parseCondition(saying.get(), context.language());
            return new Wait(
                    new Awaited.Condition(read.canonical()), forming ? Alert.Trigger.HOLDS_NOW : Alert.Trigger.HOLDS);
        }
        Matcher found = COMES.matcher(text);
        if (found.matches()) {
            return new Wait(
                    on(found.group(3)), Alert.Trigger.COMES_WITHIN, 0, margin(found.group(1), found.group(2)), 0, 0);
        }
        found = ABOUT.matcher(text);
        if (found.matches()) {
            return about(found.group(1), found.group(2), found.group(3));
        }
        found = BEFORE.matcher(text);
        if (found.matches()) {
            return about(found.group(2), found.group(3), found.group(1));
        }
        found = FOUND.matcher(text);
        if (found.matches()) {
            return new Wait(new Awaited.Member(found.group(1)), Alert.Trigger.FOUND);
        }
        found = DUE.matcher(text);
        if (found.matches()) {
            return due(Long.parseLong(found.group(1)), found.group(2), found.group(3));
        }
        found = CLOSES.matcher(text);
        if (found.matches()) {
            return beside(Alert.Trigger.CLOSES_BEYOND, way(found.group(1)), found.group(2));
        }
        found = OVERSHOOTS.matcher(text);
        if (found.matches()) {
            return beside(Alert.Trigger.OVERSHOOTS, way(found.group(1)), found.group(2));
        }
        found = BOUNCES.matcher(text);
        if (found.matches()) {
            String by = found.group(2) == null ? "" : " by " + found.group(2);
            return beside(Alert.Trigger.TURNS_BACK, 0, found.group(1) + by);
        }
        found = TOLERATED.matcher(text);
        if (found.matches()) {
            return new Wait(
                    on(found.group(1)), Alert.Trigger.COMES_WITHIN, 0, margin(found.group(2), found.group(3)), 0, 0);
        }
        found = TURNS.matcher(text);
        if (found.matches()) {
            return beside(Alert.Trigger.TURNS_BACK, 0, found.group(1));
        }
        found = TRADED.matcher(text);
        if (found.matches()) {
            long unit = "s".equalsIgnoreCase(found.group(3)) ? Times.SECOND : Times.SECOND / 1000;
            long together = found.group(2) == null ? TOGETHER : Long.parseLong(found.group(2)) * unit;
            return new Wait(new Awaited.Traded(Double.parseDouble(found.group(1)), together), Alert.Trigger.TRADED);
        }
        found = MOVES.matcher(text);
        if (found.matches()) {
            return moves(found.group(1), Double.parseDouble(found.group(2).replace(',', '.')));
        }
        found = REACHES.matcher(text);
        if (found.matches()) {
            return beside(Alert.Trigger.REACHES, rising(found.group(1)), found.group(2));
        }
        found = THROUGH.matcher(text);
        if (found.matches()) {
            return through(found.group(1), found.group(2), found.group(3));
        }
        found = CROSSES.matcher(text);
        if (found.matches() && !text.toLowerCase(Locale.ROOT).matches(".*\\bcrosses\\s+(above|below)\\b.*")) {
            return beside(beyond(""), extreme(found.group(1)), found.group(1));
        }
        if (isPrice(text) || NAMED.matcher(text).matches()) {
            return beside(Alert.Trigger.REACHES, 0, text);
        }
        return condition();
    }

    /** To get above or below is the first trade there; where bars are named it is a close on them, unless it is said to trade there. */
    private Alert.Trigger beyond(String verb) {
        return barsAreSaid && !verb.toLowerCase(Locale.ROOT).startsWith("trad")
                ? Alert.Trigger.CLOSES_BEYOND
                : Alert.Trigger.GOES_THROUGH;
    }

    private Wait through(String said, String side, String level) {
        String verb = said == null ? "" : said.toLowerCase(Locale.ROOT);
        int way = way(side);
        if (way == 0) {
            way = verb.matches(RISING) ? 1 : verb.matches(FALLING) ? -1 : extreme(level);
        }
        return beside(beyond(verb), way, level);
    }

    /** To break a high is upward, a low downward, wherever price stands; 0 for anything else. */
    private static int extreme(String level) {
        String words = level.toLowerCase(Locale.ROOT);
        boolean high = words.matches(".*\\b(high|highs|highest|top)\\b.*");
        boolean low = words.matches(".*\\b(low|lows|lowest|bottom)\\b.*");
        return high == low ? 0 : high ? 1 : -1;
    }

    /** So many per cent from the last close: of a day, where bars are shorter. A level is the value at the last bar that closed. */
    private Wait moves(String word, double percent) {
        int way = word.toLowerCase(Locale.ROOT).matches("(\\+|rise|gain|climb|up).*") ? 1 : -1;
        if (way < 0 && percent >= 100) {
            throw new IllegalArgumentException("nothing falls by " + Setting.Number.plain(percent)
                    + " %; an alert on a fall waits for less than 100 %");
        }
        String factor = Setting.Number.plain(Math.rint((1 + way * percent / 100) * 1e8) / 1e8);
        Formula level =
                Formula.parseValue(factor + " * " + (withinTheDay ? "(close on D)" : "close"), context.language());
        return new Wait(new Awaited.Value(level.canonical()), Alert.Trigger.GOES_THROUGH, way, Margin.NONE, 0, 0);
    }

    private Wait condition() {
        Formula read = formula(
                text,
                said -> Formula.parseCondition(said, context.language()),
                said -> PlainTerms.condition(said, context.language(), withinTheDay),
                "is neither a way to meet a price, such as closes above 104.20, nor a condition");
        return new Wait(
                new Awaited.Condition(read.canonical()), forming ? Alert.Trigger.HOLDS_NOW : Alert.Trigger.HOLDS);
    }

    private Wait about(String side, String level, String minutes) {
        long early = minutes == null ? EARLY : Long.parseLong(minutes);
        if (early == 0) {
            throw new IllegalArgumentException("no minutes before the close is the close: write closes " + side);
        }
        Wait beside = beside(Alert.Trigger.CLOSES_BEYOND, way(side), level);
        return new Wait(
                beside.on(), Alert.Trigger.ABOUT_TO_CLOSE, beside.way(), beside.margin(), early * Times.MINUTE, 0);
    }

    private static Wait due(long amount, String unit, String what) {
        if (amount == 0) {
            throw new IllegalArgumentException("say how long before, such as 30 min before a rate decision");
        }
        long each =
                switch (unit.toLowerCase(Locale.ROOT).charAt(0)) {
                    case 'm' -> Times.MINUTE;
                    case 'h' -> Times.HOUR;
                    default -> Times.DAY;
                };
        String words = what.strip()
                .replaceAll("[\"\u201c\u201d]", "")
                .replaceFirst("(?i)^(?:an?|the|any|each|every|next)\\s+(?:next\\s+)?", "")
                .replaceFirst(
                        "(?i)^(?:close|closing(?:\\s+bell)?|session(?:'s)?\\s+(?:close|end)|end\\s+of\\s+(?:the\\s+)?(?:session|day))$",
                        Awaited.Due.CLOSE)
                .replaceFirst(
                        "(?i)^(?:open|opening(?:\\s+bell)?|session(?:'s)?\\s+(?:open|start)|start\\s+of\\s+(?:the\\s+)?(?:session|day))$",
                        Awaited.Due.OPEN)
                .replaceFirst("(?i)^(?:calendar\\s+)?(?:entry|entries|event|events)$", Awaited.Due.ANY)
                .replaceFirst("(?i)^(rate decision|release|auction|holiday)s$", "$1");
        return new Wait(new Awaited.Due(words), Alert.Trigger.COMES_UP, 0, Margin.NONE, amount * each, 0);
    }

    private static int rising(String word) {
        String first = word.toLowerCase(Locale.ROOT);
        return first.matches("(rise|climb|goes\\s+up).*")
                ? 1
                : first.matches("(fall|drop|dip|goes\\s+down).*") ? -1 : 0;
    }

    private static int way(String word) {
        return word == null
                ? 0
                : switch (word.strip().toLowerCase(Locale.ROOT)) {
                    case "above", "over", "clears", ">", ">=" -> 1;
                    case "below", "under", "underneath", "beneath", "loses", "<", "<=" -> -1;
                    default -> 0;
                };
    }

    private Wait beside(Alert.Trigger trigger, int way, String words) {
        Matcher by = BY.matcher(words);
        Margin margin = Margin.NONE;
        String level = words;
        if (by.matches()) {
            margin = margin(by.group(2), by.group(3));
            level = by.group(1);
        }
        if (RESISTANCE.matcher(level.strip()).matches()) {
            return besideLevels(trigger, way, level, margin);
        }
        return new Wait(on(level), trigger, way, margin, 0, 0);
    }

    /** The nearest level: at a close the one that stood before it, since another one is the nearest behind it. */
    private Wait besideLevels(Alert.Trigger trigger, int way, String words, Margin margin) {
        boolean above = words.toLowerCase(Locale.ROOT).matches(".*(resistance|above).*");
        String side = above ? "levels.above" : "levels.below";
        String text = trigger == Alert.Trigger.CLOSES_BEYOND ? side + " back 1" : side;
        Formula level = Formula.parseValue(text, context.language());
        int toward = way != 0 || trigger == Alert.Trigger.TURNS_BACK || trigger == Alert.Trigger.COMES_WITHIN
                ? way
                : above ? 1 : -1;
        return new Wait(new Awaited.Value(level.canonical()), trigger, toward, margin, 0, 0);
    }

    private static Margin margin(String amount, String unit) {
        String word = amount.toLowerCase(Locale.ROOT);
        double number = word.startsWith("half")
                ? 0.5
                : word.matches("an?|one") ? 1 : Double.parseDouble(word.replace(',', '.'));
        return new Margin(number, Margin.unit(unit == null ? "" : unit.replaceAll("\\s+", " ")));
    }

    /** What numbers alone come to. */
    private double worth(String level) {
        double value;
        try {
            BarSeries one = new BarSeries(1);
            one.append(0, 1, 1, 1, 1, 1, 1);
            value = Formula.parseValue(level, context.language())
                    .evaluate(one.snapshot())
                    .at(0);
        } catch (FormulaException bad) {
            throw new IllegalArgumentException("'" + level + "' is no price: " + bad.getMessage(), bad);
        }
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("'" + level + "' has no value, so nothing can reach it");
        }
        return value;
    }

    private static boolean isPrice(String words) {
        try {
            ANY.parse(words);
            return true;
        } catch (NumberFormatException other) {
            return false;
        }
    }

    private Awaited on(String words) {
        String level = words.strip();
        if (isPrice(level)) {
            return new Awaited.Price(ANY.parse(level));
        }
        if (NUMBERS.matcher(level).matches()) {
            return new Awaited.Price(worth(level));
        }
        if (BELOW_NOTHING.matcher(level).find()) {
            throw new IllegalArgumentException(
                    "'" + level + "': a length is a whole number from 1 on; write it without the minus");
        }
        Matcher named = NAMED.matcher(level);
        if (named.matches()) {
            String line = named.group(2) == null ? "" : named.group(2);
            Optional<String> id = context.drawings().apply(named.group(1));
            return new Awaited.Drawn(
                    id.orElseThrow(() -> new IllegalArgumentException("there is no drawing \"" + named.group(1)
                            + "\" on this instrument; name it in the Layers panel, or write a price")),
                    line);
        }
        Formula read = formula(
                level,
                said -> Formula.parseValue(said, context.language()),
                said -> PlainTerms.value(said, context.language(), withinTheDay),
                "is no price, no drawing in quotation marks and no formula");
        return new Awaited.Value(read.canonical());
    }

    /** Reads it as it is written, else as it is said; what is wrong is told of what was written. */
    private Formula formula(
            String written,
            Function<String, Formula> reader,
            Function<String, Optional<String>> plain,
            String otherwise) {
        try {
            return reader.apply(written);
        } catch (FormulaException bad) {
            String told = "'" + written + "' " + otherwise + ": " + bad.getMessage();
            try {
                return reader.apply(asFormula(written));
            } catch (FormulaException neither) {
                return plain.apply(inFull(written))
                        .map(said -> said(said, reader, told, bad))
                        .orElseThrow(() -> new IllegalArgumentException(told, bad));
            }
        }
    }

    private static Formula said(String said, Function<String, Formula> reader, String told, FormulaException bad) {
        try {
            return reader.apply(said);
        } catch (FormulaException unread) {
            bad.addSuppressed(unread);
            throw new IllegalArgumentException(told, bad);
        }
    }

    /** A formula as it is said: {@code rsi 14 is below 30} for {@code rsi(14) < 30}. */
    private String asFormula(String said) {
        String signs = inFull(said)
                .replaceAll("(?i)\\bis\\s+(?:above|over)\\b", ">")
                .replaceAll("(?i)\\bis\\s+(?:below|under)\\b", "<");
        return BARE_SETTING
                .matcher(signs)
                .replaceAll(found -> context.language()
                                .catalogue()
                                .find(found.group(1).toLowerCase(Locale.ROOT))
                                .isPresent()
                        ? found.group(1) + "(" + found.group(2) + ")"
                        : Matcher.quoteReplacement(found.group()));
    }

    /** Volumes as they are said: {@code 1.2m} for {@code 1200000}. */
    private static String inFull(String said) {
        return said.matches("(?i).*\\b(volume|turnover)\\b.*")
                ? MANY.matcher(said)
                        .replaceAll(many -> Setting.Number.plain(Double.parseDouble(many.group(1))
                                * switch (many.group(2).toLowerCase(Locale.ROOT).charAt(0)) {
                                    case 'k', 't' -> 1e3;
                                    case 'm' -> 1e6;
                                    default -> 1e9;
                                }))
                : said;
    }
}
