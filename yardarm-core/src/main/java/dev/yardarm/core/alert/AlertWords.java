package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Times;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Says an alert in words, as {@link AlertSentence} reads them.
 *
 * @param prices how prices are written
 * @param drawings the name of a drawing by its id
 * @param zone of days and hours
 */
public record AlertWords(DoubleFunction<String> prices, Function<String, String> drawings, ZoneId zone) {
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

    /** The whole line: waits, bars, terms, note. */
    public String line(Alert alert) {
        StringBuilder line = new StringBuilder(condition(alert));
        String terms = terms(alert.terms());
        if (!terms.isEmpty()) {
            line.append(' ').append(terms);
        }
        if (!alert.acts().sound().isEmpty()) {
            line.append(
                    Acts.SILENT.equals(alert.acts().sound())
                            ? " silently"
                            : " sound " + alert.acts().sound());
        }
        if (alert.acts().system()) {
            line.append(" tell the system");
        }
        if (alert.acts().chart()) {
            line.append(" open the chart");
        }
        if (!alert.acts().stance().isEmpty()) {
            line.append(" stance ").append(alert.acts().stance());
        }
        if (!alert.acts().tag().isEmpty()) {
            line.append(" tag \"").append(alert.acts().tag()).append('"');
        }
        if (alert.acts().file()) {
            line.append(" write to file");
        }
        if (!alert.note().isEmpty()) {
            line.append(" \"").append(alert.note()).append('"');
        }
        return line.toString();
    }

    /**
     * What counts, from which side, and until when, in sentences for whoever has just set it; empty where the line says it all.
     *
     * @param last price when it was set; NaN when it is not known
     */
    public String receipt(Alert alert, double last) {
        Wait first = alert.first();
        List<String> said = new ArrayList<>();
        // What would surprise comes first: a line is cut at its end.
        if (first.on() instanceof Awaited.Price at && Double.isFinite(last)) {
            said.add(stands(first, at.price(), last));
        }
        long left = alert.terms().until() - alert.setAt();
        if (left < Times.DAY) {
            said.add("It ends in " + (left < 2 * Times.HOUR ? left / Times.MINUTE + " min" : left / Times.HOUR + " h")
                    + ".");
        }
        String bars = "bar of " + bars(alert.bars());
        switch (first.trigger()) {
            case REACHES, GOES_THROUGH, COMES_WITHIN, TURNS_BACK -> said.add("Each trade counts, not only closes.");
            case CLOSES_BEYOND, OVERSHOOTS -> said.add("The close of a " + bars + " counts.");
            case HOLDS -> said.add("It is looked at with the close of each " + bars + ".");
            default -> {}
        }
        said.removeIf(String::isEmpty);
        return String.join(" ", said);
    }

    /** Where price stands, and that it stands beyond already. */
    private String stands(Wait wait, double level, double last) {
        int way = wait.way() != 0 ? wait.way() : last < level ? 1 : -1;
        boolean beyond = way * (last - level) > 0;
        String price = prices.apply(last);
        if (!beyond) {
            return "Price stands "
                    + (last == level
                            ? "just there."
                            : (last < level ? "below it, at " : "above it, at ") + price + ".");
        }
        String side = way > 0 ? "above" : "below";
        String back = way > 0 ? "below" : "above";
        String already = "Price stands " + side + " it already, at " + price + ": this waits ";
        return switch (wait.trigger()) {
            case REACHES, GOES_THROUGH ->
                already + "until it has been " + back + ". For the way back say "
                        + (way > 0 ? "falls below " : "rises above ") + prices.apply(level) + ".";
            case CLOSES_BEYOND ->
                already + "for a close " + back + " first. For that close say closes " + back + " "
                        + prices.apply(level) + ".";
            default -> "";
        };
    }

    /** What it waits for, and on which bars where that matters. */
    public String condition(Alert alert) {
        boolean onBars = alert.readsBars()
                || alert.waits().size() > 1
                || alert.terms().repeat() == Terms.Repeat.ONCE_A_BAR
                || alert.waits().stream()
                        .anyMatch(wait -> wait.trigger().isAtClose() || wait.trigger() == Alert.Trigger.ABOUT_TO_CLOSE);
        // Where bars are named, to go beyond is a close on them: a trade is said to be one.
        return onBars
                ? waits(alert).replaceAll("\\bgoes (through|above|below)\\b", "trades $1") + " on " + bars(alert.bars())
                : waits(alert);
    }

