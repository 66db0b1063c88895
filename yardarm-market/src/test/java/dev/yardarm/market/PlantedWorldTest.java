package dev.yardarm.market;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.SplitAdjustment;
import dev.yardarm.core.structure.Detected;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.catalogue.Detectors;
import dev.yardarm.market.generator.WorldHistory;
import dev.yardarm.market.world.World;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** What is planted in the demo world lies where its truth says, and is found there by the detectors. */
class PlantedWorldTest {
    private static final World WORLD = World.halcyon();
    private static final WorldHistory HISTORY = new WorldHistory(WORLD, 1);

    private static List<JsonNode> truth(WorldHistory history) throws Exception {
        ObjectMapper mapper = new ObjectMapper();
        List<JsonNode> lines = new ArrayList<>();
        for (String line : history.planted()) {
            lines.add(mapper.readTree(line));
        }
        return lines;
    }

    private static Bars days(String code) {
        BarSeries raw = HISTORY.bars(code, Timeframe.DAY, Long.MIN_VALUE, WORLD.presentTime());
        List<CorporateActions.Split> splits = HISTORY.splits(code);
        return SplitAdjustment.adjust(raw, splits, WORLD.presentTime()).snapshot();
    }

    private static LocalDate date(Bars bars, int bar) {
        return Times.date(bars.openTime(bar), ZoneId.of(WORLD.exchange().zone()));
    }

    private static int bar(Bars bars, String date) {
        for (int bar = 0; bar < bars.size(); bar++) {
            if (date(bars, bar).toString().equals(date)) {
                return bar;
            }
        }
        throw new AssertionError("no session on " + date);
    }

    @Test
    void everyTurnStandsAtItsDayAndPriceAndNothingLiesAhead() throws Exception {
        List<JsonNode> truth = truth(HISTORY);
        assertThat(truth).hasSizeGreaterThan(50);
        Set<String> kinds = new TreeSet<>();
        LocalDate present = Times.date(WORLD.presentTime(), WORLD.zone());
        for (JsonNode each : truth) {
            kinds.add(each.get("kind").asText());
            Bars bars = days(each.get("code").asText());
            for (JsonNode point : each.get("points")) {
                int at = bar(bars, point.get("time").asText());
                double price = point.get("price").asDouble();
                assertThat(Math.min(Math.abs(bars.high(at) - price), Math.abs(bars.low(at) - price)))
                        .as(each + " at " + point)
                        .isLessThan(0.02);
            }
            assertThat(LocalDate.parse(each.get("knowable").asText())).isBetween(LocalDate.of(2013, 1, 1), present);
        }
        assertThat(kinds).as("nearly all kinds").hasSizeGreaterThan(12);
        assertThat(truth.stream()
                        .filter(each ->
                                LocalDate.parse(each.get("knowable").asText()).isAfter(present.minusMonths(3))))
                .as("some not long ago")
                .hasSizeGreaterThan(5);
    }

    @Test
    void anotherSeedPlantsElsewhereAndTheSameSeedTheSame() {
        assertThat(new WorldHistory(WORLD, 1).planted()).isEqualTo(HISTORY.planted());
        assertThat(new WorldHistory(WORLD, 2).planted()).isNotEqualTo(HISTORY.planted());
    }

    /** Two of three are found under their name, by the end of the structure or soon after. */
    @Test
    void theDetectorsFindMostOfThem() throws Exception {
        int found = 0;
        List<JsonNode> truth = truth(HISTORY);
        for (JsonNode each : truth) {
            Bars bars = days(each.get("code").asText());
            String kind = each.get("kind").asText();
            boolean range = kind.equals("accumulation") || kind.equals("distribution");
            Detector detector = Detectors.named(range ? "ranges" : "patterns").orElseThrow();
            ColumnGraph graph = new ColumnGraph();
            Detected detected = Detected.in(graph, detector, detector.settings(Map.of()), null);
            graph.update(bars);
            int from = bar(bars, each.get("from").asText());
            int to = bar(bars, each.get("to").asText());
            boolean hit = detected.log().asOf(bars.size() - 1).stream()
                    .map(FindingLog.Standing::finding)
                    .filter(finding -> finding.kind().matches(kind + "(_\\d)?"))
                    .anyMatch(finding -> overlaps(finding, bars, from, to));
            found += hit ? 1 : 0;
        }
        assertThat((double) found / truth.size()).isGreaterThan(0.67);
    }

    private static boolean overlaps(Finding finding, Bars bars, int from, int to) {
        int first = bars.barAt(finding.from());
        int last = bars.barAt(finding.to());
        int shared = Math.min(last, to) - Math.max(first, from);
        return shared > 0.5 * Math.max(last - first, to - from);
    }

    /** What is told of the trades lies among them: orders when prints are put together, and levels that nothing has reached since. */
    @Test
    void ordersLieAmongTheTradesAndUntouchedLevelsAreUntouched() throws Exception {
        ObjectMapper mapper = new ObjectMapper();
        long now = WORLD.presentTime();
        List<String> lines = HISTORY.plantedOrders(now);
        Map<String, TickSeries> ticks = new HashMap<>();
        Set<String> kinds = new TreeSet<>();
        for (String line : lines) {
            JsonNode told = mapper.readTree(line);
            String code = told.get("code").asText();
            TickSeries traded =
                    ticks.computeIfAbsent(code, each -> HISTORY.ticks(each, HISTORY.ticksFrom(each, now), now));
            String kind = told.get("kind").asText();
            kinds.add(kind + " " + code);
            long from = micros(told.get("from").asText());
            long to = micros(told.get("to").asText());
            double price = told.get("price").asDouble();
            if (kind.equals("untouched_poc")) {
                for (int tick = 0; tick < traded.size(); tick++) {
                    boolean isLater = traded.time(tick) >= to;
                    assertThat(isLater && traded.price(tick) == price).as(line).isFalse();
                }
                continue;
            }
            double size = 0;
            int prints = 0;
            byte side = told.get("side").asText().equals("ask") ? TickSeries.ASK : TickSeries.BID;
            for (int tick = 0; tick < traded.size(); tick++) {
                boolean isPart = traded.time(tick) >= from && traded.time(tick) <= to && traded.side(tick) == side;
                size += isPart ? traded.size(tick) : 0;
                prints += isPart ? 1 : 0;
            }
            assertThat(size).as(line).isGreaterThanOrEqualTo(told.get("size").asDouble());
            assertThat(prints)
                    .as(line)
                    .isGreaterThanOrEqualTo(told.get("prints").asInt());
            assertThat(told.get("size").asDouble()).isGreaterThanOrEqualTo(180);
        }
        assertThat(kinds)
                .contains("large VRTQ-M26", "absorbed VRTQ-M26", "untouched_poc VRTQ-M26", "untouched_poc EMBRA");
        assertThat(new WorldHistory(WORLD, 1).plantedOrders(now)).isEqualTo(lines);
    }

    private static long micros(String time) {
        Instant at = Instant.parse(time);
        return at.getEpochSecond() * Times.SECOND + at.getNano() / 1000;
    }
}
