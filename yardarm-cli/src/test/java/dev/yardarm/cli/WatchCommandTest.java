package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** {@code watch} on files as people have them, against what happened in them by hand. */
class WatchCommandTest extends AtTheCommandLine {
    private static final String DAYS =
            """
            time,open,high,low,close,volume
            2026-03-02,99,101,98,100,1000
            2026-03-03,100,104,99.5,103.5,1000
            2026-03-04,103.5,105,103,104.5,1000
            2026-03-05,106,108,105,107,1000
            2026-03-06,107,107.5,101,102,1000
            """;
    private static final String TICKS =
            """
            time,price,size,side
            2026-06-18T08:00:00Z,100,10,ask
            2026-06-18T08:01:30Z,100.5,30,bid
            2026-06-18T08:02:10Z,101,250,ask
            2026-06-18T08:31:00Z,100.5,15,ask
            2026-06-18T08:59:00Z,101.25,20,bid
            2026-06-18T09:10:00Z,100.25,20,ask
            """;

    private Path file(String name, String text) throws Exception {
        return Files.writeString(folder.resolve(name), text);
    }

    private String watched(String data, String alerts, Object... more) throws Exception {
        Path csv = file("data.csv", data);
        Path wanted = file("alerts.json", alerts);
        Object[] words = new Object[5 + more.length];
        words[0] = "watch";
        words[1] = "--csv";
        words[2] = csv;
        words[3] = "--alerts";
        words[4] = wanted;
        System.arraycopy(more, 0, words, 5, more.length);
        assertThat(run(words)).as(errors.toString()).isZero();
        String[] lines = out.toString().split("\n", 2);
        assertThat(lines[0]).isEqualTo("time,id,event,price,bar_time");
        return lines[1].strip();
    }

    @Test
    void runsOverDaysAsIfLive() throws Exception {
        assertThat(
                        watched(
                                DAYS,
                                """
                        {"alerts": [
                          {"id": "touch", "alert": "reaches 104.20"},
                          {"id": "gap", "alert": "reaches 105.5"},
                          {"id": "close", "alert": "closes above 104.20"},
                          {"id": "back", "alert": "falls to 102 until 2026-03-07"},
                          {"id": "late", "alert": "reaches 90 until 2026-03-04"},
                          {"id": "condition", "alert": "close > sma(2) and close > 104"},
                          {"id": "then", "alert": "first closes above 103 then reaches 103 within 3 bars"},
                          "overshoots 107.9"
                        ]}"""))
                .isEqualTo(
                        """
                        2026-03-04,then,fired,103,2026-03-04
                        2026-03-04,touch,fired,104.2,2026-03-04
                        2026-03-04,close,fired,104.5,2026-03-04
                        2026-03-04,late,expired,,
                        2026-03-04,condition,fired,104.5,2026-03-04
                        2026-03-05,gap,fired,106,2026-03-05
                        2026-03-05,alert 8,fired,107,2026-03-05
                        2026-03-06,back,fired,102,2026-03-06"""
                                .strip());
    }

    @Test
    void callsGoThroughTheirStates() throws Exception {
        assertThat(
                        watched(
                                DAYS,
                                """
                        {"calls": [
                          {"id": "swing", "call": "above 104.20 expect 107, wrong below 102.80, until 2026-03-31; below 102.80 the other reading: 101"},
                          {"id": "short", "set": "2026-03-05", "call": "closes below 102.5 expect 99, wrong above 108.5, for 2 days"}
                        ]}"""))
                .isEqualTo(
                        """
                        2026-03-04,swing,triggered,104.21,2026-03-04
                        2026-03-05,swing,came_true,107,2026-03-05
                        2026-03-06,short,triggered,102,2026-03-06
                        2026-03-06,short,expired,102,"""
                                .strip());
    }

