package dev.yardarm.app.view;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Observing;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.Presets;
import dev.yardarm.desk.room.chart.Rounds;
import dev.yardarm.desk.room.chart.RowMakeUp;
import dev.yardarm.desk.table.Subject;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/**
 * The charts beside a table: real ones, with rooms of their own, so that levels, plans and alerts show in them and can be
 * dragged; one as the row is, one in a preset, or two or three timeframes side by side. They follow the row in hand a moment late, so
 * that running down the rows loads the last one alone, and rest while their view is not in front.
 */
final class RowChart extends VBox {
    private static final Duration LATE = Duration.millis(90);
    private static final List<List<Timeframe>> STEP_DOWNS = List.of(
            List.of(Timeframe.MONTH, Timeframe.WEEK, Timeframe.DAY),
            List.of(Timeframe.WEEK, Timeframe.DAY),
            List.of(Timeframe.WEEK, Timeframe.DAY, Timeframe.HOUR),
            List.of(Timeframe.DAY, Timeframe.HOUR, Timeframe.MINUTES_5));

    private final Workbench bench;
    private final String of;
    private final Presets presets;
    private final List<Part> parts = new ArrayList<>();
    private final HBox charts = new HBox(2);
    private final MenuButton makeUps = new MenuButton();
    private final Label code = new Label();
    private final Label name = new Label();
    private final Label make = new Label();
    private final Label last = new Label();
    private final Label change = new Label();
    private final Label stance = new Label();
    private final Label empty = new Label();
    private final PauseTransition soon = new PauseTransition(LATE);
    private final Listening heard;
    private RowMakeUp makeUp;
    private Subject wanted;
    private Indicator tried;
    private boolean awake;

    /** One chart. */
    private final class Part {
        private final ChartRoom room;
        private final ChartView view;
        /** Its timeframe; null for that of the row. */
        private final Timeframe timeframe;

        private final String preset;
        private final Listening heard;

        Part(String id, Timeframe timeframe, String preset) {
            this.timeframe = timeframe;
            this.preset = preset;
            room = new ChartRoom(bench.desk(), new Rounds(bench.desk()), "row of " + of + " " + id);
            view = new ChartView(room, bench);
            view.setId(id);
            heard = Listening.all(
                    room.listen(this::changed),
                    Observing.of(bench.paletteProperty(), palette -> view.setPalette(palette)));
            view.setPalette(bench.palette());
            dress();
        }

        /** Its preset, or the standard one of its timeframe. */
        private void dress() {
            if (timeframe != null) {
                presets.standard(timeframe).ifPresent(standard -> presets.putOn(standard, room));
            } else if (!preset.isEmpty()) {
                presets.named(preset).ifPresent(found -> presets.putOn(found, room));
            }
        }

        private BarRequest request() {
            if (timeframe != null) {
                return presets.standard(timeframe).isPresent() ? room.chart().request() : BarRequest.of(timeframe);
            }
            return preset.isEmpty() || presets.named(preset).isEmpty()
                    ? wanted.request()
                    : room.chart().request();
        }

        void load() {
            if (wanted.until() == 0) {
                room.open(wanted.instrument(), request());
            } else {
                room.restore(wanted.instrument(), request(), wanted.until(), null, false);
            }
            select();
        }

        /** Selects the drawing the row is about, so that it is seen among others. */
        private void select() {
            if (!wanted.drawing().isEmpty()
                    && room.chart().drawing(wanted.drawing()).isPresent()) {
                room.studies().select(new Selection.Drawing(wanted.drawing()));
            }
        }

        private void changed(Aspect aspect) {
            if (aspect == Aspect.DATA && wanted != null && room.chart().selection() == Selection.NONE) {
                select();
            }
            showTitle();
        }

        void close() {
            heard.close();
            view.close();
            room.close();
        }
    }

    /** @param of name of the view, for its loading and for how its charts are made up */
    RowChart(Workbench bench, String of) {
        this.bench = bench;
        this.of = of;
        presets = bench.layouts().presets();
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
        makeUps.setId(of + "-charts");
        makeUps.getStyleClass().add("flat");
        makeUps.setMinWidth(Region.USE_PREF_SIZE);
        makeUps.setAccessibleText("How the chart of the row is made up");
        Tips.set(makeUps, "The chart as the row, in a preset, or stepped down over timeframes");
        makeUps.getItems().add(new MenuItem("..."));
        makeUps.setOnShowing(event -> offer());
        Button open = new Button("Open in Chart");
        open.getStyleClass().add("flat");
        open.setMinWidth(Region.USE_PREF_SIZE);
        open.setOnAction(event -> open());
        HBox title = new HBox(code, name, make, gap, last, change);
        title.getStyleClass().add("chart-title");
        stance.getStyleClass().add("soft");
        stance.setId(of + "-stance");
        HBox.setHgrow(stance, Priority.ALWAYS);
        stance.setMaxWidth(Double.MAX_VALUE);
        HBox tools = new HBox(6, stance, makeUps, open);
        tools.getStyleClass().add("chart-tools");
        empty.getStyleClass().add("empty");
        empty.setWrapText(true);
        StackPane place = new StackPane(charts, empty);
        VBox.setVgrow(place, Priority.ALWAYS);
        getChildren().addAll(title, tools, place);
        soon.setOnFinished(event -> load());
        heard = bench.desk().books().listen(subject -> {
            if (subject == Books.Subject.STANCES) {
                showTitle();
            }
        });
        makeUp = RowMakeUp.read(bench.desk().habits().table(habit()));
        fill();
        showTitle();
    }

