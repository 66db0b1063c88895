package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeAxis;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.LongSupplier;

/**
 * One chart: what it shows, which part of it, and how it is laid out in a given size. Used by one thread.
 *
 * <p>The chart follows the market while its right edge stands behind the last bar: a new bar moves it along. Panes and
 * scales are worked out anew when something they depend on has changed, on the next question.
 */
public final class ChartModel {
    /** Height of the time axis. */
    public static final double TIME_AXIS = 24;

    /** Width of the strip of agreement. */
    private static final double STRIP = 14;

    private static final double DIGIT = 6.7;
    private static final double FREE_RIGHT = 64;
    private static final double FREE_FOR_PLAN = 176;
    /** Empty future is at most so great a part of the width. */
    private static final double MOST_FREE = 1 / 8.0;

    private static final double MOST_FOR_PLAN = 1 / 3.0;

    /** Width of bars that nobody chose. */
    private static final double USUAL_WIDTH = 7;
    /** Charts below either have tags for the last price and what is selected alone. */
    private static final double SMALL_WIDTH = 420;

    private static final double SMALL_HEIGHT = 240;

    /** Widest that bars get by themselves where there are few of them. */
    private static final double WIDEST_FILLED = 24;

    private final boolean compact;
    private Instrument instrument;
    private BarRequest request = BarRequest.of(Timeframe.DAY);
    private String madeFrom = "";
    private ScaleChoice scale = ScaleChoice.STANDARD;
    private List<PaneChoice> paneChoices = List.of();
    private String maximisedPane = "";
    private boolean breaksShown = true;
    private ZoneId zone;
    private List<EventMark> marks = List.of();
    private Function<String, Optional<PriceFormat>> formats = code -> Optional.empty();
    private LongSupplier clock = () -> Long.MIN_VALUE;
    private final AveragedView averaged = new AveragedView();
    private final DrawingPlaces places = new DrawingPlaces(this);
    private final LayerStack layers = new LayerStack();
    private final FoundDrawings found = new FoundDrawings(this);
    private final AgreementView agreement = new AgreementView(this);
    private Selection selection = Selection.NONE;
    private ChartData data = ChartData.EMPTY;
    private TimeAxis axis;
    private double width = 1;
    private double height = 1;
    private List<PlacedWords> words = List.of();
    private TimeScale time = new TimeScale(0, 1, USUAL_WIDTH, 0);
    private boolean following = true;
    private long missingSince;
    /** True while the right edge stands where following put it. */
    private boolean restsAtEnd = true;

    /** Width of bars that was chosen; while none was, few bars are shown wider, so that they fill the chart. */
    private double chosenWidth = Double.NaN;

    private List<Pane> panes;

    /** @param compact without axes, for the timeframe strip and for tables */
    public ChartModel(boolean compact) {
        this.compact = compact;
    }

    // --- what is shown ---

    /** Shows another instrument or timeframe; the bars come with {@link #setData}. */
    public void open(Instrument newInstrument, Timeframe newTimeframe, TradingCalendar calendar) {
        open(newInstrument, BarRequest.of(newTimeframe), calendar);
    }

    /**
     * Shows other bars or another instrument; the bars come with {@link #setData}. A range of the price scale set by
     * hand is given up; a held height is kept while the instrument stays.
     *
     * @param calendar of the part of the session the request names
     */
    public void open(Instrument newInstrument, BarRequest newRequest, TradingCalendar calendar) {
        boolean keeps = scale.fit() == ScaleChoice.Fit.HELD && newInstrument.equals(instrument);
        instrument = newInstrument;
        request = newRequest;
        madeFrom = "";
        marks = List.of();
        axis = new TimeAxis(Bars.EMPTY, new BarGrid(calendar, newRequest.timeframe()), newRequest.isTime());
        data = ChartData.EMPTY;
        places.forget();
        averaged.forget();
        if (scale.hasRange() && !keeps) {
            scale = scale.withFit(ScaleChoice.Fit.PRICE);
        }
        panes = null;
    }

    /** What is asked for: timeframe, kind of bars, session, adjustment. */
    public BarRequest request() {
        return request;
    }

    /** What bars that are not of time are made from; empty for bars of time. */
    public String madeFrom() {
        return madeFrom;
    }

    public void setMadeFrom(String text) {
        madeFrom = text;
    }

