package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.desk.room.layout.Arrangement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** What holds for arrangements after any number of splits and removals. */
class ArrangementTest {
    private static double area(Arrangement of, int chart) {
        if (of instanceof Arrangement.Single single) {
            return single.chart() == chart ? 1 : 0;
        }
        Arrangement.Parts parts = (Arrangement.Parts) of;
        double sum = 0;
        for (int at = 0; at < parts.parts().size(); at++) {
            sum += parts.weights().get(at) * area(parts.parts().get(at), chart);
        }
        return sum;
    }

    @RepeatedTest(60)
    void splittingAndRemovingKeepsEveryOtherChart(RepetitionInfo round) {
        Random random = new Random(round.getCurrentRepetition());
        Arrangement arrangement = new Arrangement.Single(0);
        int next = 1;
        for (int step = 0; step < 30; step++) {
            List<Integer> charts = arrangement.charts();
            int chosen = charts.get(random.nextInt(charts.size()));
            List<Integer> expected = new ArrayList<>(charts);
            if (charts.size() < Arrangement.MOST && random.nextInt(3) > 0 || charts.size() == 1) {
                double before = area(arrangement, chosen);
                arrangement = arrangement.split(chosen, next, random.nextBoolean());
                assertThat(area(arrangement, chosen)).isCloseTo(before / 2, within(1e-9));
                assertThat(area(arrangement, next)).isCloseTo(before / 2, within(1e-9));
                expected.add(expected.indexOf(chosen) + 1, next++);
            } else {
                arrangement = arrangement.without(chosen);
                expected.remove(Integer.valueOf(chosen));
            }
            assertThat(arrangement.charts()).isEqualTo(expected);
            assertThat(new HashSet<>(arrangement.charts())).hasSameSizeAs(arrangement.charts());
            double whole = 0;
            for (int chart : arrangement.charts()) {
                whole += area(arrangement, chart);
            }
            assertThat(whole).isCloseTo(1, within(1e-9));
            assertThat(Arrangement.read(arrangement.toString()).charts()).isEqualTo(arrangement.charts());
            assertThat(arrangement.reversed().reversed()).hasToString(arrangement.toString());
        }
    }

    @Test
    void gridsAreRowsOfColumns() {
        Arrangement.Parts grid = (Arrangement.Parts) Arrangement.grid(3, 4);
        assertThat(grid.sideBySide()).isFalse();
        assertThat(grid.parts()).hasSize(3).allMatch(row -> ((Arrangement.Parts) row).sideBySide());
        assertThat(grid.charts()).hasSize(12);
        for (int chart : grid.charts()) {
            assertThat(area(grid, chart)).isCloseTo(1 / 12.0, within(1e-9));
        }
        assertThat(Arrangement.grid(1, 1)).isEqualTo(new Arrangement.Single(0));
        assertThat(Arrangement.grid(2, 1)).hasToString("col(0*0.5000,1*0.5000)");
    }

    @Test
    void aNumberOfChartsIsASensibleGrid() {
        assertThat(Arrangement.parse("3")).hasToString("row(0*0.3333,1*0.3333,2*0.3333)");
        for (int count = 1; count <= Arrangement.MOST; count++) {
            assertThat(Arrangement.parse(String.valueOf(count)).charts()).hasSize(count);
        }
    }
}
