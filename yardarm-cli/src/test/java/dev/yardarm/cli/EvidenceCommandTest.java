package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Evidence without a window over imported instruments. */
class EvidenceCommandTest {
    @TempDir
    private Path folder;

    private WalkHome walks;
    private Path json;
    private Path cases;

    @BeforeEach
    void imported() throws IOException {
        walks = new WalkHome(folder, "home", 300);
        json = folder.resolve("evidence.json");
        cases = folder.resolve("cases.csv");
    }

    private JsonNode evidence(Object... more) throws IOException {
        List<Object> words =
                new ArrayList<>(List.of("evidence", "--home", walks.home(), "--out", json, "--cases", cases));
        words.addAll(List.of(more));
        assertThat(walks.run(words.toArray())).as(walks.errors()).isZero();
        return new ObjectMapper().readTree(json.toFile());
    }

    /** Rows of a bar file: time, open, high, low, close, volume. */
    private List<String[]> bars(String code) throws IOException {
        return Files.readAllLines(walks.bars(code, 300)).stream()
                .skip(1)
                .map(line -> line.split(","))
                .toList();
    }

    @Test
    void everyOccurrenceIsACaseWorkedOutFromItsBars() throws IOException {
        evidence("--formula", "close > open and close back 1 > open back 1", "--horizons", "1,5", "--cost", "0.1%");
        List<String> wanted = new ArrayList<>();
        for (String code : WalkHome.CODES) {
            List<String[]> bars = bars(code);
            for (int bar = 1; bar < bars.size(); bar++) {
                if (rises(bars.get(bar)) && rises(bars.get(bar - 1))) {
                    wanted.add(code + "," + bars.get(bar)[0]);
                }
            }
        }
        List<String> rows = Files.readAllLines(cases);
        assertThat(rows.get(0)).isEqualTo("code,time,entry_time,entry,r1,r5,worst,best");
        assertThat(rows.stream().skip(1).map(row -> row.split(",")[0] + "," + row.split(",")[1]))
                .containsExactlyElementsOf(wanted);
        for (String row : rows.subList(1, rows.size())) {
            check(row.split(",", -1), 0.001);
        }
    }

    private static boolean rises(String[] bar) {
        return Double.parseDouble(bar[4]) > Double.parseDouble(bar[1]);
    }

    private void check(String[] row, double cost) throws IOException {
        List<String[]> bars = bars(row[0]);
        int bar = 0;
        while (!bars.get(bar)[0].equals(row[1])) {
            bar++;
        }
        if (bar + 1 == bars.size()) {
            assertThat(row[2] + row[3] + row[4] + row[5] + row[6] + row[7]).isEmpty();
            return;
        }
        double entry = Double.parseDouble(bars.get(bar + 1)[1]);
        assertThat(row[2]).isEqualTo(bars.get(bar + 1)[0]);
        assertThat(Double.parseDouble(row[3])).isEqualTo(entry);
        assertThat(Double.parseDouble(row[4]))
                .isCloseTo(Double.parseDouble(bars.get(bar + 1)[4]) / entry - 1 - cost, within(1e-12));
        if (bar + 5 >= bars.size()) {
            assertThat(row[5] + row[6] + row[7]).isEmpty();
            return;
        }
        assertThat(Double.parseDouble(row[5]))
                .isCloseTo(Double.parseDouble(bars.get(bar + 5)[4]) / entry - 1 - cost, within(1e-12));
        double low = Double.MAX_VALUE;
        double high = 0;
        for (int at = bar + 1; at <= bar + 5; at++) {
            low = Math.min(low, Double.parseDouble(bars.get(at)[3]));
            high = Math.max(high, Double.parseDouble(bars.get(at)[2]));
        }
        assertThat(Double.parseDouble(row[6])).isCloseTo(low / entry - 1, within(1e-12));
        assertThat(Double.parseDouble(row[7])).isCloseTo(high / entry - 1, within(1e-12));
    }

    @Test
    void theFiguresAreThoseOfTheCases() throws IOException {
        JsonNode found = evidence("--formula", "close crosses above sma(close, 10)", "--overlapping");
        List<String> rows = Files.readAllLines(cases);
        double sum = 0;
        int count = 0;
        for (String row : rows.subList(1, rows.size())) {
            String came = row.split(",", -1)[5];
            sum += came.isEmpty() ? 0 : Double.parseDouble(came);
            count += came.isEmpty() ? 0 : 1;
        }
        assertThat(found.get("occurrences").asInt()).isEqualTo(rows.size() - 1);
        JsonNode five = found.get("horizons").get(1);
        assertThat(five.get("bars").asInt()).isEqualTo(5);
        assertThat(five.get("count").asInt()).isEqualTo(count);
        assertThat(five.get("mean").asDouble()).isCloseTo(sum / count, within(1e-12));
        assertThat(five.get("low").asDouble()).isLessThan(five.get("difference").asDouble());
        int byYear = 0;
        for (JsonNode year : found.get("by_year")) {
            byYear += year.get("count").get(1).asInt();
        }
        assertThat(byYear).isEqualTo(count);
        assertThat(found.get("recipe").get("instruments")).hasSize(5);
    }

    @Test
    void theSameRecipeGivesTheSameBytes() throws IOException {
        evidence("--formula", "rsi(14) < 45", "--seed", "7");
        byte[] first = Files.readAllBytes(json);
        byte[] firstCases = Files.readAllBytes(cases);
        evidence("--formula", "rsi(14) < 45", "--seed", "7");
        assertThat(Files.readAllBytes(json)).isEqualTo(first);
        assertThat(Files.readAllBytes(cases)).isEqualTo(firstCases);
        evidence("--formula", "rsi(14) < 45", "--seed", "8");
        assertThat(Files.readAllBytes(json)).isNotEqualTo(first);
        assertThat(Files.readAllBytes(cases)).isEqualTo(firstCases);
    }

