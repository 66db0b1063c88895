package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Decimals;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.intake.Intake;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.intake.IntakeWork;
import java.io.File;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/**
 * A file of bars or trades before it is imported: what was taken for what, the first and the last rows as they are understood, and
 * what may be said otherwise. Nothing is written until that is seen. Several files come one after the other.
 */
public final class IntakePanel extends VBox {
    private static final int ROWS = 4;

    private final Workbench bench;
    private final Label heading = new Label();
    private final TextField code = new TextField();
    private final TextField name = new TextField();
    private final ComboBox<String> timeframe = new ComboBox<>();
    private final TextField zone = new TextField();
    private final ComboBox<String> dates = new ComboBox<>();
    private final ComboBox<String> decimal = new ComboBox<>();
    private final Label notes = new Label();
    private final Label problem = new Label();
    private final GridPane rows = new GridPane();
    private final CheckBox without = new CheckBox("leave out the rows that cannot be used");
    private final Button take = new Button("Import");
    private final Deque<Path> waiting = new ArrayDeque<>();
    private Path file;
    private Intake.Look look;
    /** Which look was asked for last; answers to those before it are not shown. */
    private int looks;

    private Runnable left = () -> {};

    public IntakePanel(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("help");
        setId("intake-panel");
        setVisible(false);
        setManaged(false);
        setSpacing(8);
        heading.getStyleClass().add("strong");
        code.setId("intake-code");
        code.setAccessibleText("Code");
        code.setPrefColumnCount(10);
        code.textProperty().addListener((observed, before, now) -> showState());
        name.setId("intake-name");
        name.setAccessibleText("Name");
        name.setPromptText("what it is called, if not its code");
        timeframe.setId("intake-timeframe");
        timeframe.setAccessibleText("Timeframe");
        timeframe.getItems().setAll("1m", "5m", "15m", "30m", "1h", "4h", "D", "W", "M");
        timeframe.setEditable(true);
        timeframe.setPrefWidth(90);
        timeframe.getEditor().textProperty().addListener((observed, before, now) -> showState());
        zone.setId("intake-zone");
        zone.setAccessibleText("Zone");
        zone.setPromptText("Atlantic/Azores, +01:00");
        zone.setPrefColumnCount(12);
        zone.setOnAction(event -> lookAgain());
        choice(dates, "intake-dates", "Order of dates", "as found", "day first", "month first", "year first");
        choice(decimal, "intake-decimal", "Decimal sign", "as found", "point", "comma");
        notes.setWrapText(true);
        notes.getStyleClass().add("soft");
        notes.setId("intake-notes");
        problem.setWrapText(true);
        problem.setId("intake-problem");
        problem.getStyleClass().add("strong");
        rows.setHgap(16);
        rows.setVgap(2);
        rows.setId("intake-rows");
        without.setId("intake-without");
        without.setOnAction(event -> showState());
        take.setId("intake-take");
        take.setDefaultButton(true);
        Tips.set(take, "Enter does it too");
        take.setOnAction(event -> take());
        Button cancel = new Button("Leave it");
        cancel.setId("intake-leave");
        cancel.setOnAction(event -> next());
        Label leave = new Label("Esc leaves");
        leave.getStyleClass().addAll("soft", "small");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox.setHgrow(name, Priority.ALWAYS);
        HBox first = row(new Label("Code"), code, new Label("Name"), name, new Label("Bars of"), timeframe);
        HBox second = row(
                new Label("Times without offset are of"),
                zone,
                new Label("Dates"),
                dates,
                new Label("Decimals"),
                decimal);
        getChildren().addAll(heading, first, second, notes, rows, problem, without, row(take, cancel, gap, leave));
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    }

    private void choice(ComboBox<String> box, String id, String words, String... items) {
        box.setId(id);
        box.setAccessibleText(words);
        box.getItems().setAll(items);
        box.setValue(items[0]);
        box.setOnAction(event -> lookAgain());
    }

    private static HBox row(javafx.scene.Node... parts) {
        HBox row = new HBox(8, parts);
        row.setStyle("-fx-alignment: center-left;");
        return row;
    }

