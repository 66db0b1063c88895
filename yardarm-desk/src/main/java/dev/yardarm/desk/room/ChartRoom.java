package dev.yardarm.desk.room;

import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.live.ChartFeed;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/**
 * The main chart: which instrument on which timeframe, in which make-up, and the list gone through. Everything that
 * changes the make-up goes through undo. Used by the interface's thread alone.
 */
public final class ChartRoom {
    private final Desk desk;
    private final ChartModel chart = new ChartModel(false);
    private final ChartFeed feed;
    private final Studies studies;
    private final ChartGestures gestures;
    private final List<Consumer<Aspect>> listeners = new ArrayList<>();
    private String listName;
    private String problem = "";
    private long restoreUntil;
    private long nextLayer = 1;

    public ChartRoom(Desk desk) {
        this.desk = desk;
        feed = new ChartFeed(desk.feedServices(), "main", data -> {
            problem = "";
            chart.setData(data);
            if (restoreUntil != 0) {
                chart.showUntil(restoreUntil);
                restoreUntil = 0;
            }
            tell(Aspect.DATA);
        }, complaint -> {
            problem = complaint;
            desk.tell(complaint);
            tell(Aspect.DATA);
        });
        studies = new Studies(desk, this);
        gestures = new ChartGestures(chart, studies);
        listName = desk.books().lists().isEmpty() ? "" : desk.books().lists().get(0).name();
        desk.books().listen(subject -> {
            if (subject == Books.Subject.DRAWINGS || subject == Books.Subject.PLANS
                    || subject == Books.Subject.ALERTS) {
                studies.show();
            } else if (subject == Books.Subject.LISTS || subject == Books.Subject.STANCES) {
                tell(Aspect.LIST);
            }
        });
    }

    public Desk desk() {
        return desk;
    }

    public ChartModel chart() {
        return chart;
    }

    public Studies studies() {
        return studies;
    }

    public ChartGestures gestures() {
        return gestures;
    }

    public void listen(Consumer<Aspect> listener) {
        listeners.add(listener);
    }

    /** Tells everyone that something has changed. */
    public void tell(Aspect aspect) {
        List.copyOf(listeners).forEach(listener -> listener.accept(aspect));
    }

    /** Why there are no bars to show; empty when all is well. */
    public String problem() {
        return problem;
    }

    public Optional<Instrument> instrument() {
        return chart.instrument();
    }

    /** Opens an instrument on a timeframe, in the same make-up. */
    public void open(Instrument instrument, Timeframe timeframe) {
        boolean sameInstrument = chart.instrument().filter(instrument::equals).isPresent();
        if (sameInstrument && chart.timeframe().equals(timeframe) && !chart.bars().isEmpty()) {
            return;
        }
        if (gestures.tool() != Tool.NONE) {
            studies.take(Tool.NONE);
        }
        if (!sameInstrument) {
            chart.select(Selection.NONE);
        }
        problem = "";
        chart.open(instrument, timeframe, desk.calendar(instrument));
        chart.follow();
        studies.show();
        tell(Aspect.CHART);
        feed.open(instrument, timeframe, chart.indicators());
    }

    /** Opens a chart whose right edge is put to a moment once the bars are there; 0 for the newest bars. */
    public void restore(Instrument instrument, Timeframe timeframe, long until) {
        restoreUntil = until;
        open(instrument, timeframe);
    }

    public void setTimeframe(Timeframe timeframe) {
        chart.instrument().ifPresent(instrument -> open(instrument, timeframe));
    }

    public void setForm(BarForm form) {
        BarForm before = chart.form();
        if (before != form) {
            change("bars as " + form.word(), "", () -> chart.setForm(form), () -> chart.setForm(before), Aspect.VIEW);
        }
    }

    public void setLogarithmic(boolean on) {
        if (chart.isLogarithmic() != on) {
            change(on ? "logarithmic scale" : "straight scale", "", () -> chart.setLogarithmic(on),
                    () -> chart.setLogarithmic(!on), Aspect.VIEW);
        }
    }

