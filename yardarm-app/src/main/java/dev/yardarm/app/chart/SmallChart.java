package dev.yardarm.app.chart;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;

/** A small chart without axes that shows given bars, as in the table of a scan. */
public final class SmallChart extends ChartCanvas {
    private static final int BARS = 90;

    public SmallChart() {
        super(new ChartModel(true));
        chart().setForm(BarForm.LINE);
        setMouseTransparent(true);
    }

    /** Shows the newest bars of an instrument. */
    public void show(Instrument instrument, Timeframe timeframe, TradingCalendar calendar, Bars bars, Palette palette) {
        chart().open(instrument, timeframe, calendar);
        chart().setData(ChartData.of(bars));
        setPalette(palette);
    }

    @Override
    protected void layoutChildren() {
        chart().setSize(getWidth(), getHeight());
        chart().showLast(Math.min(BARS, chart().bars().size()));
        super.layoutChildren();
    }
}
