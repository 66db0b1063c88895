package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Language;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * Values and conditions as people say them, written as formulas:
 *
 * <pre>{@code
 * PlainTerms.value("20 day moving average", language, false);              // sma(close, 20)
 * PlainTerms.value("yesterday's high", language, true);                    // high on D
 * PlainTerms.condition("volume is twice its 20-bar average", language, false);
 * }</pre>
 *
 * <p>Nothing is guessed: what is not understood to its last word is not read at all, and a figure that is missing is asked for.
 */
public final class PlainTerms {
    private PlainTerms() {}

    /**
     * The level a text means, as a formula whose value at the last bar that closed it is: yesterday's high, seen on days, is the high of that
     * bar.
     *
     * @param withinTheDay true for bars shorter than a day
     * @return empty when it is not understood
     * @throws IllegalArgumentException with what to say besides when a figure is missing
     */
    public static Optional<String> value(String said, Language language, boolean withinTheDay) {
        return read(said, language, new Values.Seen(true, withinTheDay), Phrases::value);
    }

    /**
     * The condition a text means, as a formula: yesterday's high, seen on days, is that of the bar before the one it is true at.
     *
     * @param withinTheDay true for bars shorter than a day
     * @return empty when it is not understood
     * @throws IllegalArgumentException with what to say besides when a figure is missing
     */
    public static Optional<String> condition(String said, Language language, boolean withinTheDay) {
        Optional<String> saying = Sayings.read(said, withinTheDay);
        if (saying.isPresent()) {
            return saying;
        }
        return read(said, language, new Values.Seen(false, withinTheDay), Phrases::condition);
    }

    private static Optional<String> read(
            String said, Language language, Values.Seen seen, Function<Phrases, String> reader) {
        Words words = new Words(said);
        Draft draft = new Draft("");
        List<String> asked = new ArrayList<>();
        String made = reader.apply(new Phrases(words, draft, language, asked, seen));
        if (made == null || !words.atEnd()) {
            return Optional.empty();
        }
        if (!asked.isEmpty()) {
            throw new IllegalArgumentException(asked.get(0));
        }
        return Optional.of(inOneLine(made, draft));
    }

    /** What was given a name on the way stands in its place; a later name may hold an earlier one. */
    private static String inOneLine(String made, Draft draft) {
        List<String> names = draft.lets();
        String line = made;
        for (int at = names.size() - 1; at >= 0; at--) {
            String value = draft.value(names.get(at));
            boolean whole = value.matches("[\\w.]+(\\([^()]*\\))?");
            line = line.replaceAll("\\b" + names.get(at) + "\\b(?!\\()", whole ? value : "(" + value + ")");
        }
        return line;
    }
}
