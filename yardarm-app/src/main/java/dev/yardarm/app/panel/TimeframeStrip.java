package dev.yardarm.app.panel;

import dev.yardarm.app.chart.ChartCanvas;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Observing;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.feed.ChartFeed;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;

/**
 * The row of small live charts of the same instrument, higher timeframe at the left. A click or Enter makes one the main
 * chart.
 */
public final class TimeframeStrip extends HBox {
    private static final List<Timeframe> SHOWN =
            List.of(Timeframe.MONTH, Timeframe.WEEK, Timeframe.DAY, Timeframe.HOURS_4, Timeframe.HOUR);
    private static final int BARS = 60;

    private final Workbench bench;
    private final List<Cell> cells = new ArrayList<>();
    private boolean mainWasShown;

    public TimeframeStrip(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("strip");
        setId("strip");
        setPrefHeight(104);
        setMinHeight(104);
        for (Timeframe timeframe : shown(bench)) {
            Cell cell = new Cell(bench, timeframe);
            HBox.setHgrow(cell, Priority.ALWAYS);
            cells.add(cell);
            getChildren().add(cell);
        }
        bench.listen(aspect -> {
            if (aspect == Aspect.LAYERS) {
                cells.forEach(Cell::showDrawings);
            } else if (aspect == Aspect.DATA || aspect == Aspect.CHART && mainWasShown) {
                // The first time the large chart goes first; later all load side by side.
                mainWasShown = true;
                cells.forEach(Cell::open);
            }
        });
        visibleProperty().addListener((observed, before, now) -> cells.forEach(Cell::open));
        mainWasShown = !room().chart().bars().isEmpty();
        if (mainWasShown) {
            cells.forEach(Cell::open);
        }
    }

    /** The usual five, or the first five of the trader's own set. */
    private static List<Timeframe> shown(Workbench bench) {
        List<Timeframe> own = bench.desk().timeframes();
        return own.equals(Timeframe.STANDARD) ? SHOWN : own.subList(0, Math.min(SHOWN.size(), own.size()));
    }

    public void close() {
        cells.forEach(Cell::close);
    }

    private final class Cell extends StackPane {
        private final Timeframe timeframe;
        private final ChartModel chart = new ChartModel(true);
        private final ChartCanvas canvas = new ChartCanvas(chart);
        private final Label label = new Label();
        private final ChartFeed feed;
        private final Listening painted;
        private final Workbench bench;
        private Instrument opened;

        Cell(Workbench bench, Timeframe timeframe) {
            this.bench = bench;
            this.timeframe = timeframe;
            getStyleClass().add("strip-cell");
            setId("strip-" + timeframe);
            setMinWidth(40);
            setPrefWidth(100);
            label.setText(timeframe.toString());
            label.getStyleClass().add("strip-label");
            label.setMouseTransparent(true);
            StackPane.setAlignment(label, Pos.TOP_LEFT);
            getChildren().addAll(canvas, label);
            setFocusTraversable(true);
            setAccessibleRole(AccessibleRole.BUTTON);
            setAccessibleText("Timeframe " + timeframe.words());
            Tips.set(this, "Bars of a " + timeframe.words() + ": click or Enter shows it large");
            feed = new ChartFeed(bench.desk().feedServices(), "strip " + timeframe, new ChartFeed.Receiver() {
                @Override
                public void show(ChartData data) {
                    boolean first = chart.bars().isEmpty();
                    chart.setData(data);
                    if (first) {
                        fit();
                    }
                    canvas.redraw();
                }

                @Override
                public void complain(String complaint) {
                    label.setText(timeframe + "  no bars");
                    Tips.set(label, complaint);
                    canvas.redraw();
                }
            });
            setOnMouseClicked(event -> {
                if (event.getButton() == MouseButton.PRIMARY) {
                    room().setTimeframe(timeframe);
                }
            });
            setOnKeyPressed(event -> {
                if (event.getCode() == KeyCode.ENTER || event.getCode() == KeyCode.SPACE) {
                    room().setTimeframe(timeframe);
                    event.consume();
                }
            });
            canvas.widthProperty().addListener((observed, before, now) -> fit());
            painted = Observing.of(bench.paletteProperty(), canvas::setPalette);
            canvas.setPalette(bench.palette());
        }

        private void fit() {
            chart.setSize(Math.max(10, canvas.getWidth()), Math.max(10, canvas.getHeight()));
            chart.showLast(Math.min(BARS, Math.max(1, chart.bars().size())));
        }

        /** Lets go of the market and the window. */
        void close() {
            feed.close();
            painted.close();
        }

        void open() {
            boolean current = room().chart().timeframe().equals(timeframe);
            if (current != getStyleClass().contains("strip-current")) {
                if (current) {
                    getStyleClass().add("strip-current");
                } else {
                    getStyleClass().remove("strip-current");
                }
            }
            Instrument instrument = room().instrument().orElse(null);
            boolean stripShown = TimeframeStrip.this.isVisible();
            if (instrument != null && stripShown && !instrument.equals(opened)) {
                opened = instrument;
                label.setText(timeframe.toString());
                chart.open(instrument, timeframe, bench.desk().calendar(instrument));
                showDrawings();
                feed.open(instrument, timeframe, List.of());
            } else if (!stripShown) {
                opened = null;
                feed.close();
            }
        }

        void showDrawings() {
            chart.setDrawings(room().chart().drawings());
            canvas.redraw();
        }
    }

    private ChartRoom room() {
        return bench.room();
    }
}
