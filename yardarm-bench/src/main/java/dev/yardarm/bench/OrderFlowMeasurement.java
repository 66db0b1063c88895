package dev.yardarm.bench;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradeTape;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.profile.RecordedTrades;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.history.ParquetBarStore;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;

/**
 * Order flow on charts, without a window: what issuing a frame of footprints costs against one of candles; 2,000 trades a second in four
 * charts, sixty frames a second, for five minutes of the market; and opening a day of 500,000 trades against reading its columns.
 */
public final class OrderFlowMeasurement {
    private static final int RUNS = 400;
    private static final int A_SECOND = 2_000;
    private static final int FRAMES = 60;
    private static final int SECONDS = 300;
    private static final int DAY = 500_000;

    private OrderFlowMeasurement() {}

    public static void main(String[] arguments) throws IOException {
        frames();
        live();
        day();
    }

    /** Takes everything and draws nothing: what is measured is the issuing. */
    private static final class Nowhere implements Surface {
        private long taken;

        @Override
        public double scale() {
            return 1;
        }

        @Override
        public void fillRectangles(int colour, double[] rectangles, int count) {
            taken += count;
        }

        @Override
        public void line(int colour, double width, double[] dash, double[] points, int count) {
            taken += count;
        }

        @Override
        public void segments(int colour, double width, double[] ends, int count) {
            taken += count;
        }

        @Override
        public void fillPolygon(int colour, double[] points, int count) {
            taken += count;
        }

        @Override
        public void text(String text, double x, double y, Type type, Align align, int colour) {
            taken += text.length();
        }

        @Override
        public double textWidth(String text, Type type) {
            return 6.0 * text.length();
        }

        @Override
        public void beginClip(double x, double y, double width, double height) {}

        @Override
        public void endClip() {}
    }

    static TickSeries trades(int count, long from, long apart, int spread) {
        SplittableRandom random = new SplittableRandom(5);
        TickSeries ticks = new TickSeries(count);
        long price = 4_000;
        long time = from;
        for (int tick = 0; tick < count; tick++) {
            price = Math.max(2_000, Math.min(8_000, price + random.nextInt(-spread, spread + 1)));
            time += 1 + random.nextLong(2 * apart - 1);
            ticks.append(time, price / 4.0, 1 + random.nextInt(40), (byte) (random.nextBoolean() ? 1 : -1));
        }
        return ticks;
    }

    static IndicatorLayer layer(int number, String name, Map<String, String> settings) {
        Indicator term = Language.builtIn().catalogue().find(name).orElseThrow();
        return new IndicatorLayer("layer-" + number, term, Settings.of(term, settings), LayerStyle.of(number));
    }

    /** A chart whose bars are made of trades as they come. */
    static final class Fed {
        private final BarMaker maker;
        /** Of bars of time, whose trades follow from their times; null of others. */
        private final TradedSides sides;
        /** Of others: what went into each bar. */
        private final RecordedTrades recorded;

        private final ChartDataBuilder builder;
        private final ChartModel chart = new ChartModel(false);
        private final ChartPainter painter = new ChartPainter();

        Fed(String kind, List<IndicatorLayer> layers) {
            this(kind, layers, TradeTape.from(Long.MIN_VALUE + 1));
        }

        /** @param tape of the instrument, as its charts share it */
        Fed(String kind, List<IndicatorLayer> layers, TradeTape tape) {
            BarRule rule = BarRule.parse(kind);
            BarMaker plain = BarMakers.of(
                    rule, rule.isTime() ? TradingCalendar.ROUND_THE_CLOCK : null, 0.25, new BarSeries(1024));
            sides = rule.isTime() ? new TradedSides(tape, tape.knownFrom(), tape.knownFrom()) : null;
            recorded = rule.isTime() ? null : new RecordedTrades(plain, tape, tape.knownFrom(), tape.knownFrom());
            maker = rule.isTime() ? plain : recorded;
            builder = new ChartDataBuilder(
                    layers,
                    new Surroundings(
                                    TradingCalendar.ROUND_THE_CLOCK,
                                    code -> Optional.empty(),
                                    sides == null ? recorded : sides)
                            .withTick(0.25),
                    Language.builtIn());
            chart.setSize(640, 400);
            chart.open(
                    new Instrument(
                            new InstrumentId("bench", "FLOW"),
                            "Flow",
                            "",
                            Instrument.Kind.IMPORTED,
                            "",
                            "",
                            PriceFormat.ofDecimals(2),
                            1,
                            1,
                            "",
                            0),
                    Timeframe.MINUTE,
                    TradingCalendar.roundTheClock(ZoneOffset.UTC));
            chart.setIndicators(layers);
        }

        void take(TickSeries ticks, int from, int end) {
            TickSeries part = part(ticks, from, end);
            long moment = ticks.time(end - 1);
            if (sides == null) {
                recorded.hear(part, moment);
            } else {
                sides.take(part, moment);
            }
            maker.addTicks(ticks, from, end);
        }

        /** A slice as it is handed to all charts. */
        private static TickSeries part(TickSeries ticks, int from, int end) {
            if (from == 0 && end == ticks.size()) {
                return ticks;
            }
            TickSeries part = new TickSeries(end - from);
            part.append(ticks, from, end);
            return part;
        }

        List<IndicatorLayer> layers() {
            return chart.indicators();
        }

        ChartData data() {
            return builder.update(maker.series().snapshot());
        }

