package dev.yardarm.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What figures consist of, against values worked out by hand: bars are counted from the first, prices are round. */
class FigureGeometryTest {
    private static final TradingCalendar CALENDAR = TradingCalendar.roundTheClock(ZoneOffset.UTC);
    private static final Plane PLANE = new Plane(CALENDAR, Timeframe.DAY, false);
    private static final PriceFormat FORMAT = PriceFormat.ofDecimals(2);

    /** Points as bar, price, bar, price and so on. */
    private static List<Anchor> anchors(double... points) {
        List<Anchor> anchors = new ArrayList<>();
        for (int at = 0; at < points.length; at += 2) {
            anchors.add(new Anchor(TestBars.day((int) points[at]), points[at + 1]));
        }
        return anchors;
    }

    private static Drawing drawing(String figure, Map<String, String> options, boolean logarithmic, double... points) {
        return new Drawing(
                "d",
                figure,
                Timeframe.DAY,
                anchors(points),
                logarithmic,
                options,
                Drawing.Style.of(0),
                Drawing.Place.STANDARD);
    }

    private static Sketch sketch(String figure, Map<String, String> options, double... points) {
        return drawing(figure, options, false, points).sketch(CALENDAR, Bars.EMPTY, FORMAT);
    }

    private static Sketch sketch(String figure, double... points) {
        return sketch(figure, Map.of(), points);
    }

    /** The price of a line of a sketch over a bar. */
    private static double at(Sketch sketch, String line, double bar) {
        return sketch.course(line)
                .orElseThrow(() -> new AssertionError("no line " + line + " among " + sketch.courses()))
                .at(PLANE.u(TestBars.day(0)) + bar);
    }

    private static double u(double bar) {
        return PLANE.u(TestBars.day(0)) + bar;
    }

    @Test
    void aTrendLineIsStraightInBarsAndReachesAsFarAsItIsTold() {
        Sketch line = sketch("line", 10, 100, 20, 110);
        assertThat(at(line, "line", 15)).isEqualTo(105);
        assertThat(at(line, "line", 40)).isEqualTo(130);
        assertThat(line.courses().get(0).reaches(u(40))).isTrue();
        assertThat(line.courses().get(0).reaches(u(5))).isFalse();
        Sketch segment = sketch("line", Map.of("extend", "none"), 10, 100, 20, 110);
        assertThat(segment.courses().get(0).reaches(u(40))).isFalse();
        assertThat(at(segment, "line", 40))
                .as("it has a value where it is not drawn")
                .isEqualTo(130);
        assertThat(sketch("line", Map.of("extend", "both"), 20, 110, 10, 100)
                        .courses()
                        .get(0)
                        .reaches(u(1)))
                .isTrue();
    }

    @Test
    void aLineDrawnOnALogarithmicScaleGrowsByEqualParts() {
        Drawing line = drawing("line", Map.of(), true, 0, 100, 10, 200);
        Drawing.Path path = line.path(CALENDAR);
        assertThat(path.priceAt(TestBars.day(5))).isCloseTo(100 * Math.sqrt(2), within(1e-9));
        assertThat(path.priceAt(TestBars.day(20))).isCloseTo(400, within(1e-9));
        assertThat(drawing("line", Map.of(), false, 0, 100, 10, 200)
                        .path(CALENDAR)
                        .priceAt(TestBars.day(20)))
                .isEqualTo(300);
        Sketch retracement = drawing("retracement", Map.of("ratios", "0.5"), true, 0, 100, 10, 400)
                .sketch(CALENDAR, Bars.EMPTY, FORMAT);
        assertThat(Math.exp(retracement.courses().get(0).from().v()))
                .as("half way from 100 to 400 in equal parts")
                .isCloseTo(200, within(1e-9));
        assertThat(retracement.notes().get(0).text()).isEqualTo("0.5  200.00");
    }

