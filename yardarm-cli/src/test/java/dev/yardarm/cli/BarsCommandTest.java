package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.csv.TickFile;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The command {@code bars}: every kind, from ticks and from bars, and what it refuses. */
class BarsCommandTest {
    @TempDir
    private Path folder;

    private final StringWriter out = new StringWriter();
    private final StringWriter errors = new StringWriter();

    private int run(Path file, String kind, String... more) {
        out.getBuffer().setLength(0);
        errors.getBuffer().setLength(0);
        String[] words = new String[5 + more.length];
        List.of("bars", "--csv", file.toString(), "--kind", kind).toArray(words);
        System.arraycopy(more, 0, words, 5, more.length);
        return Main.run(words, new PrintWriter(out, true), new PrintWriter(errors, true));
    }

    private List<String> rows() {
        return out.toString().lines().skip(1).toList();
    }

    private Path ticks() throws IOException {
        return Files.writeString(
                folder.resolve("ticks.csv"),
                """
                time,price,size,side
                2026-06-19T08:00:00Z,10.00,5,bid
                2026-06-19T08:00:30Z,10.02,5,ask
                2026-06-19T08:01:00Z,10.05,10,ask
                2026-06-19T08:01:30.250Z,10.01,1,
                2026-06-19T08:02:00Z,10.08,4,ask
                """);
    }

    private Path bars() throws IOException {
        return Files.writeString(
                folder.resolve("bars.csv"),
                """
                time,open,high,low,close,volume
                2026-01-05,10,11,9,10,100
                2026-01-06,10,13,10,12,200
                2026-01-07,12,16,11,15,100
                2026-01-08,15,15,10,10,100
                """);
    }

    @Test
    void everyKindIsBuiltFromTicks() throws IOException {
        Path file = ticks();
        assertThat(run(file, "time:1m")).isZero();
        assertThat(out.toString()).startsWith("time,open,high,low,close,volume,end,complete\n");
        assertThat(rows())
                .containsExactly(
                        "2026-06-19T08:00:00Z,10,10.02,10,10.02,10,2026-06-19T08:01:00Z,1",
                        "2026-06-19T08:01:00Z,10.05,10.05,10.01,10.01,11,2026-06-19T08:02:00Z,1",
                        "2026-06-19T08:02:00Z,10.08,10.08,10.08,10.08,4,2026-06-19T08:03:00Z,0");
        assertThat(run(file, "ticks:2")).isZero();
        assertThat(rows())
                .hasSize(3)
                .element(1)
                .asString()
                .startsWith("2026-06-19T08:01:00Z,10.05,10.05,10.01,10.01,11,");
        assertThat(run(file, "volume:10")).isZero();
        assertThat(rows()).hasSize(3);
        assertThat(run(file, "range:4")).isZero();
        assertThat(rows())
                .hasSize(3)
                .last()
                .asString()
                .startsWith("2026-06-19T08:02:00Z,10.08")
                .endsWith(",0");
        assertThat(run(file, "reversal:4")).isZero();
        assertThat(rows()).hasSize(2);
        assertThat(run(file, "brick:2")).isZero();
        assertThat(rows()).as("no row for a brick that has only begun").hasSize(4);
        assertThat(run(file, "line-break:3")).isZero();
        assertThat(rows()).hasSize(3);
        assertThat(run(file, "point-figure:1x3")).isZero();
        assertThat(rows()).hasSize(3);
        assertThat(run(file, "heikin-ashi@1m")).isZero();
        assertThat(rows()).hasSize(3);
    }

    @Test
    void everyKindThatCanBeIsBuiltFromBars() throws IOException {
        Path file = bars();
        for (String kind : List.of(
                "time:D",
                "time:W",
                "volume:150",
                "range:1",
                "reversal:2",
                "brick:1",
                "brick:5%",
                "brick:atr2",
                "line-break:2",
                "point-figure:1x1",
                "point-figure:1x3:hl",
                "heikin-ashi")) {
            assertThat(run(file, kind, "--tick", "1")).as(kind + errors).isZero();
            assertThat(rows()).as(kind).isNotEmpty();
        }
        assertThat(run(file, "brick:1", "--tick", "1")).isZero();
        assertThat(rows()).element(0).asString().startsWith("2026-01-05,10,11,9,11,300,2026-01-07T00:00:00Z,1");
    }

