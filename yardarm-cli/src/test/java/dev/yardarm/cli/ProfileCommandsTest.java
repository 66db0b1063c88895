package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** {@code profile}, {@code trades} and {@code bars --levels} on files as people have them, against values worked out by hand. */
class ProfileCommandsTest extends AtTheCommandLine {
    private static final String TICKS =
            """
            time,price,size,side
            2026-06-18T08:00:00Z,100,10,ask
            2026-06-18T08:05:00Z,100.25,30,bid
            2026-06-18T08:31:00Z,100.5,15,ask
            2026-06-18T09:10:00Z,100.25,20,
            2026-06-18T16:30:00Z,100.25,500,ask
            2026-06-19T08:00:00Z,101,5,ask
            2026-06-19T08:00:00.040Z,101,6,ask
            2026-06-19T08:00:00.090Z,101.25,4,ask
            2026-06-19T10:00:00Z,100.25,1,bid
            """;

    private Path file(String name, String text) throws Exception {
        return Files.writeString(folder.resolve(name), text);
    }

    @Test
    void aProfileOfEachSessionWithItsSummary() throws Exception {
        Path ticks = file("ticks.csv", TICKS);
        Path summary = folder.resolve("summary.csv");
        int code = run(
                "profile",
                "--csv",
                ticks,
                "--by",
                "session",
                "--session",
                "08:00-16:30",
                "--tick",
                "0.25",
                "--summary",
                summary);
        assertThat(code).isZero();
        assertThat(out.toString().lines())
                .containsExactly(
                        "from,to,price,volume,bid,ask,blocks",
                        "2026-06-18T08:00:00Z,2026-06-18T16:30:00Z,100,10,0,10,1",
                        "2026-06-18T08:00:00Z,2026-06-18T16:30:00Z,100.25,50,30,0,2",
                        "2026-06-18T08:00:00Z,2026-06-18T16:30:00Z,100.5,15,0,15,1",
                        "2026-06-19T08:00:00Z,2026-06-19T16:30:00Z,100.25,1,1,0,1",
                        "2026-06-19T08:00:00Z,2026-06-19T16:30:00Z,101,11,0,11,1",
                        "2026-06-19T08:00:00Z,2026-06-19T16:30:00Z,101.25,4,0,4,1");
        assertThat(Files.readAllLines(summary))
                .containsExactly(
                        "from,to,poc,value_low,value_high,high,low,volume,delta,open_block_high,open_block_low,reached_at",
                        "2026-06-18T08:00:00Z,2026-06-18T16:30:00Z,100.25,100.25,100.5,100.5,100,75,-5,100.25,100,"
                                + "2026-06-18T16:30:00Z",
                        "2026-06-19T08:00:00Z,2026-06-19T16:30:00Z,101,101,101.25,101.25,100.25,16,14,101.25,101,");
        assertThat(errors.toString()).contains("1 were traded in none of the spans");
    }

    @Test
    void allOrASpanAndWiderRowsAndAnotherShare() throws Exception {
        Path ticks = file("ticks.csv", TICKS);
        assertThat(run("profile", "--csv", ticks, "--by", "all", "--tick", "0.25", "--row", 4))
                .isZero();
        assertThat(out.toString().lines().map(line -> line.substring(line.indexOf(',', 24) + 1)))
                .contains("100,576,31,525,5", "101,15,0,15,1");
        assertThat(run("profile", "--csv", ticks, "--by", "2026-06-19/2026-06-20", "--tick", "0.25"))
                .isZero();
        assertThat(out.toString().lines()).hasSize(4);
        Path summary = folder.resolve("s.csv");
        assertThat(run(
                        "profile",
                        "--csv",
                        ticks,
                        "--by",
                        "day",
                        "--tick",
                        "0.25",
                        "--value-area",
                        "100%",
                        "--summary",
                        summary))
                .isZero();
        assertThat(Files.readAllLines(summary).get(2)).contains(",101,100.25,101.25,");
    }

    @Test
    void barsGiveAnEstimateWhichSaysSo() throws Exception {
        Path bars = file(
                "bars.csv",
                "time,open,high,low,close,volume\n2026-06-18,10,10.3,10,10.2,40\n2026-06-19,10.2,10.2,10.1,10.1,20\n");
        Path summary = folder.resolve("s.csv");
        assertThat(run("profile", "--csv", bars, "--by", "all", "--tick", "0.1", "--summary", summary))
                .isZero();
        assertThat(errors.toString()).contains("estimated from bars");
        assertThat(Files.readAllLines(summary).get(1)).contains(",10.1,").contains(",60,,");
    }

