package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeAxis;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One chart: what it shows, which part of it, and how it is laid out in a given size. Used by one thread.
 *
 * <p>The chart follows the market while its right edge stands behind the last bar: a new bar moves it along. Panes and
 * scales are worked out anew when something they depend on has changed, on the next question.
 */
public final class ChartModel {
    /** Height of the time axis. */
    public static final double TIME_AXIS = 24;
    private static final double DIGIT = 6.7;
    private static final double FREE_RIGHT = 64;
    private static final double FREE_FOR_PLAN = 176;

    private final boolean compact;
    private Instrument instrument;
    private Timeframe timeframe = Timeframe.DAY;
    private BarForm form = BarForm.CANDLES;
    private boolean logarithmic;
    private boolean volumeShown = true;
    private List<IndicatorLayer> indicators = List.of();
    private List<Drawing> drawings = List.of();
    private List<Alert> alerts = List.of();
    private TradePlan plan;
    private Selection selection = Selection.NONE;
    private ChartData data = ChartData.EMPTY;
    private TimeAxis axis;
    private double width = 1;
    private double height = 1;
    private TimeScale time = new TimeScale(0, 1, 7, 0);
    private boolean following = true;
    private double manualLow = Double.NaN;
    private double manualHigh = Double.NaN;
    private List<Pane> panes;

    /** @param compact without axes, for the timeframe strip and for tables */
    public ChartModel(boolean compact) {
        this.compact = compact;
    }

    // --- what is shown ---

    /** Shows another instrument or timeframe; the bars come with {@link #setData}. */
    public void open(Instrument newInstrument, Timeframe newTimeframe, TradingCalendar calendar) {
        instrument = newInstrument;
        timeframe = newTimeframe;
        axis = new TimeAxis(Bars.EMPTY, new BarGrid(calendar, newTimeframe));
        data = ChartData.EMPTY;
        manualLow = Double.NaN;
        manualHigh = Double.NaN;
        panes = null;
    }

    public void setData(ChartData newData) {
        int before = data.bars().size();
        boolean restarted = data.bars().epoch() != newData.bars().epoch() || before == 0;
        data = newData;
        axis = new TimeAxis(newData.bars(), axis.grid());
        time = time.within(0, Math.max(1, width - axisWidth()));
        if (following && restarted) {
            follow();
        } else if (following) {
            double edge = time.edge() + newData.bars().size() - before;
            time = new TimeScale(time.left(), time.right(), time.barWidth(), edge);
        } else if (restarted) {
            time = time.heldTo(newData.bars().size());
        }
        panes = null;
    }

    public boolean isCompact() {
        return compact;
    }

    public Optional<Instrument> instrument() {
        return Optional.ofNullable(instrument);
    }

    public Timeframe timeframe() {
        return timeframe;
    }

    public ChartData data() {
        return data;
    }

    public Bars bars() {
        return data.bars();
    }

    public TimeAxis axis() {
        return axis;
    }

    public BarForm form() {
        return form;
    }

    public void setForm(BarForm newForm) {
        form = newForm;
    }

    public boolean isLogarithmic() {
        return logarithmic;
    }

    public void setLogarithmic(boolean on) {
        logarithmic = on;
        panes = null;
    }

    public boolean isVolumeShown() {
        return volumeShown;
    }

    public void setVolumeShown(boolean shown) {
        volumeShown = shown;
        panes = null;
    }

    public List<IndicatorLayer> indicators() {
        return indicators;
    }

    public void setIndicators(List<IndicatorLayer> layers) {
        indicators = List.copyOf(layers);
        panes = null;
    }

    public Optional<IndicatorLayer> indicator(String id) {
        return indicators.stream().filter(layer -> layer.id().equals(id)).findFirst();
    }

    public List<Drawing> drawings() {
        return drawings;
    }

    public void setDrawings(List<Drawing> newDrawings) {
        drawings = List.copyOf(newDrawings);
    }

    public Optional<Drawing> drawing(String id) {
        return drawings.stream().filter(drawing -> drawing.id().equals(id)).findFirst();
    }

    public List<Alert> alerts() {
        return alerts;
    }

    /** The alerts of the instrument, waiting and fired. */
    public void setAlerts(List<Alert> newAlerts) {
        alerts = List.copyOf(newAlerts);
    }

    public Optional<TradePlan> plan() {
        return Optional.ofNullable(plan);
    }

    public void setPlan(TradePlan newPlan) {
        boolean appearsOrGoes = plan == null != (newPlan == null);
        plan = newPlan;
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
        time = scale.heldTo(bars().size());
        following = time.edge() >= bars().size();
        panes = null;
    }

    /** Sets the distance between bars, keeping the right edge. */
    public void setBarWidth(double barWidth) {
        time = new TimeScale(time.left(), time.right(), barWidth, time.edge());
        if (following) {
            follow();
        }
        panes = null;
    }

    /** Shows the newest bars, with some free space behind them. */
    public void follow() {
        following = true;
        double free = freeRight();
        time = new TimeScale(time.left(), time.right(), time.barWidth(), bars().size() + free / time.barWidth());
        panes = null;
    }

    /** Space kept free behind the newest bar; more when a plan's bracket stands there. */
    private double freeRight() {
        return compact ? 4 : plan == null ? FREE_RIGHT : FREE_FOR_PLAN;
    }