    private String habit() {
        return of + "-charts";
    }

    /** Makes its charts anew. */
    private void fill() {
        parts.forEach(Part::close);
        parts.clear();
        if (makeUp instanceof RowMakeUp.StepDown down) {
            down.timeframes().forEach(each -> parts.add(new Part(id(parts.size()), each, "")));
        } else {
            parts.add(new Part(id(0), null, makeUp instanceof RowMakeUp.InPreset preset ? preset.name() : ""));
        }
        charts.getChildren().setAll(parts.stream().map(this::framed).toList());
        makeUps.setText(makeUp.words());
        if (!awake) {
            parts.forEach(each -> each.room.rest());
        }
    }

    private static String id(int number) {
        return number == 0 ? "row-chart" : "row-chart-" + (number + 1);
    }

    /** Beside others a chart says its timeframe. */
    private Region framed(Part part) {
        HBox.setHgrow(part.view, Priority.ALWAYS);
        if (part.timeframe == null) {
            return part.view;
        }
        Label title = new Label(part.timeframe.toString());
        title.getStyleClass().add("code");
        VBox.setVgrow(part.view, Priority.ALWAYS);
        VBox framed = new VBox(2, title, part.view);
        framed.setMinWidth(80);
        framed.setPrefWidth(100);
        HBox.setHgrow(framed, Priority.ALWAYS);
        return framed;
    }

    private void offer() {
        List<RowMakeUp> all = new ArrayList<>();
        all.add(RowMakeUp.AS_THE_ROW);
        STEP_DOWNS.forEach(each -> all.add(new RowMakeUp.StepDown(each)));
        presets.offered().forEach(each -> all.add(new RowMakeUp.InPreset(each.name())));
        ToggleGroup one = new ToggleGroup();
        makeUps.getItems().clear();
        for (RowMakeUp each : all) {
            RadioMenuItem item =
                    new RadioMenuItem(each instanceof RowMakeUp.InPreset ? "preset " + each.words() : each.words());
            item.setToggleGroup(one);
            item.setSelected(each.equals(makeUp));
            item.setOnAction(event -> setMakeUp(each));
            makeUps.getItems().add(item);
        }
    }

    /** Shows rows another way from now on; kept. */
    private void setMakeUp(RowMakeUp chosen) {
        makeUp = chosen;
        bench.desk().habits().setTable(habit(), chosen.text());
        fill();
        charts.setVisible(wanted != null);
        load();
    }

    /** Says what stands there without a row. */
    void setEmpty(String text) {
        empty.setText(text);
    }

    /** The instrument it shows. */
    Optional<Instrument> instrument() {
        return Optional.ofNullable(wanted).map(Subject::instrument);
    }

    /** The timeframe of the row. */
    Optional<Timeframe> timeframe() {
        return Optional.ofNullable(wanted).map(Subject::request).map(BarRequest::timeframe);
    }

    /** Shows what a row is about; null for none. */
    void show(Subject subject) {
        empty.setVisible(subject == null);
        charts.setVisible(subject != null);
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
            parts.forEach(Part::load);
            showTried();
        }
    }

    /** Draws an indicator on it that is no part of the chart; null for none. */
    void tryOut(Indicator marks) {
        tried = marks;
        showTried();
    }

    /** On the chart of the row's own timeframe, whose bars it speaks of. */
    private void showTried() {
        for (Part part : parts) {
            boolean its = wanted != null
                    && (part.timeframe == null
                            || part.timeframe.equals(wanted.request().timeframe()));
            part.room.tryOut(its ? tried : null);
        }
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

    private void showTitle() {
        Instrument instrument = wanted == null ? null : wanted.instrument();
        code.setText(instrument == null ? "" : instrument.code());
        name.setText(instrument == null ? "" : instrument.name());
        make.setText(
                instrument == null || parts.size() > 1
                        ? ""
                        : parts.get(0).request().shortText());
        Stance taken = instrument == null ? null : bench.desk().books().stance(instrument.id());
        stance.setText(taken == null ? "" : taken.words());
        ChartModel shown =
                parts.isEmpty() ? null : parts.get(parts.size() - 1).room.chart();
        boolean there = instrument != null
                && shown != null
                && shown.instrument().filter(instrument::equals).isPresent()
                && !shown.bars().isEmpty();
        last.setText(there ? instrument.format().format(shown.data().last()) : "");
        double part = there ? Readout.partOfBars(shown) : Double.NaN;
        change.getStyleClass().removeAll("rise", "fall");
        change.setText(there ? Readout.changeOfBars(shown) : "");
        if (!Double.isNaN(part)) {
            change.getStyleClass().add(part >= 0 ? "rise" : "fall");
        }
    }

    /** Its view comes to front. */
    void wake() {
        awake = true;
        parts.forEach(each -> each.room.wake());
    }

    /** Its view leaves. */
    void rest() {
        awake = false;
        parts.forEach(each -> each.room.rest());
    }

    void close() {
        soon.stop();
        heard.close();
        parts.forEach(Part::close);
    }
}
