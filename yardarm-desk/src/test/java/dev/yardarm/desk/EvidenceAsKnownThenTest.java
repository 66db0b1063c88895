package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.evidence.Inquiry;
import dev.yardarm.core.evidence.Occurrence;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.RollRule;
import dev.yardarm.desk.evidence.EvidenceDesk;
import dev.yardarm.desk.evidence.EvidenceRunner;
import dev.yardarm.desk.evidence.Recipe;
import dev.yardarm.desk.scan.Memberships;
import dev.yardarm.desk.work.Job;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/** Evidence asks each bar what was known at it: prices before later splits and rolls, members of then. */
class EvidenceAsKnownThenTest extends AtADesk {
    private static final BarRequest AS_TRADED = BarRequest.of(Timeframe.DAY)
            .withAdjustments(false, false)
            .withRoll(RollRule.STANDARD, BarRequest.Joint.UNADJUSTED);

    private EvidenceRunner.Result ask(String condition, List<Instrument> of) throws Exception {
        return new EvidenceRunner(desk.vantages(), desk.directory(), desk.scheduler())
                .run(
                        new Recipe(condition, Timeframe.DAY, Question.USUAL),
                        desk.language().now(),
                        of,
                        desk.clock().now(),
                        Job.unattended());
    }

    private Bars traded(Instrument instrument) throws Exception {
        return desk.vantages().at(desk.clock().now()).bars(instrument, AS_TRADED);
    }

    private static double middle(Bars bars) {
        double[] closes = new double[bars.closed()];
        for (int bar = 0; bar < closes.length; bar++) {
            closes[bar] = bars.close(bar);
        }
        java.util.Arrays.sort(closes);
        return closes[closes.length / 2];
    }

    /** The bars at which the price as it was traded stood above a price. */
    private static List<Integer> above(Bars traded, double price) {
        List<Integer> bars = new ArrayList<>();
        for (int bar = 0; bar < traded.closed(); bar++) {
            if (traded.close(bar) > price) {
                bars.add(bar);
            }
        }
        return bars;
    }

    private static List<Integer> bars(EvidenceRunner.Result of) {
        return of.evidence().studies().get(0).occurrences().stream()
                .map(Occurrence::bar)
                .toList();
    }

    @Test
    void aPriceBeforeASplitIsTheOneThatWasTraded() throws Exception {
        Instrument split = desk.directory().all().stream()
                .filter(each -> desk.directory()
                        .source(each)
                        .flatMap(source -> source.offers(CorporateActions.class))
                        .filter(actions -> actions.splits(each.id()).stream()
                                .anyMatch(at -> at.time() < desk.clock().now()))
                        .isPresent())
                .findFirst()
                .orElseThrow();
        Bars traded = traded(split);
        double price = middle(traded);
        List<Integer> expected = above(traded, price);
        assertThat(bars(ask("close > " + price, List.of(split)))).isEqualTo(expected);
        // Over prices in the shares of now it would be another answer.
        Bars now = desk.vantages().at(desk.clock().now()).bars(split, BarRequest.of(Timeframe.DAY));
        assertThat(above(now, price)).isNotEqualTo(expected);
    }

    @Test
    void aPriceBeforeARollIsTheOneThatWasTradedAndReturnsHaveNoSteps() throws Exception {
        Instrument future = desk.directory().all().stream()
                .filter(each -> each.kind() == Instrument.Kind.CONTINUOUS)
                .findFirst()
                .orElseThrow();
        Bars traded = traded(future);
        double price = middle(traded);
        EvidenceRunner.Result came = ask("close > " + price, List.of(future));
        assertThat(bars(came)).isEqualTo(above(traded, price)).isNotEmpty();
        // After one bar of one contract the return is that of the prices as they were traded.
        List<Long> rolls = desk.vantages().at(desk.clock().now()).adjustments(future, BarRequest.of(Timeframe.DAY));
        assertThat(rolls).hasSizeGreaterThan(10);
        int looked = 0;
        for (Occurrence each : came.evidence().studies().get(0).occurrences()) {
            int bar = each.bar();
            if (bar + 1 >= traded.closed()) {
                continue;
            }
            long from = traded.openTime(bar);
            long to = traded.closeTime(bar + 1);
            if (rolls.stream().noneMatch(roll -> roll >= from && roll <= to)) {
                assertThat(each.returns()[0])
                        .isCloseTo(traded.close(bar + 1) / traded.open(bar + 1) - 1, Offset.offset(1e-9));
                looked++;
            }
        }
        assertThat(looked).isGreaterThan(100);
    }

