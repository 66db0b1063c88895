package dev.yardarm.core.plain;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Conditions that traders have whole sayings for, each with the formula it means: {@code three down days in a row}, {@code narrowest range in seven
 * days}, {@code close below open for 4 of the last 5 days}. A saying is taken only as a whole, so it takes nothing from what is read word by
 * word.
 *
 * <p>Days are days on any bars: within the day the formula is asked of the last day that closed ({@code on D}).
 */
public final class Sayings {
    private static final List<String> NUMBERS =
            List.of("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten");
    private static final String N = "(\\d{1,3}|" + String.join("|", NUMBERS) + ")";
    private static final String P = "(\\d+(?:\\.\\d+)?)\\s*(?:%|percent|per cent)";
    private static final String DAYS = "(?:[\\s-]*(?:day|days|bar|bars|session|sessions))";
    private static final String AVERAGE =
            "(?:the\\s+)?(\\d{1,3})" + DAYS + "?\\s+(?:simple\\s+)?(?:moving\\s+)?(?:average|line|sma|ma)";

    private record Saying(Pattern pattern, Function<MatchResult, String> formula) {}

    private static final List<Saying> ALL = List.of(
            saying(
                    N + "\\s+(down|lower|falling|red|up|higher|rising|green)" + DAYS
                            + "(?:\\s+(?:in\\s+a\\s+row|running|straight|one\\s+after\\s+the\\s+other))?",
                    m -> "close is " + (isDown(m.group(2)) ? "falling" : "rising") + " for " + number(m.group(1))),
            saying(
                    N + "\\s+(?:straight|consecutive|successive)\\s+(down|lower|falling|up|higher|rising)" + DAYS,
                    m -> "close is " + (isDown(m.group(2)) ? "falling" : "rising") + " for " + number(m.group(1))),
            saying(
                    N + "\\s+(?:consecutive\\s+|straight\\s+)?closes\\s+(above|over|below|under)\\s+" + AVERAGE,
                    m -> "close " + sign(m.group(2)) + " sma(close, " + m.group(3) + ") held for "
                            + number(m.group(1))),
            saying(
                    "(?:the\\s+)?close\\s+is\\s+(up|down)\\s+(?:by\\s+)?" + P
                            + "\\s+(?:over|in|within)\\s+(?:the\\s+)?(?:last\\s+)?" + N + DAYS,
                    m -> m.group(1).equals("up")
                            ? "close / close back " + number(m.group(3)) + " - 1 > " + m.group(2) + "%"
                            : "close / close back " + number(m.group(3)) + " - 1 < -" + m.group(2) + "%"),
            saying(
                    "(?:the\\s+)?narrowest\\s+(?:range|day|bar)\\s+(?:in|of|for)\\s+(?:the\\s+last\\s+)?" + N + DAYS
                            + "?|nr(\\d{1,2})",
                    m -> narrowest(m.group(1) == null ? m.group(2) : number(m.group(1)))),
            saying(
                    "(?:the\\s+)?widest\\s+(?:range|day|bar)\\s+(?:in|of|for)\\s+(?:the\\s+last\\s+)?" + N + DAYS + "?",
                    m -> "range = highest(range, " + number(m.group(1)) + ")"),
            saying(
                    "(?:the\\s+)?low\\s+(?:undercuts|is\\s+below|breaks)\\s+yesterday'?s\\s+low\\s+(?:but|and)\\s+(?:the\\s+)?close\\s+(?:is\\s+)?(?:back\\s+)?above\\s+it",
                    m -> "low < low back 1 and close > low back 1"),
            saying(
                    "(?:the\\s+)?high\\s+(?:exceeds|is\\s+above|breaks)\\s+yesterday'?s\\s+high\\s+(?:but|and)\\s+(?:the\\s+)?close\\s+(?:is\\s+)?(?:back\\s+)?below\\s+it",
                    m -> "high > high back 1 and close < high back 1"),
            saying(
                    "(?:price|close)\\s+(?:is\\s+)?(above|below)\\s+(?:the\\s+)?vwap\\s+(?:and|with)\\s+volume\\s+(?:is\\s+)?(above|below)\\s+(?:the\\s+|its\\s+)?average",
                    m -> "close " + sign(m.group(1)) + " vwap and volume " + sign(m.group(2)) + " sma(volume, 20)"),
            saying(
                    "adx\\s+(?:is\\s+)?(above|over|below|under)\\s+(\\d{1,2})\\s+and\\s+\\+di\\s+(?:is\\s+)?(above|over|below|under)\\s+-di",
                    m -> "adx(14) " + sign(m.group(1)) + " " + m.group(2) + " and adx(14).plus " + sign(m.group(3))
                            + " adx(14).minus"),
            saying(
                    "(?:close\\s+|price\\s+)?(?:is\\s+)?(?:not|no)\\s+more\\s+than\\s+" + P + "\\s+(above|below)\\s+"
                            + AVERAGE,
                    m -> m.group(2).equals("above")
                            ? "close <= (1 + " + m.group(1) + "%) * sma(close, " + m.group(3) + ")"
                            : "close >= (1 - " + m.group(1) + "%) * sma(close, " + m.group(3) + ")"),
            saying(
                    "(?:the\\s+)?first\\s+close\\s+(above|below)\\s+" + AVERAGE + "\\s+in\\s+(?:at\\s+least\\s+)?" + N
                            + DAYS,
                    m -> "close " + sign(m.group(1)) + " sma(close, " + m.group(2) + ") and (close "
                            + (m.group(1).equals("above") ? "<=" : ">=") + " sma(close, " + m.group(2) + ") held for "
                            + number(m.group(3)) + ") back 1"),
            saying(
                    "(?:price\\s+)?bounces\\s+off\\s+" + AVERAGE,
                    m -> "low <= sma(close, " + m.group(1) + ") and close > sma(close, " + m.group(1) + ")"),
            saying(
                    "(?:the\\s+)?(highest|lowest)\\s+(close|high|low)\\s+(?:of|in|for)\\s+(?:the\\s+)?(?:last\\s+)?" + N
                            + DAYS,
                    m -> m.group(2) + " = " + m.group(1) + "(" + m.group(2) + ", " + number(m.group(3)) + ")"),
            saying(
                    "(?:an\\s+)?outside\\s+(?:day|bar)\\s+(?:closing|that\\s+closes|with\\s+a\\s+close)\\s+near\\s+(?:its|the)\\s+(low|high)",
                    m -> "high > high back 1 and low < low back 1 and "
                            + (m.group(1).equals("low")
                                    ? "close < low + 0.25 * range"
                                    : "close > high - 0.25 * range")),
            saying(
                    "(?:a\\s+)?gaps?\\s+(down|up)\\s+(?:that\\s+(?:gets|is)\\s+|and\\s+(?:gets|is)\\s+)?(?:filled|closed)\\s+(?:on\\s+)?(?:the\\s+)?same\\s+day",
                    m -> m.group(1).equals("down")
                            ? "open < low back 1 and high >= low back 1"
                            : "open > high back 1 and low <= high back 1"),
            saying(
                    "close\\s+(above|below)\\s+(?:the\\s+)?open\\s+(?:for|on|in)\\s+" + N
                            + "\\s+of\\s+(?:the\\s+)?last\\s+" + N + DAYS,
                    m -> "sum(if(close " + sign(m.group(1)) + " open, 1, 0), " + number(m.group(3)) + ") >= "
                            + number(m.group(2))),
            saying(
                    "(?:the\\s+)?(?:bollinger\\s+)?band\\s*width\\s+(?:is\\s+)?at\\s+(?:a|its)\\s+(?:new\\s+)?" + N
                            + "[\\s-]*month\\s+(low|high)",
                    m -> "band_width(20, 2) = " + (m.group(2).equals("low") ? "lowest" : "highest")
                            + "(band_width(20, 2), " + 21 * Integer.parseInt(number(m.group(1))) + ")"),
            saying(
                    "(?:the\\s+)?(?:turnover|money\\s+volume)\\s+(?:is\\s+)?(above|over|below|under)\\s+(\\d+(?:\\.\\d+)?)\\s*(k|thousand|m|million|bn|billion)?(?:\\s+(?:dollars|in\\s+money))?",
                    m -> "turnover " + sign(m.group(1)) + " " + amount(m.group(2), m.group(3))),
            saying(
                    "(?:the\\s+)?(?:parabolic\\s+sar|psar|sar)\\s+(?:flips|turns|changes)\\s+(?:to\\s+)?(bullish|bearish|up|down)",
                    m -> "psar.turned_"
                            + (m.group(1).startsWith("b") && m.group(1).equals("bullish")
                                            || m.group(1).equals("up")
                                    ? "up"
                                    : "down")),
            saying(
                    "relative\\s+strength\\s+(?:versus|vs\\.?|against|to)\\s+#?([a-z0-9._-]+)\\s+(?:is\\s+)?at\\s+(?:a\\s+)?(?:new\\s+)?"
                            + N + DAYS + "\\s+(high|low)",
                    m -> "close / (close of #" + m.group(1).toUpperCase(Locale.ROOT) + ") = "
                            + (m.group(3).equals("high") ? "highest" : "lowest") + "(close / (close of #"
                            + m.group(1).toUpperCase(Locale.ROOT) + "), " + number(m.group(2)) + ")"),
            saying(
                    "no\\s+new\\s+(low|high)\\s+(?:in|for|within)\\s+(?:the\\s+)?(?:last\\s+)?" + N + DAYS,
                    m -> m.group(1).equals("low")
                            ? "not (low < lowest(low, 20) back 1 seen in " + number(m.group(2)) + ")"
                            : "not (high > highest(high, 20) back 1 seen in " + number(m.group(2)) + ")"));

