package dev.yardarm.core.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.vantage.Vantage;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Scans as text, and those that ship. */
class ScanTextTest {
    static List<Scan> library() {
        return ScanLibrary.all();
    }

    @Test
    void aTextSaysAllOfAScan() {
        Scan scan = ScanText.read(
                        """
                        // what I look for in the evening
                        scan "Fresh high"   // a remark
                        purpose Breakouts
                        note Closes above the highest high
                          of twenty bars.
                        over Evening round
                        over All companies
                        members PV60 10
                        sector Tidal power
                        tier large
                        without Skipped
                        on W
                        when close crosses above highest(high, 20) back 1
                        when volume > 1.5 *
                          sma(volume, 20)
                        order rsi(14)
                        show atr(14)
                        show close / open - 1
                        """)
                .get(0);
        assertThat(scan.name()).isEqualTo("Fresh high");
        assertThat(scan.note()).isEqualTo("Closes above the highest high of twenty bars.");
        assertThat(scan.universe())
                .isEqualTo(new Universe(
                        List.of("Evening round", "All companies"),
                        List.of("PV60"),
                        10,
                        List.of("Tidal power"),
                        List.of("large"),
                        List.of("Skipped")));
        assertThat(scan.timeframe()).isEqualTo(Timeframe.WEEK);
        assertThat(scan.condition())
                .isEqualTo("(close crosses above highest(high, 20) back 1) and (volume > 1.5 * sma(volume, 20))");
        assertThat(scan.columns()).containsExactly("atr(14)", "close / open - 1");
        assertThat(ScanText.read(ScanText.write(scan))).containsExactly(scan);
    }

    @Test
    void aTextWithoutAScanIsAConditionAndSeveralScansAreTold() {
        assertThat(ScanText.read("close > sma(close, 50)\n  and rsi(14) < 30")
                        .get(0)
                        .condition())
                .startsWith("close > sma(close, 50)");
        assertThat(ScanText.read("scan \"A\"\nwhen close > 1\nscan \"B\"\r\nwhen close > 2"))
                .extracting(Scan::name)
                .containsExactly("A", "B");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "scan Fresh~when close > 1 | quotation marks",
                "scan \"A\"~wenn close > 1 | line 2: 'wenn'",
                "scan \"A\"~on fortnight~when close > 1 | line 2: 'fortnight' is not a timeframe",
                "scan \"A\"~members PV60 many~when close > 1 | line 2: a number",
                "scan \"A\"~order~when close > 1 | something is wanted",
                "scan \"A\"~note nothing | has no condition",
                "when close > 1~scan \"A\" | begins with scan",
                "// only a remark | no scan in it",
            })
    void whatIsWrongIsToldWithItsLine(String text, String told) {
        assertThatThrownBy(() -> ScanText.read(text.replace("~", "\n"))).hasMessageContaining(told);
    }

    @Test
    void theLibraryHasFiftyScansOfElevenPurposes() {
        assertThat(ScanLibrary.all()).hasSizeGreaterThanOrEqualTo(55);
        Set<String> names = new HashSet<>();
        Set<String> purposes = new HashSet<>();
        for (Scan each : ScanLibrary.all()) {
            assertThat(names.add(each.name())).as(each.name()).isTrue();
            purposes.add(each.purpose());
            assertThat(each.note()).isNotBlank().endsWith(".");
        }
        assertThat(purposes)
                .containsExactlyInAnyOrder(
                        "Breakouts",
                        "Pullbacks",
                        "Reversals",
                        "Moving averages",
                        "Momentum",
                        "Volatility contraction",
                        "Volume",
                        "Candle patterns",
                        "Relative strength",
                        "Stage changes",
                        "Structure");
        assertThat(ScanLibrary.find("yearly high")).isNotEmpty();
        assertThat(ScanLibrary.named("oversold and turning")).isPresent();
    }

    @ParameterizedTest
    @MethodSource("library")
    void everyScanOfTheLibraryIsReadWrittenAndSaysWhy(Scan scan) {
        ScanTerms terms = scan.read(Language.builtIn());
        assertThat(ScanText.read(ScanText.write(scan))).containsExactly(scan);
        ScanOutcome outcome = terms.look(new Vantage(0, TestBars.walk(7, 600).snapshot(), Surroundings.NONE), true);
        assertThat(outcome.readings()).hasSameSizeAs(terms.rule().statements());
        assertThat(outcome.decisive()).isNotNegative();
    }
}
