package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.profile.UntouchedLevel;
import dev.yardarm.core.series.Times;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;

/** Levels of profiles that nothing has reached since their span: lines from its end to the right, with name and age. Cost: the levels in view. */
final class UntouchedRenderer {
    private static final double[] DASH = {7, 4};
    private static final double[] EDGE_DASH = {2, 4};
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_OF_YEAR = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private final Batch line = new Batch();

    void paint(ChartModel chart, Pane pane, IndicatorLayer layer, Palette palette, Surface surface, Labels labels) {
        List<UntouchedLevel> levels = chart.data().flow().untouched().getOrDefault(layer.id(), List.of());
        String wanted = levels.isEmpty() ? "none" : layer.settings().word("untouched");
        if (wanted.equals("none")) {
            return;
        }
        int colour =
                Palette.fade(palette.drawn(layer.leadColour()), layer.style().opacity());
        Box area = ChartPainter.area(chart, pane);
        double lastY = pane.scale().y(chart.data().last());
        for (UntouchedLevel level : levels) {
            boolean isControl = level.kind() == UntouchedLevel.Kind.CONTROL;
            double y = surface.snap(pane.scale().y(level.price())) + surface.hairline() / 2;
            if (!isControl && wanted.startsWith("points") || y < area.top() || y > area.bottom()) {
                continue;
            }
            double from =
                    Math.max(chart.time().left(), chart.time().x(chart.axis().bar(level.since() - 1) + 1));
            line.clear();
            line.point(from, y);
            line.point(chart.plotRight(), y);
            surface.line(colour, isControl ? 1.5 : 1, isControl ? DASH : EDGE_DASH, line.values(), 2);
            LocalDate since = Times.date(level.since() - 1, chart.zone());
            // Of another year a day and a month are a riddle.
            boolean thisYear =
                    since.getYear() == Times.date(chart.now(), chart.zone()).getYear();
            String day = since.format(thisYear ? DAY : DAY_OF_YEAR);
            long days = ChronoUnit.DAYS.between(
                    Times.date(level.since() - 1, chart.zone()), Times.date(chart.now(), chart.zone()));
            labels.add(new Label(
                    "",
                    "untouched " + level.kind().words() + " " + day + ", " + days + (days == 1 ? " day" : " days"),
                    level.kind().words() + " " + day,
                    Type.SMALL,
                    colour,
                    Palette.fade(palette.of(Role.PAPER), 0.85),
                    Label.Rank.LEVEL,
                    Math.abs(y - lastY),
                    area,
                    List.of(
                            new Label.Spot(chart.plotRight() - 6, y - 8, Align.RIGHT),
                            new Label.Spot(chart.plotRight() - 6, y + 8, Align.RIGHT),
                            new Label.Spot(Math.min(from + 6, chart.plotRight() - 60), y - 8, Align.LEFT))));
        }
    }
}
