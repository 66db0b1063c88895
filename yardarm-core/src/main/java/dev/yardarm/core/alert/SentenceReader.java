package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.plain.Sayings;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.MomentWords;
import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads an {@link AlertSentence}. The terms are taken off from the end of the line, one after the other, for a formula before them may hold
 * any word; what is left are the waits.
 */
final class SentenceReader {
    private static final String TIME = "(\\d{1,2}:\\d{2})";
    private static final Pattern NOTE = end("[\"\u201c]([^\"\u201c\u201d]*)[\"\u201d]");
    /** Words behind which something in quotation marks is a drawing and no note. */
    private static final Pattern AWAITS_NAME = Pattern.compile(
            "(?i)(^|.*\\s)(above|below|beyond|through|over|under|reaches|reach|to|of|at|from|near|overshoots|overshoot|hits|touches|crosses|cross|breaks|break|drawing|sound|tag|and|before)$");

    private static final Pattern FOR = end("for\\s+(\\w+\\s*[a-z]+)");
    private static final Pattern BARS_LONG = Pattern.compile("(?i)(\\d{1,4})\\s*bars?");
    private static final Pattern UNTIL = end("(?:until|till|til|good until)\\s+([^\"]+?)");
    private static final Pattern TODAY = end("(today|this\\s+session|this\\s+week|this\\s+month)");
    private static final Pattern SINCE = end("(?:from|starting|after)\\s+([^\"]+?)");
    private static final Pattern BETWEEN =
            end("(?:only\\s+)?(?:between|from)\\s+" + TIME + "\\s*(?:and|to|-|\u2013)\\s*" + TIME);
    private static final Pattern HOURS = end("(?:only\\s+)?(?:in\\s+)?" + TIME + "\\s*[-\u2013]\\s*" + TIME);
    private static final Pattern EACH_TIME = end("(?:each|every)\\s+time");
    private static final Pattern EACH_BAR = end("(?:once\\s+(?:a|per|each|every)\\s+bar|(?:each|every)\\s+bar)");
    private static final Pattern ONCE = end("(?:only\\s+)?once");
    private static final Pattern FORMING =
            end("(?:on\\s+(?:each|every)\\s+trade|as\\s+it\\s+forms|while\\s+it\\s+forms)");
    private static final Pattern ON =
            end("(?:on|in)\\s+(?:bars\\s+of\\s+)?([\\w:.%@-]+(?:\\s+[\\d.%x]+)?)(?:\\s+bars?)?");
    private static final Pattern NAMED_BARS =
            end("(?:on\\s+)?(?:an?\\s+|the\\s+)?(hourly|daily|weekly|monthly)(?:\\s+(?:bars?|chart|basis|close))?");
    /** {@code a daily close above 110}: the bars stand before how price meets it. */
    private static final Pattern DAILY_CLOSE =
            Pattern.compile("(?i)^(?:an?\\s+|the\\s+)?(hourly|daily|weekly|monthly)\\s+(clos(?:e|es|ing)\\s.+)$");

    private static final Pattern RETEST =
            Pattern.compile("(?i)^(?:an?\\s+|the\\s+)?(?:retests?|back\\s*tests?)\\s+(?:of\\s+)?(.+)$");
    private static final Pattern SOUND = end("(?:with\\s+)?sound\\s+([\\w-]+)");
    private static final Pattern SILENT = end("(?:silently|silent|without\\s+sound|no\\s+sound)");
    private static final Pattern SYSTEM = end("(?:and\\s+)?(?:tell|notify)\\s+(?:the\\s+)?system");
    private static final Pattern CHART = end("(?:and\\s+)?(?:open|show|bring\\s+up)\\s+(?:the\\s+)?chart");
    private static final Pattern STANCE = end("(?:and\\s+)?stance\\s+(long|short|wait|skip)");
    private static final Pattern TAG = end("(?:and\\s+)?tag\\s+(?:\"([^\"]+)\"|([\\w-]+))");
    private static final Pattern LINE =
            end("(?:and\\s+)?(?:write|log)(?:\\s+(?:it|a\\s+line))?(?:\\s+to\\s+(?:the\\s+)?file)?");

    private final String line;
    private final AlertSentence.Context context;
    private final MomentWords moments;
    private String rest;
    private BarRule bars;
    private Terms.Repeat repeat = Terms.Repeat.ONCE;
    private long from = Long.MIN_VALUE;
    private long until = Long.MAX_VALUE;
    private Terms.Hours hours;
    private String note = "";
    private Acts acts = Acts.NONE;
    private boolean forming;
    private int untilBars;

