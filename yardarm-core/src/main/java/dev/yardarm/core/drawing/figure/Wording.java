package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.series.Times;
import java.time.ZoneOffset;

/** Words in which values stand that stay current. */
final class Wording {
    private Wording() {
    }

    /** The text with {@code {close}}, {@code {price}} and {@code {date}} filled in; unknown braces stay as they are. */
    static String of(Pen pen, String text) {
        if (!text.contains("{")) {
            return text;
        }
        String close = pen.bars().isEmpty() ? "–" : pen.price(pen.plane().v(pen.bars().close(pen.bars().size() - 1)));
        return text.replace("{close}", close).replace("{price}", pen.price(pen.at(0).v())).replace("{date}",
                Times.date(pen.drawing().anchors().get(0).time(), ZoneOffset.UTC).toString());
    }
}
