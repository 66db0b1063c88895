package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.PaneChoice;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.BoxSize;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.feed.ChartFeed;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.market.BlendSource;
import dev.yardarm.desk.market.SourceState;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;

/**
 * One chart: which instrument in which bars, in which make-up. Everything that changes the make-up goes through undo. Used
 * by the interface's thread alone.
 */
public final class ChartRoom {
    /** Least width of point and figure columns when they come up: wide enough for their signs. */
    private static final double BOX_WIDTH = 11;

    private final Desk desk;
    private final ChartModel chart = new ChartModel(false);
    private final ChartFeed feed;
    private final Studies studies;
    private final ChartIndicators indicators;
    private final ChartDetectors detectors;
    private final ChartComparisons comparisons;
    private final ChartDrawings drawings;
    private final Tracings tracings;
    private final ChartPanes panes;
    private final LayerEdits layers = new LayerEdits(this);
    private final ChartGestures gestures;
    private final Listeners<Aspect> listeners = new Listeners<>();
    private final OnceLoaded onceLoaded = new OnceLoaded();
    private Consumer<LinkedPointer> onPoint;
    private final Rounds rounds;
    private String problem = "";
    private String title = "";
    private String id = UUID.randomUUID().toString().substring(0, 8);
    private boolean resting;
    private Indicator tried;
    private Listening heard;
    private Place absentPlace;
    private int link;
    private LinkedPointer pointer = LinkedPointer.NONE;
    private long restoreUntil;
    private double[] restoreRange;
    private boolean restoreHeld;

    /** A chart of its own, outside any layout. */
    public ChartRoom(Desk desk) {
        this(desk, new Rounds(desk), "main");
    }

    /** @param key tells this chart's loading from that of others */
    public ChartRoom(Desk desk, Rounds rounds, String key) {
        this.desk = desk;
        this.rounds = rounds;
        chart.setClock(desk.feedServices().now());
        chart.setFormats(code -> chart.instrument()
                .flatMap(own -> desk.feedServices().histories().comparable(own, code))
                .map(Instrument::format));
        feed = new ChartFeed(desk.feedServices(), key, new ChartFeed.Receiver() {
            @Override
            public void opened(String madeFrom, List<EventMark> marks, PriceBasis basis) {
                chart.setMadeFrom(madeFrom);
                chart.setMarks(marks);
                if (!basis.equals(drawings.basis())) {
                    drawings.setBasis(basis);
                    // Alerts, calls and plans are in those prices too.
                    studies.show();
                }
            }

            @Override
            public void show(ChartData data) {
                problem = "";
                chart.setData(data);
                restoreView();
                tell(Aspect.DATA);
                if (!data.bars().isEmpty()) {
                    onceLoaded.run();
                }
            }

            @Override
            public void inform(String notice) {
                desk.tell(notice);
            }

            @Override
            public void complain(String complaint) {
                problem = complaint;
                onceLoaded.drop();
                desk.tell(complaint);
                tell(Aspect.DATA);
            }
        });
        drawings = new ChartDrawings(desk, this);
        studies = new Studies(desk, this);
        indicators = new ChartIndicators(this);
        detectors = new ChartDetectors(this);
        comparisons = new ChartComparisons(this);
        tracings = new Tracings(desk, this);
        panes = new ChartPanes(this);
        gestures = new ChartGestures(chart, studies);
        hear();
    }

    /** Hears of what changes elsewhere; only while the chart is seen. */
    private void hear() {
        heard = Listening.all(
                rounds.listen(() -> tell(Aspect.LIST)),
                desk.books().listen(subject -> {
                    if (subject == Books.Subject.DRAWINGS
                            || subject == Books.Subject.PLANS
                            || subject == Books.Subject.ALERTS
                            || subject == Books.Subject.FIRINGS
                            || subject == Books.Subject.CALLS
                            || subject == Books.Subject.SCENARIOS) {
                        studies.show();
                    } else if (subject == Books.Subject.BLENDS) {
                        lookForBlend();
                    } else if (subject == Books.Subject.LISTS || subject == Books.Subject.STANCES) {
                        tell(Aspect.LIST);
                    }
                }),
                desk.directory().listen(source -> desk.feedServices().front().execute(() -> {
                    lookForAbsent();
                    lookForGap();
                })),
                desk.language().listen(language -> desk.feedServices().front().execute(this::lookForUnknown)));
    }

