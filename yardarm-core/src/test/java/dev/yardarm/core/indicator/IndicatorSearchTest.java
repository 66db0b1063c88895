package dev.yardarm.core.indicator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Indicators are found by what people call them. */
class IndicatorSearchTest {
    private static List<String> names(String text) {
        return IndicatorSearch.find(text, Catalogue.builtIn()).stream()
                .map(Indicator::name)
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        "rsi,rsi",
        "MACD,macd",
        "boll,bollinger",
        "money flow,mfi",
        "squeeze,bollinger",
        "cloud,ichimoku",
        "parabolic,psar",
        "drawdown,ulcer",
        "percent r,williams_r",
        "fair price,vwap",
        "yesterday,previous",
        "order flow,delta",
        "pairs,correlation",
        "stage analysis,stage",
        "countdown,exhaustion"
    })
    void byNameTitleSynonymOrPurpose(String text, String expected) {
        assertThat(names(text)).contains(expected);
    }

    @Test
    void theExactNameComesFirst() {
        assertThat(names("ema").get(0)).isEqualTo("ema");
        assertThat(names("rank").get(0)).isEqualTo("rank");
        assertThat(names("ad").get(0)).isEqualTo("ad");
    }

    @Test
    void allWordsMustFitAndNothingIsFoundForNonsense() {
        assertThat(names("volume average")).contains("vwma").doesNotContain("sma");
        assertThat(names("qqqq")).isEmpty();
    }

    @Test
    void withoutAWordAllAreThereByTitle() {
        assertThat(names("")).hasSameSizeAs(Catalogue.builtIn().all());
        assertThat(IndicatorSearch.find("", Catalogue.builtIn()))
                .isSortedAccordingTo((one, other) -> String.CASE_INSENSITIVE_ORDER.compare(one.title(), other.title()));
    }
}
