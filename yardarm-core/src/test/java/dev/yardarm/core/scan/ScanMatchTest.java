package dev.yardarm.core.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.Bars;
import java.util.List;
import org.junit.jupiter.api.Test;

class ScanMatchTest {
    private static final Bars BARS = TestBars.ofCloses(10, 11, 12, 13);

    private static Scan scan(String... conditions) {
        return new Scan("s", "l", Timeframe.DAY, List.of(conditions));
    }

    @Test
    void allConditionsMustHoldAtTheLastBar() {
        assertThat(ScanMatch.of(BARS, scan("close > 12", "close > close back 1").formulas(Language.builtIn())))
                .isEqualTo(ScanMatch.YES);
        assertThat(ScanMatch.of(BARS, scan("close > 12", "close > 14").formulas(Language.builtIn())))
                .isEqualTo(ScanMatch.NO);
    }

    @Test
    void unknownCountsAsNo() {
        assertThat(ScanMatch.of(BARS, scan("close > sma(close, 50)").formulas(Language.builtIn())))
                .isEqualTo(ScanMatch.NO);
        assertThat(ScanMatch.of(BARS, scan("not close > sma(close, 50)").formulas(Language.builtIn())))
                .isEqualTo(ScanMatch.NO);
        assertThat(ScanMatch.of(Bars.EMPTY, scan("close > 1").formulas(Language.builtIn())))
                .isEqualTo(ScanMatch.NO);
    }

    @Test
    void aFormingBarMakesItProvisional() {
        assertThat(ScanMatch.of(
                        TestBars.prefix(BARS, 4, true), scan("close > 12").formulas(Language.builtIn())))
                .isEqualTo(ScanMatch.PROVISIONAL);
    }

    @Test
    void aScanNeedsGoodConditions() {
        assertThatThrownBy(() -> scan().formulas(Language.builtIn())).hasMessageContaining("no condition");
        assertThatThrownBy(() -> scan("close").formulas(Language.builtIn()))
                .hasMessageContaining("condition is needed");
    }
}
