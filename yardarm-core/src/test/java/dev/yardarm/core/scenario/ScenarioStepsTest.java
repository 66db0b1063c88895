package dev.yardarm.core.scenario;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Scenarios as sentences, as the steps that made them, and under watch. */
class ScenarioStepsTest {
    private static final InstrumentId ID = new InstrumentId("s", "X");

    private static ScenarioSentence parse(String sentence) {
        return ScenarioSentence.parse(
                sentence,
                TradingCalendar.ROUND_THE_CLOCK,
                Instant.parse("2026-06-19T12:00:00Z").getEpochSecond() * 1_000_000);
    }

    private static Scenario scenario(String id, double invalidation, double target, long at) {
        return new Scenario(id, ID, id, "", "", invalidation, List.of(new Scenario.Target(target, 0)), at);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"fifth wave up\" 60% to 112, 118, wrong below 99 | fifth wave up | 60 | 112;118 | 99 | '' | ''",
                "scenario fifth wave up 60 % to 112 and 118 wrong below 99 | fifth wave up | 60 | 112;118 | 99 | '' | ''",
                "flat to come to 101, wrong above 109.5 | flat to come | NaN | 101 | 109.5 | '' | ''",
                "\"a b\" 25% to 101 wrong above 109.5 in \"larger one\" on tracing second count | a b | 25 | 101 | 109.5 | larger one | second count",
                "crash 5% leads to 80 then 70, invalid if it trades above 110 within decline | crash | 5 | 80;70 | 110 | decline | ''",
                "up: 112 then 118, invalid under 99, 60% | up | 60 | 112;118 | 99 | '' | ''",
                "bull case 60 per cent target 118 stop 99 | bull case | 60 | 118 | 99 | '' | ''",
                "bear (25%) to 92, fails if it goes over 106 | bear | 25 | 92 | 106 | '' | ''",
                "range to 103 and 97, wrong if below 90 | range | NaN | 103;97 | 90 | '' | ''",
                "\"wave 3 of 5\" expect 120, must hold 101 | wave 3 of 5 | NaN | 120 | 101 | '' | ''",
                "b wave to 101.5; must not lose 97.25 in larger count | b wave | NaN | 101.5 | 97.25 | larger count | ''",
                "“wave c” 33.3% targets 95.50; wrong at 104,20 | wave c | 33.3 | 95.5 | 104.2 | '' | ''"
            })
    void sentencesAsPeopleSayThem(
            String text, String title, double percent, String targets, double wrong, String parent, String tracing) {
        ScenarioSentence said = parse(text);
        assertThat(said.title()).isEqualTo(title);
        assertThat(Double.valueOf(said.percent())).isEqualTo(Double.valueOf(percent));
        assertThat(said.targets().stream().map(Scenario.Target::price))
                .containsExactlyElementsOf(
                        Arrays.stream(targets.split(";")).map(Double::valueOf).toList());
        assertThat(said.invalidation()).isEqualTo(wrong);
        assertThat(said.parent()).isEqualTo(parent);
        assertThat(said.tracing()).isEqualTo(tracing);
    }

    @Test
    void aTargetHasItsMoment() {
        ScenarioSentence said = parse("up 60% to 112, 118 by 2026-08-14, wrong below 99");
        assertThat(said.targets().get(0).at()).isZero();
        assertThat(said.targets().get(1).at())
                .isBetween(
                        Instant.parse("2026-08-14T00:00:00Z").getEpochSecond() * 1_000_000,
                        Instant.parse("2026-08-15T00:00:00Z").getEpochSecond() * 1_000_000);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "up 60% to 112 | say what proves it wrong",
                "up 60% wrong below 99 | where it leads",
                "up 160% to 112 wrong below 99 | from 0 to 100",
                "up 6.0.1% to 112 wrong below 99 | is no share",
                "up 60% to 112 wrong above 99 | it leads up, so what proves it wrong lies below",
                "up 60% to soon wrong below 99 | ",
                "just up | where it leads"
            })
    void whatIsWrongIsSaid(String text, String says) {
        assertThatThrownBy(() -> parse(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(says == null ? "" : says);
    }

    @Test
    void sharesThatWereSaidAreWhatTheyAmountTo() {
        Scenarios all = Scenarios.NONE.with(scenario("a", 90, 110, 1), 60, 1);
        assertThat(all.share("a")).isEqualTo(100);
        assertThat(all.unsaid("")).isEqualTo(40);
        all = all.with(scenario("b", 90, 110, 2), 25, 2);
        assertThat(all.share("a")).isCloseTo(100 * 60 / 85.0, within(1e-9));
        all = all.with(scenario("c", 110, 90, 3), all.unsaid(""), 3);
        assertThat(all.share("a")).isCloseTo(60, within(1e-9));
        assertThat(all.share("b")).isCloseTo(25, within(1e-9));
        assertThat(all.share("c")).isCloseTo(15, within(1e-9));
        // A fourth one takes from them in their proportion.
        all = all.with(scenario("d", 110, 90, 4), 20, 4);
        assertThat(all.share("a")).isCloseTo(48, within(1e-9));
        assertThat(all.share("d")).isCloseTo(20, within(1e-9));
    }

    private static List<ScenarioStep> steps() {
        Scenario up = scenario("up", 98, 112, 1);
        Scenario down = scenario("down", 106, 92, 2);
        Scenario side = scenario("side", 90, 103, 3);
        return new ArrayList<>(List.of(
                ScenarioStep.added("1", up, 50),
                ScenarioStep.added("2", down, 30),
                ScenarioStep.added("3", side, 20),
                ScenarioStep.share("4", up, 60, 4),
                ScenarioStep.struck("5", down, 106.2, 5)));
    }

    @Test
    void anyStepCanBeTakenBackWithoutThoseAfterIt() {
        List<ScenarioStep> steps = steps();
        Scenarios all = Scenarios.of(steps);
        assertThat(all.share("up")).isCloseTo(60 / 0.76, within(1e-9));
        assertThat(all.struck("down")).contains(new Scenarios.Strike(5, 106.2));
        // The share is taken back; what price did meanwhile stays.
        steps.remove(3);
        all = Scenarios.of(steps);
        assertThat(all.struck("down")).isPresent();
        assertThat(all.share("up")).isCloseTo(50 / 0.7, within(1e-9));
        // The strike is taken back: as if it had not been.
        List<ScenarioStep> back = steps();
        back.set(4, back.get(4).back(9));
        all = Scenarios.of(back);
        assertThat(all.struck("down")).isEmpty();
        assertThat(all.share("down")).isCloseTo(24, within(1e-9));
        // What rests on one that is gone is left out.
        List<ScenarioStep> without = steps();
        without.remove(1);
        assertThat(Scenarios.of(without).all()).extracting(Scenario::id).containsExactly("up", "side");
        without.add(ScenarioStep.removed("6", scenario("up", 98, 112, 1), 9));
        assertThat(Scenarios.of(without).share("side")).isEqualTo(100);
        assertThatThrownBy(() -> ScenarioStep.share("7", scenario("up", 98, 112, 1), 101, 9))
                .hasMessageContaining("0 to 100");
    }

    @Test
    void aTradeBeyondTheInvalidationStrikesOutOnce() {
        ScenarioWatch watch =
                new ScenarioWatch(List.of(scenario("up", 98, 112, 10), scenario("down", 106, 92, 10)), Map.of());
        assertThat(watch.onTrade(10, 90)).as("it was made at that moment").isEmpty();
        assertThat(watch.onTrade(11, 98)).as("the price itself proves nothing").isEmpty();
        assertThat(watch.onTrade(12, 97.99))
                .extracting(each -> each.scenario().id() + " " + each.price() + " " + each.at())
                .containsExactly("up 97.99 12");
        assertThat(watch.onTrade(13, 97)).isEmpty();
        assertThat(watch.isDone()).isFalse();
        // A gap over everything.
        assertThat(watch.onTrade(14, 120))
                .extracting(each -> each.scenario().id())
                .containsExactly("down");
        assertThat(watch.isDone()).isTrue();
    }

    @Test
    void whatWasTakenBackIsStruckOutAgainOnlyAfterPriceWasInside() {
        ScenarioWatch watch = new ScenarioWatch(List.of(scenario("up", 98, 112, 10)), Map.of("up", 20L));
        assertThat(watch.onTrade(15, 97)).as("before it was taken back").isEmpty();
        assertThat(watch.onTrade(21, 96)).as("still beyond").isEmpty();
        assertThat(watch.onTrade(22, 98.5)).isEmpty();
        assertThat(watch.onTrade(23, 97.5)).hasSize(1);
    }

    @Test
    void aSplitMovesItsPrices() {
        PriceBasis split = PriceBasis.of(List.of(new PriceBasis.Step(50, 0.5, 0)));
        Scenario shown = scenario("up", 98, 112, 10).in(split);
        assertThat(shown.invalidation()).isEqualTo(49);
        assertThat(shown.targets().get(0).price()).isEqualTo(56);
        assertThat(scenario("up", 98, 112, 60).in(split).invalidation()).isEqualTo(98);
    }
}
