package dev.yardarm.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every figure on a straight and on a logarithmic scale, against values worked out by hand. The points are (bar, price): 0, 100;
 * 10, 400; 16, 200; 26, 800; 32, 400; 40, 900. On the logarithmic scale what doubles in n bars doubles again in n bars.
 */
class FigureScalesTest {
    private static final TradingCalendar CALENDAR = TradingCalendar.roundTheClock(ZoneOffset.UTC);
    private static final double[][] POINTS = {
        {0, 100}, {10, 400}, {16, 200}, {26, 800}, {32, 400}, {40, 900}, {46, 500}, {50, 450}
    };

    private static Drawing drawing(String figure, String options, boolean logarithmic, int points) {
        List<Anchor> anchors = new ArrayList<>();
        for (int at = 0; at < points; at++) {
            anchors.add(new Anchor(TestBars.day((int) POINTS[at][0]), POINTS[at][1]));
        }
        Map<String, String> chosen = options == null ? Map.of() : Map.of(options.split("=")[0], options.split("=")[1]);
        return new Drawing(
                "d", figure, Timeframe.DAY, anchors, logarithmic, chosen, Drawing.Style.of(0), Drawing.Place.STANDARD);
    }

    private static Sketch sketch(Drawing drawing) {
        return drawing.sketch(CALENDAR, Bars.EMPTY, PriceFormat.ofDecimals(2));
    }

    @ParameterizedTest
    @CsvSource(
            textBlock =
                    """
            # figure, points, options, line, bar, straight, logarithmic, why
            level,          1, ,                   price,      77,  100,      100,        a price is a price
            level_ray,      1, ,                   price,      77,  100,      100,        a price is a price
            line,           2, ,                   line,       20,  700,      1600,       300 more; four times more in ten bars
            arrow,          2, ,                   line,       5,   250,      200,        half way: 250; the square root of 40000
            angle,          2, ,                   line,       15,  550,      800,        half of 300 more; twice more
            polyline,       3, ,                   line,       13,  300,      282.842712, half way from 400 to 200
            polyline,       3, ,                   line,       5,   250,      200,        on its first piece
            polyline,       3, ,                   line,       22,  0,        100,        its last piece goes on: less 200; a half
            polyline,       3, ,                   line,       -10, -200,     25,         its first piece goes back: less 300; a quarter
            channel,        3, ,                   base,       10,  400,      400,        through its first two points
            channel,        3, ,                   parallel,   16,  200,      200,        through its third
            channel,        3, ,                   parallel,   26,  500,      800,        and as steep: 300 more; four times more
            channel,        3, ,                   middle,     16,  390,      428.709385, between 580 and 200; sqrt(100 * 4^1.6 * 200)
            pitchfork,      3, ,                   median,     13,  300,      282.842712, through the middle of 400 and 200
            pitchfork,      3, ,                   median,     26,  500,      800,        and on: 200 more; 2.828 times more
            pitchfork,      3, ,                   upper,      10,  400,      400,        through the second point
            pitchfork,      3, ,                   lower,      16,  200,      200,        through the third
            speed_lines,    2, ,                   two_thirds, 10,  300,      251.984210, 100 + 2/3 * 300; 100 * 4^(2/3)
            speed_lines,    2, ,                   one_third,  10,  200,      158.740105, 100 + 1/3 * 300; 100 * 4^(1/3)
            zone,           2, ,                   upper,      50,  400,      400,        its borders are its prices
            zone,           2, ,                   lower,      50,  100,      100,        its borders are its prices
            amount_zone,    1, amount=20,          upper,      50,  120,      120,        the price and the amount
            amount_zone,    1, amount=20,          lower,      50,  80,       80,         the price less the amount
            gap,            2, ,                   upper,      50,  400,      400,        its borders are its prices
            order_block,    2, ,                   lower,      50,  100,      100,        its borders are its prices
            retracement,    2, ratios=0.5,         r0_5,       50,  250,      200,        half of the 300; half of the logarithm
            retracement,    2, ratios=0.25,        r0_25,      50,  325,      282.842712, a quarter back: 400 - 75; 400 / 4^0.25
            extension,      3, ratios=1,           r1,         50,  500,      800,        200 + 300; 200 * 4
            extension,      3, ratios=1.5,         r1_5,       50,  650,      1600,       200 + 450; 200 * 4^1.5
            fan,            2, ratios=0.5,         r0_5,       10,  250,      200,        through half of the move
            fan,            2, ratios=0.5,         r0_5,       20,  400,      400,        and on: 150 more; twice more
            measured_move,  3, ,                   target,     30,  500,      800,        the leg again from the third point
            head_shoulders, 5, ,                   neckline,   18,  600,      565.685425, through 400 and 800 half way
            head_shoulders, 5, ,                   target,     32,  1300,     2690.868529, the head below the neckline again above it; 800 * 2^1.75
            trading_range,  6, ,                   climax,     20,  400,      400,        its borders are its prices
            trading_range,  6, ,                   reaction,   20,  200,      200,        its borders are its prices
            regression,     3, deviations=2,       middle,     5,   250,      200,        from its first point to its second
            regression,     3, deviations=2,       lower,      10,  0,        100,        400 - 2 * 200; 400 / 2^2
            """)
    void linesLieWhereTheyShould(
            String figure,
            int points,
            String options,
            String line,
            double bar,
            double straight,
            double logarithmic,
            String why) {
        // The third point of a regression stands one deviation from the line over the second: its bar does not matter.
        for (boolean log : new boolean[] {false, true}) {
            Drawing drawing = drawing(figure, options, log, points);
            Plane plane = drawing.plane(CALENDAR);
            double price = plane.price(sketch(drawing).at(line, plane.u(TestBars.day(0)) + bar));
            assertThat(price)
                    .as(figure + " " + line + (log ? " in parts: " : " straight: ") + why)
                    .isCloseTo(log ? logarithmic : straight, within(1e-5));
            boolean wholeBar = bar == Math.rint(bar);
            if (wholeBar) {
                assertThat(drawing.path(CALENDAR, line).priceAt(TestBars.day((int) bar)))
                        .as("the same for alerts and formulas")
                        .isCloseTo(price, within(1e-9));
            }
        }
    }

