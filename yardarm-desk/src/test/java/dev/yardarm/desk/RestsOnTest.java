package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.scan.Scan;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What alerts, calls, plans and scans rest on is not taken away in silence, and what could never fire is not kept. */
class RestsOnTest extends OnAChart {
    private static final BarRule DAYS = new BarRule.Time(Timeframe.DAY);

    private String told() {
        front.settle(desk.scheduler());
        return String.join(" | ", notices);
    }

    private void alert(String line) {
        front.run(() -> desk.alertWork()
                .set(List.of(instrument("KTRL")), line, DAYS, desk.language().now(), each -> 104));
    }

    @Test
    void aDrawingTakesItsAlertsAlongAndSaysSo() {
        front.run(() -> desk.books()
                .setDrawings(
                        instrument("KTRL").id(),
                        List.of(new Drawing(
                                "d",
                                Drawing.LEVEL,
                                Timeframe.DAY,
                                List.of(new Anchor(desk.clock().now(), 120)),
                                1))));
        front.run(() -> {
            Drawing shown = room.chart().drawings().get(0);
            desk.alertWork()
                    .set(
                            instrument("KTRL"),
                            shown,
                            dev.yardarm.core.alert.Alert.Trigger.REACHES,
                            Timeframe.DAY,
                            120,
                            104);
            room.drawings().clear();
        });
        assertThat(told()).contains("With it went 1 alert; undo brings all back.");
        front.run(desk.undo()::undo);
        assertThat(front.get(() -> desk.books().alerts())).hasSize(1);
    }

    @Test
    void listsScansAndIndicatorsSayWhatRestsOnThem() {
        front.run(() -> {
            desk.listWork().make("Mine", List.of(instrument("KTRL").id()));
            desk.scanWork().save(Scan.of("Look", "Mine", Timeframe.DAY, List.of("close > 0")));
            desk.ownWork().save("define \"Own\"\nline sma(close, 5)", "first");
        });
        alert("scan \"Look\" finds something new");
        alert("close > own");
        front.run(() -> desk.listWork().delete("Mine"));
        assertThat(told()).contains("1 scan (Look) rests on Mine");
        front.run(() -> desk.scanWork().delete("Look"));
        assertThat(told()).contains("1 alert rests on Look and cannot go on without it; undo brings it back.");
        notices.clear();
        front.run(() -> desk.ownWork().delete("own"));
        assertThat(told()).contains("1 alert rests on own");
    }

    @Test
    void whatCouldNeverFireIsNotKept() {
        alert("scan \"No such scan\" finds something new");
        alert("30 min before foo");
        assertThat(told()).contains("there is no saved scan \"No such scan\"", "has no 'foo'; it has ");
        assertThat(front.get(() -> desk.books().alerts())).isEmpty();
        alert("30 min before a rate decision");
        alert("10 min before the close");
        assertThat(front.get(() -> desk.books().alerts())).hasSize(2);
    }

    /** Ten minutes before the session ends, at the close of each session. */
    @Test
    void theCloseIsThatOfTheSession() {
        alert("10 min before the close each time");
        front.settle(desk.scheduler());
        long close = desk.calendar(instrument("KTRL")).close(java.time.LocalDate.of(2026, 6, 19));
        desk.hub().beatAt(close - 11 * dev.yardarm.core.series.Times.MINUTE);
        front.settle(desk.scheduler());
        assertThat(front.get(() -> desk.books().firings())).isEmpty();
        desk.hub().beatAt(close - 9 * dev.yardarm.core.series.Times.MINUTE);
        front.await("it fires", () -> desk.books().firings().size() == 1);
        assertThat(front.get(() -> desk.books().firings().get(0).at()))
                .isEqualTo(close - 10 * dev.yardarm.core.series.Times.MINUTE);
    }
}