    private Sayings() {}

    private static Saying saying(String pattern, Function<MatchResult, String> formula) {
        return new Saying(Pattern.compile("(?i)^(?:" + pattern + ")$"), formula);
    }

    /**
     * The formula of a saying.
     *
     * @param withinTheDay true for bars shorter than a day, on which what is said of days is asked of days
     * @return empty when it is none
     */
    public static Optional<String> read(String said, boolean withinTheDay) {
        String text =
                said.strip().toLowerCase(Locale.ROOT).replace('\u2019', '\'').replaceAll("\\s+", " ");
        for (Saying each : ALL) {
            Matcher found = each.pattern().matcher(text);
            if (found.matches()) {
                String formula = each.formula().apply(found.toMatchResult());
                boolean ofDays = text.matches(".*\\b(day|days|day's|yesterday'?s|month|session|sessions)\\b.*");
                return Optional.of(withinTheDay && ofDays ? "(" + formula + ") on D" : formula);
            }
        }
        return Optional.empty();
    }

    private static String number(String said) {
        int at = NUMBERS.indexOf(said);
        return at < 0 ? said : String.valueOf(at + 1);
    }

    private static boolean isDown(String word) {
        return word.matches("down|lower|falling|red");
    }

    private static String sign(String word) {
        return word.matches("above|over") ? ">" : "<";
    }

    private static String narrowest(String bars) {
        return "range = lowest(range, " + bars + ")";
    }

    private static String amount(String number, String unit) {
        double times = unit == null ? 1 : unit.matches("k|thousand") ? 1e3 : unit.matches("m|million") ? 1e6 : 1e9;
        return dev.yardarm.core.indicator.Setting.Number.plain(Double.parseDouble(number) * times);
    }
}
