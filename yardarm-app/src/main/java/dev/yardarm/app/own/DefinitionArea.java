package dev.yardarm.app.own;

import dev.yardarm.app.formula.ProposalList;
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
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import org.fxmisc.flowless.VirtualizedScrollPane;
import org.fxmisc.richtext.CodeArea;
import org.fxmisc.richtext.LineNumberFactory;
import org.fxmisc.richtext.model.StyleSpans;
import org.fxmisc.richtext.model.StyleSpansBuilder;

/**
 * The text of a definition while it is written: words in their colours, faults underlined, proposals below the caret while a word
 * is typed or when Ctrl+Space asks for them.
 */
final class DefinitionArea extends StackPane {
    private final OwnDesk editing;
    private final CodeArea area = new CodeArea();
    private final ProposalList proposals = new ProposalList(new Here());
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
        proposals.setManaged(false);
        proposals.setVisible(false);
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
        area.addEventFilter(KeyEvent.KEY_PRESSED, proposals::pressed);
        setMinHeight(120);
    }

    CodeArea area() {
        return area;
    }

    /** The text of the definition. */
    private final class Here implements ProposalList.Place {
        @Override
        public boolean isProposing() {
            return proposals.isVisible();
        }

        @Override
        public void ask() {
            propose(true);
        }

        @Override
        public void take(Completion chosen) {
            String behind = ProposalList.behind(chosen);
            area.replaceText(chosen.from(), area.getCaretPosition(), chosen.text() + behind);
            area.moveTo(chosen.from() + chosen.text().length() + (ProposalList.isCall(chosen) ? 0 : behind.length()));
            hide();
            area.requestFocus();
        }

        @Override
        public void leave() {
            hide();
        }
    }

    /** @param asked true to show them at once; else only while a word is being typed */
    private void propose(boolean asked) {
        int caret = area.getCaretPosition();
        String text = area.getText();
        if (!asked && !ProposalList.isInWord(text, caret) || !area.isFocused() || inText(text, caret)) {
            hide();
            return;
        }
        List<Completion> found = editing.completions(caret);
        if (found.isEmpty()) {
            hide();
            return;
        }
        double height = proposals.offer(found);
        proposals.setVisible(true);
        place(height);
    }

    /** True within quotation marks or a remark. */
    private static boolean inText(String text, int caret) {
        String line = text.substring(text.lastIndexOf('\n', caret - 1) + 1, caret);
        return line.chars().filter(each -> each == '"').count() % 2 == 1 || line.contains("//");
    }

    private void place(double height) {
        Bounds caret = area.getCaretBounds().orElse(null);
        Point2D at = caret == null ? new Point2D(40, 20) : screenToLocal(caret.getMinX(), caret.getMaxY());
        double width = Math.min(ProposalList.WIDTH, getWidth() - 8);
        double x = Math.max(4, Math.min(at.getX(), getWidth() - width - 4));
        double below = at.getY() + 2;
        double line = caret == null ? 18 : caret.getHeight();
        double y = below + height > getHeight() ? Math.max(0, at.getY() - line - height - 2) : below;
        proposals.resizeRelocate(x, y, width, height);
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
