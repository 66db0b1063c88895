package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assertions.assertTimeout;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoubleUnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds for every detector, whatever it looks for. */
class DetectorsTest {
    /** Words that stand in each other's place where prices are mirrored. */
    private static final List<List<String>> OPPOSITES = List.of(
            List.of("high", "low"),
            List.of("higher", "lower"),
            List.of("up", "down"),
            List.of("bullish", "bearish"),
            List.of("support", "resistance"),
            List.of("top", "bottom"),
            List.of("ascending", "descending"),
            List.of("rising", "falling"),
            List.of("upper", "lower"),
            List.of("bull", "bear"),
            List.of("valley", "peak"));

    /** A detector with settings. */
    record Chosen(Detector detector, Map<String, String> settings) {
        @Override
        public String toString() {
            return detector.name() + " " + settings;
        }

        Detecting begin() {
            return new Detecting(detector, detector.settings(settings));
        }
    }

    static Stream<Chosen> all() {
        List<Chosen> all = new ArrayList<>();
        // Ranges as they stand are too rare for short walks.
        Detectors.all().stream()
                .filter(each -> !each.name().equals("ranges"))
                .forEach(each -> all.add(new Chosen(each, Map.of())));
        Detector swings = Detectors.named("pivots").orElseThrow();
        all.add(new Chosen(swings, Map.of("degrees", "3")));
        all.add(new Chosen(swings, Map.of("reversal", "4%")));
        all.add(new Chosen(swings, Map.of("atr", "2", "degrees", "2")));
        all.add(new Chosen(swings, Map.of("bars", "3")));
        Detector levels = Detectors.named("levels").orElseThrow();
        all.add(new Chosen(levels, Map.of("touches", "3", "width", "1", "swing", "1.5", "age", "60")));
        all.add(new Chosen(Detectors.named("gaps").orElseThrow(), Map.of("size", "0")));
        all.add(new Chosen(Detectors.named("order-blocks").orElseThrow(), Map.of("impulse", "0.8", "within", "5")));
        Detector patterns = Detectors.named("patterns").orElseThrow();
        all.add(new Chosen(
                patterns, Map.of("swing", "1", "tolerance", "0.4", "trend", "0.2", "least", "1.5", "pole", "2")));
        all.add(new Chosen(patterns, Map.of("by", "reach", "sizes", "2")));
        all.add(new Chosen(Detectors.named("trend-lines").orElseThrow(), Map.of("swing", "1", "age", "40")));
        all.add(new Chosen(
                Detectors.named("ranges").orElseThrow(),
                Map.of("swing", "1", "alike", "5%", "inside", "20%", "recovery", "20", "within", "15")));
        all.add(new Chosen(
                Detectors.named("waves").orElseThrow(), Map.of("swing", "1", "degrees", "4", "counts", "8")));
        all.add(new Chosen(Detectors.named("divergences").orElseThrow(), Map.of("against", "macd", "within", "8")));
        return all.stream();
    }

    private static List<FindingLog.Standing> entries(FindingLog log) {
        List<FindingLog.Standing> all = new ArrayList<>();
        for (int place = 0; place < log.size(); place++) {
            all.add(log.entry(place));
        }
        return all;
    }

    private static FindingLog found(Chosen chosen, Bars bars) {
        Detecting detecting = chosen.begin();
        detecting.update(bars);
        return detecting.log();
    }

    @ParameterizedTest
    @MethodSource("all")
    void whatIsKnownOfAPrefixIsThePrefixOfWhatIsKnown(Chosen chosen) {
        for (long seed = 1; seed <= 4; seed++) {
            Bars bars = StructureBars.walk(seed, 260);
            FindingLog whole = found(chosen, bars);
            assertThat(whole.count()).isGreaterThan(1);
            for (int count = 1; count <= bars.closed(); count++) {
                FindingLog part = found(chosen, bars.first(count));
                assertThat(entries(part)).isEqualTo(entries(whole).subList(0, part.size()));
                assertThat(whole.asOf(count - 1)).isEqualTo(part.asOf(count - 1));
            }
        }
    }

    /** Bar after bar, each forming for a while and then closing elsewhere: as if it had been there at once. */
    @ParameterizedTest
    @MethodSource("all")
    void liveIsAsRebuiltAndTheFormingBarIsForgotten(Chosen chosen) {
        Bars bars = StructureBars.walk(9, 220);
        Detecting live = chosen.begin();
        for (int count = 1; count < bars.closed(); count++) {
            for (int tick = 0; tick < 3; tick++) {
                Bars forming = TestBars.prefix(bars, count + 1, true);
                live.update(forming);
                FindingLog asIfClosed = found(chosen, bars.first(count + 1));
                assertThat(entries(live.now())).isEqualTo(entries(asIfClosed));
            }
        }
        live.update(bars);
        assertThat(entries(live.log())).isEqualTo(entries(found(chosen, bars)));
        assertThat(live.now()).isSameAs(live.log());
    }

