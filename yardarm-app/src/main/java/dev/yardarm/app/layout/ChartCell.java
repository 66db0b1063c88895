package dev.yardarm.app.layout;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.chart.DataTable;
import dev.yardarm.app.chart.LinkBadge;
import dev.yardarm.app.chart.OverviewStrip;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Observing;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import javafx.scene.control.Label;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** One chart of a layout: its head where there are several, the chart, its data as a table, the overview strip. */
final class ChartCell extends VBox implements AutoCloseable {
    private final Workbench bench;
    private final ChartRoom room;
    private final ChartView view;
    private final OverviewStrip overview;
    private final StackPane middle = new StackPane();
    private final LinkBadge link = new LinkBadge();
    private final Label code = new Label();
    private final Label make = new Label();
    private final Label last = new Label();
    private final HBox head;
    private final Listening heard;
    private DataTable table;
    private boolean among;

    ChartCell(Workbench bench, ChartRoom room) {
        this.bench = bench;
        this.room = room;
        view = new ChartView(room, bench);
        overview = new OverviewStrip(room);
        getStyleClass().add("chart-cell");
        setMinSize(120, 80);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        code.getStyleClass().add("code");
        code.setMinWidth(Region.USE_PREF_SIZE);
        make.getStyleClass().add("soft");
        last.setMinWidth(Region.USE_PREF_SIZE);
        head = new HBox(link, code, make, gap, last);
        head.getStyleClass().add("cell-head");
        Tips.ofAction(head, bench.actions(), "layout.maximise-restore");
        head.setOnMousePressed(event -> {
            bench.layouts().activate(room);
            view.requestFocus();
            if (event.getButton() == MouseButton.PRIMARY && event.getClickCount() == 2) {
                bench.layouts().maximise();
            }
        });
        middle.getChildren().add(view);
        VBox.setVgrow(middle, Priority.ALWAYS);
        getChildren().addAll(head, middle, overview);
        heard = Listening.all(
                room.listen(this::changed),
                Observing.of(bench.paletteProperty(), palette -> usePalette()),
                Observing.of(bench.overviewShownProperty(), shown -> showOverview()));
        usePalette();
        showOverview();
        changed(Aspect.CHART);
    }

    /** Lets go of the chart; the cell is not shown any more. */
    @Override
    public void close() {
        heard.close();
        view.close();
        overview.close();
    }

    ChartView view() {
        return view;
    }

    private void usePalette() {
        view.setPalette(bench.palette());
        overview.setPalette(bench.palette());
        link.show(bench.palette(), room.link());
    }

    private void showOverview() {
        overview.setVisible(bench.overviewShownProperty().get() && !among);
        overview.setManaged(overview.isVisible());
    }

    /** Shows the head, and not the overview strip, only among several charts, and which one is in hand. */
    void showPlace(boolean several, boolean inHand) {
        if (among != several) {
            among = several;
            showOverview();
        }
        head.setVisible(several);
        head.setManaged(several);
        getStyleClass().remove("in-hand");
        if (several && inHand) {
            getStyleClass().add("in-hand");
        }
    }

    /** Shows the data as a table in the place of the chart, or the chart again. */
    void toggleTable() {
        if (table == null) {
            table = new DataTable(room, bench.desk()::tell);
            middle.getChildren().add(table);
            table.requestFocus();
        } else {
            middle.getChildren().remove(table);
            table = null;
            view.requestFocus();
        }
    }

    private void changed(Aspect aspect) {
        if (aspect == Aspect.LINK) {
            usePalette();
        }
        ChartModel chart = room.chart();
        Instrument instrument = room.instrument().orElse(null);
        code.setText(instrument == null ? "" : instrument.code());
        make.setText(chart.request().shortText() + (room.title().isEmpty() ? "" : "   " + room.title()));
        last.setText(
                instrument == null || chart.bars().isEmpty()
                        ? ""
                        : instrument.format().format(chart.data().last()));
        if (table != null
                && (aspect == Aspect.VIEW
                        || aspect == Aspect.CHART
                        || aspect == Aspect.LAYERS
                        || aspect == Aspect.DATA)) {
            table.show();
        }
    }
}
