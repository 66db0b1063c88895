package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.render.LargeTradeLines;
import dev.yardarm.chart.render.LargeTradeLines.Line;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.profile.BigTradesTerm;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.room.chart.Aspect;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/**
 * The large trades of a layer with time, size, price and what price did after, the newest first; sorted by a click on a column, brought into
 * view with a click or Enter on a row. New ones come in at their place while the market runs.
 */
final class LargeTradeList extends VBox {
    private static final double HIGH = 190;
    private static final double ROW = 22;
    private static final int AHEAD = 5;
    private static final MathContext SAID = new MathContext(4);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT);
    /** Of another day than the newest. */
    private static final DateTimeFormatter EARLIER = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ROOT);

    private final Workbench bench;
    private final String layer;
    private final TableView<Line> table = new TableView<>();
    private List<Line> all = List.of();

    LargeTradeList(Workbench bench, String layer) {
        super(4);
        this.bench = bench;
        this.layer = layer;
        table.setId("large-trades");
        table.setAccessibleText("Large trades, the newest first");
        table.setFixedCellSize(ROW);
        table.setPrefHeight(HIGH);
        table.setMinHeight(HIGH);
        Label none = new Label(
                "None so large among the trades that are kept. Lower the size, or take the largest per cent of all.");
        none.setWrapText(true);
        none.getStyleClass().addAll("soft", "small");
        table.setPlaceholder(none);
        table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
        table.getColumns().add(column("time", each -> (double) each.trade().time(), this::time, 82));
        table.getColumns().add(column("size", each -> each.trade().size(), LargeTradeList::size, 42));
        table.getColumns().add(column("price", each -> each.trade().price(), this::price, 46));
        table.getColumns().add(column("after", Line::after, this::after, 40));
        Tips.set(
                table,
                "after: change of price to the close " + AHEAD
                        + " bars after the trade's own; › while fewer have followed");
        table.setRowFactory(view -> new Row());
        table.setOnMouseClicked(event -> take());
        table.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                take();
                event.consume();
            }
        });
        Button alert = new Button("Alert on the next");
        alert.setId("alert-large");
        Tips.set(alert, "at once with the next trade as large as those in the list, whatever the bars");
        alert.setOnAction(event -> setAlert());
        getChildren().addAll(table, new FlowPane(4, 4, alert));
    }

    /** On a trade as large as the layer shows them, by its size or by what is rare now. */
    private void setAlert() {
        LargeMarks marks = chart().data().flow().large().get(layer);
        IndicatorLayer shown = chart().indicator(layer).orElse(null);
        if (marks == null || shown == null || Double.isInfinite(marks.least())) {
            bench.desk().tell("How large a trade has to be is not known yet: too few are kept. Set a size.");
            return;
        }
        // What is rare is known to a hundredth; a size people can say is as good, and where only whole ones trade the
        // next of them.
        boolean isWhole = IntStream.range(0, marks.size())
                .mapToDouble(each -> marks.get(each).trade().size())
                .allMatch(each -> each == Math.rint(each));
        double size = isWhole
                ? Math.ceil(marks.least())
                : BigDecimal.valueOf(marks.least()).round(SAID).doubleValue();
        bench.room().studies().setAlertOnTrade(size, BigTradesTerm.together(shown.settings()));
    }

    private static TableColumn<Line, Line> column(
            String title, ToDoubleFunction<Line> value, Function<Line, String> text, double wide) {
        TableColumn<Line, Line> column = new TableColumn<>(title);
        column.setId("large-" + title);
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(row.getValue()));
        column.setComparator(Comparator.comparingDouble(value));
        column.setCellFactory(made -> new TableCell<>() {
            {
                getStyleClass().addAll("small", "number");
            }

            @Override
            protected void updateItem(Line line, boolean empty) {
                super.updateItem(line, empty);
                setText(empty || line == null ? null : text.apply(line));
            }
        });
        column.setPrefWidth(wide);
        column.setMinWidth(wide);
        column.setReorderable(false);
        return column;
    }

    private String time(Line line) {
        ZonedDateTime at = Times.at(line.trade().time(), chart().zone());
        ZonedDateTime newest = Times.at(all.get(0).trade().time(), chart().zone());
        return at.format(at.toLocalDate().equals(newest.toLocalDate()) ? TIME : EARLIER);
    }

    /** With a plus for what was bought and a minus for what was sold: a side is not told by colour alone. */
    private static String size(Line line) {
        String size = Readout.quantity(line.trade().size());
        return line.trade().side() == TickSeries.ASK
                ? "+" + size
                : line.trade().side() == TickSeries.BID ? "−" + size : size;
    }

    private String price(Line line) {
        return price(line.trade().price());
    }

    private String price(double price) {
        return chart().instrument().map(each -> each.format().format(price)).orElse("");
    }

    private String after(Line line) {
        if (Double.isNaN(line.after())) {
            return "…";
        }
        String sign = line.after() > 0 ? "+" : line.after() < 0 ? "−" : "";
        return sign + price(Math.abs(line.after())) + (line.soFar() ? "›" : "");
    }

    /** Shows what there is now; the chosen one and the order stay. */
    void show() {
        List<Line> now = LargeTradeLines.of(chart(), layer, AHEAD);
        if (now.equals(all)) {
            return;
        }
        all = now;
        Line chosen = table.getSelectionModel().getSelectedItem();
        table.getItems().setAll(now);
        table.sort();
        if (chosen != null) {
            now.stream()
                    .filter(each -> each.trade().time() == chosen.trade().time()
                            && each.trade().side() == chosen.trade().side())
                    .findFirst()
                    .ifPresent(table.getSelectionModel()::select);
        }
    }

    private ChartModel chart() {
        return bench.room().chart();
    }

    private void take() {
        Line line = table.getSelectionModel().getSelectedItem();
        if (line != null && chart().bringIntoView(line.bar())) {
            bench.room().tell(Aspect.VIEW);
        }
    }

    /** A row that says the whole trade on hover. */
    private final class Row extends TableRow<Line> {
        @Override
        protected void updateItem(Line line, boolean empty) {
            super.updateItem(line, empty);
            if (empty || line == null) {
                Tips.clear(this);
                return;
            }
            Tips.set(this, LargeTradeLines.words(chart(), line.trade()));
        }
    }
}
