package dev.yardarm.desk.room.layout;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartKeeper;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.Presets;
import dev.yardarm.desk.room.chart.Rounds;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Consumer;

/**
 * All layouts with their charts, the one in front, and the chart in it that keys and panels act on. Charts of a link
 * colour follow each other in what that colour shares. Used by the interface's thread alone.
 */
public final class Layouts {
    private final Desk desk;
    private final Rounds rounds;
    private final Links links = new Links(this::charts);
    private final Presets presets;
    private final List<Layout> layouts = new ArrayList<>();
    private final Listeners<Aspect> listeners = new Listeners<>();
    private final Listeners<Change> allListeners = new Listeners<>();
    /** Every chart there ever was and may be again by undo. */
    private final List<ChartRoom> made = new ArrayList<>();
    /** Layouts of the saved workspace that cannot be read; they are written back as they were. */
    private final List<Entries.Entry<Documents.Layout>> unread = new ArrayList<>();

    private record Change(ChartRoom chart, Aspect aspect) {}

    private Layout front;
    private Layout focused;
    private int nextChart = 1;

    /** Begins with one layout of one empty chart. */
    public Layouts(Desk desk) {
        this.desk = desk;
        desk.setCharts(id -> charts().stream().anyMatch(room -> room.id().equals(id)));
        rounds = new Rounds(desk);
        presets = new Presets(desk);
        front = made("Layout 1", new Arrangement.Single(0));
        focused = front;
        layouts.add(front);
    }

    private Layout made(String title, Arrangement arrangement) {
        Layout layout = new Layout(title, arrangement);
        arrangement.charts().forEach(number -> layout.put(number, newChart()));
        return layout;
    }

    private ChartRoom newChart() {
        ChartRoom room = new ChartRoom(desk, rounds, "chart " + nextChart++);
        room.listen(aspect -> changed(room, aspect));
        room.onPoint(pointer -> links.spread(room, pointer));
        made.add(room);
        return room;
    }

    public Desk desk() {
        return desk;
    }

    public Rounds rounds() {
        return rounds;
    }

    public Presets presets() {
        return presets;
    }

    /** Is told what changes on the chart in hand; and of everything when another chart comes to hand. */
    public Listening listen(Consumer<Aspect> listener) {
        return listeners.add(listener);
    }

    /** Is told what changes on any chart. */
    public Listening listenToAll(BiConsumer<ChartRoom, Aspect> listener) {
        return allListeners.add(change -> listener.accept(change.chart(), change.aspect()));
    }

    /** How many are told of changes, of the chart in hand and of all. */
    public int listeners() {
        return listeners.count() + allListeners.count();
    }

    /** True for a chart that stands in some layout, not one put away. */
    public boolean holds(ChartRoom chart) {
        return charts().contains(chart);
    }

    /** Layouts that cannot be read, to be written back as they were. */
    List<Entries.Entry<Documents.Layout>> unread() {
        return List.copyOf(unread);
    }

    void keepUnread(List<Entries.Entry<Documents.Layout>> entries) {
        unread.addAll(entries);
    }

    private void tell(Aspect aspect) {
        if (aspect == Aspect.LAYOUT) {
            // Drawings kept on a chart that is gone are shown on the others, so that none is out of reach.
            charts().forEach(room -> room.drawings().show());
        }
        listeners.tell(aspect);
    }

    private void changed(ChartRoom room, Aspect aspect) {
        allListeners.tell(new Change(room, aspect));
        if (room == active()) {
            tell(aspect);
        }
        links.spread(room, aspect);
    }

    /** The chart that keys and panels act on. */
    public ChartRoom active() {
        return focused.active();
    }

    /** The layout in front of the main window. */
    public Layout front() {
        return front;
    }

    /** The layout the chart in hand belongs to. */
    public Layout focused() {
        return focused;
    }

    public List<Layout> all() {
        return List.copyOf(layouts);
    }

    private List<ChartRoom> charts() {
        return layouts.stream().flatMap(layout -> layout.charts().stream()).toList();
    }

