package dev.yardarm.core.drawing;

import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.session.TradingCalendar;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What the drawings of an instrument are worth, by their names in any case; the first of several of one name counts. A drawing
 * has no worth before it was made. Used by one thread at a time.
 */
public final class NamedDrawings implements Surroundings.Drawings {
    private static final Named NOTHING = new Named(moment -> Double.NaN, 0);

    private final TradingCalendar calendar;
    private final List<Drawing> drawings;
    private final Map<String, Named> lines = new HashMap<>();

    private record Named(Drawing.Path path, long madeAt) {}

    public NamedDrawings(TradingCalendar calendar, List<Drawing> drawings) {
        this.calendar = calendar;
        this.drawings = List.copyOf(drawings);
    }

    @Override
    public double priceAt(String name, String line, long time, long known) {
        Named named = lines.computeIfAbsent((name + "\n" + line).toLowerCase(Locale.ROOT), missing -> find(name, line));
        return known < named.madeAt ? Double.NaN : named.path.priceAt(time);
    }

    /** True when there is a drawing of a name. */
    public boolean has(String name) {
        return drawings.stream().anyMatch(each -> each.place().name().equalsIgnoreCase(name));
    }

    private Named find(String name, String line) {
        return drawings.stream()
                .filter(each -> each.place().name().equalsIgnoreCase(name))
                .findFirst()
                .map(each -> new Named(each.path(calendar, line), each.madeAt()))
                .orElse(NOTHING);
    }
}
