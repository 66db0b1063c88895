package dev.yardarm.app.panel;

import dev.yardarm.app.chart.DrawingMenus;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.room.chart.ChartDrawings;
import dev.yardarm.desk.room.chart.Studies;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Exact prices and dates, options, look and place of a drawing, its alerts, and its end; of several drawings what they have in
 * common, changed in all of them at once.
 */
final class DrawingDetails extends LayerDetails {
    /** Points of longer drawings are moved by hand. */
    private static final int MOST_POINTS = 7;

    private final Workbench bench;
    private final String id;
    private final boolean alone;
    private final StyleEditor style;
    private final List<NumberField> prices = new ArrayList<>();
    private final List<TextField> dates = new ArrayList<>();
    private final List<Runnable> showing = new ArrayList<>();
    private final Label alerts = new Label();
    private boolean busy;
    private Drawing last;

    /** @param ids of the chosen drawings */
    DrawingDetails(Workbench bench, List<String> ids) {
        this.bench = bench;
        this.id = ids.get(0);
        alone = ids.size() == 1;
        last = bench.room().chart().drawing(id).orElseThrow();
        if (alone) {
            heading(last.figure().title() + " (" + last.origin() + ")");
            actions();
            exactly();
        } else {
            heading(ids.size() + " drawings selected");
            actions();
            Label together = new Label("What is changed here is changed in all of them. Drag one of them to move all.");
            together.setWrapText(true);
            together.getStyleClass().addAll("soft", "small");
            wide(together);
        }
        style = new StyleEditor(
                bench,
                () -> new LayerStyle(
                        drawing().colour(),
                        drawing().style().width(),
                        drawing().style().opacity(),
                        drawing().visible()),
                this::setLine);
        style(style);
        look();
        place();
        if (alone) {
            alertButtons();
        }
        if (alone) {
            Label help = new Label(last.figure().help());
            help.setWrapText(true);
            help.getStyleClass().addAll("soft", "small");
            wide(help);
        }
        show();
    }

    /** Points and options. */
    private void exactly() {
        boolean dated = !last.is(Drawing.LEVEL);
        for (int anchor = 0; anchor < Math.min(MOST_POINTS, last.anchors().size()); anchor++) {
            addAnchor(anchor, dated);
        }
        for (Setting option : last.figure().options()) {
            SettingEditor editor = new SettingEditor(
                    option, () -> drawing().settings(), this::setOption, bench.desk()::tell, Map.of());
            showing.add(editor::show);
            row(option.label(), editor.control());
        }
    }

    private void alertButtons() {
        Studies studies = bench.room().studies();
        Button reaches = new Button("Alert: reached");
        reaches.setId("alert-reaches");
        reaches.setOnAction(event -> studies.setAlert(Alert.Trigger.REACHES));
        Button beyond = new Button("Alert: close beyond");
        beyond.setId("alert-beyond");
        beyond.setOnAction(event -> studies.setAlert(Alert.Trigger.CLOSES_BEYOND));
        boolean valued = !last.sketch(
                        bench.room().chart().axis().grid().calendar(), Bars.EMPTY, PriceFormat.ofDecimals(2))
                .courses()
                .isEmpty();
        if (valued) {
            wide(new HBox(4, reaches, beyond));
        }
        alerts.getStyleClass().add("small");
        alerts.setWrapText(true);
        wide(alerts);
    }

    private void actions() {
        ChartDrawings drawings = bench.room().drawings();
        Button delete = new Button("Delete");
        delete.setId("delete-drawing");
        delete.setOnAction(event -> drawings.deleteChosen());
        Button clone = new Button("Duplicate");
        clone.setId("clone-drawing");
        clone.setOnAction(event -> drawings.cloneChosen());
        DrawingMenus menus = new DrawingMenus(bench);
        wide(new VBox(4, new HBox(4, clone, delete), new HBox(4, menus.arrange(), menus.looks(last))));
    }

    private void change(UnaryOperator<Drawing> change) {
        if (!busy) {
            List<Drawing> all =
                    alone ? List.of(drawing()) : bench.room().chart().chosenDrawings();
            bench.room().drawings().change(all.stream().map(change).toList());
        }
    }

