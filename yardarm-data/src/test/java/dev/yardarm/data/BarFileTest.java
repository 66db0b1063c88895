package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.csv.BadRow;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.ReadingOptions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BarFileTest {
    @TempDir
    private Path folder;

    private Path file(String... lines) throws IOException {
        return Files.writeString(folder.resolve("bars.csv"), String.join("\n", lines) + "\n");
    }

    @Test
    void columnsMayComeInAnyOrderAmongOthers() throws IOException {
        BarFile.Result result = BarFile.readStrictly(
                file(
                        "Volume,note,CLOSE,low,high,open,time",
                        "500,x,11,9,12,10,2026-01-05",
                        ",\"a, b\",12,10,13,11,2026-01-06"),
                ReadingOptions.NONE);
        Bars bars = result.series().snapshot();
        assertThat(result.datesOnly()).isTrue();
        assertThat(bars.closed()).isEqualTo(2);
        assertThat(bars.open(0)).isEqualTo(10);
        assertThat(bars.high(0)).isEqualTo(12);
        assertThat(bars.volume(0)).isEqualTo(500);
        assertThat(bars.volume(1)).isNaN();
        assertThat(bars.openTime(0)).isEqualTo(Times.micros(Instant.parse("2026-01-05T00:00:00Z")));
    }

    @Test
    void timesCarryTheirOffsetOrBelongToAZone() throws IOException {
        Bars offset = BarFile.readStrictly(
                        file(
                                "time,open,high,low,close,volume",
                                "2026-06-19T15:42:00-01:00,1,1,1,1,1",
                                "2026-06-19 17:00:00+00:00,1,1,1,1,1",
                                "2026-06-19T18:00Z,1,1,1,1,1"),
                        ReadingOptions.NONE)
                .series()
                .snapshot();
        assertThat(offset.openTime(0)).isEqualTo(Times.micros(Instant.parse("2026-06-19T16:42:00Z")));
        Bars local = BarFile.readStrictly(
                        file("time,open,high,low,close", "2026-01-19T08:00,1,1,1,1", "2026-06-19T08:00,1,1,1,1"),
                        ReadingOptions.in(ZoneId.of("Atlantic/Azores")))
                .series()
                .snapshot();
        assertThat(local.openTime(0)).isEqualTo(Times.micros(Instant.parse("2026-01-19T09:00:00Z")));
        assertThat(local.openTime(1)).isEqualTo(Times.micros(Instant.parse("2026-06-19T08:00:00Z")));
        assertThatThrownBy(() -> BarFile.readStrictly(
                        file("time,open,high,low,close", "2026-01-19T08:00,1,1,1,1"), ReadingOptions.NONE))
                .hasMessageContaining("--zone");
    }

    @Test
    void aSeriesOfValuesIsASeriesOfCloses() throws IOException {
        Bars bars = BarFile.readStrictly(file("time,value", "2026-01-01,3.5", "2026-02-01,3.25"), ReadingOptions.NONE)
                .series()
                .snapshot();
        assertThat(bars.close(1)).isEqualTo(3.25);
        assertThat(bars.high(1)).isEqualTo(3.25);
        assertThat(bars.volume(1)).isNaN();
    }

    @Test
    void rowsMayComeNewestFirst() throws IOException {
        Bars bars = BarFile.readStrictly(
                        file(
                                "time,open,high,low,close",
                                "2026-01-07,3,3,3,3",
                                "2026-01-05,1,1,1,1",
                                "2026-01-06,2,2,2,2"),
                        ReadingOptions.NONE)
                .series()
                .snapshot();
        assertThat(bars.close(0)).isEqualTo(1);
        assertThat(bars.close(2)).isEqualTo(3);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2026-01-05,10,12,9,x,5 | 5 | close | 'x' is not a number",
                        "2026-01-05,10,8,9,9.5,5 | 3 | high | below the low",
                "2026-01-05,10,9.5,9,9.2,5 | 3 | high | below the open",
                        "2026-01-05,10,12,9.9,9.8,5 | 4 | low | above the close",
                "2026-01-05,10,12,9,11,-5 | 6 | volume | below zero", "05.01.2026,10,12,9,11,5 | 1 | time | no time",
                "2026-13-05,10,12,9,11,5 | 1 | time | no time", "2026-01-05,10,12 | 4 | low | ends before",
                "2026-01-05,,12,9,11,5 | 2 | open | missing", "2026-01-05,10,NaN,9,11,5 | 3 | high | not a number",
                "2026-01-05,10,1e400,9,11,5 | 3 | high | not a number",
                        "2026-01-05,10d,12,9,11,5 | 2 | open | not a number"
            })
    void aBadRowIsToldWithFileLineAndColumn(String row, int column, String name, String words) throws IOException {
        Path file = file("time,open,high,low,close,volume", "2026-01-02,1,1,1,1,1", row);
        assertThatThrownBy(() -> BarFile.readStrictly(file, ReadingOptions.NONE))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("bars.csv, line 3, column " + column + " (" + name + ")")
                .hasMessageContaining(words);
        BarFile.Result result = BarFile.read(file, ReadingOptions.NONE);
        assertThat(result.series().closed()).isEqualTo(1);
        assertThat(result.badRows()).singleElement().extracting(BadRow::line).isEqualTo(3L);
    }

    @Test
    void twoRowsOfTheSameTimeAreToldWithBothLines() throws IOException {
        assertThatThrownBy(() -> BarFile.readStrictly(
                        file("time,open,high,low,close", "2026-01-05,1,1,1,1", "2026-01-05,2,2,2,2"),
                        ReadingOptions.NONE))
                .hasMessageContaining("line 3")
                .hasMessageContaining("line 2");
    }

    @Test
    void whatIsNoBarFileIsRefused() throws IOException {
        assertThatThrownBy(() -> BarFile.readStrictly(folder.resolve("none.csv"), ReadingOptions.NONE))
                .hasMessageContaining("there is no file");
        assertThatThrownBy(() -> BarFile.readStrictly(file("date,price", "1,2"), ReadingOptions.NONE))
                .hasMessageContaining("line 1")
                .hasMessageContaining("header must name");
        Path empty = Files.createFile(folder.resolve("empty.csv"));
        assertThatThrownBy(() -> BarFile.readStrictly(empty, ReadingOptions.NONE))
                .hasMessageContaining("empty");
        assertThatThrownBy(() -> BarFile.readStrictly(file("time,open,high,low,close,close", "1"), ReadingOptions.NONE))
                .hasMessageContaining("twice");
    }
}