    /** Asks for files; none when that is left. */
    public static List<Path> choose(Window owner) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Import bars or trades");
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter("Bars or trades", "*.csv", "*.tsv", "*.txt", "*.parquet"),
                        new FileChooser.ExtensionFilter("All files", "*"));
        List<File> chosen = chooser.showOpenMultipleDialog(owner);
        return chosen == null ? List.of() : chosen.stream().map(File::toPath).toList();
    }

    /** Looks at files, one after the other. */
    public void open(List<Path> files, Runnable whenLeft) {
        left = whenLeft;
        waiting.addAll(files);
        if (!isVisible()) {
            next();
        }
    }

    private void next() {
        file = waiting.poll();
        look = null;
        looks++;
        if (file == null) {
            close();
            return;
        }
        dates.setValue("as found");
        decimal.setValue("as found");
        heading.setText(
                "Import " + file.getFileName() + (waiting.isEmpty() ? "" : "   (" + waiting.size() + " more wait)"));
        code.setText("");
        name.setText("");
        without.setSelected(false);
        setVisible(true);
        toFront();
        lookAgain();
        code.requestFocus();
    }

    public void close() {
        waiting.clear();
        if (isVisible()) {
            setVisible(false);
            left.run();
        }
    }

    private void lookAgain() {
        if (file == null) {
            return;
        }
        // What was read before no longer counts: nothing is imported as it was read under other options.
        look = null;
        int asked = ++looks;
        ReadingOptions options;
        try {
            options = options();
        } catch (DateTimeException unknown) {
            fail("'" + zone.getText().strip() + "' is not a time zone; write it as Atlantic/Azores or +01:00.");
            return;
        }
        notes.setText("Reading ...");
        problem.setText("");
        take.setDisable(true);
        bench.desk()
                .intake()
                .look(
                        file,
                        options,
                        seen -> {
                            if (asked == looks) {
                                show(seen);
                            }
                        },
                        failed -> {
                            if (asked == looks) {
                                rows.getChildren().clear();
                                fail(failed);
                            }
                        });
    }

    private ReadingOptions options() {
        ZoneId of = zone.getText().isBlank() ? null : ZoneId.of(zone.getText().strip());
        ReadingOptions.DateOrder order =
                switch (dates.getValue()) {
                    case "day first" -> ReadingOptions.DateOrder.DMY;
                    case "month first" -> ReadingOptions.DateOrder.MDY;
                    case "year first" -> ReadingOptions.DateOrder.YMD;
                    default -> null;
                };
        char sign =
                decimal.getValue().equals("point") ? '.' : decimal.getValue().equals("comma") ? ',' : 0;
        return new ReadingOptions(of, order, sign, (char) 0, null, List.of());
    }

    private void fail(String words) {
        notes.setText("");
        problem.setText(words);
        take.setDisable(true);
        without.setVisible(false);
        without.setManaged(false);
    }

    private void show(Intake.Look seen) {
        look = seen;
        if (code.getText().isBlank()) {
            code.setText(seen.code());
            code.selectAll();
        }
        timeframe.setValue(seen.timeframe().map(Timeframe::toString).orElse(""));
        timeframe.setDisable(seen.holdsTrades());
        String found = seen.rows() + (seen.holdsTrades() ? " trades" : " bars");
        notes.setText(seen.notes().isEmpty() ? found + "." : found + ": " + String.join("; ", seen.notes()) + ".");
        boolean bad = !seen.badRows().isEmpty();
        without.setVisible(bad);
        without.setManaged(bad);
        problem.setText(
                bad
                        ? seen.badRows().size() + (seen.badRows().size() == 1 ? " row" : " rows")
                                + " cannot be used. The first: "
                                + seen.badRows().get(0).message()
                        : "");
        fill(seen);
        showState();
    }

    private void showState() {
        if (look == null) {
            return;
        }
        boolean known = bench.desk().intake().isKnown(code.getText());
        take.setText(known ? "Add to " + code.getText().strip().toUpperCase(Locale.ROOT) : "Import");
        take.setDisable(look.rows() == 0
                || IntakeWork.problemOf(code.getText()).isPresent()
                || wanted() == null
                || !look.badRows().isEmpty() && !without.isSelected());
    }

    private Timeframe wanted() {
        return Timeframe.parse(timeframe.getEditor().getText()).orElse(null);
    }

    /** The first and the last rows, as they are understood. */
    private void fill(Intake.Look seen) {
        rows.getChildren().clear();
        rows.getColumnConstraints().setAll(new ColumnConstraints(190));
        List<String> titles = seen.holdsTrades()
                ? List.of("time", "price", "size", "side")
                : List.of("time", "open", "high", "low", "close", "volume");
        for (int column = 0; column < titles.size(); column++) {
            cell(0, column, titles.get(column), "soft");
        }
        int all = seen.rows();
        List<Integer> shown = new ArrayList<>();
        for (int row = 0; row < Math.min(ROWS, all); row++) {
            shown.add(row);
        }
        for (int row = Math.max(ROWS, all - ROWS); row < all; row++) {
            shown.add(row);
        }
        int line = 1;
        int before = -1;
        for (int row : shown) {
            if (row != before + 1) {
                cell(line++, 0, "...", "soft");
            }
            before = row;
            List<String> words = seen.holdsTrades() ? trade(seen, row) : bar(seen, row);
            for (int column = 0; column < words.size(); column++) {
                cell(line, column, words.get(column), "number");
            }
            line++;
        }
    }

    private static List<String> bar(Intake.Look seen, int row) {
        Bars bars = seen.bars();
        boolean days = seen.timeframe().map(each -> !each.isIntraday()).orElse(false);
        int digits = Math.max(2, seen.decimals());
        return List.of(
                Intake.time(bars.openTime(row), seen.zone(), days),
                Decimals.of(bars.open(row), digits),
                Decimals.of(bars.high(row), digits),
                Decimals.of(bars.low(row), digits),
                Decimals.of(bars.close(row), digits),
                Double.isNaN(bars.volume(row)) ? "–" : String.format(Locale.ROOT, "%,.0f", bars.volume(row)));
    }

    private static List<String> trade(Intake.Look seen, int row) {
        TickSeries ticks = seen.ticks();
        byte side = ticks.side(row);
        return List.of(
                Intake.time(ticks.time(row), seen.zone(), false),
                Decimals.of(ticks.price(row), Math.max(2, seen.decimals())),
                Double.isNaN(ticks.size(row)) ? "–" : String.format(Locale.ROOT, "%,.2f", ticks.size(row)),
                side == TickSeries.ASK ? "ask" : side == TickSeries.BID ? "bid" : "–");
    }

    private void cell(int row, int column, String text, String style) {
        Label label = new Label(text);
        label.getStyleClass().add(style);
        GridPane.setHalignment(label, column == 0 ? javafx.geometry.HPos.LEFT : javafx.geometry.HPos.RIGHT);
        rows.add(label, column, row);
    }

    private void take() {
        Timeframe of = wanted();
        if (look == null || of == null || take.isDisabled()) {
            return;
        }
        take.setDisable(true);
        notes.setText("Importing ...");
        // The panel may be left, or show the next file, before this one is in.
        int taken = looks;
        Path takenFile = file;
        Timeframe shown = look.holdsTrades() ? Timeframe.MINUTE : of;
        bench.desk()
                .intake()
                .take(
                        look,
                        code.getText(),
                        name.getText(),
                        of,
                        without.isSelected(),
                        instrument -> {
                            if (taken == looks) {
                                next();
                            }
                            bench.go(View.CHART);
                            bench.room().open(instrument, shown);
                        },
                        failed -> {
                            if (taken == looks) {
                                problem.setText(failed);
                                notes.setText("");
                                showState();
                            } else {
                                bench.desk().tell(takenFile.getFileName() + " was not imported: " + failed);
                            }
                        });
    }

    private void pressed(KeyEvent event) {
        if (event.getCode() == KeyCode.ESCAPE) {
            close();
            event.consume();
        } else if (event.getCode() == KeyCode.ENTER && event.getTarget() != zone && event.getTarget() != take) {
            take();
            event.consume();
        }
    }
}