    /** What it waits for. */
    public String waits(Alert alert) {
        String all = alert.waits().stream().map(this::words).collect(Collectors.joining(" then "));
        return alert.waits().size() > 1 ? "first " + all : all;
    }

    private static String bars(BarRule rule) {
        return rule instanceof BarRule.Time time ? time.timeframe().toString() : rule.toString();
    }

    /** How often and when; empty for once and at any time. */
    public String terms(Terms terms) {
        StringBuilder words = new StringBuilder();
        if (terms.repeat() != Terms.Repeat.ONCE) {
            words.append(terms.repeat().words()).append(' ');
        }
        if (terms.hours() != null) {
            words.append(terms.hours().words()).append(' ');
        }
        if (terms.from() != Long.MIN_VALUE) {
            words.append("from ").append(moment(terms.from())).append(' ');
        }
        if (terms.until() != Long.MAX_VALUE) {
            words.append("until ").append(moment(terms.until()));
        }
        return words.toString().strip();
    }

    private String moment(long time) {
        return MOMENT.format(Times.at(time, zone));
    }

    private String words(Wait wait) {
        String on = on(wait.on());
        String margin = wait.margin().words();
        String by = wait.margin().isNone() ? "" : " by " + margin;
        String side = wait.way() > 0 ? "above" : wait.way() < 0 ? "below" : "beyond";
        String words =
                switch (wait.trigger()) {
                    case COMES_WITHIN -> "comes within " + margin + " of " + on;
                    case REACHES -> (wait.way() > 0 ? "rises to " : wait.way() < 0 ? "falls to " : "reaches ") + on;
                    case GOES_THROUGH -> "goes " + (wait.way() == 0 ? "through" : side) + " " + on + by;
                    case CLOSES_BEYOND -> "closes " + side + " " + on + by;
                    case OVERSHOOTS -> "overshoots " + (wait.way() == 0 ? "" : side + " ") + on + by;
                    case TURNS_BACK -> "turns back at " + on + by;
                    case ABOUT_TO_CLOSE ->
                        "about to close " + side + " " + on + by + " " + wait.early() / Times.MINUTE
                                + " min before the close";
                    case COMES_UP -> span(wait.early()) + " before " + on;
                    case FOUND -> "scan " + on + " finds something new";
                    case HOLDS -> on;
                    case HOLDS_NOW -> on + " on every trade";
                    case TRADED -> on;
                };
        return wait.within() == 0
                ? words
                : words + " within " + wait.within() + (wait.within() == 1 ? " bar" : " bars");
    }

    private static String span(long micros) {
        if (micros % Times.DAY == 0) {
            return micros == Times.DAY ? "1 day" : micros / Times.DAY + " days";
        }
        return micros % Times.HOUR == 0 ? micros / Times.HOUR + " h" : micros / Times.MINUTE + " min";
    }

    private String on(Awaited on) {
        if (on instanceof Awaited.Price at) {
            return prices.apply(at.price());
        }
        if (on instanceof Awaited.Drawn drawn) {
            return "\"" + drawings.apply(drawn.id()) + "\"" + (drawn.line().isEmpty() ? "" : " " + drawn.line());
        }
        if (on instanceof Awaited.Value value) {
            return value.text();
        }
        if (on instanceof Awaited.Condition condition) {
            return condition.text();
        }
        if (on instanceof Awaited.Due due) {
            return due.isOfSession()
                    ? due.words()
                    : due.words().equals(Awaited.Due.ANY) ? "any entry" : '"' + due.words() + '"';
        }
        if (on instanceof Awaited.Member member) {
            return '"' + member.scan() + '"';
        }
        Awaited.Traded traded = (Awaited.Traded) on;
        return traded.together() == WaitReader.TOGETHER
                ? traded.words()
                : traded.words() + " together " + traded.together() / 1000 + " ms";
    }

    /**
     * A note with its values filled in.
     *
     * @param code of the instrument
     * @param price at which it fired
     * @param level it was about; NaN for none
     */
    public String note(String note, String code, double price, double level) {
        return note.replace("{code}", code)
                .replace("{price}", prices.apply(price))
                .replace("{level}", Double.isNaN(level) ? "" : prices.apply(level))
                .replace(
                        "{away}",
                        Double.isNaN(level)
                                ? ""
                                : Setting.Number.plain(Math.rint((price / level - 1) * 1e4) / 1e2) + " %");
    }
}
