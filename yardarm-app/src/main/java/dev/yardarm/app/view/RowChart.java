package dev.yardarm.app.view;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.workbench.Observing;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.Rounds;
import dev.yardarm.desk.table.Subject;
import javafx.animation.PauseTransition;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/**
 * The chart beside a table: the real one, with a room of its own, so that levels, plans and alerts show in it and can be
 * dragged. It follows the row in hand a moment late, so that running down the rows loads the last one alone. Rests while its
 * view is not in front.
 */
final class RowChart extends VBox {
    private static final Duration LATE = Duration.millis(90);

    private final Workbench bench;
    private final ChartRoom room;
    private final ChartView view;
    private final Label code = new Label();
    private final Label name = new Label();
    private final Label make = new Label();
    private final Label last = new Label();
    private final Label change = new Label();
    private final Label empty = new Label();
    private final PauseTransition soon = new PauseTransition(LATE);
    private final Listening heard;
    private Subject wanted;

    /** @param of name of the view, for its loading */
    RowChart(Workbench bench, String of) {
        this.bench = bench;
        room = new ChartRoom(bench.desk(), new Rounds(bench.desk()), "row of " + of);
        view = new ChartView(room, bench);
        view.setId("row-chart");
        getStyleClass().add("row-chart");
        setMinSize(260, 160);
        code.getStyleClass().add("code");
        make.getStyleClass().add("soft");
        last.getStyleClass().add("last");
        code.setMinWidth(Region.USE_PREF_SIZE);
        last.setMinWidth(Region.USE_PREF_SIZE);
        change.setMinWidth(Region.USE_PREF_SIZE);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Button open = new Button("Open in Chart");
        open.getStyleClass().add("flat");
        open.setMinWidth(Region.USE_PREF_SIZE);
        open.setOnAction(event -> open());
        HBox title = new HBox(code, name, make, gap, last, change, open);
        title.getStyleClass().add("chart-title");
        empty.getStyleClass().add("empty");
        empty.setWrapText(true);
        StackPane place = new StackPane(view, empty);
        VBox.setVgrow(place, Priority.ALWAYS);
        getChildren().addAll(title, place);
        soon.setOnFinished(event -> load());
        heard = Listening.all(
                room.listen(this::changed), Observing.of(bench.paletteProperty(), palette -> view.setPalette(palette)));
        view.setPalette(bench.palette());
        showTitle();
    }

    ChartRoom room() {
        return room;
    }

    /** Says what stands there without a row. */
    void setEmpty(String text) {
        empty.setText(text);
    }

    /** Shows what a row is about; null for none. */
    void show(Subject subject) {
        empty.setVisible(subject == null);
        view.setVisible(subject != null);
        if (subject == null) {
            wanted = null;
            showTitle();
        } else if (!subject.equals(wanted)) {
            wanted = subject;
            showTitle();
            soon.playFromStart();
        }
    }

    private void load() {
        if (wanted != null) {
            if (wanted.until() == 0) {
                room.open(wanted.instrument(), wanted.request());
            } else {
                room.restore(wanted.instrument(), wanted.request(), wanted.until(), null, false);
            }
            select();
        }
    }

    /** Selects the drawing the row is about, so that it is seen among others. */
    private void select() {
        if (!wanted.drawing().isEmpty()
                && room.chart().drawing(wanted.drawing()).isPresent()) {
            room.studies().select(new Selection.Drawing(wanted.drawing()));
        }
    }

    /** Draws an indicator on it that is no part of the chart; null for none. */
    void tryOut(Indicator marks) {
        room.tryOut(marks);
    }

    /** Opens what it shows in the view Chart. */
    void open() {
        if (wanted != null) {
            if (wanted.until() == 0) {
                bench.room().open(wanted.instrument(), wanted.request());
            } else {
                bench.room().restore(wanted.instrument(), wanted.request(), wanted.until(), null, false);
            }
            bench.go(View.CHART);
        }
    }

    private void changed(Aspect aspect) {
        if (aspect == Aspect.DATA && wanted != null && room.chart().selection() == Selection.NONE) {
            select();
        }
        showTitle();
    }

    private void showTitle() {
        Instrument instrument = wanted == null ? null : wanted.instrument();
        code.setText(instrument == null ? "" : instrument.code());
        name.setText(instrument == null ? "" : instrument.name());
        make.setText(instrument == null ? "" : wanted.request().shortText());
        boolean there = instrument != null
                && room.instrument().filter(instrument::equals).isPresent()
                && !room.chart().bars().isEmpty();
        last.setText(there ? instrument.format().format(room.chart().data().last()) : "");
        double part = there ? Readout.partOfBars(room.chart()) : Double.NaN;
        change.getStyleClass().removeAll("rise", "fall");
        change.setText(there ? Readout.changeOfBars(room.chart()) : "");
        if (!Double.isNaN(part)) {
            change.getStyleClass().add(part >= 0 ? "rise" : "fall");
        }
    }

    /** Its view comes to front. */
    void wake() {
        room.wake();
    }

    /** Its view leaves. */
    void rest() {
        room.rest();
    }

    void close() {
        soon.stop();
        heard.close();
        view.close();
        room.close();
    }
}
