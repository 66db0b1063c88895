package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.plan.PositionSize;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.plan.TradeTerms;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.desk.plan.PlanDesk;
import org.junit.jupiter.api.Test;

/** Plans over splits and contracts, several of them, and the account they rest on. */
class PlansAsTheyAreTest extends OnAChart {

    private String told() {
        front.settle(desk.scheduler());
        return String.join(" | ", notices);
    }

    private void shows(Instrument instrument) {
        front.run(() -> room.open(instrument, Timeframe.DAY));
        front.await(
                "its bars",
                () -> room.instrument().filter(instrument::equals).isPresent()
                        && !room.chart().bars().isEmpty());
        front.settle(desk.scheduler());
    }

    @Test
    void aPlanMovesWithASplitAndIsChangedInPricesOfNow() {
        Instrument split = null;
        CorporateActions.Split last = null;
        for (Instrument each : desk.directory().all()) {
            var actions = desk.directory().source(each).orElseThrow().offers(CorporateActions.class);
            if (actions.isPresent() && !actions.get().splits(each.id()).isEmpty()) {
                split = each;
                var all = actions.get().splits(each.id());
                last = all.get(all.size() - 1);
            }
        }
        assertThat(split).isNotNull();
        double ratio = last.ratio();
        TradePlan kept =
                new TradePlan("p", split.id(), Timeframe.DAY, last.time() - 2 * Times.DAY, 80, 76, 92, 25_000, 1);
        Instrument of = split;
        front.run(() -> {
            desk.books().planShelf().put(kept);
            desk.books()
                    .firingShelf()
                    .put(new Firing(
                            "a", 1, of.id(), "", "", "", new BarRule.Time(Timeframe.DAY), kept.madeAt(), 80, 0));
        });
        shows(split);
        front.await("the plan", () -> room.chart().plan().isPresent());
        TradePlan shown = front.get(() -> room.chart().plan().orElseThrow());
        assertThat(shown.entry()).isCloseTo(80 / ratio, within(1e-9));
        assertThat(shown.stop()).isCloseTo(76 / ratio, within(1e-9));
        assertThat(front.get(() -> room.chart().firings().get(0).price())).isCloseTo(80 / ratio, within(1e-9));
        front.run(() -> room.studies().change(shown, shown.withPrices(shown.entry(), 75 / ratio, shown.target())));
        assertThat(front.get(
                        () -> desk.books().planShelf().get("p").orElseThrow().stop()))
                .isCloseTo(75, within(1e-9));
        PlanDesk plans = front.get(() -> new PlanDesk(desk));
        front.settle(desk.scheduler());
        front.await("the table", () -> Math.abs(plans.rows().rows().get(0).entry() - 80 / ratio) < 1e-9);
        front.run(plans::close);
    }

    @Test
    void aPlanOnASeriesOfContractsIsForTheOneThatCounts() {
        Instrument series = instrument("VRTQ");
        shows(series);
        double last = front.get(() -> room.chart().data().last());
        front.run(() -> room.studies().makePlan(last, last - 10, last + 30));
        assertThat(told()).contains("VRTQ is a series of contracts; the plan is for VRTQ-U26, the one that counts now");
        TradePlan plan = front.get(() -> desk.books().plans().get(0));
        assertThat(plan.instrument().code()).isEqualTo("VRTQ-U26");
        front.await(
                "it stands on the chart of the series",
                () -> room.chart().plan().isPresent());
        front.run(room.studies()::removePlan);
        assertThat(front.get(() -> desk.books().plans())).isEmpty();
    }

    @Test
    void anotherPlanSaysThatItTakesThePlaceOfTheFirst() {
        double last = front.get(() -> room.chart().data().last());
        front.run(() -> room.studies().makePlan(last, last - 1, last + 3));
        assertThat(told()).doesNotContain("has ended");
        front.run(() -> room.studies().makePlan(last, last - 2, last + 3));
        assertThat(told())
                .contains("The plan for KTRL with its entry at", "has ended with this one; undo brings it back");
    }

    @Test
    void anEntryFarFromThePriceIsRefused() {
        front.run(() -> room.studies().makePlan(1296, 1290, 1310));
        assertThat(told()).contains("No plan was made: an entry at 1296", "far from the price of KTRL");
        assertThat(front.get(() -> desk.books().plans())).isEmpty();
    }

    @Test
    void whatTheAccountCannotHoldIsMarked() {
        double last = front.get(() -> room.chart().data().last());
        front.run(() -> {
            desk.planWork().setSizing(100_000, 2);
            room.studies().makePlan(last, last * 0.99, last * 1.05);
        });
        shows(instrument("MARN"));
        double other = front.get(() -> room.chart().data().last());
        front.run(() -> room.studies().makePlan(other, other * 0.99, other * 1.05));
        PlanDesk plans = front.get(() -> new PlanDesk(desk));
        front.settle(desk.scheduler());
        assertThat(front.get(plans::total)).contains("more than the account");
        front.run(() -> desk.planWork().setSizing(10_000, 2));
        String limit = front.get(() -> {
            var column = plans.rows().columns().stream()
                    .filter(each -> each.id().equals("size-by"))
                    .findFirst()
                    .orElseThrow();
            return column.text().apply(plans.rows().rows().get(0));
        });
        assertThat(limit).contains("sized for an account of 100,000, it is 10,000 now");
        front.run(plans::close);
    }

    /** A pair of currencies is held by a thirtieth of its worth, not paid in full. */
    @Test
    void pairsAreSizedByTheirMargin() {
        Instrument pair = instrument("AULBRN");
        TradePlan plan = new TradePlan("p", pair.id(), Timeframe.DAY, 1, 1.30, 1.29, 1.33, 10_000, 1);
        PositionSize size = PositionSize.of(plan, TradeTerms.of(pair, 1));
        assertThat(size.limit()).isEqualTo(PositionSize.Limit.RISK);
        assertThat(size.quantity() * 0.01 * pair.pointValue()).isCloseTo(100, within(pair.lot() * 0.01));
        assertThat(size.cost()).isCloseTo(size.quantity() * 1.30 * pair.pointValue() / 30, within(0.01));
    }
}
