package dev.yardarm.app.scan;

import dev.yardarm.app.formula.ProposalList;
import dev.yardarm.core.formula.Completion;
import java.util.List;
import java.util.function.BiFunction;
import javafx.geometry.Bounds;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.stage.Popup;

/**
 * A field for a formula or a part of one: what fits at the caret is proposed below it while a word is typed, or when Ctrl+Space asks
 * for it.
 */
public final class FormulaField extends TextField {
    private final BiFunction<String, Integer, List<Completion>> proposer;
    private final ProposalList list = new ProposalList(new Here());
    private final Popup popup = new Popup();
    private boolean taking;

    /**
     * @param proposer what fits in a text at a place, the likeliest first
     * @param waits what is typed here, shown while it is empty
     */
    public FormulaField(BiFunction<String, Integer, List<Completion>> proposer, String waits) {
        this.proposer = proposer;
        setPromptText(waits);
        list.setPrefWidth(ProposalList.WIDTH);
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
        addEventFilter(KeyEvent.KEY_PRESSED, list::pressed);
    }

    /** The text of the field. */
    private final class Here implements ProposalList.Place {
        @Override
        public boolean isProposing() {
            return popup.isShowing();
        }

        @Override
        public void ask() {
            propose(true);
        }

        @Override
        public void take(Completion chosen) {
            int caret = Math.min(getCaretPosition(), getText().length());
            taking = true;
            replaceText(chosen.from(), caret, chosen.text() + (ProposalList.isCall(chosen) ? ")" : ""));
            positionCaret(chosen.from() + chosen.text().length());
            taking = false;
        }

        @Override
        public void leave() {
            popup.hide();
        }
    }

    /** @param asked true to show them at once; else only while a word is being typed */
    private void propose(boolean asked) {
        int caret = Math.min(getCaretPosition(), getText().length());
        boolean wanted = asked || ProposalList.isInWord(getText(), caret);
        List<Completion> found = wanted ? proposer.apply(getText(), caret) : List.of();
        // What is there in full is no proposal.
        boolean whole = found.size() == 1
                && getText().substring(0, caret).endsWith(found.get(0).text());
        if (found.isEmpty() || whole || getScene() == null || getScene().getWindow() == null) {
            popup.hide();
            return;
        }
        list.setPrefHeight(list.offer(found));
        Bounds at = localToScreen(getBoundsInLocal());
        if (at != null && !popup.isShowing()) {
            popup.show(this, at.getMinX(), at.getMaxY() + 1);
        }
    }

    /** True while proposals are shown. */
    public boolean isProposing() {
        return popup.isShowing();
    }
}