    @ParameterizedTest
    @MethodSource("all")
    void scaledPricesGiveScaledFindings(Chosen chosen) {
        Bars bars = StructureBars.walk(5, 400);
        List<FindingLog.Standing> plain = entries(found(chosen, bars));
        List<FindingLog.Standing> scaled = entries(found(chosen, StructureBars.moved(bars, price -> price * 8)));
        assertThat(scaled)
                .isEqualTo(plain.stream()
                        .map(each -> moved(each, price -> price * 8, false))
                        .toList());
    }

    @ParameterizedTest
    @MethodSource("all")
    void mirroredPricesGiveMirroredFindings(Chosen chosen) {
        if (chosen.settings().containsKey("reversal")
                || chosen.detector().name().equals("ranges")
                || chosen.detector().name().equals("candles")) {
            // A share of a high is more than the same share of a low: only measures in price can be mirrored. Candles
            // have names
            // of their own for what is turned over.
            return;
        }
        Bars bars = StructureBars.walk(6, 400);
        List<FindingLog.Standing> plain = entries(found(chosen, bars));
        List<FindingLog.Standing> mirrored = entries(found(chosen, StructureBars.moved(bars, price -> 200 - price)));
        // Within a bar highs come before lows in the log: what is told of one bar may stand in another order.
        assertThat(named(mirrored))
                .containsExactlyInAnyOrderElementsOf(named(plain.stream()
                        .map(each -> moved(each, price -> 200 - price, true))
                        .toList()));
    }

    private static List<String> named(List<FindingLog.Standing> all) {
        return all.stream()
                .map(each -> each.knownAt() + " " + each.state() + " "
                        + each.finding().kind() + " "
                        + each.finding().points().stream()
                                .map(point -> point.role() + " " + point.time() + " " + rounded(point.price()))
                                .toList()
                        + new TreeMap<>(each.finding().lines())
                                .entrySet().stream()
                                        .map(line -> line.getKey() + " " + rounded(line.getValue()))
                                        .toList()
                        + rounded(each.finding().target()) + " "
                        + rounded(each.finding().invalidation()) + " "
                        + rounded(each.finding().score()))
                .toList();
    }

    /** Sums of sloping lines differ in their last digits when they are turned over. */
    private static String rounded(double price) {
        return String.format(Locale.ROOT, "%.6f", price + 0.0);
    }

    private static FindingLog.Standing moved(
            FindingLog.Standing standing, DoubleUnaryOperator price, boolean mirrored) {
        Finding finding = standing.finding();
        List<Finding.Point> points = finding.points().stream()
                .map(point -> new Finding.Point(
                        mirrored ? opposite(point.role()) : point.role(),
                        point.time(),
                        price.applyAsDouble(point.price())))
                .toList();
        Map<String, Double> lines = new java.util.HashMap<>();
        finding.lines()
                .forEach((name, at) -> lines.put(
                        !mirrored ? name : name.equals("upper") ? "lower" : name.equals("lower") ? "upper" : name,
                        price.applyAsDouble(at)));
        return new FindingLog.Standing(
                standing.number(),
                new Finding(
                        mirrored ? opposite(finding.kind()) : finding.kind(),
                        points,
                        lines,
                        price.applyAsDouble(finding.target()),
                        price.applyAsDouble(finding.invalidation()),
                        finding.score()),
                standing.state(),
                standing.knownAt());
    }

    private static String opposite(String words) {
        if (words.endsWith("head_shoulders")) {
            return words.startsWith("inverse_") ? words.substring(8) : "inverse_" + words;
        }
        return Pattern.compile("[a-z0-9]+").matcher(words).replaceAll(word -> OPPOSITES.stream()
                .filter(pair -> pair.contains(word.group()))
                .map(pair -> pair.get(1 - pair.indexOf(word.group())))
                .findFirst()
                .orElse(word.group()));
    }

    @ParameterizedTest
    @MethodSource("all")
    void whereNothingMovesNothingIsFound(Chosen chosen) {
        assertThat(found(chosen, TestBars.ofCloses(new double[0])).count()).isZero();
        assertThat(found(chosen, TestBars.ofCloses(10)).count()).isZero();
        BarSeries flat = new BarSeries(400);
        for (int bar = 0; bar < 400; bar++) {
            flat.append(bar * Times.DAY, (bar + 1) * Times.DAY, 50, 50, 50, 50, 0);
        }
        assertThat(found(chosen, flat.snapshot()).count()).isZero();
    }

