package dev.yardarm.core.call;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.session.MomentWords;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A call as a trader says it, in one sentence:
 *
 * <pre>{@code
 * above 104.20 expect 107, wrong below 102.80, until Friday; below 102.80 the other reading: 99
 * closes below 98 on 4h expect 94, wrong if it closes above 99.5, for 5 days
 * }</pre>
 *
 * <p>The other reading needs neither a price that proves it wrong, which then is the trigger of the main one, nor the word expect.
 *
 * @param main what is expected
 * @param rival the other reading; null for none
 * @param bars whose closes count
 * @param until first moment at which it does not count any more
 * @param note in quotation marks at the end; empty for none
 */
public record CallSentence(Reading main, Reading rival, BarRule bars, long until, String note) {
    private static final PriceFormat ANY = new PriceFormat(6, 1.0 / 128, PriceFormat.Style.THIRTY_SECONDS);
    private static final String PRICE = "([0-9][0-9.,'\\u2019/-]*)";
    private static final String UP = "above|over|beyond|>|clears|clearing";
    private static final String DOWN = "below|under|<|loses|losing";
    private static final Pattern NOTE = Pattern.compile("^(.*?)[\\s,;]*[\"\u201c]([^\"\u201d]*)[\"\u201d][\\s.]*$");
    private static final Pattern UNTIL =
            Pattern.compile("(?i)[\\s,]*\\b(?:until|till|til|by)\\s+([^,;\"]+?)\\s*(?=$|,|;)");
    private static final Pattern FOR = Pattern.compile("(?i)[\\s,]*\\bfor\\s+(\\w+\\s*[a-z]+)\\s*(?=$|,|;)");
    private static final Pattern ON = Pattern.compile("(?i)[\\s,]+on\\s+([0-9]{0,4}[a-zA-Z]{1,2})(?=$|[\\s,;])");
    private static final Pattern TRIGGER = Pattern.compile(
            "(?i)^\\s*(?:if\\s+|once\\s+|when\\s+)?(?:(?:price|it|a\\s+bar)\\s+)?(clos(?:es?|ing)\\s+)?(?:(?:goes|trades|is|breaks|moves|gets|falls|drops|rises|climbs|holds|stays)\\s+)?("
                    + UP + "|" + DOWN + ")\\s*" + PRICE + "(.*)$");
    private static final Pattern WRONG = Pattern.compile(
            "(?i)[\\s,]*(?:and\\s+)?(?:it\\s+)?(?:is\\s+)?(?:wrong|invalid|fails?|void|off|it\\s+must\\s+not\\s+(?:go|lose|trade)|must\\s+not\\s+(?:go|lose|trade))\\s*(?:if\\s+|when\\s+|with\\s+)?(?:it\\s+)?(?:a\\s+)?(clos(?:es?|e|ing)\\s+)?(?:goes\\s+|trades\\s+)?(?:"
                    + UP + "|" + DOWN + "|at)?\\s*" + PRICE);
    private static final Pattern EXPECT = Pattern.compile(
            "(?i)[\\s,:]*(?:the\\s+other\\s+reading\\s*:?\\s*)?(?:i\\s+)?(?:expects?|expected|targets?|towards?|to|then)?[\\s:]*"
                    + PRICE + "[\\s,.]*");

    /**
     * Reads a sentence.
     *
     * @param calendar of the instrument, for days
     * @param usual the bars when the sentence says nothing of them
     * @param now from which moment days are seen
     * @throws IllegalArgumentException with what is wrong and how it would be right
     */
    public static CallSentence parse(String sentence, TradingCalendar calendar, BarRule usual, long now) {
        return new Reader(sentence, new MomentWords(calendar, now), usual).read();
    }

    /** The call of it. */
    public Call call(String id, InstrumentId instrument, long setAt) {
        return new Call(id, instrument, main, rival, bars, until, note, "", setAt);
    }

