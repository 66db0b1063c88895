package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scenario.Scenario;
import dev.yardarm.core.scenario.ScenarioStep;
import dev.yardarm.core.scenario.Scenarios;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Scenarios at a desk: made, weighed, struck out by price, taken back, over a restart. */
class ScenariosTest extends AtADesk {
    private Instrument ktrl;
    private long now;
    private TickSeries coming;

    @BeforeEach
    void open() throws Exception {
        ktrl = desk.directory().byCode("KTRL").orElseThrow();
        now = desk.clock().now();
        coming = new TickSeries(0);
        new SimulatedMarket(World.halcyon(), 1).trades(ktrl.id(), now, now + 30 * Times.MINUTE, coming);
    }

    private boolean make(String sentence) {
        return front.get(() -> desk.scenarioWork().make(ktrl, sentence, coming.price(0)));
    }

    private Scenarios all() {
        return front.get(() -> desk.scenarioWork().of(ktrl.id()));
    }

    private String id(String title) {
        return all().all().stream()
                .filter(each -> each.title().equals(title))
                .findFirst()
                .map(Scenario::id)
                .orElseThrow();
    }

    /** The first trade that lies so far from the first one, and on which side. */
    private int trade(double far) {
        for (int at = 0; at < coming.size(); at++) {
            if (Math.abs(coming.price(at) - coming.price(0)) >= far) {
                return at;
            }
        }
        throw new AssertionError("price stood still");
    }

    /** One that the coming trades prove wrong, and two that they do not. */
    private int three() {
        int at = trade(0.12);
        double first = coming.price(0);
        boolean falls = coming.price(at) < first;
        double wrong = falls ? first - 0.11 : first + 0.11;
        assertThat(make(String.format(
                        Locale.ROOT, "near 50%% to %.2f, wrong at %.2f", falls ? first + 9 : first - 9, wrong)))
                .isTrue();
        assertThat(make(String.format(Locale.ROOT, "far up 30%% to %.2f, wrong below %.2f", first + 20, first - 40)))
                .isTrue();
        assertThat(make(String.format(Locale.ROOT, "far down to %.2f, wrong above %.2f", first - 20, first + 40)))
                .isTrue();
        return at;
    }

    @Test
    void priceStrikesOneOutTheOthersTakeItsShareAndUndoTakesItBack() {
        int at = three();
        assertThat(all().share(id("far down"))).as("what was left").isCloseTo(20, within(1e-9));
        front.await("it is watched", () -> desk.hub().subscriptions() == 1);
        // A share is changed, then price does its part.
        front.run(() -> desk.scenarioWork().shareOf(ktrl.id(), "far up", 40));
        front.await("it is watched", () -> desk.hub().subscriptions() == 1);
        desk.hub().beatAt(coming.time(at));
        front.await(
                "it is struck out",
                () -> desk.scenarioWork().of(ktrl.id()).struck(idHere("near")).isPresent());
        Scenarios struck = all();
        assertThat(struck.struck(id("near")).orElseThrow().price()).isEqualTo(coming.price(firstBeyond()));
        assertThat(struck.share(id("far up")) + struck.share(id("far down"))).isCloseTo(100, within(1e-9));
        assertThat(String.join("\n", front.get(() -> told))).contains("'near' on KTRL was struck out at");
        // Undo takes the strike back, and a second undo the share: what price did is not undone with it.
        front.run(() -> desk.undo().undo());
        assertThat(all().struck(id("near"))).isEmpty();
        assertThat(all().share(id("far up"))).isCloseTo(40, within(1e-9));
        desk.hub().beatAt(coming.time(at) + 1);
        front.run(() -> {});
        assertThat(all().struck(id("near"))).as("price stays where it was").isEmpty();
        front.run(() -> desk.undo().redo());
        assertThat(all().struck(id("near"))).isPresent();
    }

