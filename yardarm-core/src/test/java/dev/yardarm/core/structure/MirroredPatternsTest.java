package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is found upward is found downward when prices are turned over: bear flags as often as bull flags, tops as often as bottoms. */
class MirroredPatternsTest {
    private static final Map<String, String> MIRROR = Map.of(
            "bull_flag", "bear_flag",
            "double_top", "double_bottom",
            "triple_top", "triple_bottom",
            "head_shoulders", "inverse_head_shoulders",
            "ascending_triangle", "descending_triangle",
            "rising_wedge", "falling_wedge");

    /** A walk with poles and rests in it, on a grid of binary fractions so that turning over is exact. */
    private static double[] course(long seed, int count) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] closes = new double[count];
        double price = 1024;
        int pole = 0;
        int rest = 0;
        int way = 1;
        for (int bar = 0; bar < count; bar++) {
            if (pole == 0 && rest == 0 && random.nextInt(40) == 0) {
                pole = 8;
                rest = 20;
                way = random.nextBoolean() ? 1 : -1;
            }
            double step = random.nextGaussian() * 3;
            if (pole > 0) {
                pole--;
                step = way * (14 + step);
            } else if (rest > 0) {
                rest--;
                step = -way * 1.5 + (rest / 5 % 2 == 0 ? 4 : -4) * way + step / 3;
            }
            price += Math.rint(step * 4) / 4;
            closes[bar] = price;
        }
        return closes;
    }

    private static Bars bars(double[] closes, boolean turned) {
        BarSeries series = new BarSeries(closes.length);
        long start = 1_500_000_000_000_000L / Times.DAY * Times.DAY;
        SplittableRandom random = new SplittableRandom(1);
        for (int bar = 0; bar < closes.length; bar++) {
            double open = closes[Math.max(0, bar - 1)];
            double high = Math.max(open, closes[bar]) + random.nextInt(8) / 4.0;
            double low = Math.min(open, closes[bar]) - random.nextInt(8) / 4.0;
            long time = start + bar * Times.DAY;
            if (turned) {
                series.append(time, time + Times.DAY, 2048 - open, 2048 - low, 2048 - high, 2048 - closes[bar], 1);
            } else {
                series.append(time, time + Times.DAY, open, high, low, closes[bar], 1);
            }
        }
        return series.snapshot();
    }

    private static List<String> found(Bars bars, boolean turned) {
        Detector detector = Detectors.named("patterns").orElseThrow();
        Detecting detecting = new Detecting(detector, detector.settings(Map.of()));
        detecting.update(bars);
        List<String> all = new ArrayList<>();
        for (FindingLog.Standing each : detecting.log().asOf(bars.closed() - 1)) {
            String kind = each.finding().kind();
            if (turned) {
                String other = MIRROR.get(kind);
                for (Map.Entry<String, String> pair : MIRROR.entrySet()) {
                    other = pair.getValue().equals(kind) ? pair.getKey() : other;
                }
                kind = other == null ? kind : other;
            }
            all.add(kind + " " + bars.barAt(each.finding().points().get(0).time()) + " "
                    + bars.barAt(each.finding().to()) + " " + each.state() + "@" + each.knownAt());
        }
        return all;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void turnedOverTheSameIsFound(long seed) {
        double[] closes = course(seed, 1500);
        List<String> up = found(bars(closes, false), false);
        assertThat(up).anyMatch(each -> each.startsWith("bull_flag")).anyMatch(each -> each.startsWith("bear_flag"));
        assertThat(found(bars(closes, true), true)).containsExactlyInAnyOrderElementsOf(up);
    }
}
