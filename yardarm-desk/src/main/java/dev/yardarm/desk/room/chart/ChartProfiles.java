package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Times;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.LongSummaryStatistics;
import java.util.Map;
import java.util.Optional;

/** Puts profiles of chosen spans on a chart: of what a drawing covers, from a bar on, of what is in view. Used by the interface's thread alone. */
public final class ChartProfiles {
    private final ChartRoom room;
    private final ChartModel chart;

    ChartProfiles(ChartRoom room) {
        this.room = room;
        chart = room.chart();
    }

    /**
     * The profile of the bars from the first to the last point of the chosen drawing, which it follows from then on; of the view as it is
     * when none is chosen.
     */
    public void ofChosenDrawing() {
        List<Drawing> chosen = chart.chosenDrawings();
        if (chosen.isEmpty()) {
            ofView();
            return;
        }
        Drawing drawing = chosen.get(0);
        if (drawing.anchors().size() < 2) {
            room.desk().tell("This drawing has one point: the profile is of the span between two, as a zone has them.");
            return;
        }
        add(span(drawing), drawing.id());
    }

    /** The profile from a bar on. */
    public void from(int bar) {
        add(span(chart.axis().openTime(Math.max(0, bar)), Optional.empty()), "");
    }

    /** The profile of the bars in view, which stays where it is when the view moves on. */
    public void ofView() {
        int end = Math.min(
                chart.bars().size(), chart.time().endVisible(chart.bars().size()));
        long from = chart.axis().openTime(Math.max(0, chart.time().firstVisible()));
        add(span(from, Optional.of(chart.axis().openTime(end))), "");
    }

    /**
     * Layers with the spans their drawings have now. That is no step of undo: when the drawing goes back, they go back with it. One whose
     * drawing is gone or belongs to another instrument keeps the span it had.
     */
    List<IndicatorLayer> followed(List<IndicatorLayer> layers) {
        if (chart.bars().isEmpty()
                || layers.stream().allMatch(each -> each.drawing().isEmpty())) {
            return layers;
        }
        return layers.stream().map(this::followed).toList();
    }

    private IndicatorLayer followed(IndicatorLayer layer) {
        return chart.drawing(layer.drawing())
                .filter(drawing -> drawing.anchors().size() > 1)
                .map(drawing -> {
                    Map<String, String> values = new HashMap<>(layer.settings().values());
                    values.putAll(span(drawing));
                    return layer.withSettings(Settings.of(layer.indicator(), values));
                })
                .orElse(layer);
    }

    private Map<String, String> span(Drawing drawing) {
        LongSummaryStatistics times =
                drawing.anchors().stream().mapToLong(each -> each.time()).summaryStatistics();
        int last = chart.axis().bar(times.getMax());
        return span(times.getMin(), Optional.of(chart.axis().openTime(last + 1)));
    }

    private Map<String, String> span(long from, Optional<Long> until) {
        return Map.of(
                "span",
                "all",
                "since",
                text(from),
                "until",
                until.map(this::text).orElse(Setting.Moment.END));
    }

    private void add(Map<String, String> span, String drawing) {
        Indicator profile = room.desk().language().catalogue().find("profile").orElseThrow();
        room.indicators().add(profile, Settings.of(profile, span), null, drawing);
    }

    /** By the clock of the instrument, as settings are read. */
    private String text(long time) {
        ZoneId zone = chart.axis().grid().calendar().zone();
        return Times.at(time, zone)
                .toLocalDateTime()
                .truncatedTo(ChronoUnit.MILLIS)
                .toString();
    }
}
