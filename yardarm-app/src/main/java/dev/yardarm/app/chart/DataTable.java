package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.series.Bars;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.control.Label;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;

/** The bars in view as a table, newest first, with the values of all layers; Ctrl+C copies the chosen rows. */
public final class DataTable extends TableView<Integer> {
    private final ChartRoom room;
    private final Consumer<String> tell;
    private final List<String> titles = new ArrayList<>();
    private final List<IntFunction<String>> values = new ArrayList<>();
    private List<String> shownTitles = List.of();

    public DataTable(ChartRoom room, Consumer<String> tell) {
        this.room = room;
        this.tell = tell;
        setId("data-table");
        getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        setPlaceholder(new Label("No bars are in view."));
        setOnKeyPressed(event -> {
            if (event.isShortcutDown() && event.getCode() == KeyCode.C) {
                copy();
                event.consume();
            } else if (event.isShortcutDown() && event.getCode() == KeyCode.A) {
                getSelectionModel().selectAll();
                event.consume();
            }
        });
        show();
    }

    /** Shows the bars that are in view now. */
    public void show() {
        ChartModel chart = room.chart();
        Bars bars = chart.bars();
        titles.clear();
        values.clear();
        if (room.instrument().isPresent()) {
            var format = room.instrument().get().format();
            column("time", bar -> Readout.time(chart, bars.openTime(bar)));
            column("open", bar -> format.format(bars.open(bar)));
            column("high", bar -> format.format(bars.high(bar)));
            column("low", bar -> format.format(bars.low(bar)));
            column("close", bar -> format.format(bars.close(bar)));
            column("volume", bar -> Double.isNaN(bars.volume(bar)) ? "" : String.format("%.0f", bars.volume(bar)));
            for (IndicatorLayer layer : chart.indicators()) {
                List<ChartData.Line> lines = chart.data().of(layer);
                for (int output = 0; output < lines.size(); output++) {
                    ChartData.Line line = lines.get(output);
                    String name = layer.title()
                            + (lines.size() > 1
                                    ? " "
                                            + layer.indicator()
                                                    .outputs()
                                                    .get(output)
                                                    .name()
                                    : "");
                    column(
                            name,
                            bar -> Double.isNaN(line.column().at(bar))
                                    ? ""
                                    : layer.indicator().place().withPrice()
                                            ? format.format(line.column().at(bar))
                                            : Readout.plain(line.column().at(bar)));
                }
            }
        }
        if (!titles.equals(shownTitles)) {
            shownTitles = List.copyOf(titles);
            getColumns().clear();
            for (int at = 0; at < titles.size(); at++) {
                int number = at;
                TableColumn<Integer, String> column = new TableColumn<>(titles.get(at));
                column.setSortable(false);
                column.setPrefWidth(at == 0 ? 170 : 96);
                if (at > 0) {
                    column.getStyleClass().add("number");
                }
                column.setCellValueFactory(cell -> new ReadOnlyStringWrapper(text(number, cell.getValue())));
                getColumns().add(column);
            }
        }
        int first = chart.time().firstVisible();
        int end = chart.time().endVisible(bars.size());
        List<Integer> rows = IntStream.range(first, end)
                .map(bar -> end - 1 - (bar - first))
                .boxed()
                .toList();
        if (!rows.equals(getItems())) {
            getItems().setAll(rows);
        } else {
            refresh();
        }
    }

    private void column(String title, IntFunction<String> value) {
        titles.add(title);
        values.add(value);
    }

    private String text(int column, int bar) {
        return column < values.size() && bar < room.chart().bars().size()
                ? values.get(column).apply(bar)
                : "";
    }

    private void copy() {
        List<Integer> rows = getSelectionModel().getSelectedItems().isEmpty()
                ? getItems()
                : getSelectionModel().getSelectedItems();
        String text = String.join("\t", titles) + "\n"
                + rows.stream()
                        .map(bar -> IntStream.range(0, titles.size())
                                .mapToObj(column -> text(column, bar))
                                .collect(Collectors.joining("\t")))
                        .collect(Collectors.joining("\n"));
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        Clipboard.getSystemClipboard().setContent(content);
        tell.accept(rows.size() + " rows copied.");
    }
}
