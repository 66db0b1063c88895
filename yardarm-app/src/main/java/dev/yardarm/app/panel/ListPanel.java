package dev.yardarm.app.panel;

import dev.yardarm.app.chart.LinkBadge;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.app.workbench.Writing;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.feed.Quotes;
import dev.yardarm.desk.own.BlendWork;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartComparisons;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The list gone through: code, stance, last price and the day's change. A click or Enter opens the chart. */
public final class ListPanel extends VBox {
    private final Workbench bench;
    private final Quotes quotes;
    private final ComboBox<String> names = new ComboBox<>();
    private final TextField filter = new TextField();
    private final ListView<Instrument> view = new ListView<>();
    private final List<Row> rows = new ArrayList<>();
    private final LinkBadge colour = new LinkBadge();
    private final PastePanel paste;
    /** False before the first chart has its bars. */
    private boolean quoting;

    public ListPanel(Workbench bench) {
        this.bench = bench;
        paste = new PastePanel(bench);
        quotes = new Quotes(bench.desk().feedServices(), this::showRows);
        getStyleClass().addAll("side", "side-left");
        setId("list-panel");
        setPrefWidth(216);
        setMinWidth(216);
        names.setMaxWidth(Double.MAX_VALUE);
        names.setId("list-name");
        names.setAccessibleText("List");
        names.setOnAction(event -> {
            if (names.getValue() != null && !names.getValue().equals(room().listName())) {
                room().setList(names.getValue());
            }
        });
        filter.setPromptText("find in the list   Ctrl+F");
        filter.setId("list-filter");
        filter.textProperty().addListener((observed, before, now) -> fill());
        filter.setOnAction(event -> openFirst());
        view.setId("list");
        view.setAccessibleText("Instruments of the list");
        view.setFixedCellSize(26);
        view.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        view.setCellFactory(list -> {
            Row row = new Row();
            rows.add(row);
            return row;
        });
        view.setPlaceholder(new Label("Nothing in this list\nfits the search."));
        view.setOnMouseClicked(event -> {
            boolean several = event.isShortcutDown() || event.isShiftDown();
            if (event.getButton() == MouseButton.PRIMARY && !several) {
                openChosen();
            }
        });
        view.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                openChosen();
                event.consume();
            }
        });
        VBox.setVgrow(view, Priority.ALWAYS);
        Label hint = new Label("Page Down, Page Up   type a code");
        hint.getStyleClass().addAll("soft", "small");
        HBox head = new HBox(4, colour, names, new ListMenu(bench, this));
        head.setStyle("-fx-alignment: center-left;");
        HBox.setHgrow(names, Priority.ALWAYS);
        getChildren().addAll(head, filter, view, paste, hint);
        paste.setVisible(false);
        paste.setManaged(false);
        bench.listen(aspect -> {
            if (aspect == Aspect.LIST) {
                showList();
            } else if (aspect == Aspect.DATA && !quoting) {
                quote();
            } else if (aspect == Aspect.CHART) {
                follow();
            }
        });
        showList();
        if (!room().chart().bars().isEmpty()) {
            quote();
        }
    }

    private void showList() {
        List<String> all =
                bench.desk().books().lists().stream().map(NamedList::name).toList();
        if (!all.equals(names.getItems())) {
            names.getItems().setAll(all);
        }
        names.setValue(room().listName());
        int number = bench.desk()
                .books()
                .list(room().listName())
                .map(NamedList::colour)
                .orElse(0);
        colour.show(bench.palette(), number);
        if (quoting) {
            quote();
        }
        fill();
    }

    /** Quotes the list; for the first time when the chart has its bars, so that it does not wait for the quotes. */
    private void quote() {
        quoting = true;
        quotes.watch(room().members());
    }

    private void fill() {
        String wanted = filter.getText().strip().toLowerCase(Locale.ROOT);
        List<Instrument> members = room().members().stream()
                .filter(each -> wanted.isEmpty()
                        || each.code().toLowerCase(Locale.ROOT).contains(wanted)
                        || each.name().toLowerCase(Locale.ROOT).contains(wanted))
                .toList();
        if (!members.equals(view.getItems())) {
            view.getItems().setAll(members);
        } else {
            showRows();
        }
        follow();
    }

    /** Shows the rows anew, each where it is: made anew by the list, they would change places under a press. */
    private void showRows() {
        rows.forEach(Row::show);
    }

    /** Chooses the instrument on the chart. */
    private void follow() {
        room().instrument().ifPresent(instrument -> {
            int at = view.getItems().indexOf(instrument);
            if (view.getSelectionModel().getSelectedIndices().size() > 1) {
                // Several were chosen by hand, to make something of them.
                return;
            }
            view.getSelectionModel().clearAndSelect(at);
            if (at >= 0) {
                view.scrollTo(Math.max(0, at - 6));
            }
        });
        showRows();
    }

    private void openFirst() {
        if (!view.getItems().isEmpty()) {
            view.getSelectionModel().clearAndSelect(0);
            openChosen();
        }
    }

    private void openChosen() {
        Instrument chosen = view.getSelectionModel().getSelectedItem();
        if (chosen != null) {
            bench.openChart(chosen);
        }
    }

    /** Opens the field to paste instruments into the list, with a text in it. */
    public void paste(String text) {
        paste.open(text);
    }

    /** Puts the focus on the list. */
    public void focusList() {
        view.requestFocus();
    }

    public void focusFilter() {
        filter.requestFocus();
        filter.selectAll();
    }

    public void close() {
        quotes.close();
    }

    private final class Row extends ListCell<Instrument> {
        private final Label code = new Label();
        private final Label stance = new Label();
        private final Label last = new Label();
        private final Label change = new Label();
        private final Region gap = new Region();
        private final HBox row = new HBox(4, code, stance, gap, last, change);

        Row() {
            HBox.setHgrow(gap, Priority.ALWAYS);
            code.getStyleClass().add("code");
            code.setMinWidth(40);
            stance.setMinWidth(Region.USE_PREF_SIZE);
            last.setMinWidth(Region.USE_PREF_SIZE);
            change.setMinWidth(46);
            change.setMaxWidth(46);
            change.setStyle("-fx-alignment: center-right;");
            change.getStyleClass().add("small");
            setPrefWidth(0);
            // It stays the graphic and stays visible, with nothing in it while the row is empty: what comes into view
            // during a layout is drawn for a frame before its styles count.
            setGraphic(row);
            // The menu is made when it is asked for: rows are shown anew with every quote.
            addEventFilter(
                    ContextMenuEvent.CONTEXT_MENU_REQUESTED,
                    event -> setContextMenu(isEmpty() ? null : menu(getItem())));
        }

        @Override
        protected void updateItem(Instrument instrument, boolean empty) {
            super.updateItem(instrument, empty);
            show();
        }

        private void show() {
            Instrument instrument = getItem();
            getStyleClass().remove("shown-row");
            if (instrument == null) {
                for (Label each : List.of(code, stance, last, change)) {
                    each.setText("");
                }
                stance.getStyleClass().setAll("label", "stance", "stance-none");
                Tips.clear(this);
                return;
            }
            if (room().instrument().filter(instrument::equals).isPresent()) {
                getStyleClass().add("shown-row");
            }
            code.setText(instrument.code());
            showStance(bench.desk().books().stance(instrument.id()), instrument);
            Quotes.Quote quote = quotes.quote(instrument.id()).orElse(null);
            change.getStyleClass().removeAll("rise", "fall");
            last.setText(quote == null ? "" : instrument.format().format(quote.last()));
            change.setText(quote == null ? "" : Readout.percent(quote.change()).replace(" %", "%"));
            if (quote != null && quote.change() != 0) {
                change.getStyleClass().add(quote.change() > 0 ? "rise" : "fall");
            }
            // Another style class sets a label back to no style at all until the next time styles are applied.
            applyCss();
        }

        /** Acts on the row under the pointer, whatever the chart shows. */
        private ContextMenu menu(Instrument instrument) {
            ContextMenu menu = new ContextMenu(
                    item("Open " + instrument.code(), () -> bench.openChart(instrument)),
                    item("Compare on the chart", () -> room().comparisons()
                            .add(List.of(instrument), ChartComparisons.Look.STANDARD)),
                    new SeparatorMenuItem());
            for (Stance.Kind kind : List.of(Stance.Kind.LONG, Stance.Kind.SHORT, Stance.Kind.WAIT, Stance.Kind.NONE)) {
                menu.getItems()
                        .add(item(
                                kind == Stance.Kind.NONE ? "No stance" : "Stance: " + kind.word(),
                                () -> bench.desk().stanceWork().take(instrument.id(), kind, "")));
            }
            List<Instrument> several = List.copyOf(view.getSelectionModel().getSelectedItems());
            if (several.size() > 1 && several.contains(instrument)) {
                menu.getItems().addAll(new SeparatorMenuItem(), blends(several));
            }
            String list = room().listName();
            var work = bench.desk().listWork();
            menu.getItems()
                    .addAll(
                            new SeparatorMenuItem(),
                            item("Up", () -> work.move(list, instrument.id(), -1)),
                            item("Down", () -> work.move(list, instrument.id(), 1)),
                            item("Remove from " + list, () -> work.remove(list, instrument.id())));
            return menu;
        }

        /** What can be made of several rows: its formula comes into the editor of blends, to be given a code and other weights. */
        private Menu blends(List<Instrument> several) {
            Menu menu = new Menu("Blend of " + several.size());
            for (BlendWork.Form form : BlendWork.Form.values()) {
                if (form == BlendWork.Form.BASKET || several.size() == 2) {
                    menu.getItems()
                            .add(item(
                                    form.words(),
                                    () -> bench.write(new Writing.Blends(BlendWork.formula(form, several)))));
                }
            }
            return menu;
        }

        private MenuItem item(String text, Runnable action) {
            MenuItem item = new MenuItem(text);
            item.setOnAction(event -> action.run());
            return item;
        }

        private void showStance(Stance taken, Instrument instrument) {
            boolean none = taken.kind() == Stance.Kind.NONE;
            stance.getStyleClass().setAll("label", "stance");
            if (none) {
                stance.getStyleClass().add("stance-none");
            }
            String mark = taken.note().isEmpty() ? "" : " *";
            stance.setText(
                    none ? taken.note().isEmpty() ? "" : "note" : taken.kind().word() + mark);
            StringBuilder tip = new StringBuilder(instrument.name());
            if (!taken.reason().isEmpty()) {
                tip.append("\nskip: ").append(taken.reason());
            }
            if (!taken.note().isEmpty()) {
                tip.append("\nnote: ").append(taken.note());
            }
            Tips.set(this, tip.toString());
        }
    }

    private ChartRoom room() {
        return bench.room();
    }
}
