package dev.yardarm.core.structure;

import static dev.yardarm.core.structure.FindingLogTest.entries;
import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.catalogue.Patterns;
import dev.yardarm.core.structure.catalogue.Targets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A detector that reads what others find: one of each works in a graph, and what it says does not depend on who asked first. */
class RestingDetectorsTest {
    private static Detected in(ColumnGraph graph, Detector detector) {
        return Detected.in(graph, detector, detector.settings(Map.of()), null);
    }

    @Test
    void theFindingsAreThoseOfTheOneThatIsOnTheChartAlready() {
        Bars bars = TestBars.walk(11, 2000).snapshot();
        ColumnGraph graph = new ColumnGraph();
        Detected patterns = in(graph, new Patterns());
        graph.update(bars);
        Detected targets = in(graph, new Targets());
        graph.update(bars);
        Detecting alone = new Detecting(new Targets(), new Targets().settings(Map.of()));
        alone.update(bars);

        assertThat(in(graph, new Patterns())).isSameAs(patterns);
        assertThat(entries(targets.log())).isEqualTo(entries(alone.log()));
        long completed = entries(patterns.log()).stream()
                .filter(each -> each.state() == Finding.State.CONFIRMED)
                .filter(each -> !Double.isNaN(each.finding().target()))
                .count();
        assertThat(completed).isPositive();
        assertThat(entries(targets.log()).stream()
                        .filter(each -> each.finding().kind().equals("pattern_target"))
                        .filter(each -> each.state() == Finding.State.CONFIRMED)
                        .count())
                .isPositive()
                .isLessThanOrEqualTo(completed);
    }

    @Test
    void whatTheFormingBarBringsIsForgottenWithIt() {
        BarSeries series = TestBars.walk(11, 1200);
        Bars closed = series.snapshot();
        ColumnGraph graph = new ColumnGraph();
        Detected targets = in(graph, new Targets());
        graph.update(closed);
        List<FindingLog.Standing> before = entries(targets.now());

        double last = closed.close(closed.size() - 1);
        long open = closed.closeTime(closed.size() - 1);
        long close = open + closed.closeTime(0) - closed.openTime(0);
        for (double price : new double[] {1.4 * last, 0.6 * last, last}) {
            series.form(open, close, last, Math.max(last, price) * 1.001, Math.min(last, price) * 0.999, price, 10);
            graph.update(series.snapshot());
            assertThat(entries(targets.log())).isEqualTo(before);
            assertThat(entries(targets.now())).startsWith(before.toArray(FindingLog.Standing[]::new));
        }
        series.form(open, close, last, 1.4 * last, last, 1.4 * last, 10);
        graph.update(series.snapshot());
        assertThat(entries(targets.now()).size()).isGreaterThan(before.size());

        series.closeForming();
        graph.update(series.snapshot());
        Detecting rebuilt = new Detecting(new Targets(), new Targets().settings(Map.of()));
        rebuilt.update(series.snapshot());
        assertThat(entries(targets.log())).isEqualTo(entries(rebuilt.log()));
    }

    @Test
    void spotsAreReadAsFindingsInTheLogAndInABranch() {
        Finding.Spot spot = new Finding.Spot("gravestone", "close", 0.5);
        FindingLog log = new FindingLog();
        for (int bar = 0; bar < 10_000; bar++) {
            int number = bar % 3 == 0
                    ? log.found(
                            new Finding(
                                    "other",
                                    List.of(new Finding.Point("close", bar, bar)),
                                    Map.of(),
                                    Double.NaN,
                                    Double.NaN,
                                    1),
                            bar)
                    : log.found(spot, bar, 2.0 * bar, 3.0 * bar, bar);
            log.become(number, Finding.State.CONFIRMED, bar);
        }
        assertThat(log.size()).isEqualTo(20_000);
        assertThat(log.entry(19_999).finding().kind()).isEqualTo("other");
        FindingLog.Standing told = log.standing(9_998);
        assertThat(told.finding())
                .isEqualTo(new Finding(
                        "gravestone",
                        List.of(new Finding.Point("close", 9_998, 19_996)),
                        Map.of(),
                        29_994,
                        Double.NaN,
                        0.5));
        assertThat(told.state()).isEqualTo(Finding.State.CONFIRMED);

        FindingLog branch = log.branch();
        branch.become(9_998, Finding.State.REACHED, 10_000);
        int another = branch.found(spot, 10_000, 1, 2, 10_000);
        branch.changed(another, spot, 10_000, 1, 5, 10_000);
        assertThat(branch.standing(9_998).finding()).isEqualTo(told.finding());
        assertThat(branch.standing(another).finding().target()).isEqualTo(5);
        assertThat(log.standing(9_998).state()).isEqualTo(Finding.State.CONFIRMED);
        assertThat(log.count()).isEqualTo(10_000);
    }
}
