package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.DrawingMerge;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.DrawingEntry;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.RestsOn;
import dev.yardarm.desk.command.Command;
import java.io.IOException;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * The drawings of the instrument on a chart: put on, changed, ordered, grouped and taken away, one or several at once, each a
 * step of undo. They are kept in prices of their days and shown in the prices of the chart. Used by the interface's thread
 * alone.
 */
public final class ChartDrawings {
    static final String CHOOSE = "Select a drawing first: click it on the chart or in Layers.";
    /** Bars a second one of a drawing lies beside the first. */
    private static final int BESIDE = 3;

    private final Desk desk;
    private final ChartRoom room;
    private final ChartModel chart;
    private final DrawingLooks looks;
    private PriceBasis basis = PriceBasis.AS_TRADED;
    /** What is kept of drawings in the prices of the chart: one that did not change stays the same object. */
    private Map<Drawing, Drawing> shown = new IdentityHashMap<>();

    ChartDrawings(Desk desk, ChartRoom room) {
        this.desk = desk;
        this.room = room;
        this.chart = room.chart();
        this.looks = new DrawingLooks(desk, chart, this);
    }

    /** Kept looks and sets of ratios, and how new drawings come up. */
    public DrawingLooks looks() {
        return looks;
    }

    private Optional<InstrumentId> id() {
        return chart.instrument().map(Instrument::id);
    }

    private static String newId() {
        return UUID.randomUUID().toString().substring(0, 8);
    }

    /** The prices the chart shows from now on. */
    void setBasis(PriceBasis prices) {
        if (basis != prices) {
            basis = prices;
            shown = new IdentityHashMap<>();
            show();
        }
    }

    /** Puts the drawings of the instrument on the chart, as far as they belong there. */
    public void show() {
        id().ifPresent(id -> {
            Books.Sheets sheets = desk.books().sheets(id);
            List<Drawing> all = inPricesOfChart(desk.books().drawings(id));
            chart.setDrawings(all.stream()
                    .filter(each -> sheets.shows(each.place().tracing())
                            && belongsHere(each.place().chart()))
                    .toList());
            chart.setDrawingsShown(!sheets.allHidden());
            room.drawingsChanged(all);
            List<String> chosen = chart.selection().drawings();
            List<String> left = chosen.stream()
                    .filter(each -> chart.drawing(each).isPresent())
                    .toList();
            if (left.size() < chosen.size()) {
                chart.select(Selection.ofDrawings(left));
                room.tell(Aspect.SELECTION);
            }
        });
    }

    /** True for what is on all charts, on this one, or on one that is not there any more. */
    private boolean belongsHere(String only) {
        return only.isEmpty() || only.equals(room.id()) || !desk.isChart(only);
    }

    private List<Drawing> inPricesOfChart(List<Drawing> kept) {
        if (basis.isAsTraded()) {
            return kept;
        }
        Map<Drawing, Drawing> now = new IdentityHashMap<>();
        List<Drawing> all = kept.stream()
                .map(each -> {
                    Drawing known = shown.get(each);
                    Drawing of = known == null ? basis.shown(each) : known;
                    now.put(each, of);
                    return of;
                })
                .toList();
        shown = now;
        return all;
    }

    private long now() {
        return desk.feedServices().now().getAsLong();
    }

    /** How traded prices became those of the chart. */
    PriceBasis basis() {
        return basis;
    }

    /** The price of a drawing of the chart at this moment; NaN when it has none. */
    double worthNow(Drawing shown) {
        return chart.instrument()
                .map(instrument -> shown.path(desk.calendar(instrument)).priceAt(now()))
                .orElse(Double.NaN);
    }

    /** The one drawing that is chosen. */
    public Optional<Drawing> chosen() {
        return chart.selection() instanceof Selection.Drawing of ? chart.drawing(of.id()) : Optional.empty();
    }

