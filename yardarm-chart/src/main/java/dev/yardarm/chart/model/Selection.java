package dev.yardarm.chart.model;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What is chosen on a chart. */
public sealed interface Selection {
    Selection NONE = None.IT;

    /** Nothing; an enum, since a record's equality is put together when it is first asked for, here at each start. */
    enum None implements Selection {
        IT
    }

    /** One layer that is no drawing, by its id. */
    record Layer(String id) implements Selection {}

    /** The bars themselves. */
    Selection PRICE = new Layer(BarsLayer.ID);

    /** The plan. */
    Selection PLAN = new Layer(PlanLayer.ID);

    /** The scenarios, side by side. */
    Selection SCENARIOS = new Layer(ScenarioLayer.ID);

    /** One drawing alone. */
    record Drawing(String id) implements Selection {}

    /** Something a detector has found, by its id. */
    record Finding(String id) implements Selection {}

    /** Two drawings or more, in the order they were chosen. */
    record Drawings(List<String> ids) implements Selection {
        public Drawings {
            ids = List.copyOf(ids);
            if (ids.size() < 2) {
                throw new IllegalArgumentException("several drawings are two at least");
            }
        }
    }

    /** Any number of drawings as what is chosen; nothing for none. */
    static Selection ofDrawings(Collection<String> ids) {
        List<String> each = List.copyOf(new LinkedHashSet<>(ids));
        return each.isEmpty() ? NONE : each.size() == 1 ? new Drawing(each.get(0)) : new Drawings(each);
    }

    /** The ids of the drawings that are chosen; none when it is something else. */
    default List<String> drawings() {
        return this instanceof Drawing one
                ? List.of(one.id())
                : this instanceof Drawings several ? several.ids() : List.of();
    }

    /** With these drawings too, or without them when all of them are chosen already. */
    default Selection toggled(Collection<String> ids) {
        Set<String> chosen = new LinkedHashSet<>(drawings());
        if (!chosen.removeAll(ids) || !drawings().containsAll(ids)) {
            chosen.addAll(ids);
        }
        return ofDrawings(chosen);
    }
}
