package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Times;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
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

    /** The profile of the bars from the first to the last point of the chosen drawing; of the view as it is when none is chosen. */
    public void ofChosenDrawing() {
        List<Drawing> chosen = chart.chosenDrawings();
        if (chosen.isEmpty()) {
            ofView();
            return;
        }
        if (chosen.get(0).anchors().size() < 2) {
            room.desk().tell("This drawing has one point: the profile is of the span between two, as a zone has them.");
            return;
        }
        long from = chosen.get(0).anchors().stream()
                .mapToLong(each -> each.time())
                .min()
                .orElseThrow();
        long to = chosen.get(0).anchors().stream()
                .mapToLong(each -> each.time())
                .max()
                .orElseThrow();
        between(from, chart.axis().openTime(chart.axis().bar(to) + 1));
    }

    /** The profile from a bar on. */
    public void from(int bar) {
        add(chart.axis().openTime(Math.max(0, bar)), Optional.empty());
    }

    /** The profile of the bars in view, which stays where it is when the view moves on. */
    public void ofView() {
        int end = Math.min(
                chart.bars().size(), chart.time().endVisible(chart.bars().size()));
        between(
                chart.axis().openTime(Math.max(0, chart.time().firstVisible())),
                chart.axis().openTime(end));
    }

    private void between(long from, long until) {
        add(from, Optional.of(until));
    }

    private void add(long from, Optional<Long> until) {
        Indicator profile = room.desk().language().catalogue().find("profile").orElseThrow();
        room.indicators()
                .add(
                        profile,
                        Settings.of(
                                profile,
                                Map.of(
                                        "span",
                                        "all",
                                        "since",
                                        text(from),
                                        "until",
                                        until.map(this::text).orElse(Setting.Moment.END))));
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
