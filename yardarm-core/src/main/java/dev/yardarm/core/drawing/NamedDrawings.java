package dev.yardarm.core.drawing;

import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.session.TradingCalendar;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What the drawings of an instrument are worth, by their names in any case; the first of several of one name counts. */
public final class NamedDrawings implements Surroundings.Drawings {
    private final TradingCalendar calendar;
    private final List<Drawing> drawings;
    private final Map<String, Drawing.Path> paths = new HashMap<>();

    public NamedDrawings(TradingCalendar calendar, List<Drawing> drawings) {
        this.calendar = calendar;
        this.drawings = List.copyOf(drawings);
    }

    @Override
    public double priceAt(String name, String line, long time) {
        return paths.computeIfAbsent((name + "\n" + line).toLowerCase(Locale.ROOT), missing -> drawings.stream()
                        .filter(each -> each.place().name().equalsIgnoreCase(name))
                        .findFirst()
                        .map(each -> each.path(calendar, line))
                        .orElse(moment -> Double.NaN))
                .priceAt(time);
    }
}
