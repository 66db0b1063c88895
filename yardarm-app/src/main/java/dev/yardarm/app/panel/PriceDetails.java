package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.function.Consumer;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.util.StringConverter;

/** How the bars and the price scale of the chart in hand are wanted. */
final class PriceDetails extends LayerDetails {
    private final ChartRoom room;
    private final ComboBox<BarForm> form = new ComboBox<>();
    private final ComboBox<ScaleChoice.Mode> mode = new ComboBox<>();
    private final ComboBox<ScaleChoice.Fit> fit = new ComboBox<>();
    private final ComboBox<BarRequest.Joint> joint = new ComboBox<>();
    private final CheckBox inverted = new CheckBox("Inverted scale");
    private final CheckBox volume = new CheckBox("Volume");
    private final CheckBox breaks = new CheckBox("Session breaks");
    private final CheckBox splits = new CheckBox("Adjust for splits");
    private final CheckBox dividends = new CheckBox("Adjust for dividends");
    private final Label made = new Label();
    private boolean busy;

    PriceDetails(Workbench bench) {
        room = bench.room();
        heading("Price");
        choice(form, "bar-form", BarForm.values(), BarForm::title, this::setForm);
        choice(
                mode,
                "scale-mode",
                ScaleChoice.Mode.values(),
                ScaleChoice.Mode::word,
                chosen -> room.setScale(
                        chosen.word() + " scale", room.chart().scale().withMode(chosen)));
        choice(fit, "scale-fit", ScaleChoice.Fit.values(), ScaleChoice.Fit::words, this::setFit);
        choice(
                joint,
                "joint",
                BarRequest.Joint.values(),
                BarRequest.Joint::words,
                chosen -> room.setRequest(
                        "contracts " + chosen.words(),
                        room.chart().request().withRoll(room.chart().request().roll(), chosen)));
        row("Bars", form);
        row("Scale", mode);
        row("Range", fit);
        boolean continuous = room.instrument()
                .filter(each -> each.kind() == Instrument.Kind.CONTINUOUS)
                .isPresent();
        if (continuous) {
            row("Back-adjustment", joint);
        }
        check(
                inverted,
                "inverted",
                on -> room.setScale("inverted scale", room.chart().scale().withInverted(on)));
        check(volume, "volume-shown", room::setVolumeShown);
        check(breaks, "breaks-shown", on -> {
            room.chart().setBreaksShown(on);
            room.tell(dev.yardarm.desk.room.chart.Aspect.VIEW);
        });
        if (room.instrument()
                .filter(each -> each.kind() == Instrument.Kind.SHARE)
                .isPresent()) {
            check(
                    splits,
                    "splits",
                    on -> room.setRequest(
                            "splits",
                            room.chart()
                                    .request()
                                    .withAdjustments(on, room.chart().request().dividends())));
            check(
                    dividends,
                    "dividends",
                    on -> room.setRequest(
                            "dividends",
                            room.chart()
                                    .request()
                                    .withAdjustments(room.chart().request().splits(), on)));
        }
        made.setWrapText(true);
        made.getStyleClass().addAll("soft", "small");
        wide(made);
        show();
    }

    private <T> void choice(
            ComboBox<T> box, String id, T[] values, java.util.function.Function<T, String> words, Consumer<T> choose) {
        box.getItems().setAll(values);
        box.setId(id);
        box.setAccessibleText(id.replace('-', ' '));
        box.setConverter(new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : words.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException("only values of the list can be selected");
            }
        });
        box.setOnAction(event -> {
            if (!busy && box.getValue() != null) {
                choose.accept(box.getValue());
            }
        });
    }

    private void check(CheckBox box, String id, Consumer<Boolean> set) {
        box.setId(id);
        box.setOnAction(event -> set.accept(box.isSelected()));
        wide(box);
    }

    private void setForm(BarForm chosen) {
        if (!room.chart().request().isTime()) {
            room.setRule(new BarRule.Time(room.chart().timeframe()));
        }
        room.setForm(chosen);
    }

    private void setFit(ScaleChoice.Fit chosen) {
        ScaleChoice scale = room.chart().scale();
        boolean ranged = chosen == ScaleChoice.Fit.HELD || chosen == ScaleChoice.Fit.MANUAL;
        ScaleChoice held =
                scale.held(room.chart().price().low(), room.chart().price().high());
        room.setScale(chosen.words(), ranged ? held.withFit(chosen) : scale.withFit(chosen));
    }

    @Override
    void show() {
        busy = true;
        form.setValue(room.chart().form());
        mode.setValue(room.chart().scale().mode());
        fit.setValue(room.chart().scale().fit());
        joint.setValue(room.chart().request().joint());
        inverted.setSelected(room.chart().scale().inverted());
        volume.setSelected(room.chart().isVolumeShown());
        breaks.setSelected(room.chart().areBreaksShown());
        splits.setSelected(room.chart().request().splits());
        dividends.setSelected(room.chart().request().dividends());
        made.setText(
                room.chart().request().isTime()
                        ? ""
                        : "These are " + room.chart().request().rule().words()
                                + (room.chart().madeFrom().isEmpty()
                                        ? ""
                                        : ", " + room.chart().madeFrom())
                                + ". Choosing a form goes back to bars of time.");
        busy = false;
    }
}
