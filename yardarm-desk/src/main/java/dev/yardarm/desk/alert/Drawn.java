package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import java.util.List;
import java.util.function.Function;

/**
 * The drawings an alert waits on or whose names its formulas read, as they are kept.
 *
 * @param drawings in prices of their days
 */
record Drawn(List<Drawing> drawings) {
    static final Drawn NOTHING = new Drawn(List.of());

    Drawn {
        drawings = List.copyOf(drawings);
    }

    /**
     * Of the drawings of an instrument those that concern an alert.
     *
     * @param all true when its formulas read drawings by name
     */
    static Drawn of(Alert alert, List<Drawing> kept, boolean all) {
        return new Drawn(
                all ? kept : kept.stream().filter(each -> alert.isOn(each.id())).toList());
    }

    /** True when something the alert waits on is not there. */
    boolean misses(Alert alert) {
        return alert.waits().stream()
                .anyMatch(wait -> wait.on() instanceof Awaited.Drawn on
                        && drawings.stream().noneMatch(each -> each.id().equals(on.id())));
    }

    /** Their lines over time, in the prices of a basis. */
    Function<Awaited.Drawn, Drawing.Path> lines(PriceBasis basis, TradingCalendar calendar) {
        return on -> drawings.stream()
                .filter(each -> each.id().equals(on.id()))
                .findFirst()
                .map(each -> basis.shown(each).path(calendar, on.line()))
                .orElse(null);
    }
}
