package dev.yardarm.app.own;

import dev.yardarm.core.formula.Completion;
import dev.yardarm.core.formula.Fault;
import dev.yardarm.core.formula.Highlight;
import dev.yardarm.desk.own.OwnDesk;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import org.fxmisc.flowless.VirtualizedScrollPane;
import org.fxmisc.richtext.CodeArea;
import org.fxmisc.richtext.LineNumberFactory;
import org.fxmisc.richtext.model.StyleSpans;
import org.fxmisc.richtext.model.StyleSpansBuilder;

/**
 * The text of a definition while it is written: words in their colours, faults underlined, proposals below the caret while a word
 * is typed or when Ctrl+Space asks for them. Up and Down choose one, Enter or Tab take it, Esc leaves them.
 */
final class DefinitionArea extends StackPane {
    private static final double PROPOSALS_HEIGHT = 168;
    private static final double PROPOSALS_WIDTH = 330;

    private final OwnDesk editing;
    private final CodeArea area = new CodeArea();
    private final ListView<Completion> proposals = new ListView<>();
    private final Consumer<String> typed;
    private boolean showing;

    /** @param typed is told of every change of the text */
    DefinitionArea(OwnDesk editing, Consumer<String> typed) {
        this.editing = editing;
        this.typed = typed;
        area.setId("definition");
        area.getStyleClass().add("definition");
        area.setParagraphGraphicFactory(LineNumberFactory.get(area));
        area.setWrapText(true);
        area.setAccessibleText("Definition of the indicator");
        VirtualizedScrollPane<CodeArea> scroll = new VirtualizedScrollPane<>(area);
        proposals.setId("proposals");
        proposals.setAccessibleText("Proposals");
        proposals.getStyleClass().add("proposals");
        proposals.setManaged(false);
        proposals.setVisible(false);
        proposals.setFocusTraversable(false);
        proposals.setFixedCellSize(22);
        proposals.setCellFactory(list -> new Row());
        proposals.setOnMouseClicked(event -> take());
        getChildren().addAll(scroll, proposals);
        area.textProperty().addListener((observed, before, now) -> {
            if (!showing) {
                this.typed.accept(now);
                propose(false);
            }
        });
        area.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                hide();
            }
        });
        area.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        setMinHeight(120);
    }

    CodeArea area() {
        return area;
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
        } else if (!proposals.isVisible()) {
            return;
        } else if (code == KeyCode.DOWN || code == KeyCode.UP) {
            int next = proposals.getSelectionModel().getSelectedIndex() + (code == KeyCode.DOWN ? 1 : -1);
            proposals
                    .getSelectionModel()
                    .select(Math.floorMod(next, proposals.getItems().size()));
            proposals.scrollTo(proposals.getSelectionModel().getSelectedIndex());
            event.consume();
        } else if (code == KeyCode.TAB || code == KeyCode.ENTER && !event.isControlDown()) {
            take();
            event.consume();
        } else if (code == KeyCode.ESCAPE) {
            hide();
            event.consume();
        }
    }

    /** @param asked true to show them at once; else only while a word is being typed */
    private void propose(boolean asked) {
        int caret = area.getCaretPosition();
        String text = area.getText();
        char before = caret == 0 || caret > text.length() ? ' ' : text.charAt(caret - 1);
        boolean word = Character.isLetter(before) || before == '#' || before == '.';
        if (!asked && !word || !area.isFocused() || inText(text, caret)) {
            hide();
            return;
        }
        List<Completion> found = editing.completions(caret);
        if (found.isEmpty()) {
            hide();
            return;
        }
        proposals.getItems().setAll(found);
        proposals.getSelectionModel().selectFirst();
        proposals.scrollTo(0);
        proposals.setVisible(true);
        place(Math.min(PROPOSALS_HEIGHT, 22 * found.size() + 4));
    }

    /** True within quotation marks or a remark. */
    private static boolean inText(String text, int caret) {
        String line = text.substring(text.lastIndexOf('\n', caret - 1) + 1, caret);
        return line.chars().filter(each -> each == '"').count() % 2 == 1 || line.contains("//");
    }

    private void place(double height) {
        Bounds caret = area.getCaretBounds().orElse(null);
        Point2D at = caret == null ? new Point2D(40, 20) : screenToLocal(caret.getMinX(), caret.getMaxY());
        double width = Math.min(PROPOSALS_WIDTH, getWidth() - 8);
        double x = Math.max(4, Math.min(at.getX(), getWidth() - width - 4));
        double below = at.getY() + 2;
        double line = caret == null ? 18 : caret.getHeight();
        double y = below + height > getHeight() ? Math.max(0, at.getY() - line - height - 2) : below;
        proposals.resizeRelocate(x, y, width, height);
    }

    private void take() {
        Completion chosen = proposals.getSelectionModel().getSelectedItem();
        hide();
        if (chosen == null) {
            return;
        }
        int caret = area.getCaretPosition();
        boolean call = chosen.text().endsWith("(");
        String after = call ? ")" : chosen.text().endsWith(":") ? " " : "";
        area.replaceText(chosen.from(), caret, chosen.text() + after);
        area.moveTo(chosen.from() + chosen.text().length() + (call ? 0 : after.length()));
        hide();
        area.requestFocus();
    }

    private void hide() {
        proposals.setVisible(false);
    }

    boolean isProposing() {
        return proposals.isVisible();
    }

    /** Shows the text of the model, in its colours and with what is at fault. */
    void show() {
        if (!area.getText().equals(editing.text())) {
            showing = true;
            // A step of its own to be undone, however soon it comes after what was typed.
            area.getUndoManager().preventMerge();
            area.replaceText(editing.text());
            area.moveTo(0);
            area.requestFollowCaret();
            showing = false;
        }
        String text = area.getText();
        if (!text.isEmpty()) {
            dress(spans(text.length()));
        }
    }

    /** Gives the lines their colours; only those that have others now, as each that is dressed anew is laid out anew. */
    private void dress(StyleSpans<Collection<String>> spans) {
        int from = 0;
        for (int line = 0; line < area.getParagraphs().size(); line++) {
            int length = area.getParagraphLength(line);
            if (length > 0) {
                StyleSpans<Collection<String>> wanted = spans.subView(from, from + length);
                if (!area.getStyleSpans(line).equals(wanted)) {
                    area.setStyleSpans(from, wanted);
                }
            }
            from += length + 1;
        }
    }

    private StyleSpans<Collection<String>> spans(int length) {
        String[] kinds = new String[length];
        for (Highlight.Piece piece : editing.pieces()) {
            for (int at = piece.start(); at < Math.min(length, piece.start() + piece.length()); at++) {
                kinds[at] = "kind-" + piece.kind().name().toLowerCase(Locale.ROOT);
            }
        }
        boolean[] faulty = new boolean[length];
        for (Fault fault : editing.faults()) {
            int from = Math.max(0, Math.min(fault.position(), length - 1));
            for (int at = from; at < Math.min(length, from + fault.length()); at++) {
                faulty[at] = true;
            }
        }
        StyleSpansBuilder<Collection<String>> spans = new StyleSpansBuilder<>();
        int begin = 0;
        for (int at = 1; at <= length; at++) {
            boolean ends =
                    at == length || !java.util.Objects.equals(kinds[at], kinds[begin]) || faulty[at] != faulty[begin];
            if (ends) {
                List<String> classes = new ArrayList<>();
                if (kinds[begin] != null) {
                    classes.add(kinds[begin]);
                }
                if (faulty[begin]) {
                    classes.add("faulty");
                }
                spans.add(classes, at - begin);
                begin = at;
            }
        }
        return spans.create();
    }

    /** Puts the caret at a place and the focus here. */
    void goTo(int position) {
        area.moveTo(Math.max(0, Math.min(position, area.getLength())));
        area.requestFollowCaret();
        area.requestFocus();
    }
}
