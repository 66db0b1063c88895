package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FindingLogTest {
    private static Finding high(Bars bars, int bar) {
        return new Finding(
                "high",
                List.of(new Finding.Point("top", bars.openTime(bar), bars.high(bar))),
                Map.of(),
                Double.NaN,
                bars.high(bar),
                1);
    }

    /**
     * A detector as small as one can be: the highest high since the last confirmed one is provisional, moves on with each higher
     * one, is confirmed three bars later, and broken when a close passes it.
     */
    private static FindingLog detect(Bars bars) {
        FindingLog log = new FindingLog();
        int running = -1;
        int top = 0;
        for (int bar = 0; bar < bars.closed(); bar++) {
            for (int number = 0; number < log.count(); number++) {
                FindingLog.Standing each = log.standing(number);
                if (each.state() == Finding.State.CONFIRMED
                        && bars.close(bar) > each.finding().invalidation()) {
                    log.become(number, Finding.State.FAILED, bar);
                }
            }
            if (running < 0) {
                top = bar;
                running = log.found(high(bars, bar), bar);
            } else if (bars.high(bar) > bars.high(top)) {
                top = bar;
                log.changed(running, high(bars, bar), bar);
            } else if (bar - top >= 3) {
                log.become(running, Finding.State.CONFIRMED, bar);
                running = -1;
            }
        }
        return log;
    }

    /** All entries of a log, in their order. */
    static List<FindingLog.Standing> entries(FindingLog log) {
        List<FindingLog.Standing> all = new ArrayList<>();
        for (int place = 0; place < log.size(); place++) {
            all.add(log.entry(place));
        }
        return all;
    }

    @Test
    void theLogOfAPrefixIsThePrefixOfTheLog() {
        Bars bars = TestBars.walk(11, 160).snapshot();
        FindingLog whole = detect(bars);
        assertThat(whole.count()).isGreaterThan(10);
        for (int count = 1; count <= bars.closed(); count++) {
            FindingLog part = detect(bars.first(count));
            assertThat(entries(part)).isEqualTo(entries(whole).subList(0, part.size()));
            assertThat(whole.asOf(count - 1)).as("as of bar %d", count - 1).isEqualTo(part.asOf(count - 1));
        }
    }

    @Test
    void whatStoodAtABarIsWhatWasKnownThen() {
        Bars bars = TestBars.ofCloses(10, 12, 11, 10, 9, 13);
        FindingLog log = new FindingLog();
        int found = log.found(high(bars, 0), 0);
        log.changed(found, high(bars, 1), 1);
        log.become(found, Finding.State.CONFIRMED, 4);
        log.become(found, Finding.State.BROKEN, 5);
        int nothing = log.found(high(bars, 3), 5);
        log.become(nothing, Finding.State.VOID, 5);
        assertThat(log.asOf(0))
                .extracting(each -> each.finding().invalidation())
                .containsExactly(10.0);
        assertThat(log.asOf(3)).singleElement().satisfies(each -> {
            assertThat(each.state()).isEqualTo(Finding.State.PROVISIONAL);
            assertThat(each.finding().invalidation()).isEqualTo(12);
        });
        assertThat(log.asOf(4)).extracting(FindingLog.Standing::state).containsExactly(Finding.State.CONFIRMED);
        assertThat(log.asOf(99)).extracting(FindingLog.Standing::state).containsExactly(Finding.State.BROKEN);
        assertThat(log.history(found, 4))
                .extracting(FindingLog.Standing::knownAt)
                .containsExactly(0, 1, 4);
        assertThat(log.asOf(-1)).isEmpty();
    }

    @Test
    void aLogIsOnlyWrittenOn() {
        Bars bars = TestBars.ofCloses(1, 2, 3);
        FindingLog log = new FindingLog();
        int one = log.found(high(bars, 0), 1);
        assertThatThrownBy(() -> log.found(high(bars, 1), 0)).hasMessageContaining("goes on in time");
        log.become(one, Finding.State.CONFIRMED, 2);
        assertThatThrownBy(() -> log.changed(one, high(bars, 2), 2)).hasMessageContaining("changes no more");
        assertThatThrownBy(() -> log.become(one, Finding.State.VOID, 2)).hasMessageContaining("cannot become");
        log.become(one, Finding.State.RETESTED, 2);
        log.become(one, Finding.State.FAILED, 2);
        assertThatThrownBy(() -> log.become(one, Finding.State.REACHED, 2)).hasMessageContaining("cannot become");
    }

    @Test
    void whatTheFormingBarBringsIsThrownAwayWithIt() {
        Bars bars = TestBars.walk(5, 40).snapshot();
        FindingLog log = detect(bars);
        List<FindingLog.Standing> before = entries(log);
        FindingLog forming = log.branch();
        int found = forming.found(high(bars, 39), 40);
        forming.become(found, Finding.State.VOID, 40);
        int other = forming.found(high(bars, 38), 40);
        assertThat(forming.asOf(40)).hasSize(log.asOf(40).size() + 1);
        assertThat(forming.standing(other).knownAt()).isEqualTo(40);
        assertThat(entries(log)).isEqualTo(before);
        log.found(high(bars, 37), 39);
        assertThat(forming.size())
                .as("a branch does not see what its trunk goes on to")
                .isEqualTo(before.size() + 3);
    }

    @Test
    void whatIsSettledWhenItIsFoundHasBothEntriesInTheLogAndInABranch() {
        Bars bars = TestBars.ofCloses(1, 2, 3, 4);
        FindingLog log = new FindingLog();
        int number = log.foundSettled(high(bars, 1), 1);
        FindingLog branch = log.branch();
        int other = branch.foundSettled(high(bars, 2), 2);
        assertThat(entries(log))
                .extracting(FindingLog.Standing::state)
                .containsExactly(Finding.State.PROVISIONAL, Finding.State.CONFIRMED);
        assertThat(entries(branch)).hasSize(4).startsWith(entries(log).toArray(FindingLog.Standing[]::new));
        assertThat(List.of(number, other, log.count(), branch.count())).containsExactly(0, 1, 1, 2);
        branch.become(other, Finding.State.BROKEN, 2);
        assertThat(branch.standing(other).state()).isEqualTo(Finding.State.BROKEN);
        assertThatThrownBy(() -> log.changed(number, high(bars, 3), 3)).isInstanceOf(IllegalStateException.class);
    }

    /** A page takes the room for spots from the page before, whatever that had. */
    @Test
    void longLogsOfSpotsAndOthersInTurnKeepEveryNumber() {
        Bars bars = TestBars.ofCloses(1, 2, 3, 4);
        Finding.Spot spot = new Finding.Spot("mark", "top", 0.5);
        FindingLog log = new FindingLog();
        for (int each = 0; each < 30_000; each++) {
            boolean plain = each / 5000 % 2 == 0;
            int number = plain ? log.found(high(bars, 1), each) : log.found(spot, each, 2.0 * each, 3.0 * each, each);
            assertThat(number).isEqualTo(each);
        }
        for (int each = 0; each < 30_000; each += 7) {
            Finding found = log.standing(each).finding();
            boolean plain = each / 5000 % 2 == 0;
            assertThat(found.points().get(0).price()).isEqualTo(plain ? bars.high(1) : 2.0 * each);
            assertThat(found.target()).isEqualTo(Double.valueOf(plain ? Double.NaN : 3.0 * each));
        }
    }
}