    public void setVolumeShown(boolean shown) {
        if (chart.isVolumeShown() != shown) {
            change(shown ? "show volume" : "hide volume", "", () -> chart.setVolumeShown(shown),
                    () -> chart.setVolumeShown(!shown), Aspect.VIEW);
        }
    }

    private void change(String label, String stem, Runnable execute, Runnable undo, Aspect aspect) {
        desk.undo().execute(Command.of(label, stem, () -> {
            execute.run();
            tell(aspect);
        }, () -> {
            undo.run();
            tell(aspect);
        }));
    }

    /** Puts an indicator on the chart, in the first colour not in use, and chooses it. */
    public void addIndicator(Indicator indicator, Settings settings) {
        IndicatorLayer layer = new IndicatorLayer(newLayerId(), indicator, settings, LayerStyle.of(freeColour()));
        List<IndicatorLayer> before = chart.indicators();
        List<IndicatorLayer> after = new ArrayList<>(before);
        after.add(layer);
        changeLayers("add " + layer.title(), "", before, after);
        studies.select(new Selection.Indicator(layer.id()));
    }

    private String newLayerId() {
        String id;
        do {
            id = "layer-" + nextLayer++;
        } while (chart.indicator(id).isPresent());
        return id;
    }

    /** The first series colour that neither an indicator nor a drawing on the chart has. */
    public int freeColour() {
        Set<Integer> used = new HashSet<>();
        chart.indicators().forEach(layer -> used.add(layer.style().colour()));
        chart.drawings().forEach(drawing -> used.add(drawing.colour()));
        for (int colour = 0; colour < Palette.SERIES; colour++) {
            if (!used.contains(colour)) {
                return colour;
            }
        }
        return (chart.indicators().size() + chart.drawings().size()) % Palette.SERIES;
    }

    /** Changes an indicator's settings or style; the effect shows at once. */
    public void changeIndicator(IndicatorLayer changed) {
        List<IndicatorLayer> before = chart.indicators();
        List<IndicatorLayer> after = before.stream().map(each -> each.id().equals(changed.id()) ? changed : each)
                .toList();
        if (!after.equals(before)) {
            changeLayers("change " + changed.title(), "layer " + changed.id(), before, after);
        }
    }

    public void removeIndicator(String id) {
        List<IndicatorLayer> before = chart.indicators();
        chart.indicator(id).ifPresent(removed -> {
            changeLayers("remove " + removed.title(), "", before,
                    before.stream().filter(each -> !each.id().equals(id)).toList());
            studies.select(Selection.NONE);
        });
    }

    public void clearIndicators() {
        if (!chart.indicators().isEmpty()) {
            changeLayers("remove all indicators", "", chart.indicators(), List.of());
            studies.select(Selection.NONE);
        }
    }

    private void changeLayers(String label, String stem, List<IndicatorLayer> before, List<IndicatorLayer> after) {
        desk.undo().execute(Command.of(label, stem, () -> showLayers(after), () -> showLayers(before)));
    }

    /** Shows these indicators without a step of undo, as when a workspace is opened. */
    public void showLayers(List<IndicatorLayer> layers) {
        chart.setIndicators(layers);
        feed.setLayers(layers);
        tell(Aspect.LAYERS);
    }

    public String listName() {
        return listName;
    }

    public void setList(String name) {
        listName = name;
        tell(Aspect.LIST);
    }

    public List<Instrument> members() {
        return desk.members(listName);
    }

    /** Goes so many places on in the list, round its ends; from outside the list to its first member. */
    public void step(int places) {
        List<Instrument> members = members();
        if (members.isEmpty()) {
            desk.tell("The list '" + listName + "' is empty.");
            return;
        }
        int at = chart.instrument().map(members::indexOf).orElse(-1);
        int next = at < 0 ? 0 : Math.floorMod(at + places, members.size());
        open(members.get(next), chart.timeframe());
    }

    public void undo() {
        desk.tell(desk.undo().undo().map(label -> "Undone: " + label).orElse("There is nothing to undo."));
    }

    public void redo() {
        desk.tell(desk.undo().redo().map(label -> "Done again: " + label).orElse("There is nothing to do again."));
    }

    public void close() {
        feed.close();
    }
}