    /** Puts the right edge at a moment. */
    public void showUntil(long moment) {
        setTime(new TimeScale(time.left(), time.right(), time.barWidth(), axis.bar(moment) + 1));
    }

    /** Shows so many bars over the whole width, the newest ones. */
    public void showLast(int count) {
        time = time.within(time.left(), time.right());
        setBarWidth(Math.max(TimeScale.NARROWEST, Math.min(TimeScale.WIDEST,
                (time.right() - time.left() - freeRight()) / Math.max(1, count))));
        follow();
    }

    /** True when the trader has set the height of the price scale by hand. */
    public boolean isPriceManual() {
        return !Double.isNaN(manualLow);
    }

    /** Holds the price scale to two prices. */
    public void setPriceRange(double low, double high) {
        manualLow = low;
        manualHigh = high;
        panes = null;
    }

    public void fitPrice() {
        manualLow = Double.NaN;
        manualHigh = Double.NaN;
        panes = null;
    }

    // --- how it is laid out ---

    public void setSize(double newWidth, double newHeight) {
        if (width == newWidth && height == newHeight) {
            return;
        }
        width = Math.max(1, newWidth);
        height = Math.max(1, newHeight);
        time = time.within(0, Math.max(1, width - axisWidth()));
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
            characters = Math.max(characters, instrument.format().format(bars().high(bars().size() - 1)).length() + 1);
        }
        return Math.rint(characters * DIGIT + 18);
    }

    /** The panes from top to bottom; the price pane is the first. */
    public List<Pane> panes() {
        if (panes == null) {
            panes = layOut();
        }
        return panes;
    }

    public Pane pricePane() {
        return panes().get(0);
    }

    public PriceScale price() {
        return pricePane().scale();
    }

    public Optional<Pane> paneAt(double y) {
        return panes().stream().filter(pane -> pane.covers(y)).findFirst();
    }

    private List<Pane> layOut() {
        List<IndicatorLayer> withPrice = new ArrayList<>();
        List<IndicatorLayer> alone = new ArrayList<>();
        for (IndicatorLayer layer : indicators) {
            (layer.indicator().place().withPrice() ? withPrice : alone).add(layer);
        }
        alone.removeIf(layer -> !layer.style().visible());
        boolean showVolume = volumeShown && !compact && data.volumes().size() > 0;
        int lower = (compact ? 0 : alone.size()) + (showVolume ? 1 : 0);
        double share = Math.min(0.17, 0.5 / Math.max(1, lower));
        double paneHeight = Math.rint(plotBottom() * share);
        double priceBottom = Math.max(2, plotBottom() - paneHeight * lower);
        List<Pane> result = new ArrayList<>();
        result.add(new Pane(Pane.Kind.PRICE, priceScale(compact ? 2 : 0, priceBottom), withPrice));
        double top = priceBottom;
        if (showVolume) {
            result.add(new Pane(Pane.Kind.VOLUME, volumeScale(top, top + paneHeight), List.of()));
            top += paneHeight;
        }
        if (!compact) {
            for (IndicatorLayer layer : alone) {
                result.add(new Pane(Pane.Kind.INDICATOR, indicatorScale(layer, top, top + paneHeight),
                        List.of(layer)));
                top += paneHeight;
            }
        }
        return List.copyOf(result);
    }

    private PriceScale priceScale(double top, double bottom) {
        int first = time.firstVisible();
        int end = time.endVisible(bars().size());
        ExtremePyramid.View ranges = form == BarForm.LINE ? data.closes() : data.ranges();
        ranges.find(first, end);
        double least = ranges.least();
        double most = ranges.most();
        if (bars().hasForming() && end > bars().closed()) {
            boolean line = form == BarForm.LINE;
            least = Math.min(least, line ? bars().close(bars().closed()) : bars().low(bars().closed()));
            most = Math.max(most, line ? bars().close(bars().closed()) : bars().high(bars().closed()));
        }
        double legend = Math.min(compact ? 16 : 34, (bottom - top) / 4);
        PriceScale fitted = PriceScale.fitted(least, most, compact ? 0.04 : 0.05, top + legend, bottom, logarithmic);
        PriceScale whole = new PriceScale(fitted.low(), fitted.price(top), top, bottom, logarithmic);
        return isPriceManual() ? whole.between(manualLow, manualHigh) : whole;
    }

    private PriceScale volumeScale(double top, double bottom) {
        int end = time.endVisible(bars().size());
        data.volumes().find(time.firstVisible(), end);
        double most = data.volumes().found() ? data.volumes().most() : 1;
        if (bars().hasForming() && end > bars().closed()) {
            most = Math.max(most, bars().volume(bars().closed()));
        }
        double legend = Math.min(18, (bottom - top) / 3);
        double high = Math.max(1e-9, most) * (bottom - top) / (bottom - top - legend);
        return new PriceScale(0, high, top, bottom, false);
    }

    private PriceScale indicatorScale(IndicatorLayer layer, double top, double bottom) {
        var place = layer.indicator().place();
        if (!Double.isNaN(place.least())) {
            return new PriceScale(place.least(), place.most(), top, bottom, false);
        }
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        int end = time.endVisible(bars().size());
        for (ChartData.Line line : data.indicators().getOrDefault(layer.id(), List.of())) {
            line.extremes().find(time.firstVisible(), end);
            least = Math.min(least, line.extremes().least());
            most = Math.max(most, line.extremes().most());
        }
        return PriceScale.fitted(least, most, 0.08, top, bottom, false);
    }
}