    public void setData(ChartData newData) {
        int before = data.bars().size();
        boolean restarted = data.bars().epoch() != newData.bars().epoch() || before == 0;
        double slot = Math.ceil(time.edge()) - 1;
        long edgeTime = restarted && before > 0 && slot >= 0 && slot < before
                ? data.bars().openTime((int) slot)
                : Long.MIN_VALUE;
        double past = time.edge() - slot;
        data = newData;
        axis = new TimeAxis(newData.bars(), axis.grid(), request.isTime());
        time = time.within(0, Math.max(1, width - axisWidth()));
        if (following && restarted) {
            follow();
        } else if (following) {
            double edge = time.edge() + newData.bars().size() - before;
            time = new TimeScale(time.left(), time.right(), time.barWidth(), edge);
        } else if (restarted && edgeTime != Long.MIN_VALUE) {
            // Loaded again, perhaps from another first bar on: the same bars stay in view.
            time = new TimeScale(time.left(), time.right(), time.barWidth(), axis.bar(edgeTime) + past);
        } else if (restarted) {
            time = time.heldTo(newData.bars().size());
        }
        panes = null;
    }

    public boolean isCompact() {
        return compact;
    }

    /** True for a chart among many, with room for the last price and little else. */
    public boolean isSmall() {
        return width < SMALL_WIDTH || height < SMALL_HEIGHT;
    }

    public Optional<Instrument> instrument() {
        return Optional.ofNullable(instrument);
    }

    public Timeframe timeframe() {
        return request.timeframe();
    }

    public ChartData data() {
        return data;
    }

    public Bars bars() {
        return data.bars();
    }

    /** The prices that are drawn: averaged ones in the averaged form, else those of the bars. */
    public Bars drawnBars() {
        return layers.form() == BarForm.AVERAGED && request.isTime() ? averaged.of(data.bars()) : data.bars();
    }

    public TimeAxis axis() {
        return axis;
    }

    public BarForm form() {
        return layers.form();
    }

    public void setForm(BarForm newForm) {
        layers.setForm(newForm);
        panes = null;
    }

    /** How the price scale is wanted. */
    public ScaleChoice scale() {
        return scale;
    }

    public void setScale(ScaleChoice choice) {
        scale = choice;
        panes = null;
    }

    public boolean isLogarithmic() {
        return scale.mode() == ScaleChoice.Mode.LOGARITHMIC;
    }

    /** How the panes are wanted, in their order from top to bottom; panes not named follow in the usual order. */
    public List<PaneChoice> paneChoices() {
        return paneChoices;
    }

    public void setPaneChoices(List<PaneChoice> choices) {
        paneChoices = List.copyOf(choices);
        panes = null;
    }

    /** The pane that has the chart to itself; empty when there is none. */
    public String maximisedPane() {
        return maximisedPane;
    }

    public void setMaximisedPane(String id) {
        maximisedPane = id;
        panes = null;
    }

    /** True while lines show where sessions begin. */
    public boolean areBreaksShown() {
        return breaksShown;
    }

    public void setBreaksShown(boolean shown) {
        breaksShown = shown;
    }

    /** The zone times are written in: the chosen one, or that of the exchange. */
    public ZoneId zone() {
        return zone != null
                ? zone
                : axis == null ? ZoneOffset.UTC : axis.grid().calendar().zone();
    }

    /** The chosen zone; null for that of the exchange. */
    public ZoneId chosenZone() {
        return zone;
    }

    public void setZone(ZoneId chosen) {
        zone = chosen;
    }

    /** What happened and is due, in the order of time. */
    public List<EventMark> marks() {
        return marks;
    }

    public void setMarks(List<EventMark> newMarks) {
        marks = List.copyOf(newMarks);
    }

    /** What time it is in the market, for the time left to the bar's close; {@link Long#MIN_VALUE} when unknown. */
    public long now() {
        return clock.getAsLong();
    }

    public void setClock(LongSupplier newClock) {
        clock = newClock;
    }

    /** How prices of another instrument are written, by its code. */
    public Optional<PriceFormat> formatOf(String code) {
        return formats.apply(code);
    }

    public void setFormats(Function<String, Optional<PriceFormat>> byCode) {
        formats = byCode;
    }

    /** All layers, from the bars to the plan. */
    public List<Layer> layers() {
        return layers.all();
    }

    /** The one layer that a selection names; empty for nothing, several, or what is not there any more. */
    public Optional<Layer> layer(Selection chosen) {
        return layers.of(chosen);
    }

