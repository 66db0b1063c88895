package dev.yardarm.bench;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.SvgSurface;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.DrawingEntry;
import dev.yardarm.desk.book.DocumentSaver;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;

/**
 * A chart of 10,000 minute bars with 2,000 drawings of all kinds far outside the view, against none: a painted frame; the
 * same drawings spread over the view: finding what lies under a point; what handing them over to be saved takes; and the same of findings
 * of detectors.
 */
public final class DrawingsMeasurement {
    private static final int BARS = 10_000;
    private static final int DRAWINGS = 2_000;
    private static final int RUNS = 300;

    private DrawingsMeasurement() {}

    public static void main(String[] arguments) throws IOException {
        Bars bars = MadeBars.minutes(BARS).snapshot();
        ChartModel chart = chart(bars);
        List<Drawing> all = drawings(bars, 100, 3000);
        chart.setDrawings(all);
        List<Drawing> seen = chart.places().inView();
        // Levels and rays among them do reach into the view: they are left out, others of their kind take their place.
        List<Drawing> away = new ArrayList<>(
                all.stream().filter(each -> !seen.contains(each)).toList());
        for (int copy = 0; away.size() < DRAWINGS; copy++) {
            away.add(away.get(copy).withId("copy" + copy));
        }
        double[] without = new double[RUNS];
        double[] with = new double[RUNS];
        for (int run = -100; run < RUNS; run++) {
            chart.setDrawings(List.of());
            double none = frame(chart);
            chart.setDrawings(away);
            frame(chart);
            double many = frame(chart);
            if (run >= 0) {
                without[run] = none;
                with[run] = many;
            }
        }
        print("a painted frame, 2,000 drawings outside the view against none", median(with), median(without));
        chart.setDrawings(drawings(bars, 100, BARS - 10));
        hits(chart, "2,000 drawings over all bars");
        chart.setDrawings(drawings(bars, BARS - 140, BARS - 10));
        hits(chart, "2,000 drawings on the bars in view");
        saving(away);
        findings();
    }

    /** Findings before a rest in which there are none, against the same chart without the detectors; and what lies under a point. */
    private static void findings() {
        Bars made = MadeBars.minutes(BARS).snapshot();
        BarSeries series = new BarSeries(BARS + 400);
        series.appendAll(made);
        double rest = made.close(BARS - 1);
        for (int bar = 0; bar < 400; bar++) {
            long open = made.closeTime(BARS - 1) + bar * Times.MINUTE;
            series.append(open, open + Times.MINUTE, rest, rest, rest, rest, 1);
        }
        Bars bars = series.snapshot();
        List<IndicatorLayer> layers =
                List.of(layer("pivots", Map.of("atr", "1.45", "degrees", "3")), layer("pattern", Map.of()));
        ChartDataBuilder builder = new ChartDataBuilder(layers);
        ChartData found = builder.update(bars);
        int count = layers.stream().mapToInt(each -> found.found(each).size()).sum();
        ChartModel chart = chart(bars);
        double[] without = new double[RUNS];
        double[] with = new double[RUNS];
        double[] ticked = new double[RUNS];
        for (int run = -100; run < RUNS; run++) {
            chart.setIndicators(List.of());
            chart.setData(ChartData.of(bars));
            frame(chart);
            double none = frame(chart);
            chart.setIndicators(layers);
            chart.setData(found);
            frame(chart);
            double many = frame(chart);
            chart.setData(found.withLast(rest));
            double afterTick = frame(chart);
            if (run >= 0) {
                without[run] = none;
                with[run] = many;
                ticked[run] = afterTick;
            }
        }
        String what = String.format(Locale.ROOT, "%,d findings", count);
        double alone = median(without);
        print("a painted frame, " + what + " outside the view against none", median(with), alone);
        print(
                "the first frame after a tick, " + what + " outside the view against a frame with none",
                median(ticked),
                alone);
        chart.setBarWidth(1);
        chart.showUntil(bars.openTime(BARS - 1));
        hits(chart, what + ", " + chart.places().inView().size() + " of them in view");
    }

    private static IndicatorLayer layer(String detector, Map<String, String> settings) {
        Indicator term = Language.builtIn().catalogue().find(detector).orElseThrow();
        return new IndicatorLayer(detector, term, Settings.of(term, settings), LayerStyle.of(2));
    }

