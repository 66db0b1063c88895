package dev.yardarm.core.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.vantage.Vantage;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A scan put to one instrument. */
class ScanTermsTest {
    private static final Bars BARS = TestBars.ofCloses(10, 11, 12, 13);

    private static Scan scan(String... conditions) {
        return Scan.of("s", "l", Timeframe.DAY, List.of(conditions));
    }

    private static ScanOutcome look(Scan scan, Bars bars, boolean misses) {
        return scan.read(Language.builtIn()).look(new Vantage(0, bars, Surroundings.NONE), misses);
    }

    private static ScanMatch match(Bars bars, String... conditions) {
        return look(scan(conditions), bars, false).match();
    }

    @Test
    void allConditionsMustHoldAtTheLastBar() {
        assertThat(match(BARS, "close > 12", "close > close back 1")).isEqualTo(ScanMatch.YES);
        assertThat(match(BARS, "close > 12", "close > 14")).isEqualTo(ScanMatch.NO);
    }

    @Test
    void unknownCountsAsNo() {
        assertThat(match(BARS, "close > sma(close, 50)")).isEqualTo(ScanMatch.NO);
        assertThat(match(BARS, "not close > sma(close, 50)")).isEqualTo(ScanMatch.NO);
        assertThat(match(Bars.EMPTY, "close > 1")).isEqualTo(ScanMatch.NO);
    }

    @Test
    void aFormingBarMakesItProvisional() {
        assertThat(match(TestBars.prefix(BARS, 4, true), "close > 12")).isEqualTo(ScanMatch.PROVISIONAL);
    }

    @Test
    void aScanNeedsGoodConditions() {
        assertThatThrownBy(() -> scan().read(Language.builtIn())).hasMessageContaining("no condition");
        assertThatThrownBy(() -> scan("close").read(Language.builtIn())).hasMessageContaining("condition is needed");
        assertThatThrownBy(() -> scan("close > 1").showing("clsoe", List.of()).read(Language.builtIn()))
                .hasMessageContaining("the order");
        assertThatThrownBy(() -> scan("close > 1").showing("", List.of("clsoe")).read(Language.builtIn()))
                .hasMessageContaining("the column 'clsoe'");
    }

    @Test
    void orderAndColumnsAreTheFormulasAtTheLastBar() {
        Bars bars = TestBars.walk(5, 120).snapshot();
        Scan scan = scan("close > 0").showing("rsi(14)", List.of("atr(14)", "close > open"));
        ScanOutcome outcome = look(scan, bars, false);
        assertThat(outcome.rank()).isEqualTo(last("rsi(14)", bars));
        assertThat(outcome.columns()).containsExactly(last("atr(14)", bars), last("close > open", bars));
    }

    /** What the condition speaks of that can be drawn comes with what was found, at the last bars; with a short history at all. */
    @Test
    void linesOverTheBarsComeAlong() {
        Bars bars = TestBars.walk(5, 120).snapshot();
        Scan scan = scan("close > 0", "low < sma(close, 5) + atr(14) * 9", "rsi(14) > 0", "high > lowest(low, 10)");
        assertThat(scan.read(Language.builtIn()).lines()).containsExactly("sma(close, 5)", "lowest(low, 10)");
        List<double[]> lines = look(scan, bars, false).lines();
        assertThat(lines).hasSize(2).allMatch(each -> each.length == ScanOutcome.TAIL);
        double[] averages = lines.get(0);
        for (int back = 0; back < ScanOutcome.TAIL; back++) {
            assertThat(averages[averages.length - 1 - back]).isEqualTo(last("sma(close, 5) back " + back, bars));
        }
        Bars few = TestBars.prefix(bars, 12, true);
        assertThat(look(scan("close > 0 or close < sma(close, 5)"), few, false).lines())
                .singleElement()
                .satisfies(line -> assertThat(line).hasSize(12));
    }

    private static double last(String formula, Bars bars) {
        return Formula.parse(formula, Language.builtIn()).evaluate(bars).at(bars.size() - 1);
    }

    @Test
    void theNarrowestOfThoseThatMustAllHoldDecides() {
        // Margins 3 and 1; both change by 1 a bar.
        ScanOutcome fits = look(scan("close > 10", "close > 12"), BARS, false);
        assertThat(fits.decisive()).isEqualTo(1);
        assertThat(fits.score()).isCloseTo(1, within(1e-12));
        ScanOutcome misses = look(scan("close > 14", "close > 15"), BARS, true);
        assertThat(misses.match()).isEqualTo(ScanMatch.NO);
        assertThat(misses.decisive()).isEqualTo(1);
        assertThat(misses.score()).isCloseTo(-2, within(1e-12));
    }

    @Test
    void theBestOfThoseOfWhichAnyMayHoldDecides() {
        assertThat(look(scan("close > 11 or close > 15"), BARS, true).decisive())
                .isZero();
        assertThat(look(scan("close > 17 or close > 15"), BARS, true).decisive())
                .isEqualTo(1);
        ScanOutcome none = look(scan("not (close > 20 or close > 15)"), BARS, true);
        assertThat(none.match()).isEqualTo(ScanMatch.YES);
        assertThat(none.decisive()).isEqualTo(1);
        assertThat(none.score()).isCloseTo(2, within(1e-12));
    }

    @Test
    void ofSoManyThatMustHoldTheLastOneNeededDecides() {
        String two = "if(close > 10, 1, 0) + if(close > 12, 1, 0) + if(close > 15, 1, 0) >= ";
        ScanOutcome fits = look(scan(two + "2"), BARS, true);
        assertThat(fits.match()).isEqualTo(ScanMatch.YES);
        assertThat(fits.decisive()).isEqualTo(1);
        ScanOutcome misses = look(scan(two + "3"), BARS, true);
        assertThat(misses.match()).isEqualTo(ScanMatch.NO);
        assertThat(misses.decisive()).isEqualTo(2);
        assertThat(misses.score()).isCloseTo(-2, within(1e-12));
    }

    @Test
    void whatCannotBeToldHasAReadingWithoutNumbers() {
        ScanOutcome outcome = look(scan("close > sma(close, 50)"), BARS, true);
        assertThat(outcome.readings().get(0).holds()).isNaN();
        assertThat(outcome.score()).isEqualTo(-3);
    }

    @Test
    void aUniverseSaysWhatItMeansAndFollowsANewName() {
        Universe universe = new Universe(
                List.of("Round"), List.of(), 0, List.of("Tidal power"), List.of("large"), List.of("Skipped"));
        assertThat(universe.words()).isEqualTo("Round, Tidal power, large, without Skipped");
        assertThat(universe.renamed("Skipped", "Left out").without()).containsExactly("Left out");
        assertThat(new Universe(List.of(), List.of("PV60"), 10, List.of(), List.of(), List.of()).words())
                .isEqualTo("the 10 heaviest of PV60");
        assertThat(Universe.ALL.words()).isEqualTo("all instruments");
    }
}