    SentenceReader(String line, AlertSentence.Context context) {
        this.line = line;
        this.context = context;
        this.moments = new MomentWords(context.calendar(), context.now());
    }

    private static Pattern end(String what) {
        return Pattern.compile("(?i)^(.*?)(?:^|[\\s,;]+)" + what + "[\\s,;.]*$", Pattern.DOTALL);
    }

    AlertSentence read() {
        // 'when last' begins a formula.
        rest = line.strip().replaceFirst("(?i)^(?:(?:alert|tell)\\s+)?(?:me\\s+)?(?:(?:when|if)\\s+(?!last\\b))?", "");
        if (rest.isBlank()) {
            throw new IllegalArgumentException(
                    "say what to wait for, such as closes above 104.20 on 30m for 5 days, or rsi(14) < 30");
        }
        Matcher close = DAILY_CLOSE.matcher(rest);
        if (close.matches()) {
            bars = named(close.group(1));
            rest = close.group(2);
        }
        terms();
        if (rest.isBlank()) {
            throw new IllegalArgumentException("say what to wait for before '" + line.strip()
                    + "', such as reaches 104.20, closes above 104.20 or rsi(14) < 30");
        }
        List<Wait> waits = new ArrayList<>();
        String whole = retest(rest);
        boolean saying = Sayings.read(whole, false).isPresent();
        String[] parts = saying
                ? new String[] {whole}
                : whole.replaceFirst("(?i)^first\\s+", "").split("(?i)[\\s,;]+then\\s+");
        for (int at = 0; at < parts.length; at++) {
            String part = at + 1 < parts.length ? ofBars(parts[at].strip()) : parts[at].strip();
            waits.add(new WaitReader(part, at, forming, bars == null ? context.bars() : bars, bars != null, context)
                    .read());
        }
        if (bars == null) {
            bars = context.bars();
        }
        if (untilBars > 0) {
            until = afterBars(untilBars);
        }
        return new AlertSentence(List.copyOf(waits), bars, new Terms(repeat, from, until, hours), note, acts);
    }

    /** A retest is the way back to a price that was broken. */
    private static String retest(String said) {
        Matcher found = RETEST.matcher(said);
        return found.matches() ? "first goes through " + found.group(1) + " then reaches " + found.group(1) : said;
    }

    /** Takes the terms off the end, until what is there is none. */
    private void terms() {
        while (takeNote() || takeAct() || takeRepeat() || takeHours() || takeMoments() || takeBars()) {}
    }

    private Optional<Matcher> take(Pattern pattern) {
        Matcher found = pattern.matcher(rest);
        return found.matches() ? Optional.of(found) : Optional.empty();
    }

    private boolean cut(Matcher found) {
        rest = found.group(1);
        return true;
    }

    private boolean takeNote() {
        Matcher found = take(NOTE).orElse(null);
        if (found == null
                || !note.isEmpty()
                || AWAITS_NAME.matcher(found.group(1).strip()).matches()
                || found.group(1).isBlank()) {
            return false;
        }
        note = found.group(2).strip();
        return cut(found);
    }

    private boolean takeAct() {
        Matcher found;
        if ((found = take(SOUND).orElse(null)) != null) {
            acts = acts.withSound(found.group(2).toLowerCase(Locale.ROOT));
        } else if ((found = take(SILENT).orElse(null)) != null) {
            acts = acts.withSound(Acts.SILENT);
        } else if ((found = take(SYSTEM).orElse(null)) != null) {
            acts = acts.withSystem(true);
        } else if ((found = take(CHART).orElse(null)) != null) {
            acts = acts.withChart(true);
        } else if ((found = take(STANCE).orElse(null)) != null) {
            acts = acts.withStance(found.group(2).toLowerCase(Locale.ROOT));
        } else if ((found = take(TAG).orElse(null)) != null) {
            acts = acts.withTag(found.group(2) == null ? found.group(3) : found.group(2));
        } else if ((found = take(LINE).orElse(null)) != null && !found.group(1).isBlank()) {
            acts = acts.withFile(true);
        } else {
            return false;
        }
        return cut(found);
    }