    /** True for a blend of which only closes could be combined: its bars are a line, whatever form is chosen. */
    public boolean isOfCloses() {
        Bars bars = data.bars();
        if (instrument().filter(each -> each.kind() == Instrument.Kind.BLEND).isEmpty() || bars.isEmpty()) {
            return false;
        }
        int last = bars.size() - 1;
        for (int bar = Math.max(0, last - 20); bar <= last; bar++) {
            if (bars.high(bar) != bars.low(bar)) {
                return false;
            }
        }
        return request.isTime();
    }

    /** False for what is not traded in pieces of its own, such as a blend. */
    public boolean hasVolume() {
        return instrument().filter(each -> each.kind() == Instrument.Kind.BLEND).isEmpty();
    }

    public boolean isVolumeShown() {
        return layers.isVolumeShown();
    }

    public void setVolumeShown(boolean shown) {
        layers.setVolumeShown(shown);
        panes = null;
    }

    public List<IndicatorLayer> indicators() {
        return layers.indicators();
    }

    public void setIndicators(List<IndicatorLayer> layers) {
        this.layers.setIndicators(layers);
        panes = null;
    }

    /** The indicators that are drawn: those on the chart, or others while one is tried out. */
    public List<IndicatorLayer> drawnIndicators() {
        return layers.drawnIndicators();
    }

    /** Draws these instead of the indicators on the chart, which stay as they are; null to stop. */
    public void setTriedIndicators(List<IndicatorLayer> tried) {
        layers.setTried(tried);
        panes = null;
    }

    public Optional<IndicatorLayer> indicator(String id) {
        return layers.indicator(id);
    }

    /** The name of an indicator with its numbers, and whose output it reads when that is another's on the chart. */
    public String titleOf(IndicatorLayer layer) {
        return layer.reference()
                .flatMap(reference -> indicator(reference.layer())
                        .map(read -> layer.title(read.title()
                                + (read.indicator().output(reference.output()) == 0 ? "" : "." + reference.output()))))
                .orElseGet(layer::title);
    }

    public List<Drawing> drawings() {
        return layers.drawings();
    }

    public void setDrawings(List<Drawing> newDrawings) {
        layers.setDrawings(newDrawings);
        places.keep(layers.drawings());
    }

    /** True unless all drawings are hidden for now. */
    public boolean areDrawingsShown() {
        return layers.areDrawingsShown();
    }

    public void setDrawingsShown(boolean shown) {
        layers.setDrawingsShown(shown);
    }

    /** True when a drawing is to be seen on this chart. */
    public boolean shows(Drawing drawing) {
        return layers.areDrawingsShown() && drawing.showsOn(timeframe());
    }

    /** Where the drawings lie. */
    public DrawingPlaces places() {
        return places;
    }

    /** What the detectors have found, as drawings. */
    public FoundDrawings found() {
        return found;
    }

    /** Where several things agree on a price, when a layer shows it. */
    public AgreementView agreement() {
        return agreement;
    }

    /** Where its strip begins; it ends at the price axis. */
    public double agreementLeft() {
        return plotRight() - STRIP;
    }

    public Optional<Drawing> drawing(String id) {
        return layers.drawing(id);
    }

    /** The ids of the drawings that are chosen and moved with one: its group as far as it is shown, else it alone. */
    public List<String> groupOf(String id) {
        String group = drawing(id).map(each -> each.place().group()).orElse("");
        return group.isEmpty()
                ? List.of(id)
                : layers.drawings().stream()
                        .filter(each -> each.place().group().equals(group) && shows(each))
                        .map(Drawing::id)
                        .toList();
    }

    /** The drawings that are chosen, in the order of the drawings. */
    public List<Drawing> chosenDrawings() {
        List<String> ids = selection.drawings();
        return ids.isEmpty()
                ? List.of()
                : layers.drawings().stream()
                        .filter(each -> ids.contains(each.id()))
                        .toList();
    }

    public List<Alert> alerts() {
        return layers.alerts();
    }

    /** Layers that are kept but cannot be shown now. */
    public List<UnknownLayer> unknownLayers() {
        return layers.unknown();
    }

    /** Keeps layers that cannot be shown now. */
    public void setUnknownLayers(List<UnknownLayer> layers) {
        this.layers.setUnknown(layers);
    }

    /** What went off on the instrument. */
    public List<Firing> firings() {
        return layers.firings();
    }

    /** Shows what went off on the instrument. */
    public void setFirings(List<Firing> newFirings) {
        layers.setFirings(newFirings);
    }

