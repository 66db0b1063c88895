package dev.yardarm.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Whatever is compiled says what it reads before it reads it. */
class NeedsTest {
    private static Needs of(String formula) {
        return Formula.parse(formula, Language.builtIn()).needs();
    }

    @Test
    void formulasDeclareAllTheyRead() {
        assertThat(of("close > open")).isEqualTo(Needs.NONE);
        assertThat(of("close > drawing \"neckline\" and sma(close, 3) on W > 1"))
                .isEqualTo(Needs.drawing("neckline").and(Needs.timeframe(Timeframe.WEEK)));
        assertThat(of("ratio(#TIDQ) > 1 or correlation(20, #MARN) > 0.5").instruments())
                .containsExactlyInAnyOrder("TIDQ", "MARN");
        assertThat(of("delta > 0").sides()).isTrue();
        assertThat(of("(delta on W) > 0")).isEqualTo(Needs.SIDES.and(Needs.timeframe(Timeframe.WEEK)));
        assertThat(of("relative_strength(20) > 100").instruments()).containsExactly("benchmark");
    }

    /** Every indicator is computed over surroundings that note what they are asked. */
    @Test
    void noIndicatorReadsWhatItDidNotDeclare() {
        Bars bars = TestBars.walk(3, 60).snapshot();
        int declaring = 0;
        for (Indicator indicator : Catalogue.builtIn().all()) {
            Set<String> asked = new HashSet<>();
            boolean[] sides = new boolean[1];
            ColumnGraph graph = new ColumnGraph(new Surroundings(
                    Surroundings.NONE.calendar(),
                    code -> {
                        asked.add(code);
                        return Optional.empty();
                    },
                    (from, until) -> {
                        sides[0] = true;
                        return Double.NaN;
                    }));
            indicator.in(graph, Settings.standard(indicator));
            Needs declared = graph.needs();
            graph.update(bars);
            assertThat(declared.instruments()).as(indicator.name()).isEqualTo(asked);
            assertThat(declared.sides()).as(indicator.name()).isEqualTo(sides[0]);
            declaring += declared.equals(Needs.NONE) ? 0 : 1;
        }
        assertThat(declaring).as("indicators that read beyond their bars").isGreaterThan(5);
    }

    @Test
    void needsAreJoinedAndCovered() {
        Needs both = Needs.instrument("A").and(Needs.SIDES).and(Needs.instrument("B"));
        assertThat(both.cover(Needs.instrument("B"))).isTrue();
        assertThat(both.cover(Needs.NONE)).isTrue();
        assertThat(both.cover(Needs.drawing("x"))).isFalse();
        assertThat(Needs.NONE.cover(Needs.SIDES)).isFalse();
    }
}
