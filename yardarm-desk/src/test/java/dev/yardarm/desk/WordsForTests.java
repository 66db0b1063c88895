package dev.yardarm.desk;

import dev.yardarm.desk.action.Action;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.Actions;
import java.util.Collection;

/** A few actions with words, as the window declares them. */
final class WordsForTests {
    private static final Actions ACTIONS = new Actions();

    static {
        ActionGroup group = ACTIONS.group('H', "hide-and-show", "Hide and show");
        group.on('V', "volume", () -> {}).says("volume", "show or hide volume");
        group.word("compare", "other instruments on the chart", () -> {});
        group.word("night watch", "theme Night watch", () -> {});
        group.word("help", "keys and commands", () -> {}, "shortcuts");
        group.word("log", "logarithmic price scale", () -> {}, "logarithmic");
    }

    private WordsForTests() {}

    static Collection<Action> all() {
        return ACTIONS.all();
    }

    static Action of(String word) {
        return ACTIONS.all().stream()
                .filter(each -> each.word().equals(word))
                .findFirst()
                .orElseThrow();
    }
}
