package dev.yardarm.chart.model;

import dev.yardarm.chart.model.FoundDrawings.Part;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.structure.Figured;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The findings of one detector layer as drawings in one look. A list of findings mostly goes on where the last one ended, so drawings are
 * made from the first finding that is another one on, and of those behind it that stayed the same the drawings are kept. Cost of an update:
 * a comparison of each finding, and what is behind the first that changed. Used by one thread.
 */
final class FoundLayer {
    private static final double ENDED = 0.45;

    private final LayerStyle style;
    private final Timeframe origin;
    private final List<Drawing> drawings = new ArrayList<>();
    /** How many drawings there are up to each finding and with it. */
    private final List<Integer> ends = new ArrayList<>();

    private final Map<String, Part> byId = new HashMap<>();
    private List<Found> found = List.of();

    FoundLayer(LayerStyle style, Timeframe origin) {
        this.style = style;
        this.origin = origin;
    }

    /** True when it is in this look. */
    boolean isIn(LayerStyle look, Timeframe timeframe) {
        return style.equals(look) && origin.equals(timeframe);
    }

    /** The drawings, in the order of the findings; changes with the next update. */
    List<Drawing> drawings() {
        return drawings;
    }

    Optional<Part> part(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** Brings it to these findings. */
    void update(List<Found> now) {
        if (now == found) {
            return;
        }
        int same = 0;
        int both = Math.min(now.size(), found.size());
        while (same < both && now.get(same) == found.get(same)) {
            same++;
        }
        Map<Found, List<Drawing>> kept = cut(same);
        for (int at = same; at < now.size(); at++) {
            Found each = now.get(at);
            List<Drawing> parts = kept.get(each);
            parts = parts == null ? made(each) : parts;
            for (int part = 0; part < parts.size(); part++) {
                byId.put(parts.get(part).id(), new Part(each, each.parts().get(part)));
            }
            drawings.addAll(parts);
            ends.add(drawings.size());
        }
        found = now;
    }

    /** Takes the findings from one on away; gives what was made of them. */
    private Map<Found, List<Drawing>> cut(int from) {
        Map<Found, List<Drawing>> kept = new IdentityHashMap<>();
        int start = from == 0 ? 0 : ends.get(from - 1);
        int begin = start;
        for (int at = from; at < ends.size(); at++) {
            kept.put(found.get(at), List.copyOf(drawings.subList(begin, ends.get(at))));
            begin = ends.get(at);
        }
        List<Drawing> gone = drawings.subList(start, drawings.size());
        gone.forEach(each -> byId.remove(each.id()));
        gone.clear();
        ends.subList(from, ends.size()).clear();
        return kept;
    }

    private List<Drawing> made(Found each) {
        List<Drawing> all = new ArrayList<>();
        for (int part = 0; part < each.parts().size(); part++) {
            Figured figured = each.parts().get(part);
            boolean projected = figured.look() != Figured.Look.MAIN;
            Drawing.Style look = Drawing.Style.of(style.colour())
                    .withLine(
                            style.colour(),
                            projected ? 1 : style.width(),
                            style.opacity() * (each.state().isEnd() ? ENDED : 1))
                    .withFill(0.08)
                    .withDash(projected || each.isProvisional() ? Drawing.Style.Dash.DOTTED : Drawing.Style.Dash.SOLID);
            all.add(drawing(part == 0 ? each.id() : each.id() + "+" + part, figured, origin)
                    .withStyle(look)
                    .withPlace(Drawing.Place.STANDARD.withLocked(true)));
        }
        return all;
    }

    /** A part of a finding as a drawing of a timeframe, in the look drawings come up with. */
    static Drawing drawing(String id, Figured figured, Timeframe origin) {
        return new Drawing(
                id,
                figured.figure(),
                origin,
                figured.anchors(),
                false,
                figured.options(),
                Drawing.Style.of(0),
                Drawing.Place.STANDARD);
    }
}
