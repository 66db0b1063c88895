package dev.yardarm.chart.model;

import dev.yardarm.core.profile.Footprint;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.profile.SpanProfile;
import java.util.List;
import java.util.Map;

/**
 * Who traded where, as the layers of a chart found it at one moment. Does not change.
 *
 * @param profiles by layer id: the profiles of spans, the oldest first
 * @param footprints by layer id: the trades of each bar by price
 * @param large by layer id: the large trades
 */
public record OrderFlow(
        Map<String, List<SpanProfile>> profiles, Map<String, Footprint> footprints, Map<String, LargeMarks> large) {
    public static final OrderFlow NONE = new OrderFlow(Map.of(), Map.of(), Map.of());
}
