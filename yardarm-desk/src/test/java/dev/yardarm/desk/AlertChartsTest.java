package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.AlertCharts;
import dev.yardarm.desk.room.layout.Layouts;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/** The chart comes up as it was when the alert was set. */
class AlertChartsTest extends AtADesk {
    @Test
    void theChartOfAFiringIsMadeUpAsWhenItsAlertWasSet() {
        Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
        Layouts layouts = front.get(() -> new Layouts(desk));
        AlertCharts charts = front.get(() -> new AlertCharts(layouts));
        ChartRoom room = front.get(layouts::active);
        front.run(() -> room.open(ktrl, Timeframe.MINUTES_15));
        front.await("bars", () -> !room.chart().bars().isEmpty());
        front.run(() -> {
            room.setVolumeShown(false);
            desk.language().now().catalogue().find("ema").ifPresent(room.indicators()::add);
        });
        double last = front.get(() -> room.chart().data().last());
        front.run(() -> {
            set(ktrl, String.format(Locale.ROOT, "reaches %.2f open the chart", last + 0.03), last);
            set(ktrl, String.format(Locale.ROOT, "reaches %.2f", last + 5), last);
        });
        assertThat(front.get(() -> desk.books().alertChartShelf().all())).hasSize(1);
        Alert alert = front.get(() -> desk.books().alerts().get(0));
        front.await("it is watched", () -> desk.hub().subscriptions() >= 3);
        // Meanwhile the trader looks at something else.
        Instrument other = desk.directory().byCode("MARN").orElseThrow();
        front.run(() -> {
            room.setVolumeShown(true);
            room.indicators().clear();
            room.open(other, Timeframe.WEEK);
        });
        front.await(
                "the other",
                () -> room.instrument().orElseThrow().equals(other)
                        && !room.chart().bars().isEmpty());
        for (int step = 1; step < 60 && front.get(() -> desk.books().firings().isEmpty()); step++) {
            desk.hub().beatAt(desk.clock().now() + step * 20L * Times.SECOND);
        }
        front.await("it fires", () -> !desk.books().firings().isEmpty());
        Firing firing = front.get(() -> desk.books().firings().get(0));
        assertThat(firing.alert()).isEqualTo(alert.id());
        front.run(() -> charts.show(firing, ktrl));
        front.await(
                "its chart",
                () -> room.instrument().orElseThrow().equals(ktrl)
                        && !room.chart().bars().isEmpty());
        assertThat(front.get(() -> room.chart().timeframe())).isEqualTo(Timeframe.MINUTES_15);
        assertThat(front.get(() -> room.chart().isVolumeShown())).isFalse();
        assertThat(front.get(() -> room.chart().indicators())).hasSize(1);
        // Taken away and brought back it is still that of the day it was set.
        front.run(() -> {
            room.open(ktrl, Timeframe.MONTH);
            desk.alertWork().remove(alert.id());
            desk.undo().undo();
        });
        assertThat(front.get(() ->
                                desk.books().alertChartShelf().get(alert.id()).orElseThrow())
                        .chart()
                        .timeframe())
                .isEqualTo(Timeframe.MINUTES_15);
        front.run(() -> {
            charts.close();
            layouts.close();
        });
    }

    private void set(Instrument on, String line, double last) {
        desk.alertWork()
                .set(
                        List.of(on),
                        line,
                        new BarRule.Time(Timeframe.DAY),
                        desk.language().now(),
                        each -> last);
    }
}
