package dev.yardarm.app.own;

import dev.yardarm.core.own.TextDifference.Kind;
import dev.yardarm.core.own.TextDifference.Row;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Two texts side by side, row by row; what went has a minus before it, what came a plus. */
final class DifferenceList extends GridPane {
    DifferenceList(String id) {
        setId(id);
        getStyleClass().add("difference");
        setHgap(6);
        for (int column = 0; column < 2; column++) {
            ColumnConstraints half = new ColumnConstraints();
            half.setPercentWidth(50);
            half.setHgrow(Priority.ALWAYS);
            getColumnConstraints().add(half);
        }
    }

    /**
     * Shows the rows.
     *
     * @param before what the left side is called
     * @param changedOnly true to leave out what both have
     */
    void show(List<Row> rows, String before, String after, boolean changedOnly) {
        getChildren().clear();
        add(heading(before), 0, 0);
        add(heading(after), 1, 0);
        int line = 1;
        for (Row row : rows) {
            if (changedOnly && row.kind() == Kind.SAME) {
                continue;
            }
            boolean gone = row.kind() == Kind.GONE || row.kind() == Kind.CHANGED;
            boolean made = row.kind() == Kind.NEW || row.kind() == Kind.CHANGED;
            add(line(row.before(), gone ? "\u2212 " : "  ", gone ? "gone" : "same"), 0, line);
            add(line(row.after(), made ? "+ " : "  ", made ? "made" : "same"), 1, line);
            line++;
        }
    }

    private static Label heading(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("soft");
        return label;
    }

    private static Label line(String text, String sign, String kind) {
        Label label = new Label(text.isEmpty() ? "" : sign + text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.setMaxWidth(Double.MAX_VALUE);
        label.getStyleClass().addAll("difference-line", "difference-" + kind);
        return label;
    }
}
