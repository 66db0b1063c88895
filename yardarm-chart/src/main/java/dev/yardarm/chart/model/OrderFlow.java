package dev.yardarm.chart.model;

import dev.yardarm.core.profile.Footprint;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.profile.TimeSpan;
import dev.yardarm.core.profile.UntouchedLevel;
import java.util.List;
import java.util.Map;

/**
 * Who traded where, as the layers of a chart found it at one moment. Does not change.
 *
 * @param profiles by layer id: the profiles of spans, the oldest first
 * @param untouched by layer id: levels of spans that are over, which nothing has reached
 * @param times by layer id: time at price of sessions, the oldest first
 * @param viewed by layer id: from what the profile of the view is put together
 * @param footprints by layer id: the trades of each bar by price
 * @param large by layer id: the large trades
 */
public record OrderFlow(
        Map<String, List<SpanProfile>> profiles,
        Map<String, List<UntouchedLevel>> untouched,
        Map<String, List<TimeSpan>> times,
        Map<String, Footprint> viewed,
        Map<String, Footprint> footprints,
        Map<String, LargeMarks> large) {}
