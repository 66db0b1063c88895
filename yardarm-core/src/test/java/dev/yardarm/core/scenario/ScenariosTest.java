package dev.yardarm.core.scenario;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.instrument.InstrumentId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Three readings of one market, one of them with two within it, against shares worked out by hand. */
class ScenariosTest {
    private static final InstrumentId ID = new InstrumentId("s", "X");

    private static Scenario scenario(String id, String parent, double invalidation, double... targets) {
        List<Scenario.Target> all = new ArrayList<>();
        for (double each : targets) {
            all.add(new Scenario.Target(each, 0));
        }
        return new Scenario(id, ID, "reading " + id, "", parent, invalidation, all, 1);
    }

    /** Up 50, down 30, sideways 20; within up: straight 60, over a pullback 40. */
    private static Scenarios three() {
        return Scenarios.NONE
                .with(scenario("up", "", 98, 107, 112), 100, 1)
                .with(scenario("down", "", 106, 92), 40, 2)
                .with(scenario("side", "", 90, 103), 20, 3)
                .withShare("up", 50, 4)
                .with(scenario("straight", "up", 101, 107), 100, 5)
                .with(scenario("pullback", "up", 98.5, 107), 40, 6);
    }

    @Test
    void sharesOfALevelAlwaysAddUpToAHundred() {
        Scenarios all = three();
        assertThat(all.share("up")).isEqualTo(50);
        // 60 and 40 became 48 and 32 beside 20, and keep their 32 : 20 beside 50.
        assertThat(all.share("down")).isCloseTo(50 * 32 / 52.0, within(1e-9));
        assertThat(all.share("side")).isCloseTo(50 * 20 / 52.0, within(1e-9));
        assertThat(all.share("straight")).isEqualTo(60);
        assertThat(all.total("pullback")).isEqualTo(20);
        assertThat(all.rounded(""))
                .containsEntry("up", 50)
                .containsEntry("down", 31)
                .containsEntry("side", 19);
        assertThat(all.history()).hasSize(6);
        assertThat(all.history().get(3).why()).isEqualTo("reading up is 50 %");
        assertThat(all.history().get(1).shares()).containsEntry("up", 60.0);
    }

    @Test
    void whatIsStruckOutLeavesItsShareToTheOthers() {
        Scenarios all = three().strike("side", 9, 89);
        assertThat(all.struck("side")).contains(new Scenarios.Strike(9, 89));
        assertThat(all.share("side")).isZero();
        double side = 50 * 20 / 52.0;
        assertThat(all.share("up")).isCloseTo(50 / (1 - side / 100), within(1e-9));
        assertThat(all.share("straight")).isCloseTo(60, within(1e-9));
        assertThat(all.strike("side", 10, 88)).isSameAs(all);
        assertThatThrownBy(() -> all.withShare("side", 10, 11)).hasMessageContaining("struck out");
    }

    @Test
    void aSmallEventMovesTheLargerScenario() {
        // 40 % of 50 % is gone: 30 of the 80 left are up.
        Scenarios all = three().strike("pullback", 9, 98.4);
        assertThat(all.share("up")).isCloseTo(37.5, within(1e-9));
        assertThat(all.share("straight")).isCloseTo(100, within(1e-9));
        Scenarios none = all.strike("straight", 10, 100);
        assertThat(none.share("up")).isZero();
        assertThat(none.share("down") + none.share("side")).isCloseTo(100, within(1e-9));
        // All that lies within a scenario goes with it.
        assertThat(three().strike("up", 9, 97).struck("straight")).isPresent();
        assertThat(three().strike("up", 9, 97).total("straight")).isZero();
    }