    /** Marks what is missing while the source of the instrument is behind or does not answer. */
    private void lookForGap() {
        long since = chart.instrument()
                .map(shown -> desk.directory().state(shown.id().source()))
                .filter(state -> state.kind() == SourceState.Kind.BEHIND || state.kind() == SourceState.Kind.OFFLINE)
                .map(SourceState::since)
                .orElse(0L);
        if (since != chart.missingSince()) {
            chart.setMissingSince(since);
            tell(Aspect.VIEW);
        }
    }

    /** Opens an instrument that was not there and is now. */
    private void lookForAbsent() {
        chart.instrument()
                .filter(shown -> shown.kind() == Instrument.Kind.ABSENT)
                .flatMap(shown -> desk.directory().find(shown.id()))
                .ifPresent(found -> open(found, chart.request()));
    }

    /** Shows layers that could not be understood and can be now, and those of the trader's own as they are defined now. */
    private void lookForUnknown() {
        if (!chart.unknownLayers().isEmpty()
                || !LayerKeeper.current(chart.indicators(), desk.language().now())
                        .equals(chart.indicators())) {
            ChartKeeper.readUnknown(this);
        }
    }

    /** Loads a blend anew that was changed. */
    private void lookForBlend() {
        chart.instrument()
                .filter(shown -> shown.id().source().equals(BlendSource.NAME) && !resting)
                .flatMap(shown -> desk.directory().find(shown.id()))
                .ifPresent(found -> {
                    chart.open(found, chart.request(), chart.axis().grid().calendar());
                    tell(Aspect.CHART);
                    feed.open(found, chart.request(), chart.drawnIndicators());
                });
    }

    /**
     * Tries an indicator out that is being written: it is drawn, in the place of those of its name or beside the others, and is no
     * part of the chart.
     *
     * @param draft null to stop
     */
    public void tryOut(Indicator draft) {
        boolean looksAlike = looksAlike(tried, draft);
        tried = draft;
        showTried();
        if (!looksAlike) {
            tell(Aspect.LAYERS);
        }
    }

    /** Whether two drafts differ in their values alone, as after most keys: those come with the data, nothing else is shown anew. */
    private static boolean looksAlike(Indicator before, Indicator after) {
        return before != null
                && after != null
                && before.name().equals(after.name())
                && before.title().equals(after.title())
                && before.place().equals(after.place())
                && before.outputs().equals(after.outputs())
                && before.settings().equals(after.settings());
    }

    private void showTried() {
        if (tried == null) {
            chart.setTriedIndicators(null);
        } else {
            List<IndicatorLayer> shown = new ArrayList<>();
            for (IndicatorLayer layer : chart.indicators()) {
                shown.add(layer.indicator().name().equals(tried.name()) ? LayerKeeper.with(layer, tried) : layer);
            }
            if (shown.equals(chart.indicators())) {
                shown.add(new IndicatorLayer(
                        "tried", tried, Settings.standard(tried), LayerStyle.of(indicators.freeColour())));
            }
            chart.setTriedIndicators(shown);
        }
        feed.setLayers(chart.drawnIndicators());
    }

