package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.market.feed.FeedFault;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Amounts beyond reason are refused in words where they are typed, and not kept to fail again at each start. */
class WrongAmountsTest extends OnAChart {
    @ParameterizedTest
    @ValueSource(strings = {"cut for 99999999999999m", "delay 9999999999s", "lose for 2m fill after 99999999h"})
    void faultsOfTheLineAreShorterThanAMonth(String fault) {
        assertThatThrownBy(() -> FeedFault.parse(fault, desk.clock().now()))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("longer than a month");
    }

    @Test
    void aBlendWithoutAValueIsNotMade() {
        assertThatThrownBy(() -> front.get(() -> desk.blendWork().make("AAB", "", "#KTRL / 0")))
                .hasStackTraceContaining("has no value whatever its parts are worth");
        assertThat(front.get(() -> desk.blendWork().all())).isEmpty();
        assertThat(front.get(() -> desk.blendWork().make("AAB", "", "#KTRL / #MARN"))
                        .code())
                .isEqualTo("AAB");
    }

    @Test
    void aScenarioHasAName() {
        front.run(() -> desk.scenarioWork().make(instrument("KTRL"), "\"\" 60% to 500, wrong below 10", 100));
        front.settle(desk.scheduler());
        assertThat(String.join(" ", notices)).contains("The scenario was not made");
        assertThat(front.get(
                        () -> desk.scenarioWork().of(instrument("KTRL").id()).all()))
                .isEmpty();
    }

    @Test
    void futuresCurrenciesAndYieldsHaveListsOfTheirOwn() {
        assertThat(front.get(() -> desk.books().lists()))
                .extracting(NamedList::name)
                .contains("Futures", "Currencies", "Yields");
        assertThat(front.get(() -> desk.books().list("Futures").orElseThrow().instruments()))
                .hasSize(5)
                .allMatch(id -> id.code().endsWith("Q"));
        assertThat(front.get(() -> desk.books().list("Currencies").orElseThrow().instruments()))
                .hasSize(15);
    }
}