    /** Of several drawings each keeps what was not touched: another width for all leaves every colour as it is. */
    private void setLine(LayerStyle changed) {
        Drawing.Style first = drawing().style();
        change(drawing -> {
            Drawing.Style own = drawing.style();
            return drawing.withStyle(own.withLine(
                    changed.colour() == first.colour() ? own.colour() : changed.colour(),
                    changed.width() == first.width() ? own.width() : changed.width(),
                    changed.opacity() == first.opacity() ? own.opacity() : changed.opacity()));
        });
    }

    private void setOption(String name, String value) {
        if (busy) {
            return;
        }
        Map<String, String> options = new LinkedHashMap<>(drawing().options());
        options.put(name, value);
        try {
            Drawing changed = drawing().withOptions(options);
            change(drawing -> changed);
        } catch (IllegalArgumentException bad) {
            bench.desk().tell("The drawing stays as it was: " + bad.getMessage() + ".");
            show();
        }
    }

    /** Dash, fill and words. */
    private void look() {
        ComboBox<Drawing.Style.Dash> dash = new ComboBox<>();
        dash.setId("drawing-dash");
        dash.setAccessibleText("Lines");
        dash.getItems().addAll(Drawing.Style.Dash.values());
        dash.setConverter(new Words<>(each -> each.name().toLowerCase(Locale.ROOT)));
        dash.setOnAction(
                event -> change(drawing -> drawing.withStyle(drawing.style().withDash(dash.getValue()))));
        showing.add(() -> dash.setValue(drawing().style().dash()));
        row("Lines", dash);
        Slider fill = new Slider(0, 0.6, 0.12);
        fill.setId("drawing-fill");
        fill.setAccessibleText("Fill");
        fill.valueProperty()
                .addListener((observed, before, now) -> change(drawing ->
                        drawing.withStyle(drawing.style().withFill(Math.rint(now.doubleValue() * 50) / 50))));
        showing.add(() -> {
            if (!fill.isValueChanging()) {
                fill.setValue(drawing().style().fill());
            }
        });
        row("Fill", fill);
        ComboBox<Drawing.Style.Words> words = new ComboBox<>();
        words.setId("drawing-words");
        words.setAccessibleText("Labels");
        Tips.set(words, "Where the words of the drawing stand");
        words.getItems().addAll(Drawing.Style.Words.values());
        words.setConverter(new Words<>(each -> each == Drawing.Style.Words.AS_BUILT ? "automatic" : each.word()));
        words.setOnAction(
                event -> change(drawing -> drawing.withStyle(drawing.style().withWords(words.getValue()))));
        showing.add(() -> words.setValue(drawing().style().words()));
        row("Labels", words);
    }

    /** Its name, whether it can be moved, whether words are shown, and the timeframes it shows on. */
    private void place() {
        if (alone) {
            named();
        }
        CheckBox locked = box(
                "Locked",
                "drawing-locked",
                () -> drawing().place().locked(),
                on -> change(drawing -> drawing.withPlace(drawing.place().withLocked(on))));
        CheckBox own = box(
                "On this chart alone",
                "drawing-own",
                () -> !drawing().place().chart().isEmpty(),
                on -> change(drawing -> drawing.withPlace(
                        drawing.place().onChart(on ? bench.room().id() : ""))));
        wide(new HBox(12, locked, own));
        CheckBox inherited = box(
                "Shows on lower timeframes",
                "drawing-inherited",
                () -> drawing().place().inherited(),
                on -> change(drawing -> drawing.withPlace(drawing.place().withInherited(on))));
        wide(new HBox(inherited));
        TextField timeframes = new TextField();
        timeframes.setId("drawing-timeframes");
        timeframes.setAccessibleText("Timeframes it shows on");
        timeframes.setPromptText("all");
        taking(timeframes, () -> {
            List<Timeframe> shown = IndicatorDetails.timeframes(timeframes.getText(), bench.desk()::tell);
            if (!shown.equals(drawing().place().timeframes())) {
                change(drawing -> drawing.withPlace(drawing.place().onTimeframes(shown)));
            }
        });
        showing.add(() -> showText(
                timeframes,
                drawing().place().timeframes().stream().map(Timeframe::toString).collect(Collectors.joining(" "))));
        row("Shows on", timeframes);
    }

    private void named() {
        TextField name = new TextField();
        name.setId("drawing-name");
        name.setAccessibleText("Name");
        name.setPromptText("for formulas and alerts");
        taking(name, () -> {
            if (!name.getText().strip().equals(drawing().place().name())) {
                change(drawing -> drawing.withPlace(
                        drawing.place().withName(name.getText().strip())));
            }
        });
        showing.add(() -> showText(name, drawing().place().name()));
        row("Name", name);
    }