        void frame(Surface surface) {
            chart.setData(data());
            paint(surface);
        }

        void paint(Surface surface) {
            painter.paint(chart, Palette.of(Palette.Theme.DAYLIGHT), surface);
        }
    }

    private static void frames() {
        TickSeries ticks = trades(70 * 2_000, 20_000 * Times.DAY, 30_000, 1);
        Fed plain = new Fed("time:1m", List.of());
        Fed footprint = new Fed("time:1m", List.of(layer(1, "footprint", Map.of())));
        List<Fed> both = List.of(plain, footprint);
        for (Fed each : both) {
            each.take(ticks, 0, ticks.size());
            each.frame(new Nowhere());
            each.chart.setSize(1000, 600);
            each.chart.showLast(60);
        }
        double[][] times = new double[2][RUNS];
        for (int run = -RUNS; run < RUNS; run++) {
            for (int which = 0; which < 2; which++) {
                Nowhere nowhere = new Nowhere();
                long begin = System.nanoTime();
                both.get(which).paint(nowhere);
                double took = (System.nanoTime() - begin) / 1e3;
                if (nowhere.taken == 0) {
                    throw new IllegalStateException("nothing was drawn");
                }
                if (run >= 0) {
                    times[which][run] = took;
                }
            }
        }
        var print = footprint.chart.data().flow().footprints().get("layer-1");
        double rows = 0;
        for (int bar = print.bars() - 60; bar < print.bars(); bar++) {
            rows += print.end(bar) - print.start(bar);
        }
        System.out.printf(
                Locale.ROOT,
                "issuing a frame, 60 bars of %.0f prices: candles %.0f us, footprints %.0f us%n",
                rows / 60,
                median(times[0]),
                median(times[1]));
    }

    private static void live() {
        TickSeries ticks = trades(A_SECOND * SECONDS, 20_000 * Times.DAY, Times.SECOND / A_SECOND, 1);
        TradeTape tape = TradeTape.from(Long.MIN_VALUE + 1);
        List<Fed> charts = List.of(
                new Fed("range:8", List.of(layer(1, "view_profile", Map.of()), layer(2, "delta", Map.of())), tape),
                new Fed("time:1m", List.of(layer(1, "footprint", Map.of()), layer(2, "bar_figures", Map.of())), tape),
                new Fed("ticks:500", List.of(layer(1, "big_trades", Map.of("share", "0.5"))), tape),
                new Fed("time:5m", List.of(layer(1, "profile", Map.of("span", "day"))), tape));
        int perFrame = A_SECOND / FRAMES;
        List<Double> times = new ArrayList<>();
        long before = 0;
        int late = 0;
        for (int from = 0; from + perFrame <= ticks.size(); from += perFrame) {
            long begin = System.nanoTime();
            for (Fed each : charts) {
                each.take(ticks, from, from + perFrame);
                each.frame(new Nowhere());
            }
            double took = (System.nanoTime() - begin) / 1e6;
            times.add(took);
            late += took > 1000.0 / FRAMES ? 1 : 0;
            if (times.size() == FRAMES * SECONDS / 5) {
                before = used();
            }
        }
        long after = used();
        double[] sorted = times.stream().mapToDouble(each -> each).sorted().toArray();
        System.out.printf(
                Locale.ROOT,
                "%,d trades a second in four charts, %,d frames: median %.2f ms, 99 of 100 under %.2f ms, %d over %.1f ms; "
                        + "%,d bytes a trade and chart kept%n",
                A_SECOND,
                sorted.length,
                sorted[sorted.length / 2],
                sorted[sorted.length * 99 / 100],
                late,
                1000.0 / FRAMES,
                (after - before) / (long) (0.8 * ticks.size()) / charts.size());
    }

    private static long used() {
        long least = Long.MAX_VALUE;
        for (int turn = 0; turn < 3; turn++) {
            System.gc();
            least = Math.min(
                    least,
                    Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory());
        }
        return least;
    }

    private static void day() throws IOException {
        Path folder = Files.createTempDirectory("yardarm-day");
        InstrumentId id = new InstrumentId("bench", "FLOW");
        try (ParquetBarStore store = new ParquetBarStore(folder)) {
            store.mergeTicks(id, trades(DAY, 20_000 * Times.DAY, 23 * Times.HOUR / DAY, 1));
            double read = Double.MAX_VALUE;
            double opened = Double.MAX_VALUE;
            for (int turn = 0; turn < 25; turn++) {
                long begin = System.nanoTime();
                store.ticks(id, Long.MIN_VALUE, Long.MAX_VALUE);
                read = Math.min(read, (System.nanoTime() - begin) / 1e6);
                begin = System.nanoTime();
                TickSeries ticks = store.ticks(id, Long.MIN_VALUE, Long.MAX_VALUE);
                Fed chart = new Fed("time:1m", List.of(layer(1, "footprint", Map.of()), layer(2, "profile", Map.of())));
                chart.take(ticks, 0, ticks.size());
                chart.frame(new Nowhere());
                opened = Math.min(opened, (System.nanoTime() - begin) / 1e6);
            }
            System.out.printf(
                    Locale.ROOT,
                    "a day of %,d trades: reading its columns %.0f ms; opened with footprints and profile %.0f ms, ratio %.2f%n",
                    DAY,
                    read,
                    opened,
                    opened / read);
        }
    }

    private static double median(double[] times) {
        Arrays.sort(times);
        return times[times.length / 2];
    }
}
