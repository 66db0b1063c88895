package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.plain.PlainTerms;
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
                    + "(?:(?:goes|go|trades?|crosses|cross|breaks?|moves?|is)\\s+)?(?:out\\s+)?(through|above|below|over|under|beyond|loses|clears|takes\\s+out|>=?|<=?)\\s*(.+)$");
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
    private final AlertSentence.Context context;
    private String text;
    private int within;

    /** @param bars of which closes count */
    WaitReader(String text, int number, boolean forming, BarRule bars, AlertSentence.Context context) {
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
            return beside(Alert.Trigger.GOES_THROUGH, way(found.group(1)), found.group(2));
        }
        found = CROSSES.matcher(text);
        if (found.matches() && !text.toLowerCase(Locale.ROOT).matches(".*\\bcrosses\\s+(above|below)\\b.*")) {
            return beside(Alert.Trigger.GOES_THROUGH, 0, found.group(1));
        }
        if (isPrice(text) || NAMED.matcher(text).matches()) {
            return beside(Alert.Trigger.REACHES, 0, text);
        }
        return condition();
    }

    /** So many per cent from the last close: of a day, where bars are shorter. A level is the value at the last bar that closed. */
    private Wait moves(String word, double percent) {
        int way = word.toLowerCase(Locale.ROOT).matches("(\\+|rise|gain|climb|up).*") ? 1 : -1;
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
                    case "below", "under", "loses", "<", "<=" -> -1;
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
        return new Wait(on(level), trigger, way, margin, 0, 0);
    }

    private static Margin margin(String amount, String unit) {
        String word = amount.toLowerCase(Locale.ROOT);
        double number = word.startsWith("half")
                ? 0.5
                : word.matches("an?|one") ? 1 : Double.parseDouble(word.replace(',', '.'));
        return new Margin(number, Margin.unit(unit == null ? "" : unit.replaceAll("\\s+", " ")));
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
