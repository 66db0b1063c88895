package dev.yardarm.chart.model;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.profile.BigTradesTerm;
import dev.yardarm.core.profile.DevelopingFootprint;
import dev.yardarm.core.profile.DevelopingLargeTrades;
import dev.yardarm.core.profile.DevelopingProfile;
import dev.yardarm.core.profile.DevelopingTime;
import dev.yardarm.core.profile.Footprint;
import dev.yardarm.core.profile.FootprintTerm;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.profile.ProfileTerm;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.profile.TimeProfileTerm;
import dev.yardarm.core.profile.TimeSpan;
import dev.yardarm.core.profile.UntouchedLevel;
import dev.yardarm.core.profile.ViewProfileTerm;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What the layers of a chart that read trades have beside their columns: profiles, footprints, large trades. */
final class OrderFlowBuilder {
    private final Map<String, DevelopingProfile> profiles = new LinkedHashMap<>();
    private final Map<String, DevelopingTime> times = new LinkedHashMap<>();
    private final Map<String, DevelopingFootprint> viewed = new LinkedHashMap<>();
    private final Map<String, DevelopingFootprint> footprints = new LinkedHashMap<>();
    private final Map<String, DevelopingLargeTrades> large = new LinkedHashMap<>();

    /** Takes in a layer that is computed over the bars of the chart. */
    void add(IndicatorLayer layer, ColumnGraph graph) {
        if (layer.indicator() instanceof ProfileTerm && layer.settings().whole("back") == 0) {
            profiles.put(layer.id(), ProfileTerm.profile(graph, layer.settings()));
        } else if (layer.indicator() instanceof TimeProfileTerm) {
            times.put(layer.id(), TimeProfileTerm.time(graph, layer.settings()));
        } else if (layer.indicator() instanceof ViewProfileTerm) {
            viewed.put(layer.id(), ViewProfileTerm.footprint(graph, layer.settings()));
        } else if (layer.indicator() instanceof FootprintTerm) {
            footprints.put(layer.id(), FootprintTerm.footprint(graph, layer.settings()));
        } else if (layer.indicator() instanceof BigTradesTerm) {
            large.put(layer.id(), BigTradesTerm.large(graph, layer.settings()));
        }
    }

    /** As it stands after the graph was brought up to its bars. */
    OrderFlow now() {
        Map<String, List<SpanProfile>> spans = new LinkedHashMap<>();
        profiles.forEach((id, profile) -> spans.put(id, profile.spans()));
        Map<String, List<UntouchedLevel>> untouched = new LinkedHashMap<>();
        profiles.forEach((id, profile) -> untouched.put(id, profile.untouched()));
        Map<String, List<TimeSpan>> sessions = new LinkedHashMap<>();
        times.forEach((id, time) -> sessions.put(id, time.spans()));
        Map<String, Footprint> views = new LinkedHashMap<>();
        viewed.forEach((id, footprint) -> views.put(id, footprint.footprint()));
        Map<String, Footprint> prints = new LinkedHashMap<>();
        footprints.forEach((id, footprint) -> prints.put(id, footprint.footprint()));
        Map<String, LargeMarks> marks = new LinkedHashMap<>();
        large.forEach((id, trades) -> marks.put(id, trades.marks()));
        return new OrderFlow(spans, untouched, sessions, views, prints, marks);
    }
}
