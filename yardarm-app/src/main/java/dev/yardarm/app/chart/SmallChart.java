package dev.yardarm.app.chart;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.GivenLines;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import java.util.List;

/** A small chart without axes that shows given bars, as in the table of a scan. */
public final class SmallChart extends ChartCanvas {
    private static final int BARS = 90;

    public SmallChart() {
        super(new ChartModel(true));
        chart().setForm(BarForm.LINE);
        setMouseTransparent(true);
    }

    /**
     * Shows the newest bars of an instrument.
     *
     * @param lines over the bars, the last value of each at the last bar
     */
    public void show(
            Instrument instrument,
            Timeframe timeframe,
            TradingCalendar calendar,
            Bars bars,
            List<double[]> lines,
            Palette palette) {
        GivenLines given = new GivenLines(lines);
        List<IndicatorLayer> layers = lines.isEmpty()
                ? List.of()
                : List.of(new IndicatorLayer("given", given, Settings.standard(given), LayerStyle.of(1)));
        chart().open(instrument, timeframe, calendar);
        chart().setIndicators(layers);
        chart().setData(new ChartDataBuilder(layers).update(lines.isEmpty() ? bars : tail(bars, lines.get(0).length)));
        setPalette(palette);
    }

    /** The last bars, which lines have values for. */
    private static Bars tail(Bars bars, int count) {
        BarSeries series = new BarSeries(count);
        for (int bar = bars.size() - count; bar < bars.closed(); bar++) {
            series.append(bars, bar);
        }
        if (bars.hasForming()) {
            series.form(bars, bars.closed());
        }
        return series.snapshot();
    }

    @Override
    protected void layoutChildren() {
        chart().setSize(getWidth(), getHeight());
        chart().showLast(Math.min(BARS, chart().bars().size()));
        super.layoutChildren();
    }
}