    @Test
    void whatIsWrongIsSaid() throws Exception {
        Path ticks = file("ticks.csv", TICKS);
        Map<List<Object>, String> wrong =
                new TreeMap<>((one, other) -> one.toString().compareTo(other.toString()));
        wrong.put(List.of("--by", "fortnight"), "session, day, week, month, all or FROM/TO");
        wrong.put(List.of("--by", "2026-06-20/2026-06-19"), "ends before it begins");
        wrong.put(List.of("--value-area", "170%"), "above 0 and up to 100%");
        wrong.put(List.of("--row", "0"), "from 1 on");
        wrong.put(List.of("--tick", "0"), "above zero");
        wrong.put(List.of("--blocks", "half an hour"), "as in 100ms");
        wrong.put(List.of("--session", "8-16"), "--session");
        wrong.forEach((words, said) -> {
            Object[] all = new Object[words.size() + 3];
            all[0] = "profile";
            all[1] = "--csv";
            all[2] = ticks;
            for (int word = 0; word < words.size(); word++) {
                all[3 + word] = words.get(word);
            }
            assertThat(run(all)).as(words.toString()).isEqualTo(2);
            assertThat(errors.toString()).contains(said);
        });
        assertThat(run("profile", "--csv", ticks, "--by", "day", "--tick", "0.4"))
                .isZero();
        assertThat(errors.toString()).contains("lie between two ticks of 0.4");
        Path spiked = file(
                "spiked.csv",
                "time,price,size,side\n2026-06-18T08:00:00Z,1,1,ask\n2026-06-18T08:00:01Z,9999999,1,ask\n");
        assertThat(run("profile", "--csv", spiked, "--by", "day")).isEqualTo(1);
        assertThat(errors.toString()).contains("wider rows are needed, or one of these prices is wrong");
        Path unsized = file("unsized.csv", "time,price\n2026-06-18T08:00:00Z,1\n");
        assertThat(run("profile", "--csv", unsized, "--by", "day")).isEqualTo(1);
        assertThat(errors.toString()).contains("has no sizes");
    }

    @Test
    void largeTradesAreFoundAndPutTogether() throws Exception {
        Path ticks = file("ticks.csv", TICKS);
        assertThat(run("trades", "--csv", ticks, "--min-size", 15, "--together", "100ms"))
                .isZero();
        assertThat(out.toString().lines())
                .containsExactly(
                        "time,price,size,side,count",
                        "2026-06-18T08:05:00Z,100.25,30,bid,1",
                        "2026-06-18T08:31:00Z,100.5,15,ask,1",
                        "2026-06-18T09:10:00Z,100.25,20,,1",
                        "2026-06-18T16:30:00Z,100.25,500,ask,1",
                        "2026-06-19T08:00:00Z,101.06666666666666,15,ask,3");
        assertThat(run("trades", "--csv", ticks, "--min-size", 15)).isZero();
        assertThat(out.toString().lines()).hasSize(5);
        assertThat(run("trades", "--csv", ticks, "--min-size", -1)).isEqualTo(2);
        assertThat(run("trades", "--csv", ticks, "--min-size", 1, "--together", "soon"))
                .isEqualTo(2);
    }

    @Test
    void theTradesOfEachBarByPriceAndWithoutTheSmallOnes() throws Exception {
        Path ticks = file("ticks.csv", TICKS);
        Path levels = folder.resolve("levels.csv");
        assertThat(run("bars", "--csv", ticks, "--kind", "time:1h", "--tick", "0.25", "--levels", levels))
                .isZero();
        assertThat(Files.readAllLines(levels))
                .containsExactly(
                        "time,price,bid,ask,none",
                        "2026-06-18T08:00:00Z,100,0,10,0",
                        "2026-06-18T08:00:00Z,100.25,30,0,0",
                        "2026-06-18T08:00:00Z,100.5,0,15,0",
                        "2026-06-18T09:00:00Z,100.25,0,0,20",
                        "2026-06-18T16:00:00Z,100.25,0,500,0",
                        "2026-06-19T08:00:00Z,101,0,11,0",
                        "2026-06-19T08:00:00Z,101.25,0,4,0",
                        "2026-06-19T10:00:00Z,100.25,1,0,0");
        assertThat(run(
                        "bars",
                        "--csv",
                        ticks,
                        "--kind",
                        "time:1h",
                        "--tick",
                        "0.25",
                        "--levels",
                        levels,
                        "--min-size",
                        20))
                .isZero();
        assertThat(Files.readAllLines(levels)).hasSize(4);
        assertThat(run("bars", "--csv", ticks, "--kind", "time:1h", "--min-size", 20))
                .isEqualTo(2);
        assertThat(run("bars", "--csv", ticks, "--kind", "brick:2@5m", "--levels", levels))
                .isEqualTo(2);
        Path bars = file("bars.csv", "time,open,high,low,close,volume\n2026-06-18,10,10.3,10,10.2,40\n");
        assertThat(run("bars", "--csv", bars, "--kind", "time:1w", "--levels", levels))
                .isEqualTo(1);
        assertThat(errors.toString()).contains("--levels needs trades");
    }
}
