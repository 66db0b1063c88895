package dev.yardarm.app.window;

import dev.yardarm.desk.line.LineCommand;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The key map and the commands, over the window; Esc closes it. */
final class HelpPane extends VBox {
    private final LeaderKeys keys;

    HelpPane(LeaderKeys keys) {
        this.keys = keys;
        getStyleClass().add("help");
        setId("help");
        setVisible(false);
        setManaged(false);
        setSpacing(10);
    }

    /** Shows or hides it; keys may have changed since the last time. */
    void toggle() {
        if (!isVisible()) {
            getChildren().clear();
            fill();
        }
        setVisible(!isVisible());
        toFront();
    }

    private void fill() {
        Label title = new Label("Keys and commands");
        title.getStyleClass().add("strong");
        Label leave = new Label("Esc closes this");
        leave.getStyleClass().add("soft");
        GridPane grid = new GridPane();
        grid.setHgap(14);
        grid.setVgap(4);
        ColumnConstraints first = new ColumnConstraints();
        first.setMinWidth(110);
        grid.getColumnConstraints().add(first);
        int row = 0;
        for (LeaderKeys.Group group : keys.groups()) {
            StringBuilder entries = new StringBuilder();
            for (LeaderKeys.Entry entry : group.entries()) {
                entries.append(entries.isEmpty() ? "" : "   ")
                        .append(entry.key())
                        .append(' ')
                        .append(entry.label());
            }
            row = add(grid, row, group.letter() + "  " + group.title(), entries.toString());
        }
        row = add(grid, row, "N, Shift+N", "next and previous instrument of the list");
        row = add(grid, row, "Ctrl+K", "command line; a letter that opens nothing starts it too");
        row = add(grid, row, "Ctrl+F", "search in the list");
        row = add(grid, row, "Ctrl+Z, Ctrl+Y", "undo, redo");
        row = add(
                grid,
                row,
                "arrows",
                "pan; up and down nudge a chosen drawing by a tick; with a tool in hand they "
                        + "move the pointer and Enter places a point; Shift goes faster");
        row = add(grid, row, "+ and −", "zoom");
        row = add(grid, row, "Home, End", "oldest and newest bars");
        row = add(grid, row, "Delete", "delete what is chosen");
        row = add(grid, row, "Space", "in the Layers panel: hide or show the layer; W K goes there");
        row = add(
                grid,
                row,
                "Shift held",
                "draw without snapping; a click adds a drawing to those chosen or takes it away, a drag "
                        + "draws a box around drawings");
        row = add(grid, row, "Ctrl+A, C, V", "choose all drawings, copy the chosen ones, put them on any chart");
        row = add(grid, row, "Backspace", "takes back the last point of a drawing that is being placed");
        row = add(grid, row, "Q held", "measure from the pointer: price, per cent, ticks or pips, bars, time, volume");
        row = add(grid, row, "Ctrl held", "drag over bars to zoom to them");
        row = add(
                grid,
                row,
                "middle button",
                "drag to move the chart, whatever lies under the pointer and whichever tool is in hand");
        row = add(grid, row, "Ctrl+Tab, Ctrl+PgDn", "next layout, next chart of the layout");
        row = add(
                grid, row, "double click", "an axis fits itself again; the head of a chart gives it the whole layout");
        row = add(
                grid,
                row,
                "change a key",
                "key layout.split-beside V  (group and words of the entry); key layout Y for "
                        + "a first letter; key leader alt, off or plain. Kept in documents/keys.json");
        row = add(
                grid,
                row,
                "charts",
                "layout 2x2 · layout new 1x2 · step-down W D 1h · link 1 shares instrument time · "
                        + "preset save swing · range 20 · brick atr14 D · point-figure 1%x3 D · session 09:00-12:00 · percent · "
                        + "5 days · go to 2026-03-02 · save chart.svg · list new Focus · list paste · list weight PV60 50");
        row = add(
                grid,
                row,
                "command line",
                "KTRL W · 15m · sma 50 · rsi 9 high · level 98.40 · line 2026-03-02 95.20 "
                        + "2026-05-11 101 · plan 104.20 102.80 107 · alert · alert close · long · skip too wide · note text · "
                        + "rsi(14) < 30 (scans the list)");
        StringBuilder words = new StringBuilder();
        for (LineCommand.Word word : LineCommand.Word.values()) {
            words.append(words.isEmpty() ? "" : " · ").append(word.text());
        }
        add(grid, row, "plain commands", words.toString());
        ScrollPane scroll = new ScrollPane(grid);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        getChildren().addAll(new HBox(16, title, leave), scroll);
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
