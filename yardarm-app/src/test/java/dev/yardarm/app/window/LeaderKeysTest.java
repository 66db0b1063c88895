package dev.yardarm.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class LeaderKeysTest {
    @Test
    void aSecondKeyIsFoundExactlyOrInTheOtherCase() {
        List<String> done = new ArrayList<>();
        LeaderKeys keys = new LeaderKeys();
        LeaderKeys.Group group = keys.group('T', "Timeframe")
                .add('M', "month", () -> done.add("month"))
                .add('m', "minute", () -> done.add("minute"))
                .add('D', "day", () -> done.add("day"));
        assertThat(keys.find('t')).contains(group);
        assertThat(keys.find('q')).isEmpty();
        group.find('M').orElseThrow().action().run();
        group.find('m').orElseThrow().action().run();
        group.find('d').orElseThrow().action().run();
        assertThat(done).containsExactly("month", "minute", "day");
        assertThat(group.find('z')).isEmpty();
        assertThat(group.entries()).hasSize(3);
    }

    @Test
    void aKeyCannotBeGivenTwice() {
        LeaderKeys keys = new LeaderKeys();
        LeaderKeys.Group group = keys.group('T', "Timeframe").add('M', "month", () -> {});
        assertThatThrownBy(() -> group.add('M', "other", () -> {})).hasMessageContaining("T M is taken");
        assertThatThrownBy(() -> keys.group('T', "again")).hasMessageContaining("T opens a group");
    }

    @Test
    void keysChangeAndATakenOneChangesPlaces() {
        java.util.List<String> done = new java.util.ArrayList<>();
        LeaderKeys keys = new LeaderKeys();
        keys.group('L', "Layout")
                .add('S', "split beside", () -> done.add("split"))
                .add('M', "whole layout, and back", () -> done.add("whole"));
        keys.group('B', "Bars").add('C', "candles", () -> done.add("candles"));
        keys.change("layout.split-beside", "m");
        keys.find('l').orElseThrow().find('m').orElseThrow().action().run();
        keys.find('l').orElseThrow().find('s').orElseThrow().action().run();
        assertThat(done).containsExactly("split", "whole");
        keys.change("layout.whole-layout-and-back", "7");
        keys.find('L').orElseThrow().find('7').orElseThrow().action().run();
        assertThat(done).endsWith("whole");
        keys.change("layout", "b");
        assertThat(keys.find('b').orElseThrow().title()).isEqualTo("Layout");
        assertThat(keys.find('l').orElseThrow().title()).isEqualTo("Bars");
        assertThat(keys.find('b').orElseThrow().letter()).isEqualTo('B');
    }

    @Test
    void changesThatMeanNothingAreRefused() {
        LeaderKeys keys = new LeaderKeys();
        keys.group('L', "Layout").add('S', "split beside", () -> {});
        for (String[] bad : new String[][] {
            {"layout.split-beside", "ab"},
            {"layout.split-beside", ""},
            {"layout.nothing", "x"},
            {"nothing", "x"},
            {"layout.split-beside", " "}
        }) {
            assertThatThrownBy(() -> keys.change(bad[0], bad[1])).isInstanceOf(IllegalArgumentException.class);
        }
        assertThat(keys.find('l').orElseThrow().find('s')).isPresent();
    }
}
