package dev.yardarm.app.workbench;

import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.Actions;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.AlertCharts;
import dev.yardarm.desk.room.layout.Layouts;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;

/** What the parts of the window share: the desk, the main chart's room, the theme and the view in front. */
public final class Workbench {
    private final Desk desk;
    private final Layouts layouts;
    private final AlertCharts alertCharts;
    private final Actions actions = new Actions();
    private final ObjectProperty<Palette.Theme> theme = new SimpleObjectProperty<>(Palette.Theme.DAYLIGHT);
    private final ReadOnlyObjectWrapper<Palette> palette =
            new ReadOnlyObjectWrapper<>(Palette.of(Palette.Theme.DAYLIGHT));
    private final IntegerProperty textSize = new SimpleIntegerProperty(100);
    private final BooleanProperty overviewShown = new SimpleBooleanProperty(true);
    private final ObjectProperty<View> view = new SimpleObjectProperty<>(View.CHART);
    private final List<Consumer<String>> prompts = new ArrayList<>();
    private final List<Runnable> comparisons = new ArrayList<>();
    private final List<Consumer<List<Path>>> intakes = new ArrayList<>();
    private final List<Consumer<Writing>> writings = new ArrayList<>();
    private final List<Consumer<String>> evidences = new ArrayList<>();
    private final List<Consumer<Consumer<Indicator>>> picks = new ArrayList<>();

    public Workbench(Desk desk) {
        this.desk = desk;
        this.layouts = new Layouts(desk);
        alertCharts = new AlertCharts(layouts);
        textSize.set(desk.habits().textSize());
        theme.addListener((observed, before, now) -> palette.set(Palette.of(now)));
    }

    public Desk desk() {
        return desk;
    }

    /** All that can be done, with its words and keys. */
    public Actions actions() {
        return actions;
    }

    /** Does what goes by this name, or tells what to do first. */
    public void act(String id) {
        actions.get(id).run(desk::tell);
    }

    /** The chart in hand: the one keys and panels act on. */
    public ChartRoom room() {
        return layouts.active();
    }

    public Layouts layouts() {
        return layouts;
    }

    /** Is told what changes on the chart in hand, and of everything when another chart comes to hand. */
    public void listen(Consumer<Aspect> listener) {
        layouts.listen(listener);
    }

    public ObjectProperty<Palette.Theme> themeProperty() {
        return theme;
    }

    public ReadOnlyObjectProperty<Palette> paletteProperty() {
        return palette.getReadOnlyProperty();
    }

    public Palette palette() {
        return palette.get();
    }

    /** Size of the interface's text, in per cent. */
    public ReadOnlyIntegerProperty textSizeProperty() {
        return textSize;
    }

    /** Shows text larger or smaller, from 90 to 150 per cent of the usual size, and keeps that. */
    public void setTextSize(int percent) {
        desk.habits().setTextSize(percent);
        textSize.set(desk.habits().textSize());
        desk.tell("Text at " + textSize.get() + " %." + (textSize.get() == 100 ? "" : " Ctrl+0 is the usual size."));
    }

    /** True while every chart has its overview strip. */
    public BooleanProperty overviewShownProperty() {
        return overviewShown;
    }

    public ObjectProperty<View> viewProperty() {
        return view;
    }

    public void go(View to) {
        view.set(to);
    }

    /** Opens an instrument on the main chart and goes there. */
    public void openChart(Instrument instrument) {
        room().open(instrument, room().chart().request());
        go(View.CHART);
    }

    /** Opens the chart on which an alert fired, with that moment at its right edge, made up as when the alert was set if it brings up its chart. */
    public void openFiring(Firing firing) {
        desk.directory()
                .find(firing.instrument())
                .ifPresentOrElse(
                        instrument -> {
                            alertCharts.show(firing, instrument);
                            go(View.CHART);
                        },
                        () -> desk.tell(firing.instrument() + " is not there any more."));
    }

    public void openChart(InstrumentId id) {
        desk.directory().find(id).ifPresentOrElse(this::openChart, () -> desk.tell(id + " is not there any more."));
    }

    /** Opens the command line with a beginning typed in. */
    public void prompt(String beginning) {
        prompts.forEach(each -> each.accept(beginning));
    }

    /** Opens the catalogue of indicators and hands over the one that is taken. */
    public void pick(Consumer<Indicator> taker) {
        picks.forEach(each -> each.accept(taker));
    }

    /** Opens the editor of one's own indicators and blends. */
    public void write(Writing wanted) {
        go(View.CHART);
        writings.forEach(each -> each.accept(wanted));
    }

    /** Shows what came after earlier times a condition held, over the list in hand. */
    public void evidence(String condition) {
        evidences.forEach(each -> each.accept(condition));
    }

    public void onEvidence(Consumer<String> listener) {
        evidences.add(listener);
    }

    public void onWrite(Consumer<Writing> listener) {
        writings.add(listener);
    }

    /** Shows what files of bars or trades hold, to be imported; without any it is asked which. */
    public void intake(List<Path> files) {
        intakes.forEach(each -> each.accept(files));
    }

    public void onIntake(Consumer<List<Path>> listener) {
        intakes.add(listener);
    }

    /** Opens the list of instruments to compare with. */
    public void compare() {
        comparisons.forEach(Runnable::run);
    }

    public void onCompare(Runnable listener) {
        comparisons.add(listener);
    }

    public void onPick(Consumer<Consumer<Indicator>> listener) {
        picks.add(listener);
    }

    public void onPrompt(Consumer<String> listener) {
        prompts.add(listener);
    }
}