    @Test
    void aChannelHasItsOtherBorderThroughTheThirdPointAndLinesBetween() {
        Sketch channel = sketch("channel", Map.of("quarters", "yes"), 0, 100, 10, 110, 5, 95);
        assertThat(at(channel, "base", 5)).isEqualTo(105);
        assertThat(at(channel, "parallel", 5)).isEqualTo(95);
        assertThat(at(channel, "parallel", 20)).isEqualTo(110);
        assertThat(at(channel, "middle", 5)).isEqualTo(100);
        assertThat(at(channel, "lower_quarter", 5)).isEqualTo(102.5);
        assertThat(at(channel, "upper_quarter", 5)).isEqualTo(97.5);
        assertThat(channel.areas()).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource({"point,0,100", "half,0,105", "middle,5,105"})
    void aPitchforksMedianGoesFromItsHandleThroughTheMiddleOfTheTines(String variant, double bar, double price) {
        // The first point 100 at bar 0, the tines 110 at 10 and 106 at 20: their middle is 108 at 15.
        Sketch fork = sketch("pitchfork", Map.of("variant", variant), 0, 100, 10, 110, 20, 106);
        assertThat(at(fork, "median", bar)).isEqualTo(price);
        assertThat(at(fork, "median", 15)).isCloseTo(108, within(1e-9));
        double slope = (108 - price) / (15 - bar);
        assertThat(at(fork, "upper", 10)).isEqualTo(110);
        assertThat(at(fork, "upper", 30)).isCloseTo(110 + 20 * slope, within(1e-9));
        assertThat(at(fork, "lower", 30)).isCloseTo(106 + 10 * slope, within(1e-9));
    }

    @Test
    void speedLinesPassAtTwoThirdsAndOneThirdOfTheMove() {
        Sketch lines = sketch("speed_lines", 0, 100, 10, 130);
        assertThat(at(lines, "two_thirds", 10)).isCloseTo(120, within(1e-9));
        assertThat(at(lines, "one_third", 10)).isCloseTo(110, within(1e-9));
        assertThat(at(lines, "one_third", 20)).isCloseTo(120, within(1e-9));
    }

    @Test
    void anAngleLineReadsItsSlopeInItsUnit() {
        assertThat(sketch("angle", Map.of("unit", "2"), 0, 100, 10, 120)
                        .notes()
                        .get(0)
                        .text())
                .isEqualTo("+45.0°  +2.0000 a bar");
        assertThat(sketch("angle", 0, 100, 10, 90).notes().get(0).text())
                .as("one per cent of 100 is 45 degrees")
                .isEqualTo("−45.0°  −1.0000 a bar");
    }

    @Test
    void aRegressionChannelIsThatOfTheClosesUnderIt() {
        // Closes 1, 3, 2, 4 on bars 0 to 3: slope 0.8, mean 2.5 at 1.5; errors -0.3, 0.9, -0.9, 0.3: deviation
        // sqrt(0.45).
        Bars bars = TestBars.ofCloses(1, 3, 2, 4, 9);
        Figure figure = Figures.shared().get("regression");
        List<Anchor> fitted = figure.settled(anchors(3, 7, 0, 7), bars, PLANE);
        assertThat(fitted).extracting(Anchor::time).containsExactly(TestBars.day(0), TestBars.day(3), TestBars.day(3));
        Sketch channel = new Drawing(
                        "d",
                        "regression",
                        Timeframe.DAY,
                        fitted,
                        false,
                        Map.of("deviations", "2"),
                        Drawing.Style.of(0),
                        Drawing.Place.STANDARD)
                .sketch(CALENDAR, Bars.EMPTY, FORMAT);
        assertThat(at(channel, "middle", 0)).isCloseTo(1.3, within(1e-9));
        assertThat(at(channel, "middle", 3)).isCloseTo(3.7, within(1e-9));
        assertThat(at(channel, "upper", 0)).isCloseTo(1.3 + 2 * Math.sqrt(0.45), within(1e-9));
        assertThat(at(channel, "lower", 3)).isCloseTo(3.7 - 2 * Math.sqrt(0.45), within(1e-9));
        assertThat(figure.moved(fitted, fitted.subList(0, 3), bars, PLANE))
                .as("its prices were moved by hand")
                .isEqualTo(fitted);
        List<Anchor> wider = List.of(fitted.get(0), new Anchor(TestBars.day(4), 3), fitted.get(2));
        assertThat(figure.moved(fitted, wider, bars, PLANE).get(1).price())
                .as("fitted anew to 1, 3, 2, 4, 9")
                .isCloseTo(3.8 + 1.7 * 2, within(1e-9));
        assertThatThrownBy(() -> figure.settled(anchors(2, 7, 2, 7), bars, PLANE))
                .hasMessageContaining("two closed bars");
        // Closes 1, 4, 16 on a logarithmic plane lie on one line.
        List<Anchor> growing = figure.settled(
                anchors(0, 1, 2, 1), TestBars.ofCloses(1, 4, 16), new Plane(CALENDAR, Timeframe.DAY, true));
        assertThat(growing.get(1).price()).isCloseTo(16, within(1e-9));
        assertThat(growing.get(2).price()).isCloseTo(16, within(1e-6));
    }

    @Test
    void zonesHaveTheirBordersAsValues() {
        Sketch zone = sketch("zone", 3, 98, 9, 101);
        assertThat(at(zone, "upper", 50)).isEqualTo(101);
        assertThat(at(zone, "lower", 50)).isEqualTo(98);
        assertThat(zone.areas().get(0).points())
                .containsExactly(u(3), 98, Double.POSITIVE_INFINITY, 98, Double.POSITIVE_INFINITY, 101, u(3), 101);
        Sketch around = sketch("amount_zone", Map.of("amount", "0.5"), 3, 100);
        assertThat(at(around, "upper", 3)).isEqualTo(100.5);
        assertThat(at(around, "lower", 3)).isEqualTo(99.5);
        assertThat(at(sketch("amount_zone", 3, 200), "upper", 3))
                .as("half of one per cent")
                .isEqualTo(201);
    }

    @Test
    void aBoxAnEllipseAndATriangleLieBetweenTheirPoints() {
        assertThat(sketch("box", 2, 10, 6, 20).areas().get(0).points())
                .containsExactly(u(2), 10, u(6), 10, u(6), 20, u(2), 20);
        Sketch.Stroke ellipse = sketch("ellipse", 2, 10, 6, 20).strokes().get(0);
        assertThat(ellipse.points()[0]).isCloseTo(u(6), within(1e-9));
        assertThat(ellipse.points()[1]).isCloseTo(15, within(1e-9));
        int top = ellipse.count() / 4;
        assertThat(ellipse.points()[2 * top]).isCloseTo(u(4), within(1e-6));
        assertThat(ellipse.points()[2 * top + 1]).isCloseTo(20, within(1e-6));
        assertThat(sketch("triangle", 0, 1, 4, 5, 8, 1).strokes().get(0).count())
                .isEqualTo(4);
    }

    private static Bars barsWithGaps() {
        double[][] bars = {
            {10, 11, 9, 10.5},
            {10.5, 12, 10, 11},
            {14, 15, 13, 14.5},
            {14, 14.6, 13.5, 13.6},
            {13.4, 13.5, 12.9, 13},
            {13, 16, 12.8, 15.8},
            {15.8, 18, 15.5, 17.9}
        };
        BarSeries series = new BarSeries(bars.length);
        for (int bar = 0; bar < bars.length; bar++) {
            series.append(
                    TestBars.day(bar),
                    TestBars.day(bar) + Times.DAY,
                    bars[bar][0],
                    bars[bar][1],
                    bars[bar][2],
                    bars[bar][3],
                    100);
        }
        return series.snapshot();
    }

    @Test
    void aGapIsFoundFromAClickNearIt() {
        Figure gap = Figures.shared().get("gap");
        assertThat(gap.settled(anchors(3, 14), barsWithGaps(), PLANE))
                .as("12 to 13 between bars 1 and 2")
                .isEqualTo(anchors(1, 12, 2, 13));
        assertThatThrownBy(() -> gap.settled(anchors(1, 5), TestBars.ofCloses(5, 5, 5, 5), PLANE))
                .hasMessageContaining("no gap");
    }

    @Test
    void theBlockIsTheLastBarAgainstTheMove() {
        assertThat(Figures.shared().get("order_block").settled(anchors(5, 14), barsWithGaps(), PLANE))
                .as("bar 4 fell before the rise of 5 and 6")
                .isEqualTo(anchors(4, 13.5, 4, 12.9));
        assertThatThrownBy(() -> Figures.shared().get("order_block").settled(anchors(0, 5), barsWithGaps(), PLANE))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void retracementsAndExtensionsStandAtTheirParts() {
        Sketch retracement = sketch("retracement", Map.of("ratios", "0 0.5 0.618 1 1.272"), 0, 100, 10, 120);
        assertThat(at(retracement, "r0", 20)).isEqualTo(120);
        assertThat(at(retracement, "r0_5", 20)).isEqualTo(110);
        assertThat(at(retracement, "r0_618", 20)).isCloseTo(120 - 20 * 0.618, within(1e-9));
        assertThat(at(retracement, "r1", 20)).isEqualTo(100);
        assertThat(at(retracement, "r1_272", 20)).isCloseTo(120 - 20 * 1.272, within(1e-9));
        assertThat(retracement.notes().get(2).text()).isEqualTo("0.618  107.64");
        Sketch extension = sketch("extension", Map.of("ratios", "1 1.618"), 0, 100, 10, 120, 15, 112);
        assertThat(at(extension, "r1", 30)).isEqualTo(132);
        assertThat(at(extension, "r1_618", 30)).isCloseTo(112 + 20 * 1.618, within(1e-9));
    }

    @Test
    void timeRatiosAndProjectionsStandAtTheirBars() {
        Sketch ratios = sketch("time_ratios", Map.of("ratios", "0 1 2.5"), 10, 5, 20, 5);
        assertThat(ratios.strokes().stream().map(stroke -> stroke.points()[0])).containsExactly(u(10), u(20), u(35));
        Sketch projection = sketch("time_projection", Map.of("ratios", "1 1.5"), 0, 5, 10, 6, 30, 5);
        assertThat(projection.strokes().stream().skip(1).map(stroke -> stroke.points()[0]))
                .containsExactly(u(40), u(45));
        Sketch cycles = sketch("cycles", Map.of("count", "3"), 0, 5, 7, 5);
        assertThat(cycles.strokes().stream().map(stroke -> stroke.points()[0]))
                .containsExactly(u(0), u(7), u(14), u(21));
    }

    @Test
    void aFanPassesThroughThePartsBelowTheEndAndArcsGoAroundIt() {
        Sketch fan = sketch("fan", Map.of("ratios", "0.5"), 0, 100, 10, 120);
        assertThat(at(fan, "r0_5", 10)).isEqualTo(110);
        assertThat(at(fan, "r0_5", 20)).isEqualTo(120);
        Sketch.Stroke arc = sketch("arcs", Map.of("ratios", "0.5"), 0, 100, 10, 120)
                .strokes()
                .get(1);
        assertThat(arc.points()[0]).isCloseTo(u(15), within(1e-9));
        int middle = arc.count() / 2;
        assertThat(arc.points()[2 * middle + 1])
                .as("half of the height below the end")
                .isCloseTo(110, within(1e-9));
        assertThat(arc.points()[2 * middle]).isCloseTo(u(10), within(1e-9));
    }

    @Test
    void aMeasuredMoveIsTheLegAgainFromAnotherPoint() {
        Sketch move = sketch("measured_move", 0, 100, 10, 120, 14, 112);
        assertThat(at(move, "target", 24)).isEqualTo(132);
        assertThat(move.notes().get(0).text()).isEqualTo("132.00  +20.00  +17.86 %  10 bars");
        assertThat(at(sketch("measured_move", Map.of("ratio", "0.5"), 0, 100, 10, 120, 14, 112), "target", 24))
                .isEqualTo(122);
        Sketch box = sketch("price_time_box", 0, 100, 10, 120, 14, 112);
        assertThat(box.areas().get(0).points()).containsExactly(u(14), 112, u(24), 112, u(24), 132, u(14), 132);
    }

    @Test
    void patternsReadTheirRatios() {
        Sketch four = sketch("pattern4", 0, 100, 10, 120, 16, 110, 26, 130);
        assertThat(four.notes().stream().map(Sketch.Note::text)).containsExactly("A", "B", "C", "D", "0.5", "2", "1");
        Sketch five = sketch("pattern5", 0, 100, 10, 120, 16, 110, 22, 116, 30, 104);
        assertThat(five.notes().stream().map(Sketch.Note::text))
                .as("AB of XA, BC of AB, CD of BC, AD of XA")
                .containsExactly("X", "A", "B", "C", "D", "0.5", "0.6", "2", "0.8");
    }

    @Test
    void theTargetOfHeadAndShouldersIsTheHeadsHeightBelowTheNeckline() {
        // Troughs 100 at bar 4 and 102 at 12: the neckline is 101 under the head at 8 and 103 at the right shoulder at
        // 16.
        Sketch top = sketch("head_shoulders", 0, 108, 4, 100, 8, 115, 12, 102, 16, 109);
        assertThat(at(top, "neckline", 8)).isEqualTo(101);
        assertThat(at(top, "neckline", 20)).isEqualTo(104);
        assertThat(at(top, "target", 16)).isEqualTo(103 - 14);
        assertThat(top.notes().get(0).text()).isEqualTo("target 89.00");
        Sketch bottom = sketch("head_shoulders", 0, 92, 4, 100, 8, 85, 12, 100, 16, 91);
        assertThat(at(bottom, "target", 16)).isEqualTo(115);
    }

    @Test
    void aWaveCountIsLabelledInItsDegreeAndSaysWhatItBreaks() {
        Sketch legal = sketch("impulse", Map.of("degree", "minute"), 0, 100, 2, 110, 4, 104, 8, 125, 10, 115, 14, 130);
        assertThat(legal.notes().stream().map(Sketch.Note::text))
                .containsExactly("[i]", "[ii]", "[iii]", "[iv]", "[v]");
        assertThat(legal.notes().get(0).side()).isEqualTo(Sketch.Side.ABOVE);
        assertThat(legal.notes().get(1).side()).isEqualTo(Sketch.Side.BELOW);
        Sketch broken = sketch("impulse", 0, 100, 2, 110, 4, 99);
        assertThat(broken.notes().get(2).text()).isEqualTo("broken: wave 2 goes beyond the start of wave 1");
        assertThat(sketch("zigzag", Map.of("degree", "cycle"), 0, 100, 2, 90, 4, 95, 8, 80)
                        .notes()
                        .get(0)
                        .size())
                .isEqualTo(2);
    }

    @Test
    void aRangeHasItsBordersEventsAndPhases() {
        Sketch range = sketch("trading_range", 0, 105, 4, 98, 8, 106, 12, 99, 20, 97, 22, 98, 26, 108, 30, 105);
        assertThat(at(range, "climax", 20)).isEqualTo(98);
        assertThat(at(range, "reaction", 20)).isEqualTo(106);
        assertThat(range.notes().stream().map(Sketch.Note::text))
                .containsExactly("PS", "SC", "AR", "ST", "spring", "test", "SOS", "LPS", "A", "B", "C", "D", "E");
        Sketch.Note test = range.notes().stream()
                .filter(note -> note.text().equals("C"))
                .findFirst()
                .orElseThrow();
        assertThat(test.u()).as("phase C from the spring to its test").isEqualTo(u(21));
        assertThat(range.broken()).isEmpty();
        assertThat(sketch("trading_range", 0, 105, 4, 98, 8, 96).broken())
                .containsExactly("the reaction (AR) does not turn against the climax (SC)");
        assertThat(sketch("trading_range", 0, 105, 4, 98, 8, 106, 12, 99, 20, 98.5, 22, 98, 26, 105)
                        .broken())
                .containsExactly(
                        "the spring does not go beyond the climax",
                        "the test goes beyond the spring",
                        "the SOS does not leave the range");
        assertThat(sketch(
                                "trading_range",
                                Map.of("kind", "distribution"),
                                0,
                                95,
                                4,
                                102,
                                8,
                                94,
                                12,
                                101,
                                20,
                                103,
                                22,
                                102,
                                26,
                                92)
                        .broken())
                .as("the same upside down")
                .isEmpty();
        assertThat(sketch("trading_range", Map.of("kind", "distribution"), 0, 95, 4, 102, 8, 94).notes().stream()
                        .map(Sketch.Note::text))
                .as("not all events yet")
                .containsExactly("PSY", "BC", "AR", "A");
    }

    @Test
    void levelsOfSeveralDrawingsAgreeWithinATolerance() {
        List<Agreement.Level> levels = List.of(
                new Agreement.Level("a", 100),
                new Agreement.Level("b", 100.2),
                new Agreement.Level("a", 100.1),
                new Agreement.Level("c", 107),
                new Agreement.Level("c", 107.1),
                new Agreement.Level("b", 112),
                new Agreement.Level("c", 112.25),
                new Agreement.Level("a", 112.1));
        List<Agreement.Shared> shared = Agreement.of(levels, 0.0025);
        assertThat(shared).hasSize(2);
        assertThat(shared.get(0).count()).as("a counts once").isEqualTo(2);
        assertThat(shared.get(0).price()).isCloseTo(100.1, within(1e-9));
        assertThat(shared.get(1).count()).isEqualTo(3);
        assertThat(Agreement.of(levels, 0.0001)).isEmpty();
    }

    @Test
    void wordsHoldValuesThatStayCurrent() {
        Drawing text = drawing("text", Map.of("text", "last {close}, here {price} on {date}"), false, 2, 98.5);
        assertThat(text.sketch(CALENDAR, TestBars.ofCloses(1, 2, 3.25), FORMAT)
                        .notes()
                        .get(0)
                        .text())
                .isEqualTo("last 3.25, here 98.50 on 2024-01-03");
        assertThat(sketch("price_note", 2, 98.5).notes().get(0).text()).isEqualTo("98.50");
        assertThat(sketch("stance_mark", Map.of("stance", "short", "text", "failed high"), 2, 98.5)
                        .notes()
                        .get(0)
                        .text())
                .isEqualTo("short: failed high");
        assertThat(sketch("marker", Map.of("mark", "down"), 2, 98.5)
                        .notes()
                        .get(0)
                        .side())
                .isEqualTo(Sketch.Side.ABOVE);
    }

    @Test
    void aMeasureTellsPriceBarsAndVolume() {
        Drawing measure = drawing("measure", Map.of(), false, 1, 100, 3, 110);
        // Volumes of the made bars are 100 plus their number.
        assertThat(measure.sketch(CALENDAR, TestBars.ofCloses(1, 1, 1, 1, 1), FORMAT)
                        .notes()
                        .get(0)
                        .text())
                .isEqualTo("+10.00  +10.00 %  2 bars  2 days  volume 306");
    }

    @Test
    void formulasReadDrawingsByTheirNames() {
        Drawing line = drawing("channel", Map.of(), false, 0, 100, 10, 110, 5, 95)
                .withPlace(Drawing.Place.STANDARD.withName("My channel"));
        ColumnGraph graph = new ColumnGraph(Surroundings.NONE.with(new NamedDrawings(CALENDAR, List.of(line))));
        ColumnGraph.Node base =
                Formula.parse("drawing \"my channel\"", Language.builtIn()).in(graph);
        ColumnGraph.Node parallel = Formula.parse("DRAWING \"My Channel\".parallel - 1", Language.builtIn())
                .in(graph);
        ColumnGraph.Node nothing =
                Formula.parse("drawing \"another\" > 0", Language.builtIn()).in(graph);
        graph.update(TestBars.ofCloses(1, 2, 3, 4, 5, 6, 7));
        assertThat(base.output().at(5)).isEqualTo(105);
        assertThat(parallel.output().at(5)).isEqualTo(94);
        assertThat(nothing.output().at(5)).isNaN();
        assertThat(Formula.parse("close > drawing \"neckline\" and high < 3", Language.builtIn())
                        .needs()
                        .drawings())
                .containsExactly("neckline");
        assertThatThrownBy(() -> Formula.parse("close > drawing", Language.builtIn()))
                .hasMessageContaining("expected");
    }

    /** What holds of every figure. */
    @Test
    void everyFigureDrawsItselfOnBothScalesAndMovesWithItsPoints() {
        for (Figure figure : Figures.shared().all()) {
            double[] points = new double[2 * figure.least()];
            for (int point = 0; point < figure.least(); point++) {
                points[2 * point] = 4 * point;
                points[2 * point + 1] = 100 + 7 * (point % 2) + point;
            }
            for (boolean logarithmic : new boolean[] {false, true}) {
                Drawing drawing = drawing(figure.name(), Map.of(), logarithmic, points);
                Sketch sketch = drawing.sketch(CALENDAR, TestBars.walk(1, 60).snapshot(), FORMAT);
                assertThat(sketch.strokes().size() + sketch.notes().size())
                        .as(figure.name())
                        .isPositive();
                sketch.strokes()
                        .forEach(stroke ->
                                assertThat(stroke.points()).as(figure.name()).doesNotContain(Double.NaN));
            }
            Sketch before = drawing(figure.name(), Map.of(), false, points).sketch(CALENDAR, Bars.EMPTY, FORMAT);
            Sketch after = drawing(figure.name(), Map.of(), false, points)
                    .movedBy(5)
                    .movedBy(-5)
                    .sketch(CALENDAR, Bars.EMPTY, FORMAT);
            assertThat(after.courses()).as(figure.name()).isEqualTo(before.courses());
            assertThat(figure.help()).as(figure.name()).isNotBlank();
            assertThat(figure.points()).as(figure.name()).isNotEmpty();
        }
    }

    @Test
    void whatAPriceBelowZeroHasNoPlaceForOnALogarithmicPlaneIsNotDrawn() {
        assertThat(drawing("line", Map.of(), true, 0, -5, 10, 200)
                        .sketch(CALENDAR, Bars.EMPTY, FORMAT)
                        .strokes())
                .isEmpty();
    }

    private static Sketch styled(
            String figure, Drawing.Style.Words words, Map<String, String> options, double... points) {
        Drawing plain = drawing(figure, options, false, points);
        return plain.withStyle(plain.style().withWords(words)).sketch(CALENDAR, Bars.EMPTY, FORMAT);
    }

    @Test
    void wordsStandWhereTheStyleHasThem() {
        Sketch built = styled("retracement", Drawing.Style.Words.AS_BUILT, Map.of("ratios", "0.5"), 10, 100, 20, 120);
        assertThat(built.notes()).singleElement().satisfies(note -> {
            assertThat(note.side()).isEqualTo(Sketch.Side.RIGHT_EDGE);
            assertThat(note.u()).as("it goes on to the right").isInfinite();
            assertThat(note.v()).isEqualTo(110);
        });
        Sketch left = styled("retracement", Drawing.Style.Words.LEFT, Map.of("ratios", "0.5"), 10, 100, 20, 120);
        assertThat(left.notes()).singleElement().satisfies(note -> {
            assertThat(note.side()).isEqualTo(Sketch.Side.LEFT_EDGE);
            assertThat(note.u()).isEqualTo(u(10));
        });
        Sketch below = styled(
                "retracement", Drawing.Style.Words.BELOW, Map.of("ratios", "0.5", "extend", "none"), 10, 100, 20, 120);
        assertThat(below.notes()).singleElement().satisfies(note -> {
            assertThat(note.side()).isEqualTo(Sketch.Side.BELOW_EDGE);
            assertThat(note.u()).isEqualTo(u(20));
        });
        for (Drawing.Style.Words words : List.of(
                Drawing.Style.Words.LEFT,
                Drawing.Style.Words.RIGHT,
                Drawing.Style.Words.ABOVE,
                Drawing.Style.Words.BELOW)) {
            assertThat(styled("text", words, Map.of("text", "here"), 10, 100).notes())
                    .extracting(Sketch.Note::side)
                    .containsExactly(Sketch.Side.valueOf(words.name()));
        }
        assertThat(Drawing.Style.Words.of("as built")).isEqualTo(Drawing.Style.Words.AS_BUILT);
        assertThatThrownBy(() -> Drawing.Style.Words.of("inside")).hasMessageContaining("'inside'");
    }

    @Test
    void wordsTellWhatOtherDrawingsAreWorth() {
        Drawing line = drawing("line", Map.of(), false, 0, 100, 10, 110)
                .withPlace(Drawing.Place.STANDARD.withName("Neckline").withGroup("g"));
        Drawing words = drawing("text", Map.of("text", "neck {neckline}, {line}, {nothing}, {close}"), false, 2, 98.5);
        Bars bars = TestBars.ofCloses(1, 2, 3, 4, 5);
        assertThat(words.sketch(CALENDAR, bars, FORMAT, List.of(line, words))
                        .notes()
                        .get(0)
                        .text())
                .as("no group, no line")
                .isEqualTo("neck 104.00, {line}, {nothing}, 5.00");
        Drawing grouped = words.withPlace(words.place().withGroup("g"));
        assertThat(grouped.sketch(CALENDAR, bars, FORMAT, List.of(grouped, line))
                        .notes()
                        .get(0)
                        .text())
                .contains("104.00, 104.00,");
        assertThat(grouped.sketch(CALENDAR, Bars.EMPTY, FORMAT, List.of(grouped, line))
                        .notes()
                        .get(0)
                        .text())
                .contains("{neckline}");
        assertThat(grouped.tellsValues()).isTrue();
        assertThat(line.tellsValues()).isFalse();
    }

    @Test
    void aMeasureTellsHowManyRItIs() {
        assertThat(sketch("measure", Map.of("risk", "2.5"), 3, 100, 5, 110)
                        .notes()
                        .get(0)
                        .text())
                .endsWith("4.00 R");
        assertThat(sketch("measure", Map.of("risk", "2.5"), 3, 100, 3, 95)
                        .notes()
                        .get(0)
                        .text())
                .contains("0:00 h")
                .endsWith("2.00 R");
    }

    @Test
    void theHeadMustGoBeyondBothShoulders() {
        assertThat(sketch("head_shoulders", 0, 110, 4, 100, 8, 120, 12, 101, 16, 111)
                        .broken())
                .isEmpty();
        assertThat(sketch("head_shoulders", 0, 110, 4, 120, 8, 100, 12, 119, 16, 109)
                        .broken())
                .as("at a bottom")
                .isEmpty();
        assertThat(sketch("head_shoulders", 0, 121, 4, 100, 8, 120, 12, 101, 16, 120)
                        .broken())
                .containsExactly(
                        "the head does not go beyond the left shoulder",
                        "the head does not go beyond the right shoulder");
    }

    @Test
    void brokenRulesAreToldWithTheSketch() {
        Sketch legal = sketch("impulse", 0, 100, 5, 110, 8, 105, 15, 125);
        assertThat(legal.broken()).isEmpty();
        Sketch broken = sketch("impulse", 0, 100, 5, 110, 8, 99);
        assertThat(broken.broken()).containsExactly("wave 2 goes beyond the start of wave 1");
        assertThat(broken.notes()).anyMatch(note -> note.text().equals(Sketch.words(broken.broken())));
    }
}