    /** All drawings that are chosen; says so when there are none. */
    private List<Drawing> chosenOrTold() {
        List<Drawing> all = chart.chosenDrawings();
        if (all.isEmpty()) {
            desk.tell(CHOOSE);
        }
        return all;
    }

    /** Chooses all drawings on the chart. */
    public void chooseAll() {
        room.studies()
                .select(Selection.ofDrawings(chart.drawings().stream()
                        .filter(chart::shows)
                        .map(Drawing::id)
                        .toList()));
    }

    // --- put on ---

    /** Puts a drawing on the instrument, as the trader wants new ones or as it is declared, and chooses it. */
    public void draw(String figure, List<Anchor> anchors) {
        draw(figure, anchors, Map.of());
    }

    /** Puts a drawing on the instrument, as the trader wants new ones or in a colour not in use, and chooses it. */
    public void draw(String figure, List<Anchor> anchors, Map<String, String> options) {
        Drawing plain = new Drawing(
                newId(),
                figure,
                chart.timeframe(),
                anchors,
                chart.isLogarithmic(),
                Map.of(),
                Drawing.Style.of(room.indicators().freeColour()),
                Drawing.Place.STANDARD,
                now());
        Drawing styled = looks.onNew(plain);
        Map<String, String> all = new LinkedHashMap<>(styled.options());
        all.putAll(looks.usual(figure));
        all.putAll(options);
        add("draw", List.of(styled.withOptions(all)));
    }

    /**
     * Puts what a detector found on the instrument as drawings, in the way the trader wants those to be, and chooses them; several parts
     * as a group.
     *
     * @param words the name of the first
     */
    void keep(List<Drawing> found, String words) {
        String group = found.size() > 1 ? newId() : "";
        int colour = room.indicators().freeColour();
        String name = freeName(words);
        List<Drawing> kept = new ArrayList<>();
        for (Drawing each : found) {
            Drawing styled = looks.onNew(each.withId(newId()).withStyle(Drawing.Style.of(colour)));
            Map<String, String> options = new LinkedHashMap<>(looks.usual(each.kind()));
            options.putAll(each.options());
            kept.add(styled.withOptions(options)
                    .withPlace(
                            styled.place().withName(kept.isEmpty() ? name : "").withGroup(group)));
        }
        add("keep", kept);
    }

    /** A name no drawing of the instrument has. */
    private String freeName(String words) {
        List<String> taken = id().map(id -> desk.books().drawings(id)).orElse(List.of()).stream()
                .map(each -> each.place().name())
                .toList();
        String name = words;
        for (int number = 2; taken.contains(name); number++) {
            name = words + " " + number;
        }
        return name;
    }

    /** Adds drawings of the chart's prices to those of the instrument, on the current tracing, and chooses them. */
    private void add(String verb, List<Drawing> drawings) {
        id().ifPresent(id -> {
            if (desk.books().sheets(id).allHidden()) {
                toggleAll();
            }
            String tracing = desk.books().sheets(id).current();
            List<Drawing> before = desk.books().drawings(id);
            List<Drawing> after = new ArrayList<>(before);
            drawings.forEach(each -> after.add(basis.traded(
                    each.withPlace(each.place().withTracing(tracing)).madeAt(now()), null)));
            put(id, verb + " " + words(drawings), "", before, after);
            room.studies()
                    .select(Selection.ofDrawings(
                            drawings.stream().map(Drawing::id).toList()));
        });
    }

    private static String words(List<Drawing> drawings) {
        return drawings.size() == 1 ? drawings.get(0).title().toLowerCase(Locale.ROOT) : drawings.size() + " drawings";
    }