    /** The calls that are open on the instrument. */
    public List<CallMark> calls() {
        return layers.calls();
    }

    /** Shows the calls that are open on the instrument. */
    public void setCalls(List<CallMark> open) {
        boolean appearOrGo = layers.calls().isEmpty() != open.isEmpty();
        layers.setCalls(open);
        if (appearOrGo && following) {
            follow();
        }
    }

    /** Since when trades are missing behind the newest bar, microseconds UTC; 0 when none are. */
    public long missingSince() {
        return missingSince;
    }

    /** Marks that trades are missing since a moment; 0 for none any more. */
    public void setMissingSince(long since) {
        missingSince = since;
    }

    /** The scenarios of the instrument. */
    public List<ScenarioMark> scenarios() {
        return layers.scenarios();
    }

    /** Shows the scenarios of the instrument. */
    public void setScenarios(List<ScenarioMark> marks) {
        boolean appearOrGo = layers.scenarios().isEmpty() != marks.isEmpty();
        layers.setScenarios(marks);
        panes = null;
        if (appearOrGo && following) {
            follow();
        }
    }

    /** The alerts that wait on the instrument. */
    public void setAlerts(List<Alert> newAlerts) {
        layers.setAlerts(newAlerts);
    }

    public Optional<TradePlan> plan() {
        return layers.plan();
    }

    public void setPlan(TradePlan newPlan) {
        boolean appearsOrGoes = layers.plan().isPresent() != (newPlan != null);
        layers.setPlan(newPlan);
        if (appearsOrGoes && following) {
            follow();
        }
    }

    public Selection selection() {
        return selection;
    }

    public void select(Selection chosen) {
        selection = chosen;
    }

    /** Where the texts stand that were painted last. */
    public List<PlacedWords> words() {
        return words;
    }

    /** Says where the texts stand; the painter does. */
    public void setWords(List<PlacedWords> painted) {
        words = painted;
    }

    // --- which part of it ---

    public TimeScale time() {
        return time;
    }

    /** True while the right edge moves along with new bars. */
    public boolean isFollowing() {
        return following;
    }

    /** Moves to other bars or another width of bars; following begins or ends with where the right edge is. */
    public void setTime(TimeScale scale) {
        if (scale.barWidth() != time.barWidth()) {
            chosenWidth = scale.barWidth();
        }
        restsAtEnd = false;
        time = scale.heldTo(bars().size());
        following = time.edge() >= bars().size();
        panes = null;
    }

    /** Sets the distance between bars, keeping the right edge. */
    public void setBarWidth(double barWidth) {
        time = new TimeScale(time.left(), time.right(), barWidth, time.edge());
        chosenWidth = barWidth == USUAL_WIDTH ? Double.NaN : barWidth;
        if (following) {
            follow();
        }
        panes = null;
    }

    /** The width of bars that was chosen. */
    public double barWidth() {
        return Double.isNaN(chosenWidth) ? USUAL_WIDTH : chosenWidth;
    }

    /** Shows the newest bars, with some free space behind them. */
    public void follow() {
        following = true;
        restsAtEnd = true;
        double free = freeRight();
        double barWidth = Double.isNaN(chosenWidth) ? Math.max(USUAL_WIDTH, filled(free)) : chosenWidth;
        time = new TimeScale(time.left(), time.right(), barWidth, bars().size() + free / barWidth);
        panes = null;
    }

    /** The width at which few bars fill the chart. */
    private double filled(double free) {
        double room = time.right() - time.left() - free;
        return bars().isEmpty() || room <= 0 ? 0 : Math.min(WIDEST_FILLED, room / bars().size());
    }

    /** Space kept free behind the newest bar; more when a plan's bracket, the fork of a call or scenarios stand there. */
    private double freeRight() {
        double width = time.right() - time.left();
        return compact
                ? 4
                : layers.plan().isPresent()
                                || !layers.calls().isEmpty()
                                || !layers.scenarios().isEmpty()
                        ? Math.min(FREE_FOR_PLAN, width * MOST_FOR_PLAN)
                        : Math.min(FREE_RIGHT, width * MOST_FREE);
    }

    /**
     * Shows a bar in the middle when it is not in view.
     *
     * @return true when the view moved
     */
    public boolean bringIntoView(int bar) {
        boolean seen = bar >= time.firstVisible() && bar < time.endVisible(bars().size());
        if (!seen) {
            double half = (time.right() - time.left()) / time.barWidth() / 2;
            showUntil(axis().openTime(bar + (int) half));
        }
        return !seen;
    }

