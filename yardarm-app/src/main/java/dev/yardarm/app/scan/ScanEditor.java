package dev.yardarm.app.scan;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Completion;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanLibrary;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.scan.ScanChoices;
import dev.yardarm.desk.scan.ScanDesk;
import dev.yardarm.desk.scan.ScanDraft;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.DatePicker;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Where a scan is chosen, built and changed: the saved ones and the library, what is looked through, the condition twice, order and columns. */
public final class ScanEditor extends ScrollPane {
    private static final double WIDTH = 318;
    private static final String WHEN_ASKED = "when asked";

    private final ScanDesk desk;
    private final ScanDraft draft;
    private final Runnable run;
    private final ListView<String> saved = new ListView<>();
    private final ComboBox<String> schedule = new ComboBox<>();
    private final TextField name = new TextField();
    private final UniverseMenu universe;
    private final ComboBox<Timeframe> timeframe = new ComboBox<>();
    private final RuleEditor rule;
    private final TextArea text = new TextArea();
    private final FormulaField rank;
    private final TextField columns = new TextField();
    private final DatePicker day = new DatePicker();
    private final Label problem = new Label();
    private final Listening heard;
    private boolean filling;

    /** @param run runs what is written */
    public ScanEditor(Workbench bench, ScanDesk desk, Runnable run) {
        this.desk = desk;
        draft = desk.draft();
        this.run = run;
        universe = new UniverseMenu(this::choices, chosen -> write());
        rule = new RuleEditor(new Helped(), draft::setRule, bench::pick, run);
        rank = new FormulaField(draft::proposals, "a formula, the largest first");
        name.setId("scan-name");
        name.setPromptText("name of the scan");
        name.setAccessibleText("Name of the scan");
        universe.setId("scan-universe");
        HBox.setHgrow(universe, Priority.ALWAYS);
        timeframe.getItems().setAll(bench.desk().timeframes());
        timeframe.setId("scan-timeframe");
        timeframe.setAccessibleText("Timeframe of the scan");
        problem.getStyleClass().add("problem");
        problem.setId("scan-problem");
        problem.setWrapText(true);
        problem.managedProperty().bind(problem.textProperty().isNotEmpty());
        prepareSaved();
        prepareFields();
        prepareSchedule();
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(4, title("Scans"), gap, library());
        head.getStyleClass().add("middle-left");
        VBox editor = new VBox(
                8,
                head,
                saved,
                name,
                new HBox(6, universe, timeframe),
                new HBox(
                        6,
                        button("Run", "run-scan", run),
                        button("Save", "save-scan", this::save),
                        button("Delete", "delete-scan", this::delete)),
                labelled("Runs", schedule),
                problem,
                title("Condition"),
                rule,
                label("as a formula"),
                text,
                label("Order"),
                rank,
                label("Columns"),
                columns,
                label("As of"),
                day);
        editor.setPrefWidth(WIDTH);
        editor.setMinWidth(WIDTH);
        editor.setMaxWidth(WIDTH);
        setContent(editor);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setMinWidth(WIDTH + 14);
        setPrefWidth(WIDTH + 14);
        getStyleClass().add("bare");
        heard = desk.listen(this::changed);
        showSaved();
        fill();
        if (!draft.saved().isEmpty()) {
            saved.getSelectionModel().select(0);
        }
        problem.setText(draft.problem());
    }

    /** What the rows of the condition are helped with. */
    private final class Helped implements RuleEditor.Help {
        @Override
        public List<Completion> proposals(String of, int caret) {
            return draft.proposals(of, caret);
        }

        @Override
        public List<String> timeframes() {
            return timeframe.getItems().stream().map(Timeframe::toString).toList();
        }

        @Override
        public Optional<Rule.Group> ruleOf(String condition) {
            return draft.ruleOf(condition);
        }
    }

