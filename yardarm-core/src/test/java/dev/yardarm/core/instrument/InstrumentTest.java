package dev.yardarm.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.stance.Stance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class InstrumentTest {
    @Test
    void theSameCodeFromTwoSourcesIsTwoInstruments() {
        InstrumentId one = InstrumentId.parse("halcyon:KTRL");
        assertThat(one).isEqualTo(new InstrumentId("halcyon", "KTRL")).isNotEqualTo(new InstrumentId("own", "KTRL"));
        assertThat(one).hasToString("halcyon:KTRL");
        assertThat(InstrumentId.parse("own:A:B").code())
                .as("a code may hold a colon")
                .isEqualTo("A:B");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "KTRL", ":KTRL", "own:", " : "})
    void whatIsNoIdentityIsRefused(String text) {
        assertThatThrownBy(() -> InstrumentId.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void anIndexCannotBeBoughtAndALotIsAboveZero() {
        InstrumentId id = new InstrumentId("s", "X");
        assertThat(new Instrument(id, "Ex", "", Instrument.Kind.INDEX, "", "", PriceFormat.ofDecimals(2), 1)
                        .isTradable())
                .isFalse();
        assertThat(new Instrument(id, "Ex", "", Instrument.Kind.SHARE, "", "", PriceFormat.ofDecimals(2), 10)
                        .isTradable())
                .isTrue();
        assertThatThrownBy(
                        () -> new Instrument(id, "Ex", "", Instrument.Kind.SHARE, "", "", PriceFormat.ofDecimals(2), 0))
                .hasMessageContaining("lot");
        assertThatThrownBy(() -> new PriceFormat(11, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new PriceFormat(2, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aStanceWithoutReasonOrNoteHasEmptyOnes() {
        Stance stance = new Stance(new InstrumentId("s", "X"), Stance.Kind.SKIP, null, null, 0);
        assertThat(stance.reason()).isEmpty();
        assertThat(stance.note()).isEmpty();
        assertThat(stance.withNote("n", 5).withKind(Stance.Kind.LONG, "ignored", 6))
                .isEqualTo(new Stance(new InstrumentId("s", "X"), Stance.Kind.LONG, "", "n", 6));
    }

    @ParameterizedTest
    @CsvSource({
        "0.01,2,104.3449,104.34",
        "0.01,2,104.345,104.35",
        "0.05,2,10.024,10",
        "0.05,2,10.026,10.05",
        "0.25,2,99.9,100",
        "1,0,7.5,8",
        "0.0001,4,1.23456,1.2346",
        "0.01,2,-2.346,-2.35"
    })
    void pricesAreRoundedToTheNearestTick(double tick, int decimals, double price, double expected) {
        PriceFormat format = new PriceFormat(decimals, tick);
        assertThat(format.round(price)).isEqualTo(expected);
        assertThat(format.round(format.round(price)))
                .as("rounding again changes nothing")
                .isEqualTo(expected);
        assertThat(Double.parseDouble(format.format(expected))).isEqualTo(expected);
    }

    @Test
    void aMissingPriceStaysMissing() {
        assertThat(PriceFormat.ofDecimals(2).round(Double.NaN)).isNaN();
        assertThat(PriceFormat.ofDecimals(2).round(Double.POSITIVE_INFINITY)).isInfinite();
    }

    @Test
    void thirtySecondsAreWrittenWithAStrokeAndReadBack() {
        PriceFormat bond = new PriceFormat(6, 1.0 / 64, PriceFormat.Style.THIRTY_SECONDS);
        assertThat(bond.format(103.5)).isEqualTo("103-16");
        assertThat(bond.format(103.515625)).isEqualTo("103-16+");
        assertThat(bond.format(99 + 1 / 32.0 + 1 / 128.0)).isEqualTo("99-012");
        assertThat(bond.format(-0.5)).isEqualTo("-0-16");
        for (double price : new double[] {103.5, 103.515625, 99 + 5 / 128.0, 99 + 7 / 128.0, 100, -0.5}) {
            assertThat(bond.parse(bond.format(price))).isEqualTo(price);
        }
        assertThat(bond.parse("98.25")).isEqualTo(98.25);
        assertThat(bond.round(103.52)).isEqualTo(103.515625);
    }

    @Test
    void pipsAreTheLastDigitButOne() {
        PriceFormat pair = new PriceFormat(5, 0.00001, PriceFormat.Style.PIPS);
        assertThat(pair.step()).isEqualTo(0.0001);
        assertThat(pair.stepWord()).isEqualTo("pips");
        assertThat(pair.format(1.23456)).isEqualTo("1.23456");
        assertThat(new PriceFormat(2, 0.05).step()).isEqualTo(0.05);
        assertThat(new PriceFormat(2, 0.05).stepWord()).isEqualTo("ticks");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "104.20 | 104.2",
                "104,20 | 104.2",
                "1,234.50 | 1234.5",
                "1.234,50 | 1234.5",
                "1 234,5 | 1234.5",
                "1'234.5 | 1234.5",
                "−3.5 | -3.5",
                ".5 | 0.5",
                "0,123 | 0.123",
                "1,234,567 | 1234567",
                "12345,678 | 12345.678"
            })
    void numbersAreReadAsPeopleTypeThem(String typed, double number) {
        assertThat(TypedNumber.parse(typed)).isEqualTo(number);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1,234 | may be 1.234 or 1234",
                "abc | is not a number",
                "1e5 | is not a number",
                "12f | is not a number",
                "'' | is not a number",
                "1,23,4 | is not a number",
                "0x10 | is not a number"
            })
    void whatMayMeanTwoNumbersOrNoneIsRefusedWithWords(String typed, String words) {
        assertThatThrownBy(() -> TypedNumber.parse(typed))
                .isInstanceOf(NumberFormatException.class)
                .hasMessageContaining(words);
    }

    @Test
    void pricesAreReadInTheInstrumentsOwnWriting() {
        PriceFormat bond = new PriceFormat(6, 1.0 / 64, PriceFormat.Style.THIRTY_SECONDS);
        assertThat(bond.parse("103-16+")).isEqualTo(103.515625);
        assertThat(bond.parse("103'165")).isEqualTo(103.515625);
        assertThat(bond.parse("103-5")).isEqualTo(103.15625);
        assertThat(bond.parse("103,5")).isEqualTo(103.5);
        assertThatThrownBy(() -> bond.parse("103-40")).hasMessageContaining("0 to 31");
        assertThatThrownBy(() -> bond.parse("about par")).hasMessageContaining("103-16+");
        PriceFormat pair = new PriceFormat(5, 0.00001, PriceFormat.Style.PIPS);
        assertThat(pair.parse("1,30521")).isEqualTo(1.30521);
        assertThat(pair.distance(0.0045)).isEqualTo("45.0 pips");
        assertThat(PriceFormat.ofDecimals(2).distance(1.4)).isEqualTo("1.40");
    }
}