    @Test
    void theOrderOfStrikesDoesNotMatterAndNothingIsLeftOfNothing() {
        Random random = new Random(5);
        List<String> ids = new ArrayList<>(List.of("up", "down", "side", "straight", "pullback"));
        for (int round = 0; round < 60; round++) {
            Collections.shuffle(ids, random);
            int count = 1 + random.nextInt(4);
            List<String> some = new ArrayList<>(ids.subList(0, count));
            Scenarios one = three();
            for (String id : some) {
                one = one.strike(id, 9, 1);
            }
            Collections.shuffle(some, random);
            Scenarios other = three();
            for (String id : some) {
                other = other.strike(id, 9, 1);
            }
            for (String id : ids) {
                assertThat(other.share(id)).isCloseTo(one.share(id), within(1e-6));
            }
            double sum = one.share("up") + one.share("down") + one.share("side");
            assertThat(sum < 1e-9 || Math.abs(sum - 100) < 1e-6).isTrue();
            assertThat(one.rounded("").values().stream()
                            .mapToInt(Integer::intValue)
                            .sum())
                    .isIn(0, 100);
        }
        Scenarios none = three().strike("up", 9, 1).strike("down", 9, 1).strike("side", 9, 1);
        assertThat(none.share("up") + none.share("down") + none.share("side")).isZero();
        assertThat(none.decisions(100)).isEmpty();
    }

    @Test
    void pricesInvalidateOnTheSideAwayFromWhereItLeads() {
        assertThat(three().invalidatedBy(98)).extracting(Scenario::id).containsExactly("straight", "pullback");
        assertThat(three().invalidatedBy(97.99)).extracting(Scenario::id).containsExactly("up", "straight", "pullback");
        assertThat(three().invalidatedBy(106.01)).extracting(Scenario::id).containsExactly("down");
    }

    @Test
    void whatWouldDecideIsListedTheNearestFirst() {
        List<Scenarios.Decision> all = three().decisions(101.9);
        assertThat(all).extracting(Scenarios.Decision::price).startsWith(101.0, 103.0, 98.5);
        assertThat(all.get(0).strikes()).containsExactly("reading straight");
        assertThat(all.get(0).line()).isEqualTo("goes below %s");
        assertThat(all.get(1).reaches()).containsExactly("reading side");
        assertThat(all.get(1).line()).isEqualTo("reaches %s");
        assertThat(all).filteredOn(each -> each.price() == 107).singleElement().satisfies(each -> assertThat(
                        each.reaches())
                .hasSize(3));
        assertThat(all).filteredOn(each -> each.price() == 106).singleElement().satisfies(each -> assertThat(
                        each.line())
                .isEqualTo("goes above %s"));
    }

    @Test
    void whatIsRemovedLeavesItsShareToItsLevel() {
        Scenarios all = three().without("up", 9);
        assertThat(all.all()).extracting(Scenario::id).containsExactly("down", "side");
        assertThat(all.share("down") + all.share("side")).isCloseTo(100, within(1e-9));
        assertThat(all.without("gone", 10)).isSameAs(all);
    }

    @Test
    void saysWhatIsWrong() {
        assertThatThrownBy(() -> scenario("x", "", 100)).hasMessageContaining("target");
        assertThatThrownBy(() -> scenario("x", "", 100, 100)).hasMessageContaining("cannot lead");
        assertThatThrownBy(() -> scenario("x", "x", 100, 101)).hasMessageContaining("within itself");
        assertThatThrownBy(() -> scenario("x", "", Double.NaN, 101)).hasMessageContaining("proves it wrong");
        assertThatThrownBy(() -> new Scenario("x", ID, " ", "", "", 1, List.of(new Scenario.Target(2, 0)), 1))
                .hasMessageContaining("title");
        assertThatThrownBy(() -> new Scenario.Target(Double.NaN, 0)).hasMessageContaining("price");
        assertThatThrownBy(() -> three().withShare("up", 101, 1)).hasMessageContaining("0 to 100");
        assertThatThrownBy(() -> three().withShare("gone", 10, 1)).hasMessageContaining("no scenario");
        assertThatThrownBy(() -> three().with(scenario("up", "", 1, 2), 10, 1)).hasMessageContaining("already");
        assertThatThrownBy(() -> three().with(scenario("y", "gone", 1, 2), 10, 1))
                .hasMessageContaining("not there");
    }
}