    @Test
    void runsOverTradesAndBarsOfThem() throws Exception {
        assertThat(
                        watched(
                                TICKS,
                                """
                        [{"id": "large", "alert": "trade of 200"},
                         {"id": "half", "alert": "closes above 101 on 30m", "set": "2026-06-18T08:00:00Z"},
                         {"id": "every", "alert": "closes above 100.3 on 30m once a bar"},
                         {"id": "forming", "alert": "close > 100.9 on every trade on 30m each time"},
                         {"id": "before", "alert": "about to close above 101 5m before the close on 30m each time"},
                         {"id": "range", "alert": "closes above 100.9 on range 50"}]"""))
                .isEqualTo(
                        """
                        2026-06-18T08:02:10Z,large,fired,101,2026-06-18T08:02:00Z
                        2026-06-18T08:02:10Z,forming,fired,101,2026-06-18T08:00:00Z
                        2026-06-18T08:30:00Z,every,fired,101,2026-06-18T08:00:00Z
                        2026-06-18T08:59:00Z,forming,fired,101.25,2026-06-18T08:30:00Z
                        2026-06-18T08:59:00Z,before,fired,101.25,2026-06-18T08:30:00Z
                        2026-06-18T09:00:00Z,half,fired,101.25,2026-06-18T08:30:00Z
                        2026-06-18T09:00:00Z,every,fired,101.25,2026-06-18T08:30:00Z
                        2026-06-18T09:10:00Z,range,fired,101.25,2026-06-18T08:59:00Z"""
                                .strip());
    }

    @Test
    void sessionsEndBars() throws Exception {
        String trades = TICKS.replace("2026-06-18T09:10:00Z", "2026-06-19T08:00:00Z");
        assertThat(watched(trades, "[\"closes above 101 on 4h\"]", "--session", "08:00-09:00"))
                .isEqualTo("2026-06-18T09:00:00Z,alert 1,fired,101.25,2026-06-18T08:00:00Z");
    }

    @Test
    void indicatorsOfOnesOwnAndDrawingsAreRead() throws Exception {
        Path own = file("own.txt", "define \"Half\" in price\nlet middle = (high + low) / 2\nline middle\n");
        String said = watched(DAYS, "[\"reaches half\"]", "--define", own);
        assertThat(said).startsWith("2026-03-03,alert 1,fired,");
    }

    @Test
    void whatIsWrongIsToldWithItsPlace() throws Exception {
        Path csv = file("days.csv", DAYS);
        refused(csv, "{", "alerts.json:1:");
        refused(csv, "{}", "neither");
        refused(csv, "[]", "no alert and no call");
        refused(csv, "[\"closes above\"]", "alert 1");
        refused(csv, "[{\"id\": \"x\"}]", "no \"alert\"");
        refused(
                csv,
                "[{\"id\": \"x\", \"alert\": \"reaches 1\"}, {\"id\": \"x\", \"alert\": \"reaches 2\"}]",
                "stands twice");
        refused(csv, "[{\"id\": \"x\", \"alert\": \"reaches 1\", \"set\": \"soon\"}]", "(x): set: 'soon' is no time");
        refused(csv, "[\"trade of 200\"]", "holds bars");
        refused(csv, "[\"reaches \\\"Neckline\\\"\"]", "no drawing \"Neckline\"");
        refused(csv, "[\"close > close of #MARN\"]", "only the instrument of the file");
        refused(csv, "{\"calls\": [\"above 104\"]}", "call 1");
        assertThat(run("watch", "--csv", csv, "--alerts", folder.resolve("none.json")))
                .isEqualTo(1);
        assertThat(errors.toString()).contains("does not exist");
        assertThat(run("watch", "--csv", csv)).isEqualTo(2);
    }

    private void refused(Path csv, String alerts, String why) throws Exception {
        Path wanted = file("alerts.json", alerts);
        assertThat(run("watch", "--csv", csv, "--alerts", wanted)).as(alerts).isEqualTo(1);
        assertThat(errors.toString()).contains(why);
    }
}
