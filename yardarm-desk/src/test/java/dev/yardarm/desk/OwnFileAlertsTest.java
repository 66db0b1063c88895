package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.call.CallSentence;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.intake.Intake;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

/** Alerts and calls on an instrument that has no trades: the bars of the trader's files, as they come in evening by evening. */
class OwnFileAlertsTest extends AtADesk {
    private static final InstrumentId ID = new InstrumentId("own", "MINE");
    private static final long SET = Times.micros(Instant.parse("2026-06-01T00:00:00Z")) - 1;
    private static final BarRule DAY = new BarRule.Time(Timeframe.DAY);

    /** Days from January on at 100; in June as given, one line for each. */
    private Path file(String... june) throws Exception {
        StringBuilder text = new StringBuilder("Date,Open,High,Low,Close,Volume\n");
        for (LocalDate day = LocalDate.of(2026, 1, 5); day.isBefore(LocalDate.of(2026, 6, 1)); day = day.plusDays(1)) {
            text.append(day).append(",100,101,99,100,100\n");
        }
        for (int day = 0; day < june.length; day++) {
            text.append(LocalDate.of(2026, 6, 1).plusDays(day))
                    .append(',')
                    .append(june[day])
                    .append(",100\n");
        }
        return Files.writeString(home.resolve("mine.csv"), text);
    }

    private void bring(String... june) throws Exception {
        Path file = file(june);
        CompletableFuture<Instrument> done = new CompletableFuture<>();
        front.run(() -> desk.intake()
                .look(
                        file,
                        ReadingOptions.NONE,
                        (Intake.Look look) -> desk.intake()
                                .take(
                                        look,
                                        "MINE",
                                        "Mine",
                                        Timeframe.DAY,
                                        false,
                                        done::complete,
                                        failed -> done.completeExceptionally(new IllegalStateException(failed))),
                        failed -> done.completeExceptionally(new IllegalStateException(failed))));
        done.get(30, TimeUnit.SECONDS);
    }

    private void alert(String id, String line) {
        AlertSentence said = AlertSentence.parse(
                line,
                new AlertSentence.Context(
                        desk.language().now(), TradingCalendar.ROUND_THE_CLOCK, DAY, SET, name -> Optional.empty()));
        front.run(() -> desk.books().alertShelf().put(said.alert(id, ID, SET, 100)));
    }

    private List<String> fired() {
        return front.get(() -> desk.books().firings().stream()
                .map(Firing::alert)
                .distinct()
                .sorted()
                .toList());
    }

    private Firing only(String alert) {
        return front.get(() -> desk.books().firings().stream()
                .filter(each -> each.alert().equals(alert))
                .findFirst()
                .orElseThrow());
    }

    @Test
    void barsThatComeInFireAlertsAndMoveCallsAsTheyWereTraded() throws Exception {
        bring();
        alert("touch", "reaches 105");
        alert("close", "closes above 106");
        alert("average", "close crosses above sma(close, 20)");
        alert("low", "goes below 97");
        front.run(() -> desk.books()
                .callShelf()
                .put(CallSentence.parse(
                                "above 104 expect 110, wrong below 98", TradingCalendar.ROUND_THE_CLOCK, DAY, SET)
                        .call("call", ID, SET)));
        // The first evening: nothing of it.
        bring("100,103,99.5,100");
        assertThat(fired()).isEmpty();
        // The second: up through 105, back to 104.5 at the close.
        bring("100,103,99.5,100", "100,107,99.8,104.5");
        front.await("two of them", () -> firedHere() == 2);
        assertThat(fired()).containsExactly("average", "touch");
        Firing touch = only("touch");
        assertThat(touch.price())
                .as("the level itself, not the high of the day")
                .isEqualTo(105);
        assertThat(touch.bar()).isEqualTo(Times.micros(Instant.parse("2026-06-02T00:00:00Z")));
        front.await("its trigger", () -> desk.books().callEvents().stream()
                .anyMatch(each -> each.kind() == CallEvent.Kind.TRIGGERED));
        // The same file again tells nothing twice; the third evening opens beyond everything.
        bring("100,103,99.5,100", "100,107,99.8,104.5");
        bring("100,103,99.5,100", "100,107,99.8,104.5", "108,111,107,109");
        front.await("the close", () -> firedHere() == 3);
        assertThat(fired()).containsExactly("average", "close", "touch");
        assertThat(only("close").price()).isEqualTo(109);
        front.await("it came true", () -> desk.books().callEvents().stream()
                .anyMatch(each -> each.kind() == CallEvent.Kind.CAME_TRUE));
        assertThat(front.get(() -> desk.books().firings().size())).isEqualTo(3);
        assertThat(front.get(() -> desk.books().callEvents().size())).isEqualTo(2);
        // A gap down in the night of the fourth, and a restart says no more.
        bring("100,103,99.5,100", "100,107,99.8,104.5", "108,111,107,109", "95,96,94,95");
        front.await("the gap", () -> firedHere() == 4);
        assertThat(only("low").price()).isEqualTo(95);
        desk.close();
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.settle(desk.scheduler());
        assertThat(fired()).containsExactly("average", "close", "low", "touch");
    }

    private long firedHere() {
        return desk.books().firings().stream().map(Firing::alert).distinct().count();
    }
}
