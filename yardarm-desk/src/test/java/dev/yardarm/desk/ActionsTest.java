package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.desk.action.Action;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.Actions;
import dev.yardarm.desk.action.View;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ActionsTest {
    private final List<String> done = new ArrayList<>();
    private final List<String> told = new ArrayList<>();
    private final Actions actions = new Actions();

    private Action on(ActionGroup group, char key, String label) {
        return group.on(key, label, () -> done.add(label));
    }

    @Test
    void anActionIsFoundByItsLettersInEitherCaseInItsViewAlone() {
        ActionGroup group = actions.group('T', "timeframe", "Timeframe", View.CHART);
        on(group, 'M', "month");
        on(group, 'w', "week").everywhere();
        assertThat(actions.group('t')).contains(group);
        assertThat(actions.group('q')).isEmpty();
        group.find('m', View.CHART).orElseThrow().run(told::add);
        group.find('W', View.SCAN).orElseThrow().run(told::add);
        assertThat(done).containsExactly("month", "week");
        assertThat(group.find('m', View.SCAN)).isEmpty();
        assertThat(group.actions(View.SCAN)).hasSize(1);
        assertThat(actions.groups(View.WATCH)).containsExactly(group);
        assertThat(group.find('z', View.CHART)).isEmpty();
    }

    @Test
    void keysAndNamesAreGivenOnce() {
        ActionGroup group = actions.group('T', "timeframe", "Timeframe");
        on(group, 'M', "month");
        assertThatThrownBy(() -> on(group, 'm', "other")).hasMessageContaining("T m is taken");
        assertThatThrownBy(() -> on(group, 'X', "Month")).hasMessageContaining("timeframe.month");
        assertThatThrownBy(() -> actions.group('T', "other", "Other")).hasMessageContaining("T opens a group");
    }

    @Test
    void whatCannotBeDoneSaysWhatToDoFirst() {
        ActionGroup group = actions.group('P', "plan", "Plan");
        Action action = on(group, 'X', "delete the plan").unless(() -> Optional.of("Draw a plan first."));
        action.run(told::add);
        assertThat(done).isEmpty();
        assertThat(told).containsExactly("Draw a plan first.");
    }

    @Test
    void changedKeysAreFoundAndTakenOnesChangePlaces() {
        ActionGroup layout = actions.group('L', "layout", "Layout");
        Action split = on(layout, 'S', "split right").formerly("layout.split-beside");
        Action whole = on(layout, 'M', "maximise, restore");
        ActionGroup bars = actions.group('B', "bars", "Bars");
        on(bars, 'C', "candles");
        List<String> heard = new ArrayList<>();
        actions.listen(all -> heard.add(all.keys(split)));
        assertThat(actions.keys(split)).isEqualTo("Space L S");
        assertThat(actions.change("layout.split-beside", "m"))
                .as("a name it had")
                .isEqualTo("layout.split-right");
        assertThat(actions.keys(split)).isEqualTo("Space L M");
        assertThat(actions.keys(whole)).isEqualTo("Space L S");
        actions.change("layout.maximise-restore", "7");
        assertThat(actions.keys(whole)).isEqualTo("Space L 7");
        actions.change("layout", "b");
        assertThat(actions.group('b').orElseThrow()).isSameAs(layout);
        assertThat(actions.group('l').orElseThrow()).isSameAs(bars);
        assertThat(actions.tip(split)).isEqualTo("Split right (Space B M)");
        assertThat(heard).containsExactly("Space L M", "Space L M", "Space B M");
    }

    @Test
    void whatHasWordsAloneCanBeGivenAKey() {
        ActionGroup focus = actions.group('W', "focus", "Focus");
        on(focus, 'C', "chart");
        Action next = focus.word("next", "next instrument of the list", () -> done.add("next"));
        assertThat(actions.keys(next)).isEmpty();
        assertThat(actions.tip(next)).isEqualTo("Next instrument of the list (type: next)");
        actions.change("focus.next", "C");
        assertThat(focus.find('c', View.CHART)).contains(next);
    }

    @Test
    void changesThatMeanNothingAreRefused() {
        ActionGroup layout = actions.group('L', "layout", "Layout");
        Action split = on(layout, 'S', "split right");
        for (String[] bad : new String[][] {
            {"layout.split-right", "ab"},
            {"layout.split-right", ""},
            {"layout.nothing", "x"},
            {"nothing", "x"},
            {"layout.split-right", " "}
        }) {
            assertThatThrownBy(() -> actions.change(bad[0], bad[1])).isInstanceOf(IllegalArgumentException.class);
        }
        assertThat(actions.keys(split)).isEqualTo("Space L S");
    }
}