    /** Puts the right edge at a moment. */
    public void showUntil(long moment) {
        setTime(new TimeScale(time.left(), time.right(), time.barWidth(), axis.bar(moment) + 1));
    }

    /** Shows so many bars over the whole width, the newest ones. */
    public void showLast(int count) {
        time = time.within(time.left(), time.right());
        setBarWidth(Math.max(
                TimeScale.NARROWEST,
                Math.min(TimeScale.WIDEST, (time.right() - time.left() - freeRight()) / Math.max(1, count))));
        follow();
    }

    /** True when the range of the price scale was set by hand. */
    public boolean isPriceManual() {
        return scale.hasRange();
    }

    /** Sets the price scale to two prices. */
    public void setPriceRange(double low, double high) {
        setScale(scale.withRange(low, high));
    }

    public void fitPrice() {
        setScale(scale.withFit(ScaleChoice.Fit.PRICE));
    }

    /** Shows the bars between two moments over the whole width. */
    public void showSpan(long from, long to) {
        if (bars().isEmpty()) {
            return;
        }
        double first = axis.bar(Math.min(from, to));
        double end = axis.bar(Math.max(from, to)) + 1;
        boolean newest = end >= bars().size();
        double width = time.right() - time.left() - (newest ? freeRight() : 0);
        double barWidth = Math.max(TimeScale.NARROWEST, Math.min(TimeScale.WIDEST, width / Math.max(1, end - first)));
        if (newest) {
            chosenWidth = barWidth;
            follow();
        } else {
            setTime(new TimeScale(time.left(), time.right(), barWidth, end));
        }
    }

    /** The price that percentages and the index are counted from; NaN when there are no bars. */
    public double basePrice() {
        if (bars().isEmpty()) {
            return Double.NaN;
        }
        return bars().close(baseBar());
    }

    /** The bar that changes are counted from: the chosen one, else the first in view. */
    int baseBar() {
        int bar = scale.baseTime() != 0 ? bars().barAt(scale.baseTime()) : time.firstVisible();
        return Math.max(0, Math.min(bars().size() - 1, bar));
    }

    // --- how it is laid out ---

    public void setSize(double newWidth, double newHeight) {
        if (width == newWidth && height == newHeight) {
            return;
        }
        width = Math.max(1, newWidth);
        height = Math.max(1, newHeight);
        time = time.within(0, Math.max(1, width - axisWidth()));
        if (following && restsAtEnd) {
            follow();
        }
        panes = null;
    }

    public double width() {
        return width;
    }

    public double height() {
        return height;
    }

    /** Right edge of the bars, where the price axis begins. */
    public double plotRight() {
        return time.right();
    }

    /** Lower edge of the panes, where the time axis begins. */
    public double plotBottom() {
        return compact ? height : height - TIME_AXIS;
    }

    private double axisWidth() {
        if (compact) {
            return 0;
        }
        int characters = 6;
        if (instrument != null && !bars().isEmpty()) {
            characters = Math.max(
                    characters,
                    instrument.format().format(bars().high(bars().size() - 1)).length() + 1);
        }
        return Math.rint(characters * DIGIT + 18);
    }

    /** The panes from top to bottom. */
    public List<Pane> panes() {
        if (panes == null) {
            panes = PaneLayout.of(this);
        }
        return panes;
    }

    public Pane pricePane() {
        for (Pane pane : panes()) {
            if (pane.kind() == Pane.Kind.PRICE) {
                return pane;
            }
        }
        return panes().get(0);
    }

    public Optional<Pane> pane(String id) {
        return panes().stream().filter(pane -> pane.id().equals(id)).findFirst();
    }

    public PriceScale price() {
        return pricePane().scale();
    }

    /** The scale a layer has alone, in the pane it lies in. */
    public Optional<Pane.OwnScale> ownScale(IndicatorLayer layer) {
        return panes().stream()
                .map(pane -> pane.own().get(layer.id()))
                .filter(Objects::nonNull)
                .findFirst();
    }

    public Optional<Pane> paneAt(double y) {
        return panes().stream().filter(pane -> pane.covers(y)).findFirst();
    }

    /** Lays the panes out anew on the next question, as when a held range follows price. */
    void keepScale(ScaleChoice choice) {
        scale = choice;
    }
}
