package dev.yardarm.app.board;

import dev.yardarm.app.chart.SmallChart;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.desk.work.Lane;
import java.util.List;
import java.util.UUID;
import javafx.animation.PauseTransition;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import javafx.util.Duration;

/** The last 90 days of the instrument under the pointer, beside a board that has no chart of its own; it takes no key and no click. */
final class HoverChart {
    private static final Duration LATE = Duration.millis(260);
    private static final double WIDTH = 300;

    private final Workbench bench;
    private final String key = "hover " + UUID.randomUUID();
    private final Popup popup = new Popup();
    private final Label words = new Label();
    private final SmallChart chart = new SmallChart();
    private final PauseTransition soon = new PauseTransition(LATE);
    private Instrument wanted;

    HoverChart(Workbench bench) {
        this.bench = bench;
        words.getStyleClass().add("hover-words");
        words.setWrapText(true);
        words.setMaxWidth(WIDTH);
        chart.setPrefSize(WIDTH, 130);
        chart.setMinSize(WIDTH, 130);
        VBox box = new VBox(4, words, chart);
        box.getStyleClass().add("hover-chart");
        box.setMouseTransparent(true);
        popup.getContent().add(box);
        popup.setAutoFix(true);
    }

    /** Shows an instrument below a place of a node, a moment late. */
    void show(Instrument instrument, String text, Node on, double x, double y) {
        if (instrument.equals(wanted)) {
            words.setText(text);
            return;
        }
        hide();
        wanted = instrument;
        soon.setOnFinished(event -> load(instrument, text, on, x, y));
        soon.playFromStart();
    }

    private void load(Instrument instrument, String text, Node on, double x, double y) {
        long now = bench.desk().feedServices().now().getAsLong();
        bench.desk()
                .scheduler()
                .start(
                        Lane.SOON,
                        key,
                        "",
                        job -> bench.desk()
                                .histories()
                                .load(instrument, Timeframe.DAY, now)
                                .series()
                                .snapshot(),
                        bars -> come(instrument, bars, text, on, x, y),
                        failed -> hide());
    }

    private void come(Instrument instrument, Bars bars, String text, Node on, double x, double y) {
        Bounds place = on.getScene() == null ? null : on.localToScreen(on.getBoundsInLocal());
        if (!instrument.equals(wanted) || place == null || !on.isHover()) {
            return;
        }
        words.setText(text);
        chart.show(instrument, Timeframe.DAY, bench.desk().calendar(instrument), bars, List.of(), bench.palette());
        popup.getScene().getStylesheets().setAll(on.getScene().getStylesheets());
        popup.show(on, place.getMinX() + x, place.getMinY() + y);
    }

    /** Takes it away. */
    void hide() {
        wanted = null;
        soon.stop();
        bench.desk().scheduler().cancel(key);
        popup.hide();
    }

    /** What it shows now; null for nothing. */
    Instrument shown() {
        return popup.isShowing() ? wanted : null;
    }
}
