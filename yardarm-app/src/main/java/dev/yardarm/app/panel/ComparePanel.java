package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.desk.room.chart.ChartComparisons;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * Other instruments to put on the chart, over the window: ticked in one of the lists or among all, several at once, with
 * the scale and the form they come up in; and the correlation of two of them. Space ticks, Enter puts them on the chart,
 * Esc leaves.
 */
public final class ComparePanel extends BorderPane {
    private static final String ALL = "all instruments";

    private final Workbench bench;
    private final TextField search = new TextField();
    private final ComboBox<String> lists = new ComboBox<>();
    private final ListView<Instrument> view = new ListView<>();
    private final Set<Instrument> ticked = new LinkedHashSet<>();
    private final ComboBox<LayerScale> scale = new ComboBox<>();
    private final CheckBox bars = new CheckBox("as bars");
    private final CheckBox below = new CheckBox("in a new pane");
    private final Label chosen = new Label();
    private final Button add = new Button("Add to chart");
    private final Button correlate = new Button("Correlation");
    private Runnable left = () -> {};

    public ComparePanel(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("help");
        setId("compare-panel");
        setVisible(false);
        setManaged(false);
        search.setId("compare-search");
        search.setPromptText("code or word of the name");
        search.setAccessibleText("Find an instrument");
        search.textProperty().addListener((observed, before, now) -> fill());
        lists.setId("compare-list");
        lists.setAccessibleText("List");
        lists.setOnAction(event -> fill());
        view.setId("compare-instruments");
        view.setCellFactory(list -> new Row());
        view.setFixedCellSize(26);
        view.setPlaceholder(new Label("No instrument matches."));
        scale.setId("compare-scale");
        scale.setAccessibleText("Scale");
        scale.getItems().addAll(LayerScale.values());
        scale.setConverter(new Words<>(LayerScale::words));
        scale.setValue(LayerScale.PERCENT);
        bars.setId("compare-bars");
        below.setId("compare-below");
        chosen.setId("compare-chosen");
        chosen.setWrapText(true);
        chosen.getStyleClass().add("soft");
        add.setId("compare-add");
        Tips.set(add, "Enter does it too");
        add.setOnAction(event -> add());
        correlate.setId("compare-correlate");
        Tips.set(correlate, "How closely two move together: the two ticked, or the one ticked and the chart's");
        correlate.setOnAction(event -> correlate());
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        HBox.setHgrow(search, Priority.ALWAYS);
        Label heading = new Label("Compare with");
        heading.getStyleClass().add("strong");
        Label leave = new Label("Down goes to the list   Space ticks   Enter puts on the chart   Esc leaves");
        leave.getStyleClass().addAll("soft", "small");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(10, heading, search, lists);
        HBox look = new HBox(12, new Label("Scale"), scale, bars, below);
        HBox actions = new HBox(8, add, correlate, gap, leave);
        for (HBox row : List.of(head, look, actions)) {
            row.setStyle("-fx-alignment: center-left;");
        }
        setTop(head);
        setCenter(view);
        VBox foot = new VBox(8, chosen, look, actions);
        foot.setStyle("-fx-padding: 8 0 0 0;");
        setBottom(foot);
        view.setStyle("-fx-translate-y: 6;");
    }

    /** One instrument with its tick. */
    private final class Row extends ListCell<Instrument> {
        private final CheckBox tick = new CheckBox();

        Row() {
            setPrefWidth(0);
            tick.setFocusTraversable(false);
            tick.setOnAction(event -> tick(getItem(), tick.isSelected()));
        }

        @Override
        protected void updateItem(Instrument instrument, boolean empty) {
            super.updateItem(instrument, empty);
            setGraphic(empty || instrument == null ? null : tick);
            setText(null);
            if (!empty && instrument != null) {
                tick.setText(instrument.code() + "   " + instrument.name());
                tick.setSelected(ticked.contains(instrument));
                tick.setId("compare-" + instrument.code());
            }
        }
    }