    private static final class Reader {
        private final MomentWords moments;
        private String rest;
        private BarRule bars;
        private long until = Long.MAX_VALUE;
        private String note = "";

        Reader(String sentence, MomentWords moments, BarRule usual) {
            this.rest = sentence.strip().replaceFirst("(?i)^call\\s+", "");
            this.moments = moments;
            this.bars = usual;
        }

        CallSentence read() {
            if (rest.isBlank()) {
                throw new IllegalArgumentException(
                        "say what you expect, such as above 104.20 expect 107, wrong below 102.80, until Friday");
            }
            Matcher noted = NOTE.matcher(rest);
            if (noted.matches()) {
                note = noted.group(2).strip();
                rest = noted.group(1);
            }
            cut(UNTIL, text -> until = moments.until(text));
            cut(FOR, text -> until = moments.after(text));
            cut(ON, this::on);
            String[] parts = rest.split(";", -1);
            if (parts.length > 2 && !parts[2].isBlank()) {
                throw new IllegalArgumentException("a call has one other reading, not " + (parts.length - 1));
            }
            Reading main = reading(parts[0], null);
            Reading rival = parts.length < 2 || parts[1].isBlank() ? null : reading(parts[1], main);
            return new CallSentence(main, rival, bars, until, note);
        }

        private void cut(Pattern pattern, java.util.function.Consumer<String> found) {
            Matcher there = pattern.matcher(rest);
            if (there.find()) {
                found.accept(there.group(1));
                rest = rest.substring(0, there.start()) + rest.substring(there.end());
            }
        }

        private void on(String word) {
            bars = new BarRule.Time(Timeframe.parse(word)
                    .orElseThrow(() -> new IllegalArgumentException(
                            "'" + word + "' is not a timeframe; write one such as 30m, 4h or D")));
        }

        /** @param other the main reading while the rival one is read */
        private Reading reading(String text, Reading other) {
            Matcher trigger = TRIGGER.matcher(text.strip());
            if (!trigger.matches()) {
                throw new IllegalArgumentException("'" + text.strip()
                        + "' does not begin with its trigger; write above 104.20 " + "or below 102.80 first");
            }
            boolean rising = trigger.group(2).matches("(?i)" + UP);
            double level = price(trigger.group(3));
            String left = trigger.group(4);
            Optional<Double> wrong = Optional.empty();
            boolean wrongAtClose = false;
            Matcher invalid = WRONG.matcher(left);
            if (invalid.find()) {
                wrong = Optional.of(price(invalid.group(2)));
                wrongAtClose = invalid.group(1) != null;
                left = left.substring(0, invalid.start()) + left.substring(invalid.end());
            }
            Matcher expected = EXPECT.matcher(left);
            if (!expected.matches()) {
                throw new IllegalArgumentException(
                        left.isBlank()
                                ? "say what you expect " + (rising ? "above " : "below ") + trigger.group(3)
                                        + ", such as expect 107"
                                : "'" + left.strip()
                                        + "' is not understood; write such as expect 107, wrong below 102.80");
            }
            double target = price(expected.group(1));
            double against = wrong.orElse(other == null ? Double.NaN : other.trigger());
            if (Double.isNaN(against)) {
                throw new IllegalArgumentException(
                        "say what proves it wrong, such as wrong " + (rising ? "below 102.80" : "above 105.40"));
            }
            if (rising != target > level) {
                throw new IllegalArgumentException((rising ? "above " : "below ")
                        + trigger.group(3) + " lies no " + expected.group(1)
                        + "; what is expected is further on than the trigger");
            }
            return new Reading(level, target, against, trigger.group(1) != null, wrongAtClose);
        }

        private static double price(String text) {
            String plain = text.replaceAll("[,.]+$", "");
            try {
                return ANY.parse(plain);
            } catch (NumberFormatException bad) {
                throw new IllegalArgumentException("'" + plain + "' is no price", bad);
            }
        }
    }
}
