package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.Layouts;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is put away works and listens no more; counted, after a hundred times. */
class LifetimesTest {
    @TempDir
    private Path home;

    private final Front front = new Front();
    private Desk desk;
    private Layouts layouts;

    @BeforeEach
    void open() throws Exception {
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.run(() -> {
            layouts = new Layouts(desk);
            layouts.active().open(desk.directory().byCode("KTRL").orElseThrow(), Timeframe.DAY);
        });
        front.await("bars", () -> !layouts.active().chart().bars().isEmpty());
    }

    @AfterEach
    void close() {
        desk.close();
        front.close();
    }

    private void settled(String what, int subscriptions) {
        front.await(what, () -> desk.hub().subscriptions() == subscriptions);
    }

    @Test
    void aRemovedLayoutWorksNoMoreAndGoesOnWhenItIsBroughtBack() {
        settled("the first chart goes on", 1);
        ChartRoom[] second = new ChartRoom[1];
        front.run(() -> {
            layouts.add("second", Arrangement.grid(1, 1));
            second[0] = layouts.active();
        });
        front.await("bars", () -> !second[0].chart().bars().isEmpty());
        settled("only the one in front works", 1);
        AtomicInteger shown = new AtomicInteger();
        front.run(() -> {
            layouts.remove(layouts.focused());
            second[0].listen(aspect -> {
                if (aspect == Aspect.DATA) {
                    shown.incrementAndGet();
                }
            });
        });
        settled("the one left works", 1);
        long now = desk.clock().now();
        for (int beat = 1; beat <= 10; beat++) {
            desk.hub().beatAt(now + beat * 60_000_000L);
        }
        front.run(() -> {});
        assertThat(shown).as("updates of a removed layout").hasValue(0);
        front.run(() -> {
            layouts.active().undo();
            layouts.show(layouts.titled("second").orElseThrow());
        });
        front.await("it goes on", () -> shown.get() > 0);
        front.run(layouts::close);
        settled("nothing is left at the hub", 0);
    }

    @Test
    void aHundredSplitsAndClosesLeaveNothingBehind() {
        settled("the first chart goes on", 1);
        int books = front.get(() -> desk.books().listeners());
        int all = front.get(() -> layouts.listeners());
        for (int round = 0; round < 100; round++) {
            front.run(() -> {
                layouts.split(true);
                layouts.closeChart(layouts.active());
            });
        }
        assertThat(front.get(() -> desk.books().listeners())).isEqualTo(books);
        assertThat(front.get(() -> layouts.listeners())).isEqualTo(all);
        settled("one chart, one subscription", 1);
        front.run(layouts::close);
        assertThat(front.get(() -> desk.books().listeners())).isEqualTo(books - 1);
        settled("nothing is left at the hub", 0);
    }

    @Test
    void chartsThatRestSeeWhatChangedMeanwhileWhenTheyWake() {
        ChartRoom first = front.get(() -> layouts.active());
        front.run(() -> {
            layouts.add("second", Arrangement.grid(1, 1));
            layouts.active()
                    .studies()
                    .draw(
                            "level",
                            java.util.List.of(new dev.yardarm.core.drawing.Anchor(
                                    desk.clock().now(), 50)));
        });
        assertThat(first.chart().drawings()).as("it rests").isEmpty();
        front.run(() -> layouts.show(layouts.all().get(0)));
        assertThat(front.get(() -> first.chart().drawings())).hasSize(1);
        front.run(layouts::close);
    }
}