    /** Copies with ids of their own, grouped among themselves as they were, unnamed and free. */
    private static List<Drawing> copies(List<Drawing> drawings) {
        Map<String, String> groups = drawings.stream()
                .map(each -> each.place().group())
                .filter(group -> !group.isEmpty())
                .distinct()
                .collect(Collectors.toMap(group -> group, group -> newId()));
        return drawings.stream()
                .map(each -> each.withId(newId())
                        .withPlace(each.place()
                                .withName("")
                                .withLocked(false)
                                .withGroup(groups.getOrDefault(each.place().group(), ""))))
                .toList();
    }

    /** Puts second ones like the chosen drawings beside them and chooses those. */
    public void cloneChosen() {
        List<Drawing> all = chosenOrTold();
        if (!all.isEmpty()) {
            add("clone", copies(all).stream().map(this::beside).toList());
        }
    }

    /** The chosen drawings as text, in the form of a file of drawings but in the prices of the chart; none when none are. */
    public Optional<String> copyText() {
        List<Drawing> all = chosenOrTold();
        return all.isEmpty()
                ? Optional.empty()
                : id().map(id -> DocumentStore.text(
                        DocumentKind.TRACING,
                        new Documents.Tracing(
                                id, all.stream().map(DrawingEntry::of).toList())));
    }

    /** Puts copied drawings on this chart. */
    public void pasteText(String text) {
        try {
            List<Drawing> copied = DocumentStore.parse(DocumentKind.TRACING, text).drawings().stream()
                    .map(DrawingEntry::drawing)
                    .toList();
            paste(copied);
        } catch (IOException | IllegalArgumentException foreign) {
            desk.tell("The clipboard holds no drawings: " + foreign.getMessage() + ".");
        }
    }

    /** Puts drawings of any chart on this one, as they are, and chooses them; beside those they were copied from. */
    public void paste(List<Drawing> copied) {
        boolean beside = id().map(id -> desk.books().drawings(id).stream()
                        .map(Drawing::id)
                        .anyMatch(each ->
                                copied.stream().anyMatch(copy -> copy.id().equals(each))))
                .orElse(false);
        List<Drawing> copies = copies(copied).stream()
                .map(each -> each.withPlace(each.place().onChart("")))
                .toList();
        if (!copies.isEmpty()) {
            add("paste", beside ? copies.stream().map(this::beside).toList() : copies);
        }
    }

    private Drawing beside(Drawing drawing) {
        return drawing.moved(time -> chart.axis().openTime(chart.axis().bar(time) + BESIDE), price -> price);
    }

    // --- change ---

    /** Puts drawings of the chart in the place of those they were made from; a step of its own, as when they were dragged. */
    public void move(List<Drawing> after) {
        change("move " + words(after), false, after);
    }

    /** Puts drawings of the chart in the place of those they were made from; changes of one kind in a row are one step. */
    public void change(List<Drawing> after) {
        change("change " + words(after), after);
    }

    /** The same for one. */
    public void change(Drawing after) {
        change(List.of(after));
    }

    private void change(String label, List<Drawing> after) {
        change(label, true, after);
    }

    private void change(String label, boolean joins, List<Drawing> after) {
        id().ifPresent(id -> {
            List<Drawing> before = desk.books().drawings(id);
            Map<String, Drawing> kept =
                    before.stream().collect(Collectors.toMap(Drawing::id, each -> each, (one, two) -> one));
            List<Drawing> traded = after.stream()
                    .filter(each -> kept.containsKey(each.id()))
                    .map(each -> basis.traded(fitted(each, basis.shown(kept.get(each.id()))), kept.get(each.id())))
                    .map(each -> each.anchors().equals(kept.get(each.id()).anchors()) ? each : each.madeAt(now()))
                    .toList();
            List<Drawing> changed = Drawing.replaced(before, traded);
            if (changed.equals(before)) {
                show();
                return;
            }
            String stem = after.stream().map(Drawing::id).collect(Collectors.joining(" ", "drawing ", ""))
                    + traded.stream()
                            .filter(each -> !each.equals(kept.get(each.id())))
                            .findFirst()
                            .map(each -> aspect(kept.get(each.id()), each))
                            .orElse(" order");
            put(id, label, joins ? stem : "", before, changed);
        });
    }