    /** Puts a restored chart where it stood, once it has its bars. */
    private void restoreView() {
        if (restoreUntil != 0) {
            chart.showUntil(restoreUntil);
            restoreUntil = 0;
        }
        if (restoreRange != null) {
            chart.setScale(
                    restoreHeld
                            ? chart.scale().held(restoreRange[0], restoreRange[1])
                            : chart.scale().withRange(restoreRange[0], restoreRange[1]));
            restoreRange = null;
        }
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

    /** The drawings of the instrument on the chart. */
    public ChartDrawings drawings() {
        return drawings;
    }

    /** By which drawings that are kept on this chart alone find it; stays with it when it is saved. */
    public String id() {
        return id;
    }

    /** Takes the id it was saved with. */
    public void setId(String saved) {
        id = saved;
    }

    public ChartGestures gestures() {
        return gestures;
    }

    /** Tells what changes on this chart. */
    public Listening listen(Consumer<Aspect> listener) {
        return listeners.add(listener);
    }

    /** How many are told of changes. */
    public int listeners() {
        return listeners.count();
    }

    /** Tells everyone that something has changed. */
    public void tell(Aspect aspect) {
        listeners.tell(aspect);
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
        BarRequest request = chart.request();
        open(
                instrument,
                timeframe.equals(request.timeframe())
                        ? request
                        : request.withRule(null).withTimeframe(timeframe));
    }

    /**
     * Does something that needs the bars of the chart: at once when they are there, else as soon as they come. Given up, which is told, when
     * another instrument is opened before; nothing is done when none can come.
     *
     * @return false when none can come
     */
    public boolean onceLoaded(Runnable task) {
        if (!chart.bars().isEmpty()) {
            task.run();
            return true;
        }
        boolean comes = problem.isEmpty() && chart.instrument().isPresent() && !resting;
        if (comes) {
            onceLoaded.add(task);
        }
        return comes;
    }

    private void dropWaiting() {
        if (onceLoaded.drop()) {
            desk.tell("What was typed for "
                    + chart.instrument().map(Instrument::code).orElse("the chart before")
                    + " was not done: another chart was opened before its bars came.");
        }
    }

    /** Opens other bars or another instrument, in the same make-up. */
    public void open(Instrument instrument, BarRequest wanted) {
        boolean sameInstrument = chart.instrument().filter(instrument::equals).isPresent();
        // The session belongs to the instrument: another one is looked at in its own.
        BarRequest request =
                sameInstrument ? wanted : wanted.withPart(desk.habits().session(instrument.id()));
        if (sameInstrument
                && chart.request().equals(request)
                && (!chart.bars().isEmpty()
                        || problem.isEmpty() && chart.instrument().isPresent())) {
            return;
        }
        if (gestures.tool() != Tool.NONE) {
            studies.take(Tool.NONE);
        }
        if (!sameInstrument) {
            dropWaiting();
            chart.select(Selection.NONE);
            drawings.setBasis(PriceBasis.AS_TRADED);
        }
        problem = "";
        TradingCalendar whole = desk.calendar(instrument);
        TradingCalendar part = whole;
        try {
            part = whole.part(request.part());
        } catch (IllegalArgumentException empty) {
            problem = instrument.code() + ": " + empty.getMessage() + ".";
        }
        boolean toBoxes = request.rule() instanceof BarRule.PointFigure
                && !(chart.request().rule() instanceof BarRule.PointFigure);
        chart.open(instrument, request, part);
        if (toBoxes && chart.time().barWidth() < BOX_WIDTH) {
            chart.setBarWidth(BOX_WIDTH);
        }
        boolean byPart = request.rule() instanceof BarRule.PointFigure boxes && boxes.box() instanceof BoxSize.Percent;
        if (toBoxes && byPart && chart.scale().mode() == ScaleChoice.Mode.LINEAR) {
            // Boxes in per cent are equally high on a logarithmic scale only.
            chart.setScale(chart.scale().withMode(ScaleChoice.Mode.LOGARITHMIC));
        }
        chart.follow();
        studies.show();
        lookForGap();
        tell(Aspect.CHART);
        if (problem.isEmpty() && resting) {
            return;
        }
        if (problem.isEmpty()) {
            feed.open(instrument, request, chart.drawnIndicators());
        } else {
            feed.close();
            desk.tell(problem);
            tell(Aspect.DATA);
        }
    }

    /**
     * Opens a chart as it was left.
     *
     * @param until moment of the right edge; 0 for the newest bars
     * @param range the price range set by hand or held, or null
     * @param held true when the range was held
     */
    public void restore(Instrument instrument, BarRequest request, long until, double[] range, boolean held) {
        restoreHeld = held;
        restoreUntil = until;
        restoreRange = range;
        open(instrument, request);
    }

    /** Where a chart stood whose instrument is not there: kept until it is. */
    record Place(long rightmost, double[] range, boolean held) {}

    void keepPlace(Place place) {
        absentPlace = place;
    }

    /** Where it stood; empty for a chart whose instrument is there. */
    Optional<Place> keptPlace() {
        return chart.instrument()
                .filter(each -> each.kind() == Instrument.Kind.ABSENT)
                .map(each -> absentPlace);
    }

    /** Loads all days there are; no step of undo. */
    void loadAllDays() {
        if (chart.request().days() > 0) {
            chart.instrument()
                    .ifPresent(instrument -> open(instrument, chart.request().withDays(0)));
        }
    }

    public void setTimeframe(Timeframe timeframe) {
        chart.instrument()
                .ifPresent(instrument ->
                        open(instrument, chart.request().withRule(null).withTimeframe(timeframe)));
    }

    /** Asks for other bars of the same instrument: kind, session, adjustment; a step of undo. */
    public void setRequest(String label, BarRequest request) {
        BarRequest before = chart.request();
        Instrument instrument = chart.instrument().orElse(null);
        if (instrument != null && !before.equals(request)) {
            desk.undo()
                    .execute(
                            Command.of(label, "", () -> openAs(instrument, request), () -> openAs(instrument, before)));
        }
    }

    private void openAs(Instrument instrument, BarRequest request) {
        if (!desk.habits().session(instrument.id()).equals(request.part())) {
            desk.habits().setSession(instrument.id(), request.part());
        }
        open(chart.instrument().orElse(instrument), request);
    }

    /** Shows bars of a kind; bars of time for {@link BarRule.Time}. */
    public void setRule(BarRule rule) {
        setRequest("bars by " + rule.words(), chart.request().withRule(rule));
    }

    public void setForm(BarForm form) {
        BarForm before = chart.form();
        if (before != form) {
            change("bars as " + form.title(), "", () -> chart.setForm(form), () -> chart.setForm(before), Aspect.VIEW);
        }
    }

    /** Wants the price scale another way; a step of undo. */
    public void setScale(String label, ScaleChoice choice) {
        ScaleChoice before = chart.scale();
        if (!before.equals(choice)) {
            change(label, "", () -> chart.setScale(choice), () -> chart.setScale(before), Aspect.VIEW);
        }
    }

    public void setLogarithmic(boolean on) {
        setScale(
                on ? "logarithmic scale" : "straight scale",
                chart.scale().withMode(on ? ScaleChoice.Mode.LOGARITHMIC : ScaleChoice.Mode.LINEAR));
    }

    /** Arranges the panes another way; a step of undo. */
    void setPanes(String label, List<PaneChoice> choices) {
        List<PaneChoice> before = chart.paneChoices();
        if (!before.equals(choices)) {
            change(label, "", () -> chart.setPaneChoices(choices), () -> chart.setPaneChoices(before), Aspect.VIEW);
        }
    }

    /** The panes of the chart, to be moved, folded and resized. */
    public ChartPanes panes() {
        return panes;
    }

    public void setVolumeShown(boolean shown) {
        if (chart.isVolumeShown() != shown) {
            change(
                    shown ? "show volume" : "hide volume",
                    "",
                    () -> chart.setVolumeShown(shown),
                    () -> chart.setVolumeShown(!shown),
                    Aspect.VIEW);
        }
    }

    /** Writes times in a zone; null for that of the exchange. */
    public void setZone(ZoneId zone) {
        ZoneId before = chart.chosenZone();
        change(
                "times of " + (zone == null ? "the exchange" : zone.getId()),
                "",
                () -> chart.setZone(zone),
                () -> chart.setZone(before),
                Aspect.VIEW);
    }

    /** The user's own title; empty for none. */
    public String title() {
        return title;
    }

    public void setTitle(String text) {
        title = text.strip();
        tell(Aspect.VIEW);
    }

    /** Number of its link colour; 0 for none. */
    public int link() {
        return link;
    }

    public void setLink(int colour) {
        link = colour;
        tell(Aspect.LINK);
    }

    /** Where the pointer of a linked chart is. */
    public LinkedPointer pointer() {
        return pointer;
    }

    /** Shows the pointer of a linked chart. */
    public void showPointer(LinkedPointer newPointer) {
        pointer = newPointer;
        tell(Aspect.POINTER);
    }

    /** Tells linked charts where the pointer is. */
    public void pointTo(LinkedPointer own) {
        if (link != 0 && onPoint != null) {
            onPoint.accept(own);
        }
    }

    /** Tells where the pointer of this chart is, for the charts linked with it. */
    public void onPoint(Consumer<LinkedPointer> listener) {
        onPoint = listener;
    }

    private void change(String label, String stem, Runnable execute, Runnable undo, Aspect aspect) {
        desk.undo()
                .execute(Command.of(
                        label,
                        stem,
                        () -> {
                            execute.run();
                            tell(aspect);
                        },
                        () -> {
                            undo.run();
                            tell(aspect);
                        }));
    }

    /** The indicators on the chart, to be changed with undo. */
    public ChartIndicators indicators() {
        return indicators;
    }

    /** Profiles of chosen spans. */
    public ChartProfiles profiles() {
        return new ChartProfiles(this);
    }

    /** The detectors on the chart, and what they found. */
    public ChartDetectors detectors() {
        return detectors;
    }

    /** Hiding and taking away layers of any kind. */
    public LayerEdits layers() {
        return layers;
    }

    /** Gives up a layer that cannot be understood; a step of undo. */
    void forget(UnknownLayer layer) {
        List<UnknownLayer> before = chart.unknownLayers();
        List<UnknownLayer> after =
                before.stream().filter(each -> !each.equals(layer)).toList();
        change(
                "give up " + layer.title(),
                "",
                () -> chart.setUnknownLayers(after),
                () -> chart.setUnknownLayers(before),
                Aspect.LAYERS);
    }

    /** The tracings of the instrument on the chart. */
    public Tracings tracings() {
        return tracings;
    }

    /** The other instruments on the chart. */
    public ChartComparisons comparisons() {
        return comparisons;
    }

    /** What reads drawings is computed with these from now on. */
    void drawingsChanged(List<Drawing> drawings) {
        feed.setDrawings(drawings);
        List<IndicatorLayer> layers = chart.indicators();
        if (!profiles().followed(layers).equals(layers)) {
            showLayers(layers);
        }
    }

    /** Shows these indicators without a step of undo, as when a workspace is opened. */
    public void showLayers(List<IndicatorLayer> layers) {
        chart.setIndicators(
                profiles().followed(LayerKeeper.current(layers, desk.language().now())));
        showTried();
        tell(Aspect.LAYERS);
    }

    public Rounds rounds() {
        return rounds;
    }

    public String listName() {
        return rounds.listName();
    }

    public void setList(String name) {
        rounds.setList(name);
    }

    public List<Instrument> members() {
        return rounds.members();
    }

    /** Goes so many places on in the list, round its ends; from outside the list to its first member. */
    public void step(int places) {
        rounds.from(chart.instrument().orElse(null), places).ifPresent(next -> open(next, chart.request()));
    }

    /** Shows the same instrument of another source. */
    public void changeSource(String source) {
        chart.instrument().ifPresent(instrument -> desk.directory()
                .find(new InstrumentId(source, instrument.code()))
                .ifPresentOrElse(
                        other -> open(other, chart.request()),
                        () -> desk.tell("The source '" + source + "' has no " + instrument.code() + ".")));
    }

    public void undo() {
        desk.tell(desk.undo().undo().map(label -> "Undone: " + label).orElse("There is nothing to undo."));
    }

    public void redo() {
        desk.tell(desk.undo().redo().map(label -> "Done again: " + label).orElse("There is nothing to redo."));
    }

    /** Stops following the market, and hearing of anything, while nobody sees the chart. */
    public void rest() {
        if (!resting) {
            resting = true;
            feed.close();
            heard.close();
        }
    }

    /** Goes on after a rest, as things have become meanwhile. */
    public void wake() {
        if (resting) {
            resting = false;
            hear();
            lookForAbsent();
            lookForUnknown();
            studies.show();
            if (problem.isEmpty()) {
                chart.instrument()
                        .ifPresent(instrument -> feed.open(instrument, chart.request(), chart.drawnIndicators()));
            }
        }
    }

    /** Lets go of everything outside; the chart is not used any more. */
    public void close() {
        feed.close();
        heard.close();
    }
}