    @Test
    void membersOfAnIndexAreThoseOfTheirQuarter() throws Exception {
        Universe heaviest = new Universe(List.of(), List.of("PV60"), 5, List.of(), List.of(), List.of());
        long now = desk.clock().now();
        long start = Times.micros(LocalDate.of(2012, 2, 1).atStartOfDay(ZoneOffset.UTC));
        Memberships among = front.get(desk::universes).memberships(heaviest, index -> start, now, missing -> {});
        assertThat(among.all()).hasSizeGreaterThan(5);
        for (int year : List.of(2013, 2018, 2024)) {
            long begin = Times.micros(LocalDate.of(year, 4, 1).atStartOfDay(ZoneOffset.UTC));
            long within = Times.micros(LocalDate.of(year, 6, 3).atStartOfDay(ZoneOffset.UTC));
            List<Instrument> then = front.get(desk::universes).instruments(heaviest, begin, missing -> {});
            assertThat(among.all().stream().filter(each -> among.isIn(each, within)))
                    .containsExactlyInAnyOrderElementsOf(then);
        }
        // Each counts while it belonged: five a day, on all days of the history.
        EvidenceRunner.Result came = new EvidenceRunner(desk.vantages(), desk.directory(), desk.scheduler())
                .run(
                        new Recipe("close > open", Timeframe.WEEK, Question.USUAL),
                        desk.language().now(),
                        among,
                        now,
                        Job.unattended());
        int weeks = desk.vantages()
                .at(now)
                .bars(among.all().get(0), BarRequest.of(Timeframe.WEEK))
                .closed();
        assertThat(came.evidence().looked()).isBetween(5 * weeks - 10, 5 * weeks + 10);
    }

    @Test
    void whatWasAskedIsKeptOverTheEndAndGivesTheSameAgain() throws Exception {
        EvidenceDesk evidence = front.get(() -> new EvidenceDesk(desk));
        for (int variant = 1; variant <= 4; variant++) {
            String condition = "close > sma(close, " + (variant + 5) + ")";
            front.run(() -> evidence.ask(condition, Universe.of("Indices"), Timeframe.WEEK));
            front.await("evidence", () -> evidence.result()
                    .filter(came -> came.recipe().condition().equals(condition))
                    .isPresent());
        }
        String figures = front.get(
                () -> evidence.result().orElseThrow().evidence().figures().toString());
        String summary = front.get(evidence::summary);
        Inquiry last = front.get(() -> evidence.asked().get(0));
        assertThat(last.version()).isEqualTo(Desk.VERSION);
        desk.close();
        openDesk();
        EvidenceDesk again = front.get(() -> new EvidenceDesk(desk));
        assertThat(front.get(() -> again.asked())).hasSize(4).first().isEqualTo(last);
        // Time goes on; the question is asked from its own moment.
        desk.hub().beatAt(desk.clock().now() + 3 * 24 * Times.HOUR);
        front.run(() -> again.ask(last));
        front.await("the same", () -> again.result().isPresent());
        assertThat(front.get(
                        () -> again.result().orElseThrow().evidence().figures().toString()))
                .isEqualTo(figures);
        assertThat(front.get(again::summary)).isEqualTo(summary);
        assertThat(front.get(() -> again.asked())).hasSize(4);
        front.run(() -> again.ask("close > sma(close, 50)", Universe.of("Indices"), Timeframe.WEEK));
        front.await("the fifth", () -> again.summary().contains("5 variants were tried"));
    }
}
