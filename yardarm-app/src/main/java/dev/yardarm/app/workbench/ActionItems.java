package dev.yardarm.app.workbench;

import dev.yardarm.desk.action.Action;
import javafx.scene.control.MenuItem;

/** Menu items made from actions: their words with the keys as they are set. Made anew each time a menu opens. */
public final class ActionItems {
    private ActionItems() {}

    /** An item that does an action. */
    public static MenuItem of(Workbench bench, String id) {
        Action action = bench.actions().get(id);
        String keys = bench.actions().keys(action);
        String label =
                Character.toUpperCase(action.label().charAt(0)) + action.label().substring(1);
        MenuItem item = new MenuItem(keys.isEmpty() ? label : label + "   " + keys);
        item.setId("do-" + action.id().replace('.', '-'));
        item.setOnAction(event -> bench.act(action.id()));
        return item;
    }

    /** The keys of an action, or what to type where it has none. */
    public static String keys(Workbench bench, String id) {
        Action action = bench.actions().get(id);
        String keys = bench.actions().keys(action);
        return keys.isEmpty() ? action.word() : keys;
    }
}
