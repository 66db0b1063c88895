package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.series.Times;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Words in which values stand that stay current. */
final class Wording {
    private static final Pattern BRACES = Pattern.compile("\\{([^{}]+)}");

    private Wording() {}

    /**
     * The text with what stands in braces filled in: {@code {close}}, the {@code {price}} and {@code {date}} of the point,
     * {@code {line}} for what the line it is grouped with is worth at the newest bar, and the name of any other drawing for
     * what that is worth; anything else in braces stays as it is.
     */
    static String of(Pen pen, String text) {
        return BRACES.matcher(text)
                .replaceAll(found -> Matcher.quoteReplacement(
                        value(pen, found.group(1).strip()).orElse(found.group())));
    }

    private static Optional<String> value(Pen pen, String word) {
        return switch (word) {
            case "close" ->
                Optional.of(
                        pen.bars().isEmpty()
                                ? "–"
                                : pen.price(pen.plane()
                                        .v(pen.bars().close(pen.bars().size() - 1))));
            case "price" -> Optional.of(pen.price(pen.at(0).v()));
            case "date" ->
                Optional.of(Times.date(pen.drawing().anchors().get(0).time(), ZoneOffset.UTC)
                        .toString());
            default -> pen.worth(word);
        };
    }
}
