package dev.yardarm.app.window;

import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.line.Proposal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
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
import javafx.scene.layout.StackPane;

/**
 * The command line: a field with proposals below it. Enter takes the chosen proposal, the first unless another was
 * chosen; with an empty line the proposals are the lines taken last. Esc closes the proposals, then leaves the line.
 */
public final class CommandLine extends TextField {
    private static final int MOST_RECENT = 12;
    private static final double ROW = 26;

    private final CommandLanguage language;
    private final Consumer<LineCommand> execute;
    private final Consumer<String> complain;
    private final Runnable leave;
    private final ListView<Proposal> proposals = new ListView<>();
    private final List<String> recent = new ArrayList<>();
    private StackPane stage;

    /**
     * @param complain takes why a line means nothing
     * @param leave gives the focus back
     */
    public CommandLine(
            CommandLanguage language, Consumer<LineCommand> execute, Consumer<String> complain, Runnable leave) {
        this.language = language;
        this.execute = execute;
        this.complain = complain;
        this.leave = leave;
        setId("command-line");
        getStyleClass().add("command-line");
        setPromptText("instrument, timeframe, indicator, level ...   Ctrl+K");
        setAccessibleText("Command line");
        proposals.getStyleClass().add("completion");
        proposals.setId("completion");
        proposals.setFocusTraversable(false);
        proposals.setVisible(false);
        proposals.setManaged(false);
        proposals.setFixedCellSize(ROW);
        proposals.setCellFactory(list -> new ProposalCell());
        proposals.setOnMouseClicked(event -> take());
        textProperty().addListener((observed, before, now) -> propose());
        focusedProperty().addListener((observed, before, now) -> {
            if (now) {
                propose();
            } else {
                proposals.setVisible(false);
            }
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    }

    /** Shows the proposals on top of this pane, below the field; they come into it with the first of them. */
    void attach(StackPane over) {
        stage = over;
    }

    public List<String> recent() {
        return List.copyOf(recent);
    }

    public void setRecent(List<String> lines) {
        recent.clear();
        recent.addAll(lines);
    }

    /** Takes the focus with a beginning typed in. */
    public void prompt(String beginning) {
        requestFocus();
        setText(beginning);
        end();
    }

    public boolean isCompleting() {
        return proposals.isVisible();
    }

    private void propose() {
        if (!isFocused()) {
            return;
        }
        List<Proposal> found = new ArrayList<>();
        if (getText().isBlank()) {
            recent.stream()
                    .limit(6)
                    .forEach(line -> language.read(line).stream().limit(1).forEach(found::add));
        } else {
            found.addAll(language.read(getText()));
        }
        proposals.getItems().setAll(found);
        proposals.setVisible(!found.isEmpty());
        if (!found.isEmpty()) {
            proposals.getSelectionModel().select(0);
            proposals.scrollTo(0);
            place(found.size());
        }
    }

    private void place(int rows) {
        if (stage == null) {
            return;
        }
        if (!stage.getChildren().contains(proposals)) {
            stage.getChildren().add(proposals);
        }
        Bounds inStage = stage.sceneToLocal(localToScene(getBoundsInLocal()));
        double height = Math.min(rows, 9) * ROW + 4;
        double width = Math.max(inStage.getWidth(), 420);
        double x = Math.min(inStage.getMinX(), stage.getWidth() - width - 8);
        proposals.resizeRelocate(x, inStage.getMaxY() + 2, width, height);
        proposals.toFront();
    }

    private void key(KeyEvent event) {
        KeyCode code = event.getCode();
        int chosen = proposals.getSelectionModel().getSelectedIndex();
        if (code == KeyCode.ENTER) {
            take();
        } else if (code == KeyCode.DOWN && proposals.isVisible()) {
            proposals
                    .getSelectionModel()
                    .select(Math.min(chosen + 1, proposals.getItems().size() - 1));
            proposals.scrollTo(Math.max(0, chosen - 6));
        } else if (code == KeyCode.UP && proposals.isVisible()) {
            proposals.getSelectionModel().select(Math.max(chosen - 1, 0));
            proposals.scrollTo(Math.max(0, chosen - 6));
        } else if (code == KeyCode.TAB
                && proposals.isVisible()
                && chosen >= 0
                && !getText().isBlank()) {
            setText(proposals.getSelectionModel().getSelectedItem().text());
            end();
        } else if (code == KeyCode.ESCAPE) {
            if (proposals.isVisible() && !getText().isEmpty()) {
                proposals.setVisible(false);
                clear();
            } else {
                clear();
                leave.run();
            }
        } else {
            return;
        }
        event.consume();
    }

    /** Writes a proposal that needs more into the line and says what is missing. */
    private void complete(Proposal chosen) {
        String before = getText();
        if (!chosen.text().strip().equals(before.strip())) {
            setText(chosen.text());
            end();
        } else if (!before.endsWith(" ") && !before.contains(" ")) {
            appendText(" ");
            end();
        }
        complain.accept(chosen.text().strip() + ": " + chosen.detail() + ".");
    }

    private void take() {
        Proposal chosen = proposals.isVisible() ? proposals.getSelectionModel().getSelectedItem() : null;
        if (chosen == null) {
            List<Proposal> read = language.read(getText());
            chosen = read.isEmpty() ? null : read.get(0);
        }
        if (chosen == null) {
            if (!getText().isBlank()) {
                complain.accept(language.complaint(getText()));
            }
            return;
        }
        if (chosen.command() == null) {
            complete(chosen);
            return;
        }
        recent.remove(chosen.text());
        recent.add(0, chosen.text());
        while (recent.size() > MOST_RECENT) {
            recent.remove(recent.size() - 1);
        }
        clear();
        proposals.setVisible(false);
        leave.run();
        execute.accept(chosen.command());
    }

    /** A proposal: its kind, the full line, and what it is. */
    private static final class ProposalCell extends ListCell<Proposal> {
        private final Label kind = new Label();
        private final Label text = new Label();
        private final Label detail = new Label();
        private final HBox row = new HBox(8, kind, text, new Region(), detail);

        ProposalCell() {
            kind.getStyleClass().addAll("kind", "small");
            text.setMinWidth(Region.USE_PREF_SIZE);
            detail.getStyleClass().add("soft");
            HBox.setHgrow(row.getChildren().get(2), Priority.ALWAYS);
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Proposal proposal, boolean empty) {
            super.updateItem(proposal, empty);
            if (empty || proposal == null) {
                setGraphic(null);
                return;
            }
            kind.setText(proposal.kind());
            text.setText(proposal.text());
            detail.setText(proposal.detail());
            setGraphic(row);
        }
    }
}
