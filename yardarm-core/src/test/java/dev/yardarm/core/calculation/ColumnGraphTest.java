package dev.yardarm.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ColumnGraphTest {
    private static final Bars BARS = TestBars.walk(4, 120).snapshot();

    private static double once(Operation operation, double left, double right) {
        ColumnGraph graph = new ColumnGraph();
        Column column = operation
                .in(graph, Operation.number(graph, left), Operation.number(graph, right))
                .output();
        graph.update(TestBars.ofCloses(1));
        return column.at(0);
    }

    /** The truth tables of three-valued logic (S. C. Kleene, Introduction to Metamathematics, 1952); N is unknown. */
    @ParameterizedTest
    @CsvSource({"1,1,1,1", "1,0,0,1", "0,1,0,1", "0,0,0,0", "1,N,N,1", "N,1,N,1", "0,N,0,N", "N,0,0,N", "N,N,N,N"})
    void andAndOrFollowTheTables(String left, String right, String and, String or) {
        assertThat(once(Operation.AND, value(left), value(right))).isEqualTo(Double.valueOf(value(and)));
        assertThat(once(Operation.OR, value(left), value(right))).isEqualTo(Double.valueOf(value(or)));
    }

    private static double value(String word) {
        return word.equals("N") ? Double.NaN : Double.parseDouble(word);
    }

    @Test
    void comparisonsWithAMissingValueAreUnknown() {
        for (Operation operation : new Operation[] {
            Operation.GREATER, Operation.AT_LEAST, Operation.LESS, Operation.AT_MOST, Operation.EQUAL, Operation.UNEQUAL
        }) {
            assertThat(once(operation, Double.NaN, 1)).as(operation.sign()).isNaN();
            assertThat(once(operation, 1, Double.NaN)).as(operation.sign()).isNaN();
        }
        assertThat(once(Operation.EQUAL, 0.1 + 0.2, 0.3)).as("no tolerance").isZero();
        assertThat(once(Operation.POWER, -8, 1.0 / 3)).isNaN();
        assertThat(once(Operation.POWER, 1e200, 2)).isNaN();
        assertThat(once(Operation.DIVIDE, 0, 0)).isNaN();
        assertThat(once(Operation.MINIMUM, 1, Double.NaN)).isNaN();
    }

    /** A value used twice at each of 200 steps: were nodes told apart by what they are made of in words, this would never end. */
    @Test
    void aValueUsedTwiceCostsNothingHoweverDeepItIs() {
        ColumnGraph graph = new ColumnGraph();
        ColumnGraph.Node node = graph.field(Field.CLOSE);
        for (int depth = 0; depth < 200; depth++) {
            node = Operation.MAXIMUM.in(graph, node, node);
            ColumnGraph.Node again = Operation.MAXIMUM.in(graph, node, node);
            assertThat(again).isSameAs(Operation.MAXIMUM.in(graph, node, node));
            node = again;
        }
        assertThat(graph.size()).isEqualTo(401);
        graph.update(BARS);
        assertThat(node.output().at(50)).isEqualTo(BARS.close(50));
    }

    @Test
    void theSameOnAHigherTimeframeIsComputedOnce() {
        ColumnGraph graph = new ColumnGraph();
        ColumnGraph.Node one =
                Formula.parse("sma(close, 3) on W", Language.builtIn()).in(graph);
        ColumnGraph.Node other =
                Formula.parse("sma(close, 3) on W", Language.builtIn()).in(graph);
        ColumnGraph.Node forming =
                Formula.parse("sma(close, 3) on forming W", Language.builtIn()).in(graph);
        assertThat(one).isSameAs(other);
        assertThat(forming).isNotSameAs(one);
    }

    @Test
    void storedFieldsShareTheColumnsOfTheSeries() {
        ColumnGraph graph = new ColumnGraph();
        ColumnGraph.Node close = graph.field(Field.CLOSE);
        graph.update(BARS);
        assertThat(close.output().values()).isSameAs(BARS.column(Field.CLOSE));
        assertThatThrownBy(() -> BARS.column(Field.TYPICAL)).hasMessageContaining("derived");
    }

    @Test
    void aNodeAddedLaterIsComputedFromTheStart() {
        ColumnGraph graph = new ColumnGraph();
        graph.field(Field.CLOSE);
        graph.update(BARS);
        var sma = Catalogue.builtIn().find("sma").orElseThrow();
        Column average =
                sma.in(graph, Settings.of(sma, Map.of("length", "3"))).get(0).output();
        graph.update(BARS);
        assertThat(average.at(2)).isEqualTo((BARS.close(0) + BARS.close(1) + BARS.close(2)) / 3);
    }

    @Test
    void aNewEpochStartsEverythingAgain() {
        BarSeries series = TestBars.walk(4, 60);
        ColumnGraph graph = new ColumnGraph();
        var ema = Catalogue.builtIn().find("ema").orElseThrow();
        Column average =
                ema.in(graph, Settings.of(ema, Map.of("length", "5"))).get(0).output();
        graph.update(series.snapshot());
        double before = average.at(10);
        series.restart();
        for (int bar = 0; bar < 20; bar++) {
            series.append(TestBars.day(bar), TestBars.day(bar + 1), 7, 7, 7, 7, 7);
        }
        graph.update(series.snapshot());
        assertThat(average.size()).isEqualTo(20);
        assertThat(average.at(10)).isEqualTo(7).isNotEqualTo(before);
    }

    @Test
    void formingValuesComeAndGoWithTheFormingBar() {
        BarSeries series = TestBars.walk(4, 30);
        ColumnGraph graph = new ColumnGraph();
        var highest = Catalogue.builtIn().find("highest").orElseThrow();
        Column most = highest.in(graph, Settings.of(highest, Map.of("length", "4")))
                .get(0)
                .output();
        graph.update(series.snapshot());
        assertThat(most.forming()).isNaN();
        series.form(TestBars.day(30), TestBars.day(31), 1, 9999, 1, 1, 1);
        graph.update(series.snapshot());
        assertThat(most.forming()).isEqualTo(9999);
        assertThat(most.last()).isEqualTo(9999);
        assertThat(most.size()).isEqualTo(30);
        series.form(TestBars.day(30), TestBars.day(31), 1, 2, 1, 1, 1);
        graph.update(series.snapshot());
        assertThat(most.forming()).as("the state was not touched").isLessThan(9999);
    }

    @Test
    void aSnapshotOfAColumnKeepsItsValues() {
        BarSeries series = TestBars.walk(4, 30);
        ColumnGraph graph = new ColumnGraph();
        var sma = Catalogue.builtIn().find("sma").orElseThrow();
        Column live =
                sma.in(graph, Settings.of(sma, Map.of("length", "4"))).get(0).output();
        graph.update(series.snapshot());
        Column kept = live.snapshot();
        for (int bar = 30; bar < 400; bar++) {
            series.append(TestBars.day(bar), TestBars.day(bar + 1), 1, 1, 1, 1, 1);
        }
        graph.update(series.snapshot());
        assertThat(kept.size()).isEqualTo(30);
        assertThat(kept.at(31)).isNaN();
        assertThat(kept.at(-1)).isNaN();
        assertThat(live.size()).isEqualTo(400);
        assertThat(kept.at(29)).isEqualTo(live.at(29));
    }
}