    @ParameterizedTest
    @CsvSource(
            textBlock =
                    """
            # figure, points, options, stroke, its points as bar price pairs, straight and logarithmic
            box,            2, ,             0, 0 100 10 100 10 400 0 400 0 100,     0 100 10 100 10 400 0 400 0 100
            triangle,       3, ,             0, 0 100 10 400 16 200 0 100,           0 100 10 400 16 200 0 100
            freehand,       4, ,             0, 0 100 10 400 16 200 26 800,          0 100 10 400 16 200 26 800
            callout,        2, ,             0, 0 100 10 400,                        0 100 10 400
            price_time_box, 3, ,             1, 16 200 26 200 26 500 16 500 16 200,  16 200 26 200 26 800 16 800 16 200
            pattern4,       4, ,             0, 0 100 10 400 16 200 26 800,          0 100 10 400 16 200 26 800
            pattern5,       5, ,             0, 0 100 10 400 16 200 26 800 32 400,   0 100 10 400 16 200 26 800 32 400
            impulse,        6, ,             0, 0 100 10 400 16 200 26 800 32 400 40 900, 0 100 10 400 16 200 26 800 32 400 40 900
            zigzag,         4, ,             0, 0 100 10 400 16 200 26 800,          0 100 10 400 16 200 26 800
            flat,           4, ,             0, 0 100 10 400 16 200 26 800,          0 100 10 400 16 200 26 800
            combination,    4, ,             0, 0 100 10 400 16 200 26 800,          0 100 10 400 16 200 26 800
            wave_triangle,  6, ,             0, 0 100 10 400 16 200 26 800 32 400 40 900, 0 100 10 400 16 200 26 800 32 400 40 900
            measure,        2, ,             0, 0 100 10 400,                        0 100 10 400
            """)
    void strokesGoThroughTheirPoints(
            String figure, int points, String options, int stroke, String straight, String logarithmic) {
        for (boolean log : new boolean[] {false, true}) {
            Drawing drawing = drawing(figure, options, log, points);
            Plane plane = drawing.plane(CALENDAR);
            double[] found = sketch(drawing).strokes().get(stroke).points();
            double[] wanted = Arrays.stream(
                            (log ? logarithmic : straight).strip().split("\\s+"))
                    .mapToDouble(Double::parseDouble)
                    .toArray();
            assertThat(found).as(figure).hasSameSizeAs(wanted);
            for (int at = 0; at < wanted.length; at += 2) {
                assertThat(found[at] - plane.u(TestBars.day(0))).isCloseTo(wanted[at], within(1e-9));
                assertThat(plane.price(found[at + 1])).isCloseTo(wanted[at + 1], within(1e-9));
            }
        }
    }

