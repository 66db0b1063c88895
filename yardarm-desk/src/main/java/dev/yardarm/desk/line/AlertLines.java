package dev.yardarm.desk.line;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.alert.AlertWords;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.market.Directory;
import java.util.Comparator;
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
    private static final Pattern LINE =
            Pattern.compile("(?i)(?:alert(?:\\s+me)?|tell\\s+me)\\s+(?:(?:when|if)\\s+(?!last\\b))?(.+)");
    private static final Pattern EACH = Pattern.compile("(?i)(?:on\\s+|for\\s+)?(?:each|all)\\s+(?:of|in)\\s+(.+)");
    private static final Pattern LIST = Pattern.compile("(?:\"([^\"]+)\"|(\\S+))\\s+(.+)");
    private static final String EXAMPLE =
            "and what to wait for: closes above 104.20 on 30m for 5 days; within 5 ticks of ema(20); rsi(14) < 30; trade of 200";

    private final Directory directory;
    private final Supplier<Language> language;
    private final Supplier<List<String>> lists;

    /** @param lists names of the lists there are, which may have several words */
    AlertLines(Directory directory, Supplier<Language> language, Supplier<List<String>> lists) {
        this.directory = directory;
        this.language = language;
        this.lists = lists;
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
            return onList(text, each.group(1));
        }
        Optional<OnCode> other = OnCode.of(rest, directory);
        if (other.isPresent()) {
            return List.of(on(other.get(), text));
        }
        Proposal here = proposal(text, rest, "", new LineCommand.AlertLine(rest, "", ""));
        if (here.command() == null) {
            Optional<Proposal> there = OnCode.inAnyCase(rest, directory)
                    .map(named -> on(named, text))
                    .filter(found -> found.command() != null);
            if (there.isPresent()) {
                return List.of(there.get());
            }
        }
        return List.of(here);
    }

    private Proposal on(OnCode named, String text) {
        String code = named.instrument().code();
        return proposal(text, named.rest(), "on " + code, new LineCommand.AlertLine(named.rest(), code, ""));
    }

    /** @param rest a list, by its name as it is shown or in quotation marks, and what to wait for */
    private List<Proposal> onList(String text, String rest) {
        Optional<String> known = lists.get().stream()
                .filter(name -> rest.length() > name.length()
                        && rest.regionMatches(true, 0, name, 0, name.length())
                        && Character.isWhitespace(rest.charAt(name.length())))
                .max(Comparator.comparingInt(String::length));
        Matcher said = LIST.matcher(rest);
        if (known.isEmpty() && !said.matches()) {
            return List.of(new Proposal("alert", text, "and what to wait for on each of it", null));
        }
        String list = known.orElseGet(() -> said.group(1) == null ? said.group(2) : said.group(1));
        String sentence =
                known.map(name -> rest.substring(name.length()).strip()).orElseGet(() -> said.group(3));
        return List.of(proposal(text, sentence, "on each of " + list, new LineCommand.AlertLine(sentence, "", list)));
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
            String waits = waits(sentence);
            return new Proposal("alert", text, (where.isEmpty() ? "" : where + ": ") + waits, command);
        } catch (IllegalArgumentException bad) {
            return new Proposal("alert", text, bad.getMessage(), null);
        }
    }

    /** What a sentence waits for on days; what has a meaning within the day alone, there: on which bars it is set is seen then. */
    private String waits(String sentence) {
        try {
            return waits(sentence, Timeframe.DAY);
        } catch (IllegalArgumentException onDays) {
            try {
                return waits(sentence, Timeframe.MINUTE);
            } catch (IllegalArgumentException within) {
                throw onDays;
            }
        }
    }

    private String waits(String sentence, Timeframe timeframe) {
        AlertSentence read = AlertSentence.parse(
                sentence,
                new AlertSentence.Context(
                        language.get(), TradingCalendar.ROUND_THE_CLOCK, new BarRule.Time(timeframe), 0, Optional::of));
        AlertWords words = new AlertWords(
                dev.yardarm.core.indicator.Setting.Number::plain, name -> name, java.time.ZoneOffset.UTC);
        return words.waits(read.alert("", new InstrumentId("any", "any"), 0, Double.NaN));
    }
}