    public Optional<Layout> layoutOf(ChartRoom chart) {
        return layouts.stream()
                .filter(layout -> layout.numberOf(chart).isPresent())
                .findFirst();
    }

    /** Takes a chart in hand. */
    public void activate(ChartRoom chart) {
        Layout layout = layoutOf(chart).orElse(null);
        if (layout == null || chart == active() && layout == focused) {
            return;
        }
        layout.setActive(layout.numberOf(chart).orElseThrow());
        focused = layout;
        if (!layout.hasOwnWindow()) {
            front = layout;
        }
        tellAll();
    }

    private void tellAll() {
        wakeWhatShows();
        for (Aspect aspect : List.of(
                Aspect.LAYOUT, Aspect.CHART, Aspect.LAYERS, Aspect.SELECTION, Aspect.TOOL, Aspect.VIEW, Aspect.DATA)) {
            tell(aspect);
        }
    }

    /** Puts a layout in front. */
    public void show(Layout layout) {
        if (layouts.contains(layout) && !layout.hasOwnWindow() && layout != front) {
            front = layout;
            focused = layout;
            tellAll();
        }
    }

    /** The layout so many places on among the tabs. */
    public void stepLayout(int places) {
        List<Layout> tabs =
                layouts.stream().filter(layout -> !layout.hasOwnWindow()).toList();
        show(tabs.get(Math.floorMod(tabs.indexOf(front) + places, tabs.size())));
    }

    /** Makes a new tab; its charts show the instrument in hand, each on the timeframe given for it. */
    public Layout add(String title, Arrangement arrangement) {
        Layout layout = made(title.isBlank() ? freeTitle() : title, arrangement);
        ChartKeeper.copyInto(active(), layout.charts());
        layouts.add(layout);
        front = layout;
        focused = layout;
        tellAll();
        return layout;
    }

    private String freeTitle() {
        int number = layouts.size() + 1;
        while (titled("Layout " + number).isPresent()) {
            number++;
        }
        return "Layout " + number;
    }

    public Optional<Layout> titled(String title) {
        return layouts.stream()
                .filter(layout -> layout.title().equalsIgnoreCase(title.strip()))
                .findFirst();
    }

    public void rename(Layout layout, String title) {
        if (!title.isBlank()) {
            layout.setTitle(title.strip());
            tell(Aspect.LAYOUT);
        }
    }

    /** Removes a layout; the last tab stays. A step of undo. */
    public void remove(Layout layout) {
        long tabs = layouts.stream().filter(each -> !each.hasOwnWindow()).count();
        if (!layout.hasOwnWindow() && tabs < 2) {
            desk.tell("The only layout cannot be removed. Make another first: layout new 1.");
            return;
        }
        int at = layouts.indexOf(layout);
        desk.undo().execute(Command.of("remove " + layout.title(), () -> take(layout), () -> {
            layouts.add(Math.min(at, layouts.size()), layout);
            wakeWhatShows();
            tell(Aspect.LAYOUT);
        }));
    }

    private void take(Layout layout) {
        layouts.remove(layout);
        layout.everyChart().forEach(ChartRoom::rest);
        if (front == layout) {
            front = layouts.stream()
                    .filter(each -> !each.hasOwnWindow())
                    .findFirst()
                    .orElseThrow();
        }
        if (focused == layout) {
            focused = front;
        }
        tellAll();
    }

    /** Gives the layout in hand another arrangement; charts are added like the one in hand or put away. Undoable. */
    public void arrange(Arrangement wanted) {
        Layout layout = focused;
        Arrangement before = layout.arrangement();
        List<Integer> have = before.charts();
        int need = wanted.charts().size();
        List<Integer> numbers = new ArrayList<>(have.subList(0, Math.min(need, have.size())));
        boolean keepsActive = numbers.contains(layout.numberOf(layout.active()).orElseThrow());
        if (!keepsActive) {
            numbers.set(numbers.size() - 1, layout.numberOf(layout.active()).orElseThrow());
        }
        List<ChartRoom> added = new ArrayList<>();
        while (numbers.size() < need) {
            int number = layout.freeNumber();
            ChartRoom chart = newChart();
            layout.put(number, chart);
            added.add(chart);
            numbers.add(number);
        }
        ChartKeeper.copyInto(layout.active(), added);
        change(layout, "arrange as " + need + (need == 1 ? " chart" : " charts"), before, wanted.numbered(numbers));
    }

