package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.ScenarioLayer;
import dev.yardarm.chart.model.ScenarioMark;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.LayerParts;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.scenario.Scenario;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Scenarios on a chart: faint paths ahead of the newest bar, inside the scale, with their names and shares. */
class ScenarioPaintTest {
    private static ScenarioMark mark(
            ChartModel chart, String title, double share, boolean struck, boolean smaller, double wrong, double... to) {
        List<Scenario.Target> targets = new ArrayList<>();
        for (double each : to) {
            targets.add(new Scenario.Target(each, 0));
        }
        Scenario of = new Scenario(title, chart.instrument().orElseThrow().id(), title, "", "", wrong, targets, 1);
        return new ScenarioMark(of, share, struck, smaller);
    }

    private static RecordingSurface painted(ChartModel chart, Palette.Theme theme) {
        RecordingSurface surface = new RecordingSurface(1);
        new ChartPainter().paint(chart, Palette.of(theme), surface);
        return surface;
    }

    @ParameterizedTest
    @EnumSource(Palette.Theme.class)
    void pathsLieAheadDottedAndStrongerTheLargerTheirShare(Palette.Theme theme) {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(250), Timeframe.DAY);
        chart.follow();
        double last = chart.data().last();
        RecordingSurface before = painted(chart, theme);
        chart.setScenarios(List.of(
                mark(chart, "fifth up", 60, false, false, last * 0.97, last * 1.02, last * 1.04),
                mark(chart, "flat", 15, false, false, last * 1.05, last * 0.98),
                mark(chart, "gone", 0, true, false, last * 0.9, last * 1.01),
                mark(chart, "larger", 25, false, true, last * 0.9, last * 1.03)));
        RecordingSurface surface = painted(chart, theme);
        assertThat(surface.texts).anyMatch(text -> text.startsWith("fifth up 60 %"));
        assertThat(surface.texts).anyMatch(text -> text.startsWith("flat 15 %, "));
        assertThat(surface.texts).noneMatch(text -> text.startsWith("gone") || text.startsWith("larger"));
        assertThat(surface.texts).noneMatch(text -> text.contains("wrong"));
        double newest = chart.time().middle(chart.bars().size() - 1);
        List<RecordingSurface.Line> paths = surface.lines.stream()
                .filter(line -> line.dash().length == 2 && line.dash()[0] == 3 && line.points()[0] >= newest)
                .toList();
        // Two parts of one path, and one of the other.
        assertThat(paths).hasSize(3);
        assertThat(paths.get(0).colour() >>> 24).isGreaterThan(paths.get(2).colour() >>> 24);
        // Its targets are in view, ahead of the newest bar.
        for (RecordingSurface.Line path : paths) {
            assertThat(path.points()[3]).isBetween(0.0, chart.plotBottom());
            assertThat(path.points()[2]).isGreaterThan(newest).isLessThan(chart.plotRight());
        }
        assertThat(before.texts).noneMatch(text -> text.contains(" %, "));
    }

    @Test
    void whileTheyAreChosenEachSaysWhatProvesItWrong() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(250), Timeframe.DAY);
        chart.follow();
        double last = chart.data().last();
        chart.setScenarios(List.of(mark(chart, "fifth up", 60, false, false, last * 0.99, last * 1.02)));
        assertThat(LayerParts.title(chart, chart.layer(Selection.SCENARIOS).orElseThrow()))
                .isEqualTo("scenarios");
        assertThat(LayerParts.value(chart, chart.layer(Selection.SCENARIOS).orElseThrow()))
                .isEqualTo("1 of 1 stand");
        assertThat(LayerParts.words(chart, new ScenarioLayer(chart.scenarios())))
                .contains("fifth up");
        chart.select(Selection.SCENARIOS);
        assertThat(painted(chart, Palette.Theme.DAYLIGHT).texts)
                .anyMatch(text -> text.startsWith("fifth up wrong ") || text.startsWith("wrong "));
        chart.setScenarios(List.of());
        assertThat(chart.layer(Selection.SCENARIOS)).isEmpty();
    }

    @Test
    void oneThatLeadsTooFarDoesNotPressTheBarsFlat() {
        ChartModel chart = ChartFixture.chart(ChartFixture.days(250), Timeframe.DAY);
        chart.follow();
        double last = chart.data().last();
        double high = chart.price().high();
        chart.setScenarios(List.of(mark(chart, "to the moon", 60, false, false, last * 0.99, last * 40)));
        assertThat(chart.price().high()).isEqualTo(high);
    }
}
