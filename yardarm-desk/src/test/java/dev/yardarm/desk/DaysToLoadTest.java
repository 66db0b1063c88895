package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.Layouts;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** How many days a chart loads is about that chart and its intraday bars; indicators begin before them. */
class DaysToLoadTest {
    @TempDir
    private Path home;

    private final Front front = new Front();
    private Desk desk;
    private Layouts layouts;
    private Instrument share;

    @BeforeEach
    void open() throws Exception {
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.run(() -> layouts = new Layouts(desk));
        share = desk.directory().byCode("KTRL").orElseThrow();
        front.run(() -> {
            chart().chart().setSize(900, 600);
            chart().open(share, Timeframe.MINUTES_15);
        });
        await("bars");
    }

    @AfterEach
    void close() {
        front.run(layouts::close);
        desk.close();
        front.close();
    }

    private ChartRoom chart() {
        return layouts.active();
    }

    private void await(String what) {
        front.await(what, () -> !chart().chart().bars().isEmpty());
    }

    private long days() {
        return front.get(() -> {
            var bars = chart().chart().bars();
            return (bars.openTime(bars.size() - 1) - bars.openTime(0)) / Times.DAY;
        });
    }

    private void load(int days) {
        front.run(() -> chart().setRequest("days", chart().chart().request().withDays(days)));
        await("days");
    }

    @Test
    void barsOfDaysAndLongerAreAllLoadedWhateverTheDays() {
        load(5);
        assertThat(days()).isLessThan(8);
        front.run(() -> chart().setTimeframe(Timeframe.WEEK));
        await("weeks");
        assertThat(days()).as("all weeks since 2012").isGreaterThan(365 * 14);
        front.run(() -> chart().setTimeframe(Timeframe.MINUTES_5));
        await("minutes");
        assertThat(days())
                .as("the days belong to the intraday bars of the chart")
                .isLessThan(8);
    }

    @Test
    void indicatorsGetTheBarsTheyBeginWith() {
        load(2);
        Indicator average = Language.builtIn().catalogue().find("sma").orElseThrow();
        front.run(() -> chart().indicators().add(average, Settings.of(average, Map.of("length", "300"))));
        front.await("an average of 300 bars over the whole of two days", () -> {
            var model = chart().chart();
            long from =
                    Times.micros(Times.date(model.bars().openTime(model.bars().size() - 1), model.zone())
                            .minusDays(1)
                            .atStartOfDay(model.zone()));
            int first = model.bars().barAt(from) + 1;
            return !model.indicators().isEmpty()
                    && first > 300
                    && model.data().of(model.indicators().get(0)).stream()
                            .anyMatch(line -> !Double.isNaN(line.column().at(first)));
        });
    }

    @Test
    void newChartsHaveNeitherTheDaysNorTheTitle() {
        load(5);
        front.run(() -> chart().setTitle("opening drive"));
        ChartRoom first = chart();
        front.run(() -> layouts.arrange(Arrangement.parse("2x1")));
        front.run(() -> layouts.split(true));
        front.run(() -> layouts.add("far", Arrangement.parse("1")));
        front.run(() -> layouts.all().stream()
                .flatMap(layout -> layout.charts().stream())
                .forEach(room -> {
                    if (room != first) {
                        assertThat(room.title()).isEmpty();
                        assertThat(room.chart().request().days()).isZero();
                    }
                }));
        assertThat(front.get(first::title)).isEqualTo("opening drive");
        assertThat(front.get(() -> first.chart().request().days())).isEqualTo(5);
    }
}
