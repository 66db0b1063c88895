package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Acts;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.alert.AlertActs;
import dev.yardarm.desk.work.Lane;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;

/** What an alert does besides ringing, when much happens at once. */
class AlertActsTest extends AtADesk {
    /** Many alerts go off with one trade while a scan has all threads for what takes its time. */
    @Test
    void linesOfTheFileAreInOrderUnderOneHeadAndWaitForNoScan() throws Exception {
        Path file = home.resolve("lines.csv");
        AlertActs acts = new AlertActs(desk.books(), file, desk.scheduler(), told::add);
        Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
        CountDownLatch scanned = new CountDownLatch(1);
        for (int thread = 0; thread < 2 * Runtime.getRuntime().availableProcessors() + 2; thread++) {
            desk.scheduler().on(Lane.BEHIND).execute(() -> {
                try {
                    scanned.await();
                } catch (InterruptedException given) {
                    Thread.currentThread().interrupt();
                }
            });
        }
        List<String> expected = new ArrayList<>(List.of("time,code,condition,price,note"));
        front.run(() -> {
            for (int number = 0; number < 300; number++) {
                Alert alert = Alert.onTrade("a" + number, ktrl.id(), 100, 0, Timeframe.MINUTE, 0)
                        .with(Acts.NONE.withFile(true));
                acts.carryOut(
                        alert,
                        Firing.of(alert, "one, of many", number * Times.SECOND, 100 + number, 0),
                        ktrl,
                        ZoneOffset.UTC);
                expected.add(Times.at(number * Times.SECOND, ZoneOffset.UTC).toOffsetDateTime()
                        + ",KTRL,\"one, of many\"," + (100.0 + number) + ",");
            }
        });
        front.await("all lines", () -> lines(file).size() >= expected.size());
        assertThat(scanned.getCount()).isEqualTo(1);
        scanned.countDown();
        assertThat(lines(file)).isEqualTo(expected);
    }

    private static List<String> lines(Path file) {
        try {
            return Files.exists(file) ? Files.readAllLines(file) : List.of();
        } catch (IOException half) {
            return List.of();
        }
    }
}