    /** Opens the panel over the list gone through. */
    public void open(Runnable whenLeft) {
        left = whenLeft;
        ticked.clear();
        search.clear();
        lists.getItems()
                .setAll(bench.desk().books().lists().stream()
                        .map(NamedList::name)
                        .toList());
        lists.getItems().add(ALL);
        lists.setValue(bench.room().listName());
        fill();
        view.getSelectionModel().selectFirst();
        setVisible(true);
        toFront();
        search.requestFocus();
    }

    public void close() {
        if (isVisible()) {
            setVisible(false);
            left.run();
        }
    }

    private void fill() {
        String wanted = search.getText().strip().toLowerCase(Locale.ROOT);
        List<Instrument> all = bench.desk().directory().all();
        // What is typed is looked for everywhere, so that nobody has to know the list it is in.
        List<Instrument> from = !wanted.isEmpty() || ALL.equals(lists.getValue()) || lists.getValue() == null
                ? all
                : bench.desk().members(lists.getValue());
        List<Instrument> shown = from.stream()
                .filter(each -> bench.room().instrument().filter(each::equals).isEmpty())
                .filter(each -> wanted.isEmpty()
                        || each.code().toLowerCase(Locale.ROOT).contains(wanted)
                        || each.name().toLowerCase(Locale.ROOT).contains(wanted))
                .sorted((one, other) -> Boolean.compare(
                        !one.code().toLowerCase(Locale.ROOT).startsWith(wanted),
                        !other.code().toLowerCase(Locale.ROOT).startsWith(wanted)))
                .toList();
        view.getItems().setAll(shown);
        if (!shown.isEmpty()) {
            view.getSelectionModel().selectFirst();
        }
        show();
    }

    private void tick(Instrument instrument, boolean on) {
        if (on) {
            ticked.add(instrument);
        } else {
            ticked.remove(instrument);
        }
        view.refresh();
        show();
    }

    private void show() {
        chosen.setText(
                ticked.isEmpty()
                        ? "Nothing ticked. Enter adds the highlighted instrument."
                        : ticked.size() + " ticked: "
                                + ticked.stream().map(Instrument::code).collect(Collectors.joining(", ")));
        correlate.setDisable(ticked.size() > 2);
    }

    /** What is ticked, else the one in hand. */
    private List<Instrument> taken() {
        Instrument inHand = view.getSelectionModel().getSelectedItem();
        return !ticked.isEmpty() ? List.copyOf(ticked) : inHand == null ? List.of() : List.of(inHand);
    }

    private void add() {
        List<Instrument> others = taken();
        if (!others.isEmpty()) {
            close();
            bench.room()
                    .comparisons()
                    .add(others, new ChartComparisons.Look(scale.getValue(), bars.isSelected(), below.isSelected()));
        }
    }

    private void correlate() {
        List<Instrument> others = taken();
        if (!others.isEmpty() && others.size() <= 2) {
            close();
            bench.room().instrument().ifPresent(own -> bench.room()
                    .comparisons()
                    .correlate(others.get(0), others.size() == 2 ? others.get(1) : own, 0));
        }
    }

    private void pressed(KeyEvent event) {
        int at = view.getSelectionModel().getSelectedIndex();
        boolean typing = event.getTarget() == search;
        if (event.getCode() == KeyCode.ESCAPE) {
            close();
        } else if (event.getCode() == KeyCode.ENTER && event.getTarget() == correlate) {
            correlate();
        } else if (event.getCode() == KeyCode.ENTER) {
            add();
        } else if (event.getCode() == KeyCode.SPACE && event.getTarget() == view) {
            Instrument inHand = view.getSelectionModel().getSelectedItem();
            if (inHand != null) {
                tick(inHand, !ticked.contains(inHand));
            }
        } else if (typing && event.getCode() == KeyCode.DOWN) {
            view.requestFocus();
        } else if (event.getTarget() == view && event.getCode() == KeyCode.UP && at <= 0) {
            search.requestFocus();
        } else {
            return;
        }
        event.consume();
    }
}
