package dev.yardarm.core.vantage;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.NamedDrawings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class VantageTest {
    private static final Bars BARS = TestBars.walk(1, 200).snapshot();
    private static final Bars OTHER = TestBars.walk(2, 200).snapshot();
    private static final long NOON = 12 * Times.HOUR;

    private static TradedSides sides(int days) {
        TickSeries ticks = new TickSeries(days);
        for (int day = 0; day < days; day++) {
            ticks.append(TestBars.day(day) + NOON, 10, day + 1, day % 3 == 0 ? TickSeries.BID : TickSeries.ASK);
        }
        TradedSides sides = new TradedSides(TestBars.day(0), TestBars.day(days));
        sides.take(ticks);
        return sides;
    }

    private static Surroundings around(int days) {
        Drawing level = new Drawing("d", Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(TestBars.day(0), 100)), 0)
                .withPlace(Drawing.Place.STANDARD.withName("edge"))
                .madeAt(TestBars.day(90) + NOON);
        return new Surroundings(
                        Surroundings.NONE.calendar(),
                        code -> code.equals("OTHER") ? Optional.of(() -> OTHER.first(days)) : Optional.empty(),
                        sides(days))
                .with(new NamedDrawings(Surroundings.NONE.calendar(), List.of(level)));
    }

    private static Column compute(Vantage vantage, String formula) {
        ColumnGraph graph = vantage.graph();
        Column column = Formula.parse(formula, Language.builtIn()).in(graph).output();
        graph.update(vantage.bars());
        return column;
    }

    /** From a moment on the way, everything is as over data that ends there. */
    @Test
    void aPastMomentIsLikeDataThatEndsThere() {
        for (int days : new int[] {1, 60, 100, 137, 200}) {
            long moment = BARS.closeTime(days - 1);
            Vantage cut = Vantage.at(moment, BARS, around(200));
            Vantage ends = new Vantage(moment, BARS.first(days), around(days));
            assertThat(cut.bars().size()).isEqualTo(days);
            for (String formula : List.of(
                    "correlation(20, #OTHER)",
                    "ratio(#OTHER)",
                    "(ratio(#OTHER)) on W",
                    "delta",
                    "rsi(14) on forming W",
                    "drawing \"edge\"")) {
                Column one = compute(cut, formula);
                Column other = compute(ends, formula);
                for (int bar = 0; bar < days; bar++) {
                    assertThat(one.at(bar))
                            .as("%s at %d of %d", formula, bar, days)
                            .isEqualTo(Double.valueOf(other.at(bar)));
                }
            }
        }
    }

    @Test
    void aDrawingHasNoWorthBeforeItWasMade() {
        Column edge = compute(Vantage.at(BARS.closeTime(199), BARS, around(200)), "drawing \"edge\"");
        assertThat(edge.at(89)).as("closed before it was made").isNaN();
        assertThat(edge.at(90)).as("open when it was made").isEqualTo(100);
        assertThat(edge.at(199)).isEqualTo(100);
    }

    @Test
    void beforeATimeMeansTheBarsThatOpenedBefore() {
        assertThat(Vantage.momentBefore(TestBars.day(10), BARS)).isEqualTo(BARS.closeTime(9));
        assertThat(Vantage.momentBefore(TestBars.day(10) + 1, BARS)).isEqualTo(BARS.closeTime(10));
        assertThat(Vantage.momentBefore(TestBars.day(0), BARS)).isEqualTo(TestBars.day(0));
        assertThat(Vantage.at(Vantage.momentBefore(TestBars.day(0), BARS), BARS, Surroundings.NONE)
                        .bars()
                        .isEmpty())
                .isTrue();
    }
}
