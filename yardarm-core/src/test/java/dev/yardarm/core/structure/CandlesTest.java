package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.indicator.catalogue.CandleCues;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.catalogue.Candles;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CandlesTest {
    private static final long DAY = 86_400_000_000L;

    /** Bars in steps, so that opens, closes and ends often meet; now and then one without a price. */
    private static Bars coarse(int seed, int count, int steps) {
        Random random = new Random(seed);
        BarSeries series = new BarSeries(count);
        int price = 1000;
        for (int bar = 0; bar < count; bar++) {
            int open = price + (random.nextInt(4) == 0 ? random.nextInt(2 * steps + 1) - steps : 0);
            int close = open + random.nextInt(2 * steps + 1) - steps;
            int high = Math.max(open, close) + random.nextInt(steps);
            int low = Math.min(open, close) - random.nextInt(steps);
            double none = random.nextInt(400) == 0 ? Double.NaN : 1;
            series.append(bar * DAY, (bar + 1) * DAY, none * open, none * high, none * low, none * close, 10);
            price = close;
        }
        return series.snapshot();
    }

    /** What each indicator alone says of each bar. */
    private static List<Set<String>> alone(Bars bars) {
        List<Set<String>> all = new ArrayList<>();
        for (int bar = 0; bar < bars.size(); bar++) {
            all.add(new TreeSet<>());
        }
        for (Indicator each : CandleCues.patterns()) {
            ColumnGraph graph = new ColumnGraph();
            List<ColumnGraph.Node> cues = each.in(graph, Settings.standard(each));
            graph.update(bars);
            for (int cue = 0; cue < cues.size(); cue++) {
                String name = each.outputs().get(cue).name();
                boolean same = cues.size() == 1 || each.name().equals(name);
                for (int bar = 0; bar < bars.size(); bar++) {
                    if (cues.get(cue).output().at(bar) == 1) {
                        all.get(bar).add(same ? each.name() : each.name() + "_" + name);
                    }
                }
            }
        }
        return all;
    }

    private static List<Set<String>> found(FindingLog log, Bars bars) {
        List<Set<String>> all = new ArrayList<>();
        for (int bar = 0; bar < bars.size(); bar++) {
            all.add(new TreeSet<>());
        }
        for (int number = 0; number < log.count(); number++) {
            FindingLog.Standing each = log.standing(number);
            assertThat(each.state()).isEqualTo(Finding.State.CONFIRMED);
            assertThat(each.finding().points().get(0).price()).isEqualTo(bars.close(each.knownAt()));
            all.get(each.knownAt()).add(each.finding().kind());
        }
        return all;
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 6, 20, 200})
    void togetherTheySayWhatEachSaysAlone(int steps) {
        Bars bars = coarse(steps, 6000, steps);
        Candles detector = new Candles();
        Detecting all = new Detecting(detector, detector.settings(Map.of()));
        all.update(bars);

        List<Set<String>> alone = alone(bars);
        assertThat(found(all.log(), bars)).isEqualTo(alone);

        Set<String> kinds = new TreeSet<>();
        alone.forEach(kinds::addAll);
        assertThat(kinds).hasSizeGreaterThan(20);
    }

    @Test
    void oneKindAloneIsToldAlone() {
        Bars bars = coarse(7, 3000, 12);
        Candles detector = new Candles();
        Detecting one = new Detecting(detector, detector.settings(Map.of("kind", "hammer")));
        one.update(bars);
        Detecting all = new Detecting(detector, detector.settings(Map.of()));
        all.update(bars);

        List<Set<String>> hammers = found(all.log(), bars);
        hammers.forEach(each -> each.removeIf(kind -> !kind.equals("hammer")));
        assertThat(found(one.log(), bars)).isEqualTo(hammers);
        assertThat(one.log().count()).isPositive();
    }
}