    private void prepareSaved() {
        saved.setId("scans");
        saved.setAccessibleText("Saved scans");
        saved.setPrefHeight(108);
        saved.setMinHeight(100);
        saved.setFixedCellSize(26);
        saved.getSelectionModel().selectedIndexProperty().addListener((observed, before, now) -> {
            if (!filling && now.intValue() >= 0) {
                draft.open(draft.saved().get(now.intValue()));
            }
        });
        saved.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                run.run();
                event.consume();
            } else if (event.getCode() == KeyCode.DELETE) {
                delete();
                event.consume();
            }
        });
    }

    private void prepareFields() {
        text.setId("scan-text");
        text.setAccessibleText("The condition as a formula");
        text.setPromptText("close crosses above sma(close, 50)");
        text.setWrapText(true);
        text.setPrefRowCount(3);
        text.textProperty().addListener((observed, before, now) -> {
            if (text.isFocused()) {
                draft.setText(now);
            }
        });
        text.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ENTER && !event.isShiftDown()) {
                run.run();
                event.consume();
            }
        });
        rank.setId("scan-rank");
        rank.setAccessibleText("Formula the results are ordered by");
        rank.setOnAction(event -> run.run());
        columns.setId("scan-formulas");
        columns.setPromptText("rsi(14); close / sma(close, 50) - 1");
        columns.setAccessibleText("Formulas shown as columns, with ; between them");
        columns.setOnAction(event -> run.run());
        day.setId("scan-day");
        day.setPromptText("now");
        day.setAccessibleText("Scan as of the end of a past day; empty for now");
        day.setMaxWidth(Double.MAX_VALUE);
        day.setConverter(new IsoDay());
        day.valueProperty().addListener((observed, before, now) -> desk.setDay(now));
    }

    /** The scans that ship, by purpose; one keeps the instruments that are chosen. */
    private MenuButton library() {
        MenuButton menu = new MenuButton("Library");
        menu.setId("scan-library");
        menu.getStyleClass().add("flat");
        menu.setAccessibleText("Scans that ship with the application");
        menu.getItems().add(new MenuItem("\u2026"));
        menu.setOnShowing(event -> {
            Map<String, Menu> purposes = new LinkedHashMap<>();
            for (Scan each : ScanLibrary.all()) {
                MenuItem item = new MenuItem(each.name());
                item.setOnAction(chosen -> {
                    saved.getSelectionModel().clearSelection();
                    draft.open(each.over(universe.universe()));
                });
                purposes.computeIfAbsent(each.purpose(), purpose -> new Menu(purpose))
                        .getItems()
                        .add(item);
            }
            menu.getItems().setAll(purposes.values());
        });
        return menu;
    }

    private static Button button(String text, String id, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.setOnAction(event -> action.run());
        return button;
    }

    private static Label label(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("soft");
        return label;
    }

    private static Label title(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("panel-title");
        return label;
    }

    private void changed(ScanDraft.Change change) {
        switch (change) {
            case SAVED -> {
                showSaved();
                showSchedule();
            }
            case DRAFT -> fill();
            case RULE -> rule.show(draft.rule());
            case TEXT -> showText();
            case WORDS -> problem.setText(draft.problem());
        }
    }

    private void showText() {
        if (!text.isFocused()) {
            text.setText(draft.scan().condition());
        }
    }

    private UniverseMenu.Choices choices() {
        ScanChoices all = desk.choices();
        return new UniverseMenu.Choices(all.lists(), all.indices(), all.sectors(), all.tiers());
    }

    /** Days as they are written everywhere else; what is no day is now. */
    private static final class IsoDay extends StringConverter<LocalDate> {
        @Override
        public String toString(LocalDate value) {
            return value == null ? "" : value.toString();
        }

        @Override
        public LocalDate fromString(String written) {
            try {
                return written == null || written.isBlank() ? null : LocalDate.parse(written.strip());
            } catch (DateTimeParseException bad) {
                return null;
            }
        }
    }

    private void showSaved() {
        filling = true;
        int chosen = saved.getSelectionModel().getSelectedIndex();
        saved.getItems().setAll(draft.saved().stream().map(Scan::name).toList());
        saved.getSelectionModel().select(Math.min(chosen, saved.getItems().size() - 1));
        filling = false;
    }

    /** Shows the scan being written. */
    private void fill() {
        Scan scan = draft.scan();
        filling = true;
        name.setText(scan.name());
        Tips.set(name, scan.note().isEmpty() ? "Save keeps the scan under this name" : scan.note());
        universe.show(scan.universe());
        timeframe.setValue(scan.timeframe());
        rank.setText(scan.rank());
        columns.setText(String.join("; ", scan.columns()));
        text.setText(scan.condition());
        rule.show(draft.rule());
        filling = false;
        showSchedule();
    }

    private void showSchedule() {
        filling = true;
        schedule.setValue(draft.schedule().map(ScanSchedule.When::words).orElse(WHEN_ASKED));
        filling = false;
    }

    private void prepareSchedule() {
        schedule.setId("scan-schedule");
        schedule.setAccessibleText("When the saved scan runs by itself");
        schedule.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(schedule, Priority.ALWAYS);
        schedule.getItems().add(WHEN_ASKED);
        for (ScanSchedule.When when : ScanSchedule.When.values()) {
            schedule.getItems().add(when.words());
        }
        schedule.valueProperty().addListener((observed, before, now) -> {
            if (!filling && now != null) {
                write();
                draft.setSchedule(Arrays.stream(ScanSchedule.When.values())
                        .filter(each -> each.words().equals(now))
                        .findFirst()
                        .orElse(null));
                showSchedule();
            }
        });
    }

    private static HBox labelled(String text, Region field) {
        Label label = label(text);
        label.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(8, label, field);
        row.getStyleClass().add("middle-left");
        return row;
    }

    /** Hands what stands in the fields to the desk; the condition it has already. */
    public void write() {
        if (filling) {
            return;
        }
        draft.write(
                name.getText().strip(),
                universe.universe(),
                timeframe.getValue() == null ? Timeframe.DAY : timeframe.getValue(),
                rank.getText().strip(),
                Arrays.stream(columns.getText().split(";"))
                        .map(String::strip)
                        .filter(each -> !each.isEmpty())
                        .toList());
    }

    /** None of the saved ones is chosen any more. */
    public void clearChoice() {
        saved.getSelectionModel().clearSelection();
    }

    private void save() {
        write();
        if (!draft.save() && name.getText().isBlank()) {
            name.requestFocus();
        }
    }

    private void delete() {
        int chosen = saved.getSelectionModel().getSelectedIndex();
        if (chosen >= 0) {
            draft.delete(draft.saved().get(chosen));
        }
    }

    /** Puts the focus on the saved scans. */
    public void focusSaved() {
        saved.requestFocus();
    }

    /** Puts the focus into the condition. */
    public void focusCondition() {
        rule.focusFirst();
    }

    /** Lets go of what it listens to. */
    public void close() {
        heard.close();
    }
}
