package dev.yardarm.desk.line;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.market.Directory;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What is said of an instrument by its code: {@code KTRL reaches 104.20}.
 *
 * @param instrument that is named first
 * @param rest what is said of it
 */
record OnCode(Instrument instrument, String rest) {
    private static final Pattern NAMED = Pattern.compile("#?(\\S+)\\s+(.+)");

    /** The instrument a text begins with: a code in capital letters, or behind the sign of codes. */
    static Optional<OnCode> of(String text, Directory directory) {
        return inAnyCase(text, directory)
                .filter(named -> text.startsWith("#")
                        || text.startsWith(named.instrument().code()));
    }

    /** The same with codes as they are typed in haste; for what means nothing otherwise. */
    static Optional<OnCode> inAnyCase(String text, Directory directory) {
        Matcher named = NAMED.matcher(text);
        return named.matches()
                ? directory
                        .byCode(named.group(1).toUpperCase(Locale.ROOT))
                        .map(instrument -> new OnCode(instrument, named.group(2)))
                : Optional.empty();
    }
}
