package dev.yardarm.cli;

import dev.yardarm.core.formula.Constructs;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;

/** The reference of the formula language, made from what the program itself reads. */
final class FormulaReference {
    private FormulaReference() {}

    /** The whole reference. */
    static String text() {
        StringBuilder text = new StringBuilder(
                """
                # Formulas

                Made from the code by `./yardarm reference --formulas`; every example is read and computed by a test. One language
                serves values, conditions, indicators of your own, blends, scans and rules of colour. It has no loops and no side
                effects; a formula costs bars times its distinct steps. Case does not matter, except in quoted text and in timeframes
                (`m` minutes, `M` months). The same formula gives the same values in a scan, in `./yardarm compute` and on a chart.
                """);
        for (Constructs.Group group : Constructs.Group.values()) {
            text.append("\n## ")
                    .append(group.title())
                    .append("\n\n| form | meaning | example |\n| --- | --- | --- |\n");
            Constructs.ALL.stream().filter(each -> each.group() == group).forEach(each -> text.append("| `")
                    .append(each.form())
                    .append("` | ")
                    .append(each.meaning().replace("|", "\\|").replace("*", "\\*"))
                    .append(" | `")
                    .append(each.example())
                    .append("` |\n"));
        }
        Language.Limits limits = Language.Limits.STANDARD;
        text.append(
                        """

                ## What binds how

                From tightly to loosely: steps behind a value (`back`, `on`, `of`, `when last`) from left to right, so
                `close back 1 on W` is the close of the week before the last complete one, and `(close on W) back 1` that of the last
                complete week a bar ago; `^`; a sign; `* /`; `+ -`; `else`; comparisons, crossings and `is`; `held for` and `seen in`;
                `not` and `just`; `and`; `or`. Parentheses group.

                ## Missing values

                A value is missing before its warm-up, where its window holds a missing value, for a division by zero, a logarithm of
                what is not above zero, and before the first bar. Arithmetic with a missing value is missing. A comparison with one is
                unknown: *no and unknown* is no, *yes or unknown* is yes, otherwise unknown stays unknown, also under `not`, and counts
                as no wherever a decision is needed (`if`, `when last`, `bars since`, a tint, a scan). `./yardarm compute` leaves unknown
                conditions empty.

                ## Time

                A value at a bar rests on that bar and earlier ones. A higher timeframe gives the last bar complete by then; another
                instrument the last of its bars that closed since the bar before had closed, and nothing across a gap; bars of another
                kind are made from the bars there are, as they close.

                ## Indicators of your own

                ```
                define "Trend stage" in price
                note "Tells a climb from a rest."
                setting length  = 30      from 2 to 400
                setting average = simple  among simple, exponential, weighted
                setting reach   = 1.5     from 0.2 to 6
                let middle = average(average, close, length)
                let climb  = slope(middle, 5) / atr(14)
                line middle "Average" width 2
                tint "Climbing"  rise  when climb > 0.05 and close > middle
                tint "Sinking"   fall  when climb < -0.05 and close < middle
                tint "Resting"   soft  when abs(close - middle) < reach * atr(14)
                cue  "Fresh climb" when just Climbing and volume > 1.5 * sma(volume, 20)
                ```

                A statement begins a line with its word and goes on until another one begins; what follows `//` is a remark. Outputs are
                called by their labels in lower case (`trend_stage(30).climbing`); a named tint is a cue too. A setting of numbers may be
                used wherever a number may, also in `length * 2`; one of words in `average(...)`, `on` (timeframes), or compared
                (`average = simple`). Definitions may use each other; circles are told. Colours:\s""")
                .append(String.join(", ", Indicator.COLOURS))
                .append(
                        """
                .

                ## Blends

                `#KTRL / #MARN`, `#GY30 - 0.8 * #GY05`, `(#TIDQ + #SLTQ) / 2`: numbers, `+ - * / ^`, functions and codes, worked out at
                each moment by itself. What is linear in one instrument has open, high, low and close field by field (highs and lows
                change places under a negative factor); anything else is worked out from closes, and open, high and low are the close,
                because highs of several are not of the same moment: the chart draws a line and says *closes*. A bar stands where every
                part has one, on the same day by its own calendar or, within a day, at the same opening time; nothing is carried on over
                a gap or a holiday. Parts are adjusted for splits as of the moment looked from. Live, every trade of a part is one of the
                blend. Volume is missing. Blends of blends work; circles are told. A blend follows the calendar of its first part.

                ## Errors and limits

                Every error names its position, in a definition its line, with what was expected and a near word; all are told at once.
                Limits:\s""")
                .append(limits.characters())
                .append(" characters a formula or statement, 40000 a definition, 400 statements, ")
                .append(limits.depth())
                .append(" levels of nesting, ")
                .append(limits.steps())
                .append(" distinct steps, ")
                .append(limits.lookback())
                .append(" bars back, ")
                .append(limits.valuesABar())
                .append(
                        """
                 values looked at for each bar by what ranks or sorts.

                ## Grammar

                ```antlr
                """)
                .append(Constructs.grammar())
                .append("```\n");
        return text.toString();
    }
}
