package dev.yardarm.bench;

import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.StoredMarket;
import dev.yardarm.desk.work.Job;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Opening a daily chart of 14 years with five indicators, against reading its columns from the store; and what quotes need of the shares and
 * indices of the market, their last sessions, against loading each.
 */
public final class OpenMeasurement {
    private static final int WARM_UP = 40;
    private static final int COUNTED = 60;
    private static final int FEW = 15;

    private OpenMeasurement() {}

    /** A piece of work that may fail. */
    @FunctionalInterface
    private interface Work {
        void run() throws Exception;
    }

    public static void main(String[] arguments) throws Exception {
        Path folder = Files.createTempDirectory("yardarm-bench");
        SimulatedMarket simulated = new SimulatedMarket(World.halcyon(), 1);
        long now = simulated.world().presentTime();
        try (ParquetBarStore store = new ParquetBarStore(folder)) {
            StoredMarket market = new StoredMarket(simulated, () -> Optional.of(store));
            market.pack(Job.unattended(), now);
            Instrument instrument = market.instruments().stream()
                    .filter(each -> each.code().equals("MARN"))
                    .findFirst()
                    .orElseThrow();
            InstrumentId inStore = new InstrumentId("halcyon-1-2", "MARN");
            double read = median(() -> store.read(inStore, Timeframe.DAY, Long.MIN_VALUE, now));
            double open = median(() -> open(market, instrument, now));
            System.out.printf(
                    Locale.ROOT,
                    "read the columns %.2f ms, open with five indicators %.2f ms, ratio %.2f%n",
                    read,
                    open,
                    open / read);
            List<Instrument> list = market.instruments().stream()
                    .filter(each -> each.kind() == Instrument.Kind.SHARE || each.kind() == Instrument.Kind.INDEX)
                    .toList();
            double apart = median(FEW, () -> {
                Histories histories = new Histories(new Directory(List.of(market)));
                for (Instrument each : list) {
                    histories.load(each, Timeframe.DAY, now);
                }
            });
            double together = median(FEW, () -> new Histories(new Directory(List.of(market)))
                    .recent(list, Timeframe.DAY, now - 70 * Times.DAY, now));
            System.out.printf(
                    Locale.ROOT,
                    "%d instruments: last sessions of all %.1f ms, each loaded %.1f ms, ratio %.3f%n",
                    list.size(),
                    together,
                    apart,
                    together / apart);
        }
    }

    private static void open(BarSource market, Instrument instrument, long now) throws Exception {
        Histories histories = new Histories(new Directory(List.of(market)));
        Bars bars = histories.load(instrument, Timeframe.DAY, now).series().snapshot();
        List<IndicatorLayer> layers =
                List.of(layer("sma", 50), layer("sma", 200), layer("ema", 20), layer("rsi", 14), layer("highest", 20));
        new ChartDataBuilder(layers).update(bars);
    }

    private static IndicatorLayer layer(String name, int length) {
        var indicator = Catalogue.builtIn().find(name).orElseThrow();
        return new IndicatorLayer(
                name + length,
                indicator,
                Settings.of(indicator, Map.of("length", String.valueOf(length))),
                LayerStyle.of(0));
    }

    private static double median(Work work) throws Exception {
        return median(COUNTED, work);
    }

    private static double median(int counted, Work work) throws Exception {
        double[] times = new double[counted];
        for (int run = -counted * WARM_UP / COUNTED; run < counted; run++) {
            long start = System.nanoTime();
            work.run();
            if (run >= 0) {
                times[run] = (System.nanoTime() - start) / 1e6;
            }
        }
        Arrays.sort(times);
        return times[counted / 2];
    }
}