    @ParameterizedTest
    @CsvSource(
            textBlock =
                    """
            upright,         1, ,           0
            time_zone,       2, ,           0 10
            time_ratios,     2, ratios=0 1.5, 0 15
            time_projection, 3, ratios=1 2,   26 36
            cycles,          2, ,           0 10 20 30 40
            """)
    void uprightsStandAtTheirBarsOnBothScales(String figure, int points, String options, String bars) {
        for (boolean log : new boolean[] {false, true}) {
            Drawing drawing = drawing(figure, options, log, points);
            double first = drawing.plane(CALENDAR).u(TestBars.day(0));
            List<Double> found = sketch(drawing).strokes().stream()
                    .filter(stroke -> Double.isInfinite(stroke.points()[1]))
                    .map(stroke -> stroke.points()[0] - first)
                    .toList();
            double[] wanted = Arrays.stream(bars.strip().split("\\s+"))
                    .mapToDouble(Double::parseDouble)
                    .toArray();
            for (int at = 0; at < wanted.length; at++) {
                assertThat(found.get(at)).as(figure).isCloseTo(wanted[at], within(1e-9));
            }
            assertThat(sketch(drawing).at("", first)).as("no price").isNaN();
        }
    }

    @Test
    void ellipsesAndArcsAreRoundInPriceOrInItsLogarithm() {
        for (boolean log : new boolean[] {false, true}) {
            Drawing ellipse = drawing("ellipse", null, log, 2);
            Plane plane = ellipse.plane(CALENDAR);
            double[] round = sketch(ellipse).strokes().get(0).points();
            // It begins at the right, half way up: 250, or the square root of 100 * 400.
            assertThat(plane.price(round[1])).isCloseTo(log ? 200 : 250, within(1e-6));
            Drawing arcs = drawing("arcs", "ratios=0.5", log, 2);
            Sketch.Note half = sketch(arcs).notes().get(0);
            assertThat(plane.price(half.v()))
                    .as("half of the move below its end")
                    .isCloseTo(log ? 200 : 250, within(1e-6));
        }
    }

    @Test
    void ratiosOfPatternsAreThoseOfTheLegsOnTheirScale() {
        // Legs 300, 200, 600: 200 / 300, 600 / 200, and 600 / 300. In logarithms of 2: 2, 1, 2.
        assertThat(sketch(drawing("pattern4", null, false, 4)).notes())
                .extracting(Sketch.Note::text)
                .contains("0.667", "3", "2");
        assertThat(sketch(drawing("pattern4", null, true, 4)).notes())
                .extracting(Sketch.Note::text)
                .contains("0.5", "2", "1");
        assertThat(sketch(drawing("pattern5", null, true, 5)).notes())
                .extracting(Sketch.Note::text)
                .contains("0.5", "2", "0");
    }

    @Test
    void wordsStandAtTheirPointsOnBothScales() {
        for (boolean log : new boolean[] {false, true}) {
            for (String figure : List.of("text", "marker", "price_note", "stance_mark")) {
                Drawing drawing = drawing(figure, null, log, 1);
                Sketch.Note note = sketch(drawing).notes().get(0);
                assertThat(drawing.plane(CALENDAR).price(note.v())).as(figure).isCloseTo(100, within(1e-9));
            }
        }
    }

    @Test
    void everyFigureIsAmongThem() throws Exception {
        Set<String> tested = new TreeSet<>(List.of("ellipse", "arcs", "text", "marker", "price_note", "stance_mark"));
        for (String method : List.of(
                "linesLieWhereTheyShould", "strokesGoThroughTheirPoints", "uprightsStandAtTheirBarsOnBothScales")) {
            String block = Arrays.stream(FigureScalesTest.class.getDeclaredMethods())
                    .filter(each -> each.getName().equals(method))
                    .findFirst()
                    .orElseThrow()
                    .getAnnotation(CsvSource.class)
                    .textBlock();
            block.lines()
                    .filter(line -> !line.startsWith("#") && line.contains(","))
                    .forEach(line ->
                            tested.add(line.substring(0, line.indexOf(',')).strip()));
        }
        assertThat(tested)
                .containsAll(Figures.shared().all().stream().map(Figure::name).toList());
    }
}
