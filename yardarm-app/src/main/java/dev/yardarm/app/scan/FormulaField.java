package dev.yardarm.app.scan;

import dev.yardarm.core.formula.Completion;
import java.util.List;
import java.util.function.BiFunction;
import javafx.geometry.Bounds;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.stage.Popup;

/**
 * A field for a formula or a part of one: what fits at the caret is proposed below it while a word is typed, or when Ctrl+Space asks
 * for it. Up and Down choose, Enter or Tab take, Esc leaves the proposals.
 */
public final class FormulaField extends TextField {
    private static final double ROW = 22;
    private static final double WIDTH = 330;
    private static final int SHOWN = 8;

    private final BiFunction<String, Integer, List<Completion>> proposer;
    private final ListView<Completion> list = new ListView<>();
    private final Popup popup = new Popup();
    private boolean taking;

    /**
     * @param proposer what fits in a text at a place, the likeliest first
     * @param waits what is typed here, shown while it is empty
     */
    public FormulaField(BiFunction<String, Integer, List<Completion>> proposer, String waits) {
        this.proposer = proposer;
        setPromptText(waits);
        list.getStyleClass().add("proposals");
        list.setAccessibleText("Proposals");
        list.setFixedCellSize(ROW);
        list.setFocusTraversable(false);
        list.setPrefWidth(WIDTH);
        list.setCellFactory(each -> new Row());
        list.setOnMouseClicked(event -> take());
        popup.getContent().add(list);
        popup.setAutoHide(true);
        popup.setHideOnEscape(false);
        textProperty().addListener((observed, before, now) -> {
            if (isFocused() && !taking) {
                propose(false);
            }
        });
        focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                popup.hide();
            }
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
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

    private void pressed(KeyEvent event) {
        KeyCode code = event.getCode();
        if (code == KeyCode.SPACE && event.isControlDown()) {
            propose(true);
            event.consume();
        } else if (!popup.isShowing()) {
            return;
        } else if (code == KeyCode.DOWN || code == KeyCode.UP) {
            int next = list.getSelectionModel().getSelectedIndex() + (code == KeyCode.DOWN ? 1 : -1);
            list.getSelectionModel().select(Math.floorMod(next, list.getItems().size()));
            list.scrollTo(list.getSelectionModel().getSelectedIndex());
            event.consume();
        } else if (code == KeyCode.TAB || code == KeyCode.ENTER) {
            take();
            event.consume();
        } else if (code == KeyCode.ESCAPE) {
            popup.hide();
            event.consume();
        }
    }

    /** @param asked true to show them at once; else only while a word is being typed */
    private void propose(boolean asked) {
        int caret = Math.min(getCaretPosition(), getText().length());
        char before = caret == 0 ? ' ' : getText().charAt(caret - 1);
        boolean word = Character.isLetter(before) || before == '#' || before == '.';
        List<Completion> found = asked || word ? proposer.apply(getText(), caret) : List.of();
        // What is there in full is no proposal.
        boolean whole = found.size() == 1
                && getText().substring(0, caret).endsWith(found.get(0).text());
        if (found.isEmpty() || whole || getScene() == null || getScene().getWindow() == null) {
            popup.hide();
            return;
        }
        list.getItems().setAll(found);
        list.getSelectionModel().selectFirst();
        list.scrollTo(0);
        list.setPrefHeight(ROW * Math.min(SHOWN, found.size()) + 4);
        Bounds at = localToScreen(getBoundsInLocal());
        if (at != null && !popup.isShowing()) {
            popup.show(this, at.getMinX(), at.getMaxY() + 1);
        }
    }

    private void take() {
        Completion chosen = list.getSelectionModel().getSelectedItem();
        popup.hide();
        if (chosen == null) {
            return;
        }
        boolean call = chosen.text().endsWith("(");
        int caret = Math.min(getCaretPosition(), getText().length());
        taking = true;
        replaceText(chosen.from(), caret, chosen.text() + (call ? ")" : ""));
        positionCaret(chosen.from() + chosen.text().length());
        taking = false;
    }

    /** True while proposals are shown. */
    public boolean isProposing() {
        return popup.isShowing();
    }
}