    /** A drawing with the points that follow from those that were moved, where its own bars are there to tell. */
    private Drawing fitted(Drawing after, Drawing before) {
        boolean own = chart.request().isTime() && chart.timeframe().equals(after.origin());
        if (!own || after.anchors().equals(before.anchors())) {
            return after;
        }
        try {
            return after.withAnchors(after.figure()
                    .moved(
                            before.anchors(),
                            after.anchors(),
                            chart.bars(),
                            after.plane(chart.axis().grid().calendar())));
        } catch (IllegalArgumentException noPlace) {
            desk.tell(after.title() + " stays as it was: " + noPlace.getMessage() + ".");
            return before;
        }
    }

    /** What of a drawing changed, as while a slider moves. */
    private static String aspect(Drawing before, Drawing after) {
        return !before.anchors().equals(after.anchors())
                ? " points"
                : !before.options().equals(after.options())
                        ? " options"
                        : !before.style().equals(after.style()) ? " style" : " place";
    }

    /** Changes all chosen drawings. */
    public void changeChosen(String label, UnaryOperator<Drawing> change) {
        List<Drawing> all = chosenOrTold();
        if (!all.isEmpty()) {
            change(label + " " + words(all), all.stream().map(change).toList());
        }
    }

    private void put(InstrumentId id, String label, String stem, List<Drawing> before, List<Drawing> after) {
        desk.undo()
                .execute(Command.of(label, stem, () -> replace(id, before, after), () -> replace(id, after, before)));
    }

    private void replace(InstrumentId id, List<Drawing> before, List<Drawing> after) {
        // What came from elsewhere since then stays.
        desk.books().setDrawings(id, DrawingMerge.apply(desk.books().drawings(id), before, after));
        Map<String, Drawing> old =
                before.stream().collect(Collectors.toMap(Drawing::id, each -> each, (one, two) -> one));
        for (Drawing drawing : after) {
            Drawing was = old.get(drawing.id());
            if (was != null
                    && was != drawing
                    && !was.anchors().equals(drawing.anchors())
                    && !chart.bars().isEmpty()) {
                desk.alertWork()
                        .rearm(id, drawing.id(), chart.bars().close(chart.bars().size() - 1));
            }
        }
    }

    /** Moves the chosen drawings by ticks of the price; locked ones stay. */
    public void nudge(int ticks) {
        chart.instrument()
                .ifPresent(instrument -> moveChosen(drawing -> drawing.moved(time -> time, price -> instrument
                        .format()
                        .round(price + ticks * instrument.format().tick()))));
    }

    /** Moves the chosen drawings by bars of the chart; levels and locked ones stay. */
    public void nudgeBars(int bars) {
        moveChosen(drawing -> drawing.is(Drawing.LEVEL)
                ? drawing
                : drawing.moved(time -> chart.axis().openTime(chart.axis().bar(time) + bars), price -> price));
    }

    private void moveChosen(UnaryOperator<Drawing> move) {
        List<Drawing> free = chart.chosenDrawings().stream()
                .filter(each -> !each.place().locked())
                .toList();
        if (!free.isEmpty()) {
            change(free.stream().map(move).toList());
        }
    }

    /** Locks the chosen drawings, or frees them when all are locked. */
    public void toggleLocked() {
        boolean all =
                chart.chosenDrawings().stream().allMatch(each -> each.place().locked());
        changeChosen(
                all ? "free" : "lock",
                drawing -> drawing.withPlace(drawing.place().withLocked(!all)));
    }

    /** Lets the chosen drawings be chosen and moved together. */
    public void group() {
        if (chart.chosenDrawings().size() < 2) {
            desk.tell("Select two drawings or more to group them: Shift and a click, or Shift and a drag around them.");
            return;
        }
        String group = newId();
        changeChosen("group", drawing -> drawing.withPlace(drawing.place().withGroup(group)));
    }