    private void change(Layout layout, String label, Arrangement before, Arrangement after) {
        desk.undo().execute(Command.of(label, () -> put(layout, after), () -> put(layout, before)));
    }

    /** Charts that nobody sees do not follow the market. */
    private void wakeWhatShows() {
        for (Layout layout : layouts) {
            for (ChartRoom chart : layout.everyChart()) {
                boolean shows = (layout == front || layout.hasOwnWindow())
                        && layout.charts().contains(chart);
                if (shows) {
                    chart.wake();
                } else {
                    chart.rest();
                }
            }
        }
    }

    private void put(Layout layout, Arrangement arrangement) {
        ChartRoom was = active();
        layout.setArrangement(arrangement);
        wakeWhatShows();
        tell(Aspect.LAYOUT);
        if (active() != was) {
            tellAll();
        }
    }

    /** Puts a copy of the chart in hand beside or below it, with all its settings. */
    public void split(boolean sideBySide) {
        Layout layout = focused;
        if (layout.arrangement().charts().size() >= Arrangement.MOST) {
            desk.tell("A layout has at most " + Arrangement.MOST + " charts; make another layout for more.");
            return;
        }
        int number = layout.freeNumber();
        ChartRoom chart = newChart();
        layout.put(number, chart);
        ChartKeeper.copyInto(layout.active(), List.of(chart));
        change(
                layout,
                "split",
                layout.arrangement(),
                layout.arrangement().split(layout.numberOf(layout.active()).orElseThrow(), number, sideBySide));
    }

    /** Takes a chart out of its layout; the last one stays. */
    public void closeChart(ChartRoom chart) {
        Layout layout = layoutOf(chart).orElseThrow();
        Arrangement rest = layout.arrangement().without(layout.numberOf(chart).orElseThrow());
        if (rest == null) {
            remove(layout);
            return;
        }
        change(layout, "close a chart", layout.arrangement(), rest);
    }

    /** Other shares of space after a divider was moved. */
    public void setWeights(Layout layout, List<Integer> path, List<Double> weights) {
        layout.setArrangement(layout.arrangement().weighted(path, weights));
        allListeners.tell(new Change(layout.active(), Aspect.VIEW));
    }

    /** Gives the chart in hand its whole layout, or shows all again. */
    public void maximise() {
        Layout layout = focused;
        int number = layout.numberOf(layout.active()).orElseThrow();
        layout.setMaximised(layout.maximisedNumber() == number ? -1 : number);
        tell(Aspect.LAYOUT);
    }

    /** Shows another chart of a layout in which one is maximised. */
    public void maximise(ChartRoom chart) {
        activate(chart);
        focused.setMaximised(focused.numberOf(chart).orElseThrow());
        tell(Aspect.LAYOUT);
    }

    /** Takes the next chart of the layout in hand. */
    public void stepChart(int places) {
        List<ChartRoom> charts = focused.charts();
        ChartRoom next = charts.get(Math.floorMod(charts.indexOf(active()) + places, charts.size()));
        if (focused.maximised().isPresent()) {
            maximise(next);
        } else {
            activate(next);
        }
    }

    /** Gives the chart in hand a window of its own; from the last chart of a layout a copy. */
    public void toOwnWindow() {
        ChartRoom chart = active();
        Layout from = focused;
        Layout own = new Layout(freeTitle(), new Arrangement.Single(0));
        own.setOwnWindow(true);
        Arrangement rest = from.arrangement().without(from.numberOf(chart).orElseThrow());
        if (rest == null) {
            ChartRoom copy = newChart();
            own.put(0, copy);
            ChartKeeper.copyInto(chart, List.of(copy));
        } else {
            from.setArrangement(rest);
            from.remove(from.numberOf(chart).orElseThrow());
            own.put(0, chart);
        }
        layouts.add(own);
        tellAll();
    }

