package dev.yardarm.desk.line;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.alert.AlertWords;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.market.Directory;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Lines that set an alert: {@code alert closes above 104.20 on 30m for 5 days "retest"}, also for another instrument than the one in hand,
 * {@code alert KTRL reaches 104.20}, and for each of a list, {@code alert each of Swing rsi(14) < 30}. {@code alert} alone and
 * {@code alert close} are about the chosen drawing.
 */
final class AlertLines {
    private static final Pattern LINE = Pattern.compile("(?i)(?:alert|tell me when|tell me if)\\s+(.+)");
    private static final Pattern EACH =
            Pattern.compile("(?i)(?:on\\s+|for\\s+)?(?:each|all)\\s+(?:of|in)\\s+(?:\"([^\"]+)\"|(\\S+))\\s+(.+)");
    private static final Pattern OTHER = Pattern.compile("#?(\\S+)\\s+(.+)");
    private static final String EXAMPLE =
            "and what to wait for: closes above 104.20 on 30m for 5 days; within 5 ticks of ema(20); rsi(14) < 30; trade of 200";

    private final Directory directory;
    private final Supplier<Language> language;

    AlertLines(Directory directory, Supplier<Language> language) {
        this.directory = directory;
        this.language = language;
    }

    /** What the line means; nothing when it is not about alerts. */
    List<Proposal> read(String text) {
        if (text.equalsIgnoreCase("alert")) {
            return List.of(onDrawing(false), onDrawing(true), new Proposal("alert", "alert ", EXAMPLE, null));
        }
        Matcher line = LINE.matcher(text);
        if (!line.matches()) {
            return List.of();
        }
        String rest = line.group(1).strip();
        if ("close".startsWith(rest.toLowerCase(java.util.Locale.ROOT))) {
            return List.of(onDrawing(true), onDrawing(false));
        }
        Matcher each = EACH.matcher(rest);
        if (each.matches()) {
            String list = each.group(1) == null ? each.group(2) : each.group(1);
            return List.of(proposal(
                    text, each.group(3), "on each of " + list, new LineCommand.AlertLine(each.group(3), "", list)));
        }
        Matcher other = OTHER.matcher(rest);
        if (other.matches()) {
            Optional<Instrument> named = directory.byCode(other.group(1).toUpperCase(java.util.Locale.ROOT));
            boolean isCode =
                    rest.startsWith("#") || other.group(1).equals(other.group(1).toUpperCase(java.util.Locale.ROOT));
            if (named.isPresent() && isCode) {
                return List.of(proposal(
                        text,
                        other.group(2),
                        "on " + named.get().code(),
                        new LineCommand.AlertLine(other.group(2), named.get().code(), "")));
            }
        }
        return List.of(proposal(text, rest, "", new LineCommand.AlertLine(rest, "", "")));
    }

    private static Proposal onDrawing(boolean close) {
        return close
                ? new Proposal(
                        "alert",
                        "alert close",
                        "when a bar closes beyond the selected drawing",
                        new LineCommand.SetAlert(Alert.Trigger.CLOSES_BEYOND))
                : new Proposal(
                        "alert",
                        "alert",
                        "when price reaches the selected drawing",
                        new LineCommand.SetAlert(Alert.Trigger.REACHES));
    }

    /** Reads it as far as it can be read without knowing the instrument: names of drawings and days are looked at when it is set. */
    private Proposal proposal(String text, String sentence, String where, LineCommand command) {
        try {
            AlertSentence read = AlertSentence.parse(
                    sentence,
                    new AlertSentence.Context(
                            language.get(),
                            TradingCalendar.ROUND_THE_CLOCK,
                            new BarRule.Time(Timeframe.DAY),
                            0,
                            Optional::of));
            AlertWords words = new AlertWords(
                    dev.yardarm.core.indicator.Setting.Number::plain, name -> name, java.time.ZoneOffset.UTC);
            String waits = words.waits(read.alert("", new InstrumentId("any", "any"), 0, Double.NaN));
            return new Proposal("alert", text, (where.isEmpty() ? "" : where + ": ") + waits, command);
        } catch (IllegalArgumentException bad) {
            return new Proposal("alert", text, bad.getMessage(), null);
        }
    }
}
