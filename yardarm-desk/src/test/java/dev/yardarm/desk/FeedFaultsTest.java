package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.market.SourceState;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Layouts;
import dev.yardarm.market.feed.FeedFault;
import dev.yardarm.market.feed.FeedScript;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A desk on a bad line against one on a good line: the same bars and the same firings, and what is missing is said. */
class FeedFaultsTest extends AtADesk {
    private static final String BAD = "1m delay 12s for 4m\n3m double 5s for 10m\n4m reorder 4s for 6m\n8m cut for 3m\n"
            + "13m lose for 100s fill after 90s\n14m double for 3m\n";

    @TempDir
    private Path other;

    private Instrument ktrl() {
        return desk.directory().byCode("KTRL").orElseThrow();
    }

    /** Four alerts around the last price, on every trade and on closes. */
    private void alerts(Desk at, Front on) {
        double last = 103.9;
        on.run(() -> {
            for (int step = -2; step < 2; step++) {
                for (String kind : List.of("reaches %.2f each time", "closes beyond %.2f on 1m each time")) {
                    at.alertWork()
                            .set(
                                    List.of(ktrl()),
                                    String.format(Locale.ROOT, kind, last + step * 0.12 + 0.05),
                                    new BarRule.Time(Timeframe.MINUTE),
                                    at.language().now(),
                                    each -> last);
                }
            }
        });
        on.await("they are watched", () -> at.hub().subscriptions() >= 8);
    }

    private static List<String> firings(Desk at, Front on) {
        return on.get(() -> at.books().firings().stream()
                .sorted(Comparator.comparingLong(Firing::at).thenComparing(each -> each.on()))
                .map(each -> each.at() + " " + each.price() + " " + each.bar() + " " + each.on())
                .toList());
    }

    @Test
    void barsAndFiringsAreThoseOfTheGoodLineOnceAllIsFilledIn() throws Exception {
        long begin = desk.clock().now();
        alerts(desk, front);
        desk.feed().orElseThrow().add(FeedScript.parse(BAD, begin), begin);
        Layouts layouts = front.get(() -> new Layouts(desk));
        ChartRoom room = front.get(layouts::active);
        front.run(() -> room.open(ktrl(), Timeframe.MINUTE));
        front.await("bars", () -> !room.chart().bars().isEmpty());
        try (Front second = new Front();
                Desk good = new Desk(new Desk.Options(other, true, 1, true), second)) {
            alerts(good, second);
            for (long now = begin; now <= begin + 20 * Times.MINUTE; now += Times.SECOND) {
                desk.hub().beatAt(now);
                good.hub().beatAt(now);
            }
            long end = begin + 20 * Times.MINUTE;
            front.await(
                    "all is there",
                    () -> desk.directory().state(ktrl().id().source()).isReady());
            front.run(() -> {});
            second.run(() -> {});
            List<String> wanted = firings(good, second);
            assertThat(wanted.size()).isGreaterThan(5);
            front.await("as many", () -> desk.books().firings().size() == wanted.size());
            assertThat(firings(desk, front)).isEqualTo(wanted);
            Bars bars = good.histories()
                    .load(ktrl(), Timeframe.MINUTE, end)
                    .series()
                    .snapshot();
            front.await("the bars of the chart", () -> same(room.chart(), bars));
            front.run(layouts::close);
        }
        assertThat(String.join("\n", front.get(() -> told)))
                .contains("are missing or late", "does not answer: the line is cut", "answers again");
    }

    private static boolean same(ChartModel chart, Bars bars) {
        Bars shown = chart.bars();
        int count = Math.min(30, shown.size());
        for (int back = 2; back < count; back++) {
            int one = shown.size() - back;
            int other = bars.barAt(shown.openTime(one));
            if (shown.close(one) != bars.close(other)
                    || shown.high(one) != bars.high(other)
                    || shown.low(one) != bars.low(other)
                    || shown.volume(one) != bars.volume(other)) {
                return false;
            }
        }
        return shown.openTime(shown.size() - 1) == bars.openTime(bars.size() - 1);
    }

    @Test
    void whatIsMissingIsSaidSinceWhenAndMarkedOnTheChart() {
        long begin = desk.clock().now();
        Layouts layouts = front.get(() -> new Layouts(desk));
        ChartRoom room = front.get(layouts::active);
        front.run(() -> room.open(ktrl(), Timeframe.MINUTE));
        front.await("bars", () -> !room.chart().bars().isEmpty());
        front.await("it goes on", () -> desk.hub().subscriptions() > 0);
        desk.feed().orElseThrow().add(List.of(FeedFault.parse("lose for 5m", begin + Times.SECOND)), begin);
        for (long now = begin; now <= begin + 2 * Times.MINUTE; now += Times.SECOND) {
            desk.hub().beatAt(now);
        }
        SourceState state = desk.directory().state(ktrl().id().source());
        assertThat(state.kind()).isEqualTo(SourceState.Kind.BEHIND);
        assertThat(state.since()).isBetween(begin - Times.SECOND, begin + 40 * Times.SECOND);
        front.await("the mark", () -> room.chart().missingSince() == state.since());
        double before = front.get(() -> room.chart().data().last());
        // A chart that is opened meanwhile shows no more than is known.
        front.run(() -> room.open(ktrl(), Timeframe.MINUTES_5));
        front.await(
                "its bars",
                () -> room.chart().timeframe().equals(Timeframe.MINUTES_5)
                        && !room.chart().bars().isEmpty());
        assertThat(front.get(() -> room.chart().data().last())).isEqualTo(before);
        assertThat(front.get(() -> room.chart().missingSince())).isEqualTo(state.since());
        for (long now = begin + 2 * Times.MINUTE; now <= begin + 6 * Times.MINUTE; now += Times.SECOND) {
            desk.hub().beatAt(now);
        }
        assertThat(desk.directory().state(ktrl().id().source()).isReady()).isFalse();
        desk.feed().orElseThrow().fill(begin + 6 * Times.MINUTE);
        desk.hub().beatAt(begin + 6 * Times.MINUTE + Times.SECOND);
        assertThat(desk.directory().state(ktrl().id().source()).isReady()).isTrue();
        front.await("the mark is gone", () -> room.chart().missingSince() == 0);
        front.run(layouts::close);
    }
}