    private String idHere(String title) {
        return desk.scenarioWork().of(ktrl.id()).all().stream()
                .filter(each -> each.title().equals(title))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private int firstBeyond() {
        Scenario near = all().get(id("near")).orElseThrow();
        int at = 0;
        while (!near.isInvalidatedBy(coming.price(at))) {
            at++;
        }
        return at;
    }

    @Test
    void whatWasTradedWhileNothingRanStrikesOutAtTheSameTrade() throws Exception {
        three();
        int beyond = firstBeyond();
        front.await("it is watched", () -> desk.hub().subscriptions() == 1);
        desk.close();
        // The clock stands; the next desk is opened later.
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.run(() -> desk.onNotice(told::add));
        front.await("it is watched again", () -> desk.hub().subscriptions() == 1);
        desk.hub().beatAt(coming.time(coming.size() - 1));
        front.await(
                "it is struck out",
                () -> desk.scenarioWork().of(ktrl.id()).struck(idHere("near")).isPresent());
        assertThat(all().struck(id("near")).orElseThrow().price()).isEqualTo(coming.price(beyond));
        assertThat(all().struck(id("near")).orElseThrow().at()).isEqualTo(coming.time(beyond));
    }

    @Test
    void oneOfLastMonthIsStruckOutByTheTradeThatWentBeyondIt() throws Exception {
        var days = desk.histories().load(ktrl, Timeframe.DAY, now).series().snapshot();
        int day = days.size() - 15;
        double low = Double.POSITIVE_INFINITY;
        for (int at = day + 1; at < days.size(); at++) {
            low = Math.min(low, days.low(at));
        }
        // Below the low of the first days, above the lowest.
        double wrong = low + 0.3;
        long made = days.closeTime(day);
        Scenario old =
                new Scenario("old", ktrl.id(), "old", "", "", wrong, List.of(new Scenario.Target(wrong + 90, 0)), made);
        front.run(() -> desk.books().scenarioShelf().put(ScenarioStep.added("s", old, 100)));
        front.await(
                "it is struck out",
                () -> desk.scenarioWork().of(ktrl.id()).struck("old").isPresent());
        Scenarios.Strike strike = all().struck("old").orElseThrow();
        int struck = days.barAt(strike.at());
        assertThat(strike.price()).isLessThan(wrong);
        assertThat(days.low(struck)).isLessThan(wrong);
        for (int at = day + 1; at < struck; at++) {
            assertThat(days.low(at)).isGreaterThanOrEqualTo(wrong);
        }
        assertThat(String.join("\n", front.get(() -> told))).contains("while away");
    }

    @Test
    void whatCannotBeDoneIsToldAndChangesNothing() {
        three();
        int steps = front.get(() -> desk.books().scenarioSteps(ktrl.id()).size());
        assertThat(make("near 10% to 200 wrong below 50")).isFalse();
        assertThat(make(String.format(Locale.ROOT, "late to 300 wrong below %.2f", coming.price(0) + 1)))
                .isFalse();
        assertThat(make("inner to 300 wrong below 50 in nothing")).isFalse();
        assertThat(front.get(() -> desk.scenarioWork().shareOf(ktrl.id(), "nobody", 10)))
                .isFalse();
        assertThat(front.get(() -> desk.scenarioWork().shareOf(ktrl.id(), "near", 140)))
                .isFalse();
        assertThat(front.get(() -> desk.scenarioWork().takeBack(ktrl.id(), "near")))
                .isFalse();
        assertThat(front.get(() -> desk.books().scenarioSteps(ktrl.id()).size()))
                .isEqualTo(steps);
        assertThat(String.join("\n", front.get(() -> told)))
                .contains(
                        "there is one called 'near' already",
                        "proves it wrong already",
                        "there is no scenario 'nothing'; there are near, far up, far down");
    }

    @Test
    void theTraderStrikesOutTakesBackAndSetsTheAlertThatDecides() {
        three();
        assertThat(front.get(() -> desk.scenarioWork().strike(ktrl.id(), "far up")))
                .isTrue();
        assertThat(front.get(() -> desk.scenarioWork().strike(ktrl.id(), "far up")))
                .isFalse();
        assertThat(all().struck(id("far up"))).isPresent();
        assertThat(front.get(() -> desk.scenarioWork().takeBack(ktrl.id(), "far up")))
                .isTrue();
        assertThat(all().share(id("far up"))).isCloseTo(30, within(1e-9));
        Scenarios.Decision nearest = all().decisions(coming.price(0)).get(0);
        assertThat(nearest.strikes()).containsExactly("near");
        front.run(() -> desk.scenarioWork().alert(ktrl, nearest, new BarRule.Time(Timeframe.DAY)));
        assertThat(front.get(() -> desk.books().alerts())).hasSize(1);
        front.run(() -> desk.scenarioWork().remove(ktrl.id(), "near"));
        assertThat(all().all()).hasSize(2);
        front.run(() -> desk.undo().undo());
        assertThat(all().all()).hasSize(3);
    }
}
