package dev.yardarm.app.formula;

import dev.yardarm.core.formula.Completion;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/**
 * What fits where a formula is typed, one to a row with what it is and does. Up and Down choose, Enter or Tab take, Esc leaves,
 * Ctrl+Space asks; whoever the text belongs to shows the list and writes what is taken.
 */
public final class ProposalList extends ListView<Completion> {
    /** How wide it usually is. */
    public static final double WIDTH = 330;

    private static final double ROW = 22;
    private static final int SHOWN = 8;

    private final Place place;

    /** The text that proposals are for. */
    public interface Place {
        /** True while the list is shown. */
        boolean isProposing();

        /** Finds what fits at the caret and shows it; called when it is asked for. */
        void ask();

        /** Writes what was chosen in the place of what was typed. */
        void take(Completion chosen);

        /** Shows no proposals. */
        void leave();
    }

    public ProposalList(Place place) {
        this.place = place;
        getStyleClass().add("proposals");
        setAccessibleText("Proposals");
        setFixedCellSize(ROW);
        setFocusTraversable(false);
        setCellFactory(list -> new Row());
        setOnMouseClicked(event -> take());
    }

    /** Puts proposals in, the likeliest first; how high the list wants to be. */
    public double offer(List<Completion> found) {
        getItems().setAll(found);
        getSelectionModel().selectFirst();
        scrollTo(0);
        return ROW * Math.min(SHOWN, found.size()) + 4;
    }

    /** Takes the keys that are about proposals before the text does. */
    public void pressed(KeyEvent event) {
        KeyCode code = event.getCode();
        if (code == KeyCode.SPACE && event.isControlDown()) {
            place.ask();
        } else if (!place.isProposing()) {
            return;
        } else if (code == KeyCode.DOWN || code == KeyCode.UP) {
            int next = getSelectionModel().getSelectedIndex() + (code == KeyCode.DOWN ? 1 : -1);
            getSelectionModel().select(Math.floorMod(next, getItems().size()));
            scrollTo(getSelectionModel().getSelectedIndex());
        } else if (code == KeyCode.TAB || code == KeyCode.ENTER && !event.isControlDown()) {
            take();
        } else if (code == KeyCode.ESCAPE) {
            place.leave();
        } else {
            return;
        }
        event.consume();
    }

    private void take() {
        Completion chosen = getSelectionModel().getSelectedItem();
        place.leave();
        if (chosen != null) {
            place.take(chosen);
        }
    }

    /** True when a word is being typed before the caret: proposals come by themselves. */
    public static boolean isInWord(String text, int caret) {
        char before = caret == 0 || caret > text.length() ? ' ' : text.charAt(caret - 1);
        return Character.isLetter(before) || before == '#' || before == '.';
    }

    /** What is written behind the words of a proposal. */
    public static String behind(Completion chosen) {
        return isCall(chosen) ? ")" : chosen.text().endsWith(":") ? " " : "";
    }

    /** True when the caret belongs between what is written and what is behind it. */
    public static boolean isCall(Completion chosen) {
        return chosen.text().endsWith("(");
    }

    /** One proposal: what is written, what it is, what it does. */
    private static final class Row extends ListCell<Completion> {
        private final Label text = new Label();
        private final Label kind = new Label();
        private final HBox row = new HBox(8, text, new Region(), kind);

        Row() {
            HBox.setHgrow(row.getChildren().get(1), Priority.ALWAYS);
            kind.getStyleClass().add("soft");
            text.setMinWidth(Region.USE_PREF_SIZE);
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Completion completion, boolean empty) {
            super.updateItem(completion, empty);
            if (empty || completion == null) {
                setGraphic(null);
                return;
            }
            text.setText(completion.text());
            kind.setText(
                    completion.help().isEmpty() ? completion.kind() : completion.kind() + ": " + completion.help());
            setGraphic(row);
        }
    }
}
