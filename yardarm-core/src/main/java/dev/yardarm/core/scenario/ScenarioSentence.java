package dev.yardarm.core.scenario;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.session.MomentWords;
import dev.yardarm.core.session.TradingCalendar;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A scenario as a trader says it, in one sentence:
 *
 * <pre>{@code
 * "fifth wave up" 60% to 112, 118 by 14 Aug, wrong below 99
 * "flat to come" 25 % to 101 wrong above 109.5 in "correction" on tracing second count
 * }</pre>
 *
 * @param title what it is called
 * @param percent its share; NaN when the sentence says none
 * @param targets in their order; a moment belongs to the target it stands behind
 * @param invalidation what proves it wrong
 * @param parent title of the larger scenario; empty for none
 * @param tracing name of the sheet its drawings are on; empty for none
 */
public record ScenarioSentence(
        String title,
        double percent,
        List<Scenario.Target> targets,
        double invalidation,
        String parent,
        String tracing) {
    /** How one is said, for messages. */
    public static final String EXAMPLE = "scenario \"fifth wave up\" 60% to 112, 118, wrong below 99";

    private static final PriceFormat ANY = new PriceFormat(6, 1.0 / 128, PriceFormat.Style.THIRTY_SECONDS);
    private static final String PRICE = "[0-9][0-9.,'\\u2019/-]*";
    private static final Pattern QUOTED = Pattern.compile("^[\"\u201c]([^\"\u201d]+)[\"\u201d]\\s*(.*)$");
    private static final Pattern PLAIN = Pattern.compile(
            "(?i)^(.+?)\\s*(?=(?::|,)?\\s*(?:\\b(?:to|targets?|leads\\s+to|expects?|towards?)\\b|:)[\\s:]*[0-9])(.*)$");
    private static final Pattern SHARE =
            Pattern.compile("(?:^|[\\s,;:(])([0-9][0-9.]*)\\s*(?:%|per\\s*cent\\b)\\)?\\s*,?");
    private static final Pattern TRACING =
            Pattern.compile("(?i)[\\s,]+on\\s+(?:the\\s+)?tracing\\s+\"?([^\",;]+?)\"?\\s*$");
    private static final Pattern WITHIN =
            Pattern.compile("(?i)[\\s,]+(?:with)?in\\s+(?:[\"\u201c]([^\"\u201d]+)[\"\u201d]|([^\",;]+?))\\s*$");
    private static final Pattern WRONG = Pattern.compile(
            "(?i)[\\s,;]*(?:and\\s+|but\\s+)?(?:it\\s+)?(?:is\\s+)?(?:wrong|invalid(?:ated)?|void|off|fails?|stop|must\\s+hold|must\\s+not\\s+(?:lose|break))"
                    + "\\s*(?:if\\s+|when\\s+|with\\s+)?(?:it\\s+|price\\s+)?(?:goes\\s+|trades\\s+|is\\s+)?(above|over|below|under|at|<|>)?\\s*("
                    + PRICE + ")");
    private static final Pattern LEADS =
            Pattern.compile("(?i)^[\\s,:]*(?:leads\\s+)?(?:(?:to|targets?|expects?|towards?)\\b)?[\\s:]*([0-9].*)$");
    private static final Pattern TARGET =
            Pattern.compile("(?i)^(" + PRICE + "?)(?:\\s+(?:by|until|around)\\s+(.+?))?$");

    /**
     * Reads a sentence.
     *
     * @param calendar of the instrument, for days
     * @param now from which moment days are seen
     * @throws IllegalArgumentException with what is wrong and how it would be right
     */
    public static ScenarioSentence parse(String sentence, TradingCalendar calendar, long now) {
        String rest = sentence.strip().replaceFirst("(?i)^scenario\\s+", "");
        String tracing = "";
        Matcher sheet = TRACING.matcher(rest);
        if (sheet.find()) {
            tracing = sheet.group(1).strip();
            rest = rest.substring(0, sheet.start());
        }
        double percent = Double.NaN;
        Matcher quoted = QUOTED.matcher(rest);
        String title = quoted.matches() ? quoted.group(1).strip() : "";
        rest = quoted.matches() ? quoted.group(2) : rest;
        Matcher share = SHARE.matcher(rest);
        if (share.find()) {
            percent = share(share.group(1));
            rest = rest.substring(0, share.start()) + " "
                    + rest.substring(share.end()).stripLeading();
        }
        if (title.isEmpty()) {
            Matcher plain = PLAIN.matcher(rest.strip());
            if (!plain.matches()) {
                throw new IllegalArgumentException("say what it is called and where it leads, such as " + EXAMPLE);
            }
            title = plain.group(1).strip().replaceAll("[,:]+$", "");
            rest = plain.group(2);
        }
        String parent = "";
        Matcher within = WITHIN.matcher(rest);
        if (within.find() && !within.group().matches("(?i)[\\s,]+in\\s+[0-9].*")) {
            parent = (within.group(1) == null ? within.group(2) : within.group(1)).strip();
            rest = rest.substring(0, within.start());
        }
        Matcher wrong = WRONG.matcher(rest);
        if (!wrong.find()) {
            throw new IllegalArgumentException("say what proves it wrong, such as wrong below 99");
        }
        double invalidation = price(wrong.group(2));
        String side = wrong.group(1) == null ? "" : wrong.group(1).toLowerCase(java.util.Locale.ROOT);
        rest = rest.substring(0, wrong.start()) + rest.substring(wrong.end());
        List<Scenario.Target> targets = targets(rest, new MomentWords(calendar, now));
        double end = targets.get(targets.size() - 1).price();
        boolean rises = end > invalidation;
        if (side.matches("above|over|>") && rises || side.matches("below|under|<") && !rises) {
            throw new IllegalArgumentException("it leads " + (rises ? "up" : "down") + ", so what proves it wrong lies "
                    + (rises ? "below" : "above"));
        }
        return new ScenarioSentence(title, percent, targets, invalidation, parent, tracing);
    }

    private static double share(String text) {
        double percent;
        try {
            percent = Double.parseDouble(text);
        } catch (NumberFormatException bad) {
            throw new IllegalArgumentException("'" + text + "' is no share; write such as 60%", bad);
        }
        if (!(percent >= 0 && percent <= 100)) {
            throw new IllegalArgumentException("a probability is from 0 to 100 per cent, not " + text);
        }
        return percent;
    }

    private static List<Scenario.Target> targets(String text, MomentWords moments) {
        Matcher leads = LEADS.matcher(text.strip().replaceAll("[\\s,;.]+$", ""));
        if (!leads.matches()) {
            throw new IllegalArgumentException(
                    text.isBlank()
                            ? "say where it leads, such as to 112, 118"
                            : "'" + text.strip() + "' is not understood; write such as to 112, 118, wrong below 99");
        }
        List<Scenario.Target> targets = new ArrayList<>();
        for (String each : leads.group(1).split("(?i)\\s*(?:,\\s+|;|\\s+then\\s+|\\s+and\\s+|,(?=[0-9]+$))\\s*")) {
            Matcher target = TARGET.matcher(each.strip());
            if (!target.matches()) {
                throw new IllegalArgumentException("'" + each.strip() + "' is no target; write such as 112 by 14 Aug");
            }
            long at =
                    target.group(2) == null ? 0 : moments.until(target.group(2).strip());
            targets.add(new Scenario.Target(price(target.group(1)), at));
        }
        return targets;
    }

    private static double price(String text) {
        String plain = text.replaceAll("[,.]+$", "");
        try {
            return ANY.parse(plain);
        } catch (NumberFormatException bad) {
            throw new IllegalArgumentException("'" + plain + "' is no price", bad);
        }
    }

    /**
     * The scenario of it.
     *
     * @param parentId id of the larger one; empty for none
     */
    public Scenario scenario(String id, InstrumentId instrument, String parentId, long madeAt) {
        return new Scenario(id, instrument, title, tracing, parentId, invalidation, targets, madeAt);
    }
}