    /** Brings the charts of a window back as a tab, as when the window is closed. */
    public void backToTab(Layout layout) {
        if (layout.hasOwnWindow() && layouts.contains(layout)) {
            layout.setOwnWindow(false);
            tell(Aspect.LAYOUT);
        }
    }

    /**
     * Makes a tab that shows the instrument in hand on several timeframes side by side, from high to low, each in the
     * standard preset of its timeframe; linked by instrument and crosshair.
     */
    public Layout stepDown(List<Timeframe> timeframes) {
        Instrument instrument = active().instrument().orElse(null);
        if (timeframes.size() < 2 || timeframes.size() > 3 || instrument == null) {
            desk.tell("A step-down layout shows an instrument on two or three timeframes, as in: step-down W D 1h");
            return focused;
        }
        List<Timeframe> ordered =
                timeframes.stream().sorted((one, other) -> other.compareTo(one)).toList();
        Layout layout = made(
                "Step-down "
                        + String.join(
                                " ", ordered.stream().map(Timeframe::toString).toList()),
                Arrangement.grid(1, ordered.size()));
        ChartKeeper.copyInto(active(), layout.charts());
        int colour = links.freeColour();
        links.rules()
                .set(
                        colour,
                        EnumSet.of(LinkRules.Shared.INSTRUMENT, LinkRules.Shared.CROSSHAIR, LinkRules.Shared.DRAWINGS));
        for (int at = 0; at < ordered.size(); at++) {
            ChartRoom chart = layout.charts().get(at);
            chart.setTimeframe(ordered.get(at));
            presets.standard(ordered.get(at)).ifPresent(preset -> presets.apply(preset, chart));
            chart.setLink(colour);
        }
        layouts.add(layout);
        front = layout;
        focused = layout;
        tellAll();
        return layout;
    }

    /** Turns the order of the charts of the layout in hand round. */
    public void reverse() {
        change(
                focused,
                "reverse the order",
                focused.arrangement(),
                focused.arrangement().reversed());
    }

    /** A link colour that no chart has. */
    int freeLink() {
        return links.freeColour();
    }

    /** What charts of a link colour share. */
    public LinkRules links() {
        return links.rules();
    }

    /** Chooses what charts of a link colour share. */
    public void setLinks(int colour, Set<LinkRules.Shared> shared) {
        links.rules().set(colour, shared);
        tell(Aspect.LINK);
    }

    /** Takes the place of everything with what was saved; an empty list leaves it as it is. */
    void replaceAll(List<Layout> saved, int frontNumber) {
        if (saved.stream().anyMatch(layout -> !layout.hasOwnWindow())) {
            layouts.forEach(layout -> layout.everyChart().forEach(this::letGo));
            layouts.clear();
            layouts.addAll(saved);
            Layout wanted = frontNumber >= 0 && frontNumber < saved.size() ? saved.get(frontNumber) : saved.get(0);
            front = wanted.hasOwnWindow()
                    ? saved.stream()
                            .filter(each -> !each.hasOwnWindow())
                            .findFirst()
                            .orElseThrow()
                    : wanted;
            focused = front;
            tellAll();
        }
    }

    /** Adds layouts of another workspace behind those there are. */
    void addAll(List<Layout> more) {
        layouts.addAll(more);
        tell(Aspect.LAYOUT);
    }

    /** A layout whose charts are still empty. */
    Layout empty(String title, Arrangement arrangement) {
        return made(title, arrangement);
    }

    private void letGo(ChartRoom chart) {
        chart.close();
        made.remove(chart);
    }

    /** Lets go of all charts, those put away too. */
    public void close() {
        List.copyOf(made).forEach(this::letGo);
    }
}