    /** A wrong price of one bar, a series that only rises, and one with bars without a price. */
    @ParameterizedTest
    @MethodSource("all")
    void absurdSeriesCostNothingButThemselves(Chosen chosen) {
        Bars bars = StructureBars.walk(3, 300);
        BarSeries spiked = new BarSeries(300);
        BarSeries rising = new BarSeries(300);
        BarSeries holed = new BarSeries(300);
        for (int bar = 0; bar < 300; bar++) {
            long time = bars.openTime(bar);
            double times = bar == 150 ? 1e6 : 1;
            spiked.append(
                    time, time + Times.DAY, bars.open(bar), bars.high(bar) * times, bars.low(bar), bars.close(bar), 1);
            double price = 10 * Math.pow(1.01, bar);
            rising.append(time, time + Times.DAY, price, price * 1.005, price, price * 1.005, 1);
            double hole = bar % 50 < 3 ? Double.NaN : 1;
            holed.append(
                    time,
                    time + Times.DAY,
                    bars.open(bar) * hole,
                    bars.high(bar) * hole,
                    bars.low(bar) * hole,
                    bars.close(bar) * hole,
                    1);
        }
        for (BarSeries each : List.of(spiked, rising, holed)) {
            FindingLog log = found(chosen, each.snapshot());
            assertThat(log.count()).isGreaterThan(each == rising ? -1 : 0);
            for (FindingLog.Standing entry : entries(log)) {
                assertThat(entry.finding().points()).allMatch(point -> Double.isFinite(point.price()));
            }
        }
        assertThat(found(chosen, rising.snapshot()).asOf(299))
                .as("nothing has turned")
                .noneMatch(each ->
                        each.finding().kind().startsWith("swing_high") && each.state() == Finding.State.CONFIRMED);
    }

    @ParameterizedTest
    @MethodSource("all")
    void everythingFoundIsOfADeclaredKindAndExplained(Chosen chosen) {
        List<String> kinds =
                chosen.detector().kinds().stream().map(Detector.Kind::name).toList();
        assertThat(kinds).doesNotHaveDuplicates();
        for (FindingLog.Standing each :
                found(chosen, StructureBars.walk(2, 500)).asOf(499)) {
            assertThat(kinds).contains(each.finding().kind());
        }
        assertThat(Stream.of(
                        chosen.detector().help().summary(),
                        chosen.detector().help().formula(),
                        chosen.detector().help().reading(),
                        chosen.detector().help().weakness(),
                        chosen.detector().help().origin()))
                .allMatch(text -> text.length() > 20);
    }

    /** One setting after the other at its least and at its most: nothing fails, and what is found can be told. */
    @Test
    void settingsAtTheirEndsNeitherFailNorHang() {
        Bars bars = StructureBars.walk(7, 400);
        for (Detector detector : Detectors.all()) {
            for (Setting setting : detector.settings()) {
                for (String end : ends(setting)) {
                    Settings settings = detector.settings(Map.of(setting.name(), end));
                    Detecting detecting = new Detecting(detector, settings);
                    assertTimeout(
                            Duration.ofSeconds(5),
                            () -> detecting.update(bars),
                            detector.name() + " with " + setting.name() + " " + end);
                    for (FindingLog.Standing each : detecting.log().asOf(399)) {
                        assertThat(detector.figures(new Sight(each.finding(), null, each.state(), 0, Long.MAX_VALUE)))
                                .isNotEmpty();
                    }
                }
            }
        }
    }

    private static List<String> ends(Setting setting) {
        if (setting instanceof Setting.WholeNumber whole) {
            return List.of(String.valueOf(whole.least()), String.valueOf(whole.most()));
        }
        if (setting instanceof Setting.Number number) {
            return List.of(String.valueOf(number.least()), String.valueOf(number.most()));
        }
        return setting instanceof Setting.Choice choice ? choice.words() : List.of();
    }

    @Test
    void settingsAreChecked() {
        Detector swings = Detectors.named("PIVOTS").orElseThrow();
        assertThatThrownBy(() -> swings.settings(Map.of("reversal", "3%", "bars", "5")))
                .hasMessageContaining("give one of them");
        assertThatThrownBy(() -> swings.settings(Map.of("size", "5"))).hasMessageContaining("no setting 'size'");
        assertThatThrownBy(() -> swings.settings(Map.of("degrees", "9"))).hasMessageContaining("from 1 to 5");
        assertThat(Detectors.named("nothing")).isEmpty();
    }
}