    private boolean takeRepeat() {
        Matcher found;
        if ((found = take(EACH_TIME).orElse(null)) != null) {
            repeat = Terms.Repeat.EACH_TIME;
        } else if ((found = take(EACH_BAR).orElse(null)) != null) {
            repeat = Terms.Repeat.ONCE_A_BAR;
        } else if ((found = take(ONCE).orElse(null)) != null) {
            repeat = Terms.Repeat.ONCE;
        } else if ((found = take(FORMING).orElse(null)) != null) {
            forming = true;
        } else {
            return false;
        }
        return cut(found);
    }

    private boolean takeHours() {
        Matcher found = take(BETWEEN).or(() -> take(HOURS)).orElse(null);
        if (found == null) {
            return false;
        }
        hours = new Terms.Hours(time(found.group(2)), time(found.group(3)));
        return cut(found);
    }

    private static LocalTime time(String text) {
        try {
            return LocalTime.parse(text.length() == 4 ? "0" + text : text);
        } catch (DateTimeException bad) {
            throw new IllegalArgumentException("'" + text + "' is no time of day");
        }
    }

    private boolean takeMoments() {
        Matcher found = take(FOR).orElse(null);
        if (found != null) {
            Matcher counted = BARS_LONG.matcher(found.group(2).strip());
            if (counted.matches()) {
                untilBars = Integer.parseInt(counted.group(1));
            } else {
                until = moments.after(found.group(2));
            }
            return cut(found);
        }
        found = take(UNTIL).orElse(null);
        if (found != null) {
            until = moments.until(found.group(2));
            return cut(found);
        }
        found = take(TODAY).orElse(null);
        if (found != null && !found.group(1).strip().matches("(?i).*\\bof")) {
            until = moments.until(found.group(2));
            return cut(found);
        }
        found = take(SINCE).orElse(null);
        if (found != null && moments.isMoment(found.group(2))) {
            from = moments.from(found.group(2));
            return cut(found);
        }
        return false;
    }

    private static BarRule named(String word) {
        return new BarRule.Time(
                switch (word.toLowerCase(Locale.ROOT)) {
                    case "hourly" -> Timeframe.HOUR;
                    case "daily" -> Timeframe.DAY;
                    case "weekly" -> Timeframe.WEEK;
                    default -> Timeframe.MONTH;
                });
    }

    private boolean takeBars() {
        Matcher named = bars == null ? take(NAMED_BARS).orElse(null) : null;
        if (named != null && !named.group(1).isBlank()) {
            bars = named(named.group(2));
            return cut(named);
        }
        Matcher found = bars == null ? take(ON).orElse(null) : null;
        BarRule rule = found == null ? null : rule(found.group(2));
        if (rule == null || found.group(1).isBlank()) {
            return false;
        }
        bars = rule;
        return cut(found);
    }

    /** Takes the bars off the end of a part before the last; all look at the same. */
    private String ofBars(String part) {
        Matcher found = ON.matcher(part);
        BarRule rule = found.matches() && !found.group(1).isBlank() ? rule(found.group(2)) : null;
        if (rule == null) {
            return part;
        }
        if (bars != null && !bars.equals(rule)) {
            throw new IllegalArgumentException(
                    "an alert looks at one kind of bars, not at " + rule.words() + " and " + bars.words());
        }
        bars = rule;
        return found.group(1).strip();
    }

    private static BarRule rule(String words) {
        Optional<Timeframe> timeframe = Timeframe.parse(words);
        if (timeframe.isPresent()) {
            return new BarRule.Time(timeframe.get());
        }
        try {
            return words.matches("(?i)[a-z].*") ? BarRule.parse(words.replaceFirst("\\s+", ":")) : null;
        } catch (IllegalArgumentException none) {
            return null;
        }
    }

    /** The close of the bar so many bars behind the running one; bars that end by trades have no time known before. */
    private long afterBars(int count) {
        if (!(bars instanceof BarRule.Time time)) {
            throw new IllegalArgumentException("how long " + count + " bars of " + bars.words()
                    + " take is not known; write a span of time, such as for 5 days");
        }
        BarGrid grid = new BarGrid(context.calendar(), time.timeframe());
        BarGrid.Slot slot = grid.slotAt(context.now());
        int left = slot.closeTime() > context.now() ? count - 1 : count;
        for (; left > 0; left--) {
            slot = grid.next(slot);
        }
        return Math.max(slot.closeTime(), context.now() + Times.MINUTE);
    }
}
