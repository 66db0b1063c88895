package dev.yardarm.core.formula;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * What there is in the language, each with an example: the reference is made of it, the editor's help too, and a test reads and
 * computes every example.
 */
public final class Constructs {
    private Constructs() {}

    /** Where a construct belongs. */
    public enum Group {
        VALUES("Values"),
        CONDITIONS("Conditions"),
        STATEMENTS("Statements of a definition");

        private final String title;

        Group(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /**
     * A construct.
     *
     * @param words by which the editor finds it
     * @param form how it is written
     * @param meaning what it yields, with missing values
     * @param example a formula, or a line of a definition
     */
    public record Construct(Group group, List<String> words, String form, String meaning, String example) {}

    private static Construct value(String words, String form, String meaning, String example) {
        return new Construct(Group.VALUES, List.of(words.split(" ")), form, meaning, example);
    }

    private static Construct condition(String words, String form, String meaning, String example) {
        return new Construct(Group.CONDITIONS, List.of(words.split(" ")), form, meaning, example);
    }

    private static Construct statement(String words, String form, String meaning, String example) {
        return new Construct(Group.STATEMENTS, List.of(words.split(" ")), form, meaning, example);
    }

    /** All of them, in the order of the reference. */
    public static final List<Construct> ALL = List.of(
            value(
                    "open high low close volume typical midprice range turnover",
                    "open high low close volume",
                    "Fields of the bar; also typical (high + low + close) / 3, midprice (high + low) / 2, range high - low, "
                            + "turnover typical * volume.",
                    "turnover / volume"),
            value("number", "12   1.5   5%", "Numbers; 5% is 0.05.", "close * 5%"),
            value(
                    "arithmetic",
                    "+ - * / ^",
                    "From loosely to tightly bound; -2 ^ 2 is -4, 2 ^ 3 ^ 2 is 512. With a missing value missing, as a "
                            + "division by zero is.",
                    "(high - low) / close back 1 * 100"),
            value(
                    "min max abs log sqrt round",
                    "min(a, b)   abs(a)",
                    "Functions of values at the same bar: min and max of two, abs, log (natural), sqrt and round (halves to "
                            + "the even neighbour) of one.",
                    "max(abs(close - open), sqrt(range))"),
            value(
                    "indicator",
                    "name(source, settings).output",
                    "An indicator of the catalogue or of your own, by position or by name; the first output unless one is "
                            + "named. A length may be a setting or arithmetic of settings and numbers, not a value of the bar.",
                    "bollinger(close, 20, 2).upper - ema(length: 20, source: high)"),
            value(
                    "structure",
                    "detector(settings).output(n)",
                    "What a detector had found when the bar closed, settled only; n counts from the newest where one of "
                            + "several is meant.",
                    "pivots(3%).price(2) - levels(2).above"),
            value(
                    "provisional",
                    "provisional detector(settings).output",
                    "The same with what may still be taken back.",
                    "provisional pivots(3%).price(1)"),
            value(
                    "average",
                    "average(kind, value, length)",
                    "An average of a kind: simple, exponential, weighted or wilder.",
                    "average(weighted, close, 20)"),
            value(
                    "back",
                    "value back 3",
                    "The value three bars earlier; missing before the first.",
                    "close - close back 3"),
            value(
                    "on",
                    "value on W",
                    "On a higher timeframe: the last complete bar as known then. Timeframes are m minutes, h, D, W, M months, "
                            + "Q, Y, with a number before.",
                    "sma(close, 10) on W"),
            value(
                    "forming",
                    "value on forming W",
                    "The unfinished higher bar, from what was known so far.",
                    "high on forming W"),
            value(
                    "range brick",
                    "value on range 10",
                    "On bars that are not made by time, made of the bars there are as they close: range, reversal, brick, "
                            + "volume, line-break, point-figure, heikin-ashi; sizes in ticks or %.",
                    "close on brick 20 - close on heikin-ashi"),
            value(
                    "of",
                    "value of #CODE",
                    "Of another instrument, of benchmark or of sector, computed on its own bars; beside each bar the one that "
                            + "closed since the bar before. Missing across a gap of the other.",
                    "rsi(14) of benchmark - rsi(14) of #KTRL"),
            value(
                    "instrument",
                    "#CODE",
                    "The close of another instrument; in a blend the instrument itself.",
                    "close / #KTRL"),
            value(
                    "last",
                    "value when last (condition)",
                    "The value at the last bar on which the condition held, this one included; missing before the first.",
                    "close when last (rsi(14) < 30)"),
            value(
                    "since",
                    "bars since (condition)",
                    "How many bars ago it held last, 0 at a bar on which it holds; missing before the first.",
                    "bars since (close crosses above ema(close, 20))"),
            value("else", "value else other", "Another value where the first is missing.", "close back 10 else close"),
            value(
                    "if",
                    "if(condition, a, b)",
                    "One of two values, or of two conditions; unknown counts as no.",
                    "if(close > open, high, low)"),
            value(
                    "drawing",
                    "drawing \"name\"",
                    "The price of the drawing of that name at that time; .line names one of its lines. Missing where there is "
                            + "none.",
                    "drawing \"neckline\""),
            condition(
                    "comparison above below",
                    "> >= < <= = <>",
                    "Comparisons of values; also is above, is below. With a missing value unknown.",
                    "close >= sma(close, 50)"),
            condition(
                    "and or not",
                    "and or not",
                    "not binds tightest, then and, then or. No and unknown is no, yes or unknown is yes, the rest stays "
                            + "unknown; unknown counts as no.",
                    "close > open and not volume > 1000 or range > 2"),
            condition(
                    "crosses",
                    "a crosses above b",
                    "At or below it on the bar before, above it now; crosses below; crosses for either.",
                    "close crosses above sma(close, 30)"),
            condition(
                    "rising falling",
                    "a is rising   is falling for 4",
                    "Above (below) its value on the bar before; with for, on each of so many bars.",
                    "sma(close, 30) is rising for 4"),
            condition(
                    "within",
                    "a is within 5% of b",
                    "No further apart than a share of b, than a number, or than so many of something: is within 0.5 atr(14) of.",
                    "low is within 0.5 atr(14) of sma(close, 30)"),
            condition(
                    "between", "a is between b and c", "Not below b and not above c.", "rsi(14) is between 40 and 60"),
            condition(
                    "held",
                    "condition held for 3",
                    "Yes on each of the last three bars, this one included; unknown before there are three, unless one was no.",
                    "close > sma(close, 20) held for 3"),
            condition(
                    "seen",
                    "condition seen in 10",
                    "Yes on at least one of the last ten bars, this one included.",
                    "close crosses above 20 seen in 10"),
            condition(
                    "just",
                    "just condition",
                    "Yes now, no on the bar before.",
                    "just close > highest(high, 20) back 1"),
            condition(
                    "cue",
                    "indicator.cue",
                    "An output that is yes or no, a tint or cue of your own too.",
                    "macd.cross_up and close > open"),
            statement(
                    "define",
                    "define \"Name\" in price",
                    "The first statement: what it is called, and whether it is drawn with the price or in pane, in pane from "
                            + "0 to 100.",
                    "define \"An example\" in pane from 0 to 100"),
            statement(
                    "setting",
                    "setting name = 30 from 2 to 400",
                    "Something its user may choose: a number between bounds, a word among several (timeframes too), a field of "
                            + "the bar, an instrument; a label in quotes may follow.",
                    "setting length = 14 from 2 to 200 \"Period\""),
            statement("let", "let name = value", "A name for a value or a condition.", "let strength = rsi(length)"),
            statement(
                    "line",
                    "line value \"Label\" width 2",
                    "A line; dashed, steps, hidden, width and a colour may follow.",
                    "line strength \"Strength\" width 2 teal"),
            statement(
                    "area",
                    "area between a and b",
                    "The area between two values; a label and a colour may follow.",
                    "area between strength and 50 \"Room\" plum"),
            statement("bars", "bars value", "Columns from zero.", "bars strength - 50 \"Excess\""),
            statement("dots", "dots value", "A dot at each bar.", "dots highest(strength, 5) \"Most\""),
            statement(
                    "marker",
                    "marker up when condition",
                    "An arrow below the bar (up) or above it (down) where the condition holds.",
                    "marker up \"Turn\" when strength crosses above 30"),
            statement(
                    "tint",
                    "tint \"Label\" colour when condition",
                    "The colour of the bars where it holds; of several the first counts. It is a cue too.",
                    "tint \"Strong\" rise when strength > 60"),
            statement("cue", "cue \"Label\" when condition", "A named yes or no.", "cue \"Fresh\" when just strong"),
            statement("level", "level 30, 70", "Level lines of a pane of its own.", "level 30, 70"),
            statement(
                    "note",
                    "note \"text\"",
                    "What it is for; the first is its summary, further ones how it is read.",
                    "note \"How strong the last bars were.\""));

    /** What a word of the language means; empty when it is none. */
    static String meaning(String word) {
        return ALL.stream()
                .filter(each -> each.words().contains(word))
                .findFirst()
                .map(each -> each.form() + ": " + each.meaning())
                .orElse("");
    }

    /** The rules of the grammar as it is read, without its words and signs. */
    public static String grammar() {
        try (InputStream file = Constructs.class.getResourceAsStream("grammar/Formula.g4")) {
            String text = new String(file.readAllBytes(), StandardCharsets.UTF_8);
            return text.substring(text.indexOf("// --- formulas ---"), text.indexOf("\nAND : 'and'"))
                            .strip() + "\n";
        } catch (IOException failed) {
            throw new UncheckedIOException("the grammar cannot be read", failed);
        }
    }
}
