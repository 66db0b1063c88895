package dev.yardarm.app.window;

import dev.yardarm.desk.action.Action;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.Actions;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The key map and the commands, over the window; Esc closes it. */
final class HelpPane extends VBox {
    private final Actions actions;

    HelpPane(Actions actions) {
        this.actions = actions;
        getStyleClass().add("help");
        setId("help");
        setVisible(false);
        setManaged(false);
        setSpacing(10);
    }

    /** Shows or hides it; keys may have changed since the last time. */
    void toggle() {
        if (isVisible()) {
            setVisible(false);
        } else {
            show("Keys and commands", keysAndCommands());
        }
    }

    /** Shows notices, the newest first. */
    void showNotices(List<String> notices) {
        GridPane grid = grid();
        int row = 0;
        for (String notice : notices) {
            row = add(grid, row, row == 0 ? "newest" : "", notice);
        }
        show(notices.isEmpty() ? "No notices yet" : "The last notices", grid);
    }

    private void show(String words, GridPane grid) {
        Label title = new Label(words);
        title.getStyleClass().add("strong");
        Label leave = new Label("Esc closes this");
        leave.getStyleClass().add("soft");
        ScrollPane scroll = new ScrollPane(grid);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(true);
        scroll.setAccessibleText(words);
        getChildren().setAll(new HBox(16, title, leave), scroll);
        setVisible(true);
        toFront();
        // The keys that scroll go to it.
        scroll.requestFocus();
    }

    private static GridPane grid() {
        GridPane grid = new GridPane();
        grid.setHgap(14);
        grid.setVgap(4);
        ColumnConstraints first = new ColumnConstraints();
        first.setMinWidth(110);
        grid.getColumnConstraints().add(first);
        return grid;
    }

    private GridPane keysAndCommands() {
        GridPane grid = grid();
        int row = 0;
        row = add(
                grid,
                row,
                "letters, digits",
                "open the command line: the code of an instrument opens its chart; a timeframe, an indicator, a drawing "
                        + "or a command does what it says; # forces an instrument");
        row = add(
                grid,
                row,
                "Space",
                "leads: a letter chooses a group below, the next letter acts; Ctrl+Space where Space presses a button");
        for (ActionGroup group : actions.groups()) {
            StringBuilder entries = new StringBuilder();
            group.actions().forEach((key, action) -> entries.append(entries.isEmpty() ? "" : "   ")
                    .append(key)
                    .append(' ')
                    .append(action.label()));
            row = add(grid, row, Actions.LEADER + " " + group.letter() + "  " + group.title(), entries.toString());
        }
        row = add(grid, row, "Page Down, Page Up", "next and previous instrument of the list");
        row = add(grid, row, "Ctrl+K", "command line");
        row = add(grid, row, "F8", "all alerts quiet, or ringing again");
        row = add(grid, row, "Ctrl+F", "search in the view");
        row = add(grid, row, "Ctrl +, −, 0", "larger, smaller and usual text, from 90 to 150 %; or type text 120");
        row = add(grid, row, "Ctrl+Z, Ctrl+Y", "undo, redo; Ctrl+Shift+Z too");
        row = add(
                grid,
                row,
                "arrows",
                "pan; up and down nudge a selected drawing by a tick; with a tool active or the crosshair out they "
                        + "move that, and Enter places a point; Shift goes faster");
        row = add(grid, row, "Enter", "takes the crosshair out, or puts it away; in Layers: hides or shows the layer");
        row = add(grid, row, "+ and −", "zoom");
        row = add(grid, row, "Home, End", "oldest and newest bars");
        row = add(grid, row, "Delete", "delete what is selected");
        row = add(
                grid,
                row,
                "Shift held",
                "draw without snapping; a click adds a drawing to the selection or takes it away, a drag "
                        + "draws a box around drawings");
        row = add(grid, row, "Ctrl+A, C, V", "select all drawings, copy the selected ones, paste them on any chart");
        row = add(grid, row, "Backspace", "takes back the last point of a drawing that is being placed");
        row = add(
                grid, row, "F2 held", "measure from the crosshair: price, per cent, ticks or pips, bars, time, volume");
        row = add(grid, row, "Ctrl held", "drag over bars to zoom to them");
        row = add(
                grid,
                row,
                "middle button",
                "drag to move the chart, whatever lies under the pointer and whichever tool is active");
        row = add(grid, row, "Ctrl+Tab, Ctrl+PgDn", "next layout, next chart of the layout");
        row = add(
                grid, row, "double click", "an axis fits itself again; the head of a chart gives it the whole layout");
        row = add(
                grid,
                row,
                "change a key",
                "key layout.split-right V  (group and words of the entry); key layout Y for "
                        + "the letter of a group; key leader alt for Alt and a letter too. Kept in documents/keys.json");
        row = add(
                grid,
                row,
                "charts",
                "layout 2x2 · layout new 1x2 · step-down W D 1h · link 1 shares what where · "
                        + "preset save swing · range 20 · brick atr14 D · point-figure 1%x3 D · session 09:00-12:00 · percent · "
                        + "this week · 60 sessions · go to 2026-03-02 · save chart.svg · list new Focus · list paste · "
                        + "list weight PV60 50");
        row = add(
                grid,
                row,
                "command line",
                "KTRL W · 15m · sma 50 · rsi 9 high · level 98.40 · line 2026-03-02 95.20 "
                        + "2026-05-11 101 · plan 104.20 102.80 107 · alert · alert close · long · skip too wide · note text · "
                        + "rsi(14) < 30 (scans the list)");
        StringBuilder words = new StringBuilder();
        for (Action action : actions.all()) {
            if (!action.word().isEmpty()) {
                words.append(words.isEmpty() ? "" : " · ").append(action.word());
            }
        }
        add(grid, row, "commands", words.toString());
        return grid;
    }

    private static int add(GridPane grid, int row, String keys, String meaning) {
        Label left = new Label(keys);
        left.getStyleClass().add("hint-key");
        Label right = new Label(meaning);
        right.setWrapText(true);
        right.setMaxWidth(640);
        grid.addRow(row, left, right);
        return row + 1;
    }
}
