package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** What is traded outside the session is in no bar, no profile, and fires nothing. */
class OutsideTheSessionTest extends AtTheCommandLine {
    private Path ticks() throws IOException {
        return Files.writeString(
                folder.resolve("ticks.csv"),
                """
                time,price,size,side
                2026-06-18T08:00:00Z,100,1,ask
                2026-06-18T16:29:59Z,101,2,ask
                2026-06-18T16:30:00Z,130,4,ask
                2026-06-18T20:00:00Z,150,8,ask
                2026-06-19T07:59:59Z,50,16,bid
                2026-06-19T08:00:00Z,102,32,bid
                2026-06-20T10:00:00Z,200,64,ask
                2026-06-22T08:30:00Z,103,128,ask
                """);
    }

    @Test
    void barsOfASessionHoldWhatWasTradedInIt() throws IOException {
        assertThat(run("bars", "--csv", ticks(), "--kind", "time:1d", "--session", "08:00-16:30"))
                .isZero();
        assertThat(out.toString().lines().skip(1).map(row -> row.split(",", 2)[1]
                        .split(",2026")[0]))
                .containsExactly("100,101,100,101,3", "102,102,102,102,32", "103,103,103,103,128");
        assertThat(errors.toString()).contains("4 trades outside the session 08:00-16:30 are left out");
    }

    @Test
    void barsOfMinutesOutsideAreLeftOutOfLongerOnes() throws IOException {
        Path file = Files.writeString(
                folder.resolve("bars.csv"),
                """
                time,open,high,low,close,volume
                2026-06-18T16:00:00Z,10,11,9,10,1
                2026-06-18T17:00:00Z,10,99,9,10,1
                2026-06-19T07:00:00Z,10,11,1,10,1
                2026-06-19T08:00:00Z,10,12,8,11,1
                """);
        assertThat(run("bars", "--csv", file, "--kind", "time:1d", "--session", "08:00-16:30"))
                .isZero();
        assertThat(out.toString().lines().skip(1).map(row -> row.split(",", 2)[1]
                        .split(",2026")[0]))
                .containsExactly("10,11,9,10,1", "10,12,8,11,1");
    }

    @Test
    void profilesAndAlertsHearOfNothingElse() throws IOException {
        Path summary = folder.resolve("summary.csv");
        assertThat(run("profile", "--csv", ticks(), "--session", "08:00-16:30", "--tick", 1, "--summary", summary))
                .isZero();
        assertThat(Files.readAllLines(summary).get(1).split(",")[5]).isEqualTo("101");
        Path alerts = Files.writeString(
                folder.resolve("alerts.json"), "{\"alerts\": [\"reaches 120\", \"falls to 60\", \"above 102.5\"]}");
        assertThat(run("watch", "--csv", ticks(), "--alerts", alerts, "--session", "08:00-16:30"))
                .isZero();
        assertThat(out.toString().lines().skip(1)).singleElement().asString().contains("fired,103");
    }

    @Test
    void aSessionInWhichNothingWasTradedIsTold() throws IOException {
        assertThat(run("bars", "--csv", ticks(), "--kind", "time:1d", "--session", "01:00-02:00"))
                .isEqualTo(1);
        assertThat(errors.toString()).contains("no trades in the session", "--zone");
    }
}