    @Test
    void sessionsCutBarsOfTradesAndAnchorBarsOfTime() throws IOException {
        Path file = Files.writeString(
                folder.resolve("two days.csv"),
                """
                time,price,size
                2026-06-18T16:29:00,10,1
                2026-06-19T08:00:00,11,1
                2026-06-19T08:07:00,12,1
                """);
        assertThat(run(file, "ticks:5", "--zone", "Atlantic/Azores")).isZero();
        assertThat(rows()).hasSize(1);
        assertThat(run(file, "ticks:5", "--zone", "Atlantic/Azores", "--session", "08:00-16:30"))
                .isZero();
        assertThat(rows()).hasSize(2).element(0).asString().contains("2026-06-18T16:30:00Z,1");
        assertThat(run(file, "time:7m", "--zone", "Atlantic/Azores", "--session", "08:00-16:30"))
                .isZero();
        assertThat(rows()).hasSize(3).last().asString().startsWith("2026-06-19T08:07:00Z");
    }

    @Test
    void badTicksAreToldWithLineAndColumnOrSetAside() throws IOException {
        Path file = Files.writeString(
                folder.resolve("bad.csv"),
                """
                time,price,size,side
                2026-06-19T08:00:00Z,10,5,bid
                2026-06-19T07:59:00Z,11,5,ask
                2026-06-19T08:00:00Z,10,5,bid
                2026-06-19T08:01:00Z,twelve,5,bid
                2026-06-19T08:01:00Z,12,-5,bid
                2026-06-19T08:01:00Z,12,5,left
                2026-06-19T08:02:00Z,12,5,
                """);
        assertThat(run(file, "ticks:2")).isEqualTo(1);
        assertThat(errors.toString())
                .contains("line 3, column 1 (time)", "earlier than the one in line 2", "4 more bad rows");
        Path aside = folder.resolve("aside.csv");
        assertThat(run(file, "ticks:2", "--skip-bad", aside.toString())).isZero();
        assertThat(rows()).hasSize(1);
        assertThat(errors.toString()).contains("5 bad rows were set aside");
        assertThat(aside)
                .content()
                .contains(
                        "the same as the one in line 2",
                        "'twelve' is not a number",
                        "below zero",
                        "'left' is not a side");
        assertThat(run(file, "ticks:2", "--repeated", "keep", "--skip-bad", aside.toString()))
                .isZero();
        assertThat(rows()).hasSize(2);
    }

    @Test
    void whatCannotBeBuiltIsSaid() throws IOException {
        assertThat(run(bars(), "ticks:5")).isEqualTo(1);
        assertThat(errors.toString()).contains("only be made from ticks");
        assertThat(run(bars(), "time:5m")).isEqualTo(1);
        assertThat(errors.toString()).contains("5m cannot be built", "daily or longer");
        assertThat(run(ticks(), "heikin-ashi")).isZero();
        assertThat(rows()).hasSize(3);
        assertThat(errors.toString()).contains("bars of 1m", "heikin-ashi@5m");
        assertThat(run(ticks(), "bricks:5")).isEqualTo(2);
        assertThat(errors.toString()).contains("there is no kind of bar 'bricks'", "brick:20");
        assertThat(run(ticks(), "range:5", "--tick", "0")).isEqualTo(2);
        assertThat(run(ticks(), "range:5", "--session", "8-9-10")).isEqualTo(2);
        assertThat(run(folder.resolve("none.csv"), "range:5")).isEqualTo(1);
        assertThat(errors.toString()).contains("there is no file");
    }

    @Test
    void aTickFileNeedsTimeAndPrice() throws IOException {
        Path file = Files.writeString(folder.resolve("x.csv"), "when,price\n2026-06-19T08:00:00Z,1\n");
        assertThat(run(file, "ticks:5")).isEqualTo(1);
        assertThat(errors.toString()).contains("line 1", "must name time and price");
        Path bare = Files.writeString(folder.resolve("y.csv"), "PRICE,time\n1.5,2026-06-19T08:00:00\n");
        TickFile.Result read = TickFile.read(bare, ReadingOptions.in(ZoneId.of("UTC")), false);
        assertThat(read.hasSizes()).isFalse();
        assertThat(read.ticks().price(0)).isEqualTo(1.5);
        assertThat(read.ticks().size(0)).isEqualTo(Double.valueOf(Double.NaN));
    }

    @Test
    void simulatedTicksMakeBars() {
        Path file = folder.resolve("made.csv");
        String[] synth = {"synth", "--seed", "5", "--kind", "ticks", "--bars", "5000", "--out", file.toString()};
        assertThat(Main.run(synth, new PrintWriter(out, true), new PrintWriter(errors, true)))
                .isZero();
        assertThat(file).content().startsWith("time,price,size,side\n").contains(",ask", ",bid");
        assertThat(run(file, "range:10", "--session", "08:00-16:00", "--zone", "UTC"))
                .isZero();
        assertThat(rows()).hasSizeGreaterThan(50);
    }
}