    @Test
    void daysAndInstrumentsAreThoseAskedFor() throws IOException {
        evidence("--formula", "close > open", "--codes", "BRINE,EDDY", "--from", "2024-06-03", "--to", "2024-06-05");
        assertThat(Files.readAllLines(cases).stream().skip(1))
                .allMatch(row -> row.matches("(BRINE|EDDY),2024-06-0[345],.*"));
        JsonNode found = new ObjectMapper().readTree(json.toFile());
        assertThat(found.get("bars").asInt()).isEqualTo(6);
    }

    @Test
    void whatHasNoContrastOrIsWrongIsTold() throws IOException {
        assertThat(evidence("--formula", "close > 0").get("contrast").asBoolean())
                .isFalse();
        assertThat(walks.errors()).contains("no other times");
        Path none = folder.resolve("none.json");
        Object[][] wrong = {
            {"--formula", "close"},
            {"--formula", "clsoe > 1"},
        };
        for (Object[] each : wrong) {
            assertThat(walks.run("evidence", "--home", walks.home(), "--out", none, each[0], each[1]))
                    .isEqualTo(1);
        }
        Object[][] misused = {
            {"--horizons", "5,1"},
            {"--cost", "much"},
            {"--from", "June"},
            {"--codes", "NOBODY"},
            {"--timeframe", "fortnight"},
        };
        for (Object[] each : misused) {
            assertThat(walks.run(
                            "evidence",
                            "--home",
                            walks.home(),
                            "--formula",
                            "close > open",
                            "--out",
                            none,
                            each[0],
                            each[1]))
                    .as(each[0].toString())
                    .isEqualTo(2);
        }
        assertThat(none).doesNotExist();
    }

    /**
     * Another instrument whose day begins twelve hours later has, under the same date, what this one comes to tomorrow. Joined by dates it
     * would tell the future; joined by what had closed it tells what is known.
     */
    @Test
    void anotherInstrumentWhoseDayEndsLaterTellsNothingOfTomorrow() throws IOException {
        List<String[]> bars = bars("ALDER");
        StringBuilder later = new StringBuilder("time,open,high,low,close,volume\n");
        for (int bar = 0; bar + 1 < bars.size(); bar++) {
            String tomorrow = bars.get(bar + 1)[4];
            later.append(bars.get(bar)[0]).append((',' + tomorrow).repeat(4)).append(",1\n");
        }
        Path file = Files.writeString(folder.resolve("later.csv"), later);
        assertThat(walks.run(
                        "import",
                        "--home",
                        walks.home(),
                        "--code",
                        "LATER",
                        "--timeframe",
                        "D",
                        "--zone",
                        "Etc/GMT+12",
                        file))
                .as(walks.errors())
                .isZero();
        JsonNode told = evidence("--formula", "close of #LATER > close", "--codes", "ALDER", "--horizons", "1");
        assertThat(told.get("occurrences").asInt()).isZero();
        JsonNode known = evidence("--formula", "close of #LATER = close", "--codes", "ALDER", "--horizons", "1");
        assertThat(known.get("occurrences").asInt()).isGreaterThan(200);
    }

    /** One bar, one that trades at weekends in another zone, one that ended long ago: each counts for what it has. */
    @Test
    void instrumentsOfAllSortsStandInOneUniverse() throws IOException {
        Path lone = folder.resolve("lone.csv");
        Files.writeString(lone, "time,open,high,low,close,volume\n2024-03-04,10,11,9,10.5,100\n");
        Path clock = folder.resolve("clock.csv");
        StringBuilder days = new StringBuilder("time,open,high,low,close,volume\n");
        for (int day = 0; day < 400; day++) {
            String date = LocalDate.of(2023, 6, 1).plusDays(day).toString();
            double open = 20 + day % 7;
            days.append(date)
                    .append(",")
                    .append(open)
                    .append(",")
                    .append(open + 2)
                    .append(",")
                    .append(open - 1)
                    .append(",")
                    .append(open + 1)
                    .append(",5\n");
        }
        Files.writeString(clock, days.toString());
        assertThat(walks.run("import", "--home", walks.home(), "--code", "LONE", "--timeframe", "D", lone))
                .isZero();
        assertThat(walks.run(
                        "import",
                        "--home",
                        walks.home(),
                        "--code",
                        "CLOCK",
                        "--timeframe",
                        "D",
                        "--zone",
                        "Asia/Tokyo",
                        clock))
                .as(walks.errors())
                .isZero();
        JsonNode came = evidence("--formula", "close > open");
        List<String> of = new ArrayList<>();
        came.at("/recipe/instruments").forEach(each -> of.add(each.asText()));
        assertThat(of).contains("LONE", "CLOCK", "ALDER");
        List<String> rows = Files.readAllLines(cases);
        // The only bar is an occurrence whose entry never came.
        assertThat(rows).contains("LONE,2024-03-04,,,,,,,,,");
        assertThat(rows.stream().filter(row -> row.startsWith("CLOCK,"))).hasSize(400);
        assertThat(rows)
                .anyMatch(row -> row.startsWith("CLOCK,2023-06-03,2023-06-04,23.0,")
                        || row.startsWith("CLOCK,2023-06-03,2023-06-04,23,"));
        assertThat(walks.run("scan", "--home", walks.home(), "--formula", "close > open"))
                .isZero();
        assertThat(walks.out()).contains("LONE,closed", "CLOCK,closed");
        assertThat(walks.run("scan", "--home", walks.home(), "--formula", "close > sma(close, 3)", "--rank", "rsi(14)"))
                .isZero();
        assertThat(walks.out()).doesNotContain("LONE");
    }
}