    /** Takes the groups of the chosen drawings apart. */
    public void ungroup() {
        List<Drawing> all = chosenOrTold();
        Set<String> groups = all.stream()
                .map(each -> each.place().group())
                .filter(group -> !group.isEmpty())
                .collect(Collectors.toSet());
        if (!all.isEmpty() && groups.isEmpty()) {
            desk.tell("What is selected is not grouped.");
        } else if (!all.isEmpty()) {
            change(
                    "take a group apart",
                    chart.drawings().stream()
                            .filter(each -> groups.contains(each.place().group()))
                            .map(each -> each.withPlace(each.place().withGroup("")))
                            .toList());
        }
    }

    /** Draws the chosen drawings after all others, or before them. */
    public void order(boolean front) {
        List<String> chosen = chosenOrTold().stream().map(Drawing::id).toList();
        id().filter(id -> !chosen.isEmpty()).ifPresent(id -> {
            List<Drawing> before = desk.books().drawings(id);
            List<Drawing> after = new ArrayList<>(
                    before.stream().filter(each -> !chosen.contains(each.id())).toList());
            after.addAll(
                    front ? after.size() : 0,
                    before.stream().filter(each -> chosen.contains(each.id())).toList());
            if (!after.equals(before)) {
                put(id, front ? "bring to the front" : "send to the back", "", before, after);
            }
        });
    }

    /** Keeps the chosen drawings on this chart alone, or gives them to all charts when all of them are. */
    public void toggleOwn() {
        boolean all = chart.chosenDrawings().stream()
                .noneMatch(each -> each.place().chart().isEmpty());
        changeChosen(
                all ? "share" : "keep on one chart",
                drawing -> drawing.withPlace(drawing.place().onChart(all ? "" : room.id())));
    }

    // --- take away ---

    /** Deletes the chosen drawings with their waiting alerts. */
    public void deleteChosen() {
        List<Drawing> chosen = chart.chosenDrawings();
        id().filter(id -> !chosen.isEmpty()).ifPresent(id -> {
            Set<String> gone = chosen.stream().map(Drawing::id).collect(Collectors.toSet());
            remove("delete " + words(chosen), id, gone);
        });
    }

    /** Removes all drawings of the instrument. */
    public void clear() {
        id().ifPresent(id -> {
            Set<String> gone =
                    desk.books().drawings(id).stream().map(Drawing::id).collect(Collectors.toSet());
            if (!gone.isEmpty()) {
                remove("remove all drawings", id, gone);
            }
        });
    }

    private void remove(String label, InstrumentId id, Set<String> gone) {
        List<Drawing> before = desk.books().drawings(id);
        List<Drawing> rest =
                before.stream().filter(each -> !gone.contains(each.id())).toList();
        String alsoGone = new RestsOn(desk.books()).drawings(id, gone);
        Command alerts = desk.alertWork().removeWith(id, gone);
        desk.undo()
                .execute(Command.of(
                        label,
                        () -> {
                            alerts.execute();
                            replace(id, before, rest);
                        },
                        () -> {
                            replace(id, rest, before);
                            alerts.undo();
                        }));
        room.studies().select(Selection.NONE);
        if (!alsoGone.isEmpty()) {
            desk.tell(alsoGone);
        }
    }

    /** Hides all drawings of the instrument, or shows them again as they were; a step of undo. */
    public void toggleAll() {
        id().ifPresent(id -> {
            Books.Sheets before = desk.books().sheets(id);
            Books.Sheets after = new Books.Sheets(before.current(), before.hidden(), !before.allHidden());
            desk.undo()
                    .execute(Command.of(
                            after.allHidden() ? "hide all drawings" : "show all drawings",
                            () -> desk.books().setSheets(id, after),
                            () -> desk.books().setSheets(id, before)));
        });
    }
}
