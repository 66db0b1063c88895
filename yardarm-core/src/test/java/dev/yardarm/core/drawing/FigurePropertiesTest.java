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
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** What holds for every figure through any points. */
class FigurePropertiesTest {
    private static final TradingCalendar CALENDAR = TradingCalendar.roundTheClock(ZoneOffset.UTC);
    private static final PriceFormat FORMAT = PriceFormat.ofDecimals(2);

    @Provide
    Arbitrary<Figure> figures() {
        return Arbitraries.of(Figures.shared().all());
    }

    private static Drawing drawing(Figure figure, boolean logarithmic, Random random) {
        List<Anchor> anchors = new ArrayList<>();
        int points = figure.least() + random.nextInt(Math.min(4, figure.most() - figure.least() + 1));
        int day = 20;
        for (int point = 0; point < points; point++) {
            anchors.add(new Anchor(TestBars.day(day), 50 + 100 * random.nextDouble()));
            day += 1 + random.nextInt(12);
        }
        return new Drawing(
                "d",
                figure.name(),
                Timeframe.DAY,
                anchors,
                logarithmic,
                Map.of(),
                Drawing.Style.of(0),
                Drawing.Place.STANDARD);
    }

    private static Sketch sketch(Drawing drawing) {
        return drawing.sketch(CALENDAR, Bars.EMPTY, FORMAT);
    }

    @Property(tries = 300)
    void itIsTheSameSomeBarsLater(@ForAll("figures") Figure figure, @ForAll boolean logarithmic, @ForAll long seed) {
        Drawing drawing = drawing(figure, logarithmic, new Random(seed));
        int bars = 17;
        Drawing later = drawing.moved(time -> time + (TestBars.day(bars) - TestBars.day(0)), price -> price);
        compare(sketch(drawing), sketch(later), bars, 0, 1e-6);
    }

    @Property(tries = 300)
    void itIsTheSameHigherUpByAPriceOrByAPartOfIt(
            @ForAll("figures") Figure figure, @ForAll boolean logarithmic, @ForAll long seed) {
        boolean ownMeasure =
                figure.name().equals("amount_zone") || figure.name().equals("angle");
        if (ownMeasure) {
            return;
        }
        Drawing drawing = drawing(figure, logarithmic, new Random(seed));
        Drawing higher = drawing.moved(time -> time, price -> logarithmic ? price * 1.5 : price + 30);
        compare(sketch(drawing), sketch(higher), 0, logarithmic ? Math.log(1.5) : 30, 1e-6);
    }

    private static void compare(Sketch one, Sketch other, double across, double up, double tolerance) {
        assertThat(other.strokes()).hasSameSizeAs(one.strokes());
        for (int stroke = 0; stroke < one.strokes().size(); stroke++) {
            compare(
                    one.strokes().get(stroke).points(),
                    other.strokes().get(stroke).points(),
                    across,
                    up,
                    tolerance);
        }
        assertThat(other.areas()).hasSameSizeAs(one.areas());
        for (int area = 0; area < one.areas().size(); area++) {
            compare(one.areas().get(area).points(), other.areas().get(area).points(), across, up, tolerance);
        }
        assertThat(other.notes()).hasSameSizeAs(one.notes());
        assertThat(other.courses()).hasSameSizeAs(one.courses());
        assertThat(other.broken()).isEqualTo(one.broken());
    }

    private static void compare(double[] one, double[] other, double across, double up, double tolerance) {
        assertThat(other).hasSameSizeAs(one);
        for (int at = 0; at < one.length; at += 2) {
            near(other[at], one[at] + across, tolerance);
            near(other[at + 1], one[at + 1] + up, tolerance);
        }
    }

    private static void near(double found, double wanted, double tolerance) {
        if (Double.isInfinite(wanted)) {
            assertThat(found).isEqualTo(wanted);
        } else {
            assertThat(found).isCloseTo(wanted, within(tolerance * Math.max(1, Math.abs(wanted))));
        }
    }

    @Property(tries = 300)
    void itsValuesAreThoseOfItsLines(@ForAll("figures") Figure figure, @ForAll boolean logarithmic, @ForAll long seed) {
        Random random = new Random(seed);
        Drawing drawing = drawing(figure, logarithmic, random);
        Plane plane = drawing.plane(CALENDAR);
        Sketch sketch = sketch(drawing);
        for (Sketch.Course course : sketch.courses()) {
            int day = random.nextInt(80);
            double price = drawing.path(CALENDAR, course.name()).priceAt(TestBars.day(day));
            double height = sketch.at(course.name(), plane.u(TestBars.day(day)));
            assertThat(price).as(figure.name() + "." + course.name()).isEqualTo(plane.price(height));
            assertThat(course.from().u())
                    .as("a line that gives values goes over bars")
                    .isNotEqualTo(course.to().u());
        }
        boolean hasLines = !sketch.courses().isEmpty();
        assertThat(Double.isNaN(drawing.path(CALENDAR).priceAt(TestBars.day(40))))
                .isEqualTo(!hasLines);
        assertThat(drawing.path(CALENDAR, "no such line").priceAt(TestBars.day(40)))
                .isNaN();
    }

    @Property(tries = 200)
    void itsPointsMayComeInAnyOrderOfTime(
            @ForAll("figures") Figure figure, @ForAll boolean logarithmic, @ForAll long seed) {
        Drawing drawing = drawing(figure, logarithmic, new Random(seed));
        List<Anchor> backwards = new ArrayList<>(drawing.anchors());
        java.util.Collections.reverse(backwards);
        Sketch sketch = sketch(drawing.withAnchors(backwards));
        sketch.strokes().forEach(stroke -> {
            for (double value : stroke.points()) {
                assertThat(value).as(figure.name()).isNotNaN();
            }
        });
        sketch.areas().forEach(area -> {
            for (double value : area.points()) {
                assertThat(value).as(figure.name()).isNotNaN();
            }
        });
    }
}
