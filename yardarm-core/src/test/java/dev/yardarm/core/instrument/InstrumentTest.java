package dev.yardarm.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.stance.Stance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class InstrumentTest {
    @Test
    void theSameCodeFromTwoSourcesIsTwoInstruments() {
        InstrumentId one = InstrumentId.parse("halcyon:KTRL");
        assertThat(one).isEqualTo(new InstrumentId("halcyon", "KTRL")).isNotEqualTo(new InstrumentId("own", "KTRL"));
        assertThat(one).hasToString("halcyon:KTRL");
        assertThat(InstrumentId.parse("own:A:B").code()).as("a code may hold a colon").isEqualTo("A:B");
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
                .isTradable()).isFalse();
        assertThat(new Instrument(id, "Ex", "", Instrument.Kind.SHARE, "", "", PriceFormat.ofDecimals(2), 10)
                .isTradable()).isTrue();
        assertThatThrownBy(() -> new Instrument(id, "Ex", "", Instrument.Kind.SHARE, "", "", PriceFormat.ofDecimals(2),
                0)).hasMessageContaining("lot");
        assertThatThrownBy(() -> new PriceFormat(11, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new PriceFormat(2, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aStanceWithoutReasonOrNoteHasEmptyOnes() {
        Stance stance = new Stance(new InstrumentId("s", "X"), Stance.Kind.SKIP, null, null, 0);
        assertThat(stance.reason()).isEmpty();
        assertThat(stance.note()).isEmpty();
        assertThat(stance.withNote("n", 5).withKind(Stance.Kind.LONG, "ignored", 6)).isEqualTo(
                new Stance(new InstrumentId("s", "X"), Stance.Kind.LONG, "", "n", 6));
    }
}
