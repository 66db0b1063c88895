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
        LeaderKeys.Group group = keys.group('T', "Timeframe").add('M', "month", () -> done.add("month"))
                .add('m', "minute", () -> done.add("minute")).add('D', "day", () -> done.add("day"));
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
        LeaderKeys.Group group = keys.group('T', "Timeframe").add('M', "month", () -> { });
        assertThatThrownBy(() -> group.add('M', "other", () -> { })).hasMessageContaining("T M is taken");
        assertThatThrownBy(() -> keys.group('T', "again")).hasMessageContaining("T opens a group");
    }
}