    private static ChartModel chart(Bars bars) {
        ChartModel chart = new ChartModel(false);
        chart.open(
                new Instrument(
                        new InstrumentId("bench", "KTRL"),
                        "Kettering Tidal",
                        "PVX",
                        Instrument.Kind.SHARE,
                        "",
                        "",
                        new PriceFormat(2, 0.01),
                        1),
                Timeframe.MINUTE,
                TradingCalendar.roundTheClock(ZoneOffset.UTC));
        chart.setSize(1000, 600);
        chart.setData(ChartData.of(bars));
        chart.setBarWidth(7);
        return chart;
    }

    private static void hits(ChartModel chart, String what) {
        frame(chart);
        double[] hits = new double[RUNS];
        Random random = new Random(3);
        for (int run = -200; run < RUNS; run++) {
            double x = random.nextDouble() * chart.plotRight();
            double y = random.nextDouble() * chart.pricePane().bottom();
            long begin = System.nanoTime();
            HitTest.at(chart, x, y);
            if (run >= 0) {
                hits[run] = (System.nanoTime() - begin) / 1e6;
            }
        }
        System.out.printf(
                Locale.ROOT,
                "what lies under a point, %s: %.3f ms (median), %.3f ms (95 %%)%n",
                what,
                median(hits),
                hits[(int) (RUNS * 0.95)]);
    }

    private static void saving(List<Drawing> drawings) throws IOException {
        Path folder = Files.createTempDirectory("yardarm-drawings");
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(folder), text -> {})) {
            double[] times = new double[RUNS];
            for (int run = 0; run < RUNS; run++) {
                long begin = System.nanoTime();
                saver.save(
                        DocumentKind.TRACING,
                        "it",
                        new Documents.Tracing(
                                new InstrumentId("bench", "KTRL"),
                                drawings.stream().map(DrawingEntry::of).toList()));
                times[run] = (System.nanoTime() - begin) / 1e6;
            }
            System.out.printf(
                    Locale.ROOT, "handing 2,000 drawings over to be saved: %.3f ms (median)%n", median(times));
        }
    }

    private static List<Drawing> drawings(Bars bars, int from, int to) {
        Random random = new Random(7);
        List<Figure> figures = new ArrayList<>(Figures.shared().all());
        figures.removeIf(figure -> figure.readsBars() || figure.family() == Figure.Family.MEASURES);
        List<Drawing> drawings = new ArrayList<>();
        for (int number = 0; number < DRAWINGS; number++) {
            Figure figure = figures.get(number % figures.size());
            List<Anchor> anchors = new ArrayList<>();
            int bar = from + random.nextInt(Math.max(1, to - from));
            for (int point = 0; point < figure.least(); point++) {
                int at = Math.min(to, bar + 3 * point);
                anchors.add(new Anchor(bars.openTime(at), bars.close(at) + random.nextGaussian()));
            }
            Drawing drawing = new Drawing("d" + number, figure.name(), Timeframe.MINUTE, anchors, number % 8);
            boolean endless =
                    figure.options().stream().anyMatch(option -> option.name().equals("extend"));
            drawings.add(
                    endless
                                    && figure.options().stream()
                                            .filter(option -> option.name().equals("extend"))
                                            .findFirst()
                                            .orElseThrow()
                                            .toString()
                                            .contains("none")
                            ? drawing.withOptions(Map.of("extend", "none"))
                            : drawing);
        }
        return drawings;
    }

    private static double frame(ChartModel chart) {
        SvgSurface surface = new SvgSurface(1000, 600, (text, type) -> 6.0 * text.length());
        ChartPainter painter = new ChartPainter();
        long begin = System.nanoTime();
        painter.paint(chart, Palette.of(Palette.Theme.DAYLIGHT), surface);
        return (System.nanoTime() - begin) / 1e6;
    }

    private static double median(double[] times) {
        Arrays.sort(times);
        return times[times.length / 2];
    }

    private static void print(String what, double one, double other) {
        System.out.printf(Locale.ROOT, "%s: %.3f ms / %.3f ms = %.2f%n", what, one, other, one / other);
    }
}