    private CheckBox box(String text, String boxId, Supplier<Boolean> now, Consumer<Boolean> take) {
        CheckBox box = new CheckBox(text);
        box.setId(boxId);
        box.setOnAction(event -> take.accept(box.isSelected()));
        showing.add(() -> box.setSelected(now.get()));
        return box;
    }

    private void addAnchor(int anchor, boolean dated) {
        List<String> words = last.figure().points();
        String which = words.get(Math.min(anchor, words.size() - 1));
        NumberField price = new NumberField(
                "price: " + which,
                value -> change(drawing ->
                        drawing.withAnchor(anchor, drawing.anchors().get(anchor).withPrice(value))),
                bench.desk()::tell);
        price.setId("anchor-price-" + anchor);
        prices.add(price);
        if (dated) {
            TextField date = new TextField();
            date.setAccessibleText("date: " + which);
            date.setId("anchor-date-" + anchor);
            Tips.set(date, which);
            date.setOnAction(event -> setDate(anchor, date.getText()));
            dates.add(date);
            HBox.setHgrow(date, Priority.ALWAYS);
            date.setPrefColumnCount(8);
            price.setPrefColumnCount(6);
            row("Point " + (anchor + 1), new HBox(3, date, price));
        } else {
            row("Price", price);
        }
    }

    private void setDate(int anchor, String text) {
        TradingCalendar calendar = bench.room().chart().axis().grid().calendar();
        try {
            LocalDate day = calendar.sameOrNext(LocalDate.parse(text.strip().substring(0, 10)));
            long open = text.strip().length() > 10
                    ? Times.micros(
                            LocalDateTime.parse(text.strip().replace(' ', 'T')).atZone(calendar.zone()))
                    : calendar.open(day);
            long time = new BarGrid(calendar, drawing().origin()).slotAt(open).openTime();
            if (drawing().is(Drawing.LINE)
                    && time == drawing().anchors().get(1 - anchor).time()) {
                bench.desk().tell("Both ends of a line cannot lie on the same bar.");
            } else {
                change(drawing -> drawing.withAnchor(
                        anchor, new Anchor(time, drawing.anchors().get(anchor).price())));
            }
        } catch (DateTimeException | StringIndexOutOfBoundsException bad) {
            bench.desk()
                    .tell("'" + text
                            + "' is not a date; write it as 2026-06-19, or 2026-06-19 09:30 for a bar within a day.");
        }
        show();
    }

    private Drawing drawing() {
        return bench.room().chart().drawing(id).orElse(last);
    }

    @Override
    void show() {
        last = drawing();
        busy = true;
        try {
            showing.forEach(Runnable::run);
        } finally {
            busy = false;
        }
        PriceFormat format = bench.room().instrument().orElseThrow().format();
        TradingCalendar calendar = bench.room().chart().axis().grid().calendar();
        for (int anchor = 0; anchor < prices.size(); anchor++) {
            prices.get(anchor).setPrice(last.anchors().get(anchor).price(), format);
        }
        for (int anchor = 0; anchor < dates.size(); anchor++) {
            if (!dates.get(anchor).isFocused()) {
                var moment = Times.at(last.anchors().get(anchor).time(), calendar.zone());
                dates.get(anchor)
                        .setText(
                                last.origin().isIntraday()
                                        ? moment.toLocalDateTime()
                                                .toString()
                                                .replace('T', ' ')
                                                .substring(0, 16)
                                        : moment.toLocalDate().toString());
            }
        }
        style.show();
        StringBuilder text = new StringBuilder();
        for (Alert alert : bench.room().chart().alerts()) {
            if (alert.isOn(id)) {
                text.append(text.isEmpty() ? "" : "\n")
                        .append("waits: ")
                        .append(alert.first().trigger().words());
            }
        }
        for (Firing firing : bench.room().chart().firings()) {
            if (firing.drawing().equals(id)) {
                text.append(text.isEmpty() ? "" : "\n")
                        .append("fired ")
                        .append(Readout.time(firing.at(), Timeframe.MINUTE, calendar.zone()))
                        .append(" at ")
                        .append(format.format(firing.price()));
            }
        }
        alerts.setText(text.toString());
    }
}
