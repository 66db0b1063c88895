package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.csv.TickFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files of bars and trades as programs and people write them. */
class FileLayoutsTest {
    private static final ZoneId AZORES = ZoneId.of("Atlantic/Azores");

    @TempDir
    private Path folder;

    private Path file(String text) throws IOException {
        return Files.writeString(folder.resolve("file.csv"), text);
    }

    private BarFile.Result read(String text, ReadingOptions options) throws IOException {
        return BarFile.readStrictly(file(text), options);
    }

    private BarFile.Result read(String text) throws IOException {
        return read(text, ReadingOptions.NONE);
    }

    private static ReadingOptions dates(ReadingOptions.DateOrder order) {
        return new ReadingOptions(null, order, (char) 0, (char) 0, null, List.of());
    }

    private static void assertTwoDays(BarFile.Result result) {
        Bars bars = result.series().snapshot();
        assertThat(bars.closed()).isEqualTo(2);
        assertThat(Times.instant(bars.openTime(0))).isEqualTo(Instant.parse("2026-01-15T00:00:00Z"));
        assertThat(Times.instant(bars.openTime(1))).isEqualTo(Instant.parse("2026-01-16T00:00:00Z"));
        assertThat(new double[] {bars.open(0), bars.high(0), bars.low(0), bars.close(0), bars.volume(0)})
                .containsExactly(1104.5, 1106.25, 1103, 1105.75, 12500);
        assertThat(bars.close(1)).isEqualTo(1107.5);
    }

    @Test
    void usualNamesAndAnAdjustedCloseBesideTheClose() throws IOException {
        BarFile.Result result = read(
                """
                Date,Open,High,Low,Close,Adj Close,Volume
                2026-01-15,1104.5,1106.25,1103,1105.75,900.1,12500
                2026-01-16,1106,1108,1105,1107.5,902.2,13000
                """);
        assertTwoDays(result);
        assertThat(result.notes())
                .singleElement()
                .asString()
                .contains("Adj Close")
                .contains("left out");
    }

    @Test
    void dateAndTimeInColumnsOfTheirOwn() throws IOException {
        String text =
                """
                Date,Time,Open,High,Low,Close,Volume
                2026-01-15,09:30:00,1,2,0.5,1.5,10
                2026-01-15,09:35:00,1,2,0.5,1.5,10
                """;
        Bars bars = read(text, ReadingOptions.in(AZORES)).series().snapshot();
        assertThat(Times.instant(bars.openTime(1))).isEqualTo(Instant.parse("2026-01-15T10:35:00Z"));
        assertThatThrownBy(() -> read(text)).hasMessageContaining("'09:30:00'").hasMessageContaining("--zone");
        assertThat(read(
                                "<DATE>,<TIME>,<OPEN>,<HIGH>,<LOW>,<CLOSE>,<VOL>\n"
                                        + "20260115,093000,1,2,0.5,1.5,10\n20260115,093500,1,2,0.5,1.5,10\n",
                                ReadingOptions.in(AZORES))
                        .series()
                        .snapshot()
                        .openTime(1))
                .isEqualTo(bars.openTime(1));
    }

    @Test
    void dayFirstWhereARowShowsIt() throws IOException {
        BarFile.Result result = read(
                """
                Date,Open,High,Low,Close,Volume
                15/01/2026,1104.5,1106.25,1103,1105.75,12500
                16/01/2026,1106,1108,1105,1107.5,13000
                """);
        assertTwoDays(result);
        assertThat(result.notes()).contains("dates have the day first");
    }

    @Test
    void monthFirstWhereALaterRowShowsItFarDown() throws IOException {
        StringBuilder text = new StringBuilder("Date,Open,High,Low,Close\n");
        for (int year = 1000; year < 9000; year++) {
            text.append("01/02/").append(year).append(",1,1,1,1\n");
        }
        assertThatThrownBy(() -> read(text.toString())).hasMessageContaining("--dates dmy or --dates mdy");
        assertThat(read(text.toString(), dates(ReadingOptions.DateOrder.DMY))
                        .series()
                        .closed())
                .isEqualTo(8000);
        text.append("01/31/9000,1,1,1,1\n");
        BarFile.Result result = read(text.toString());
        assertThat(result.series().closed()).isEqualTo(8001);
        assertThat(result.notes()).contains("dates have the month first");
    }

    @Test
    void aRowThatContradictsTheOrderOfDatesIsTold() {
        assertThatThrownBy(() -> read("Date,Open,High,Low,Close\n15/01/2026,1,1,1,1\n01/16/2026,1,1,1,1\n"))
                .hasMessageContaining("line 3")
                .hasMessageContaining("day first");
    }

    @ParameterizedTest
    @CsvSource({"1768435200,1768521600", "1768435200000,1768521600000", "1768435200000000,1768521600000000"})
    void numbersSince1970(String first, String second) throws IOException {
        BarFile.Result result = read("timestamp,open,high,low,close,volume\n" + first
                + ",1104.5,1106.25,1103,1105.75,12500\n" + second + ",1106,1108,1105,1107.5,13000\n");
        assertTwoDays(result);
        assertThat(result.notes().toString()).contains("seconds since 1970");
    }

    @Test
    void semicolonsAndDecimalCommas() throws IOException {
        BarFile.Result result = read(
                """
                Datum;Eröffnung;Hoch;Tief;Schluss;Volumen
                15.01.2026;1.104,5;1.106,25;1.103,0;1.105,75;12.500
                16.01.2026;1.106,0;1.108,0;1.105,0;1.107,5;13.000
                """);
        assertTwoDays(result);
        assertThat(result.notes().toString()).contains("semicolons", "day first", "decimal comma", "'Tief' as low");
        assertThat(result.decimals()).isEqualTo(2);
    }

    @Test
    void tabsWithoutAHeaderNewestFirst() throws IOException {
        BarFile.Result result = read("2026-01-16\t1106\t1108\t1105\t1107.5\t13000\n"
                + "2026-01-15\t1104.5\t1106.25\t1103\t1105.75\t12500\n");
        assertTwoDays(result);
        assertThat(result.notes().toString()).contains("tabs", "no header");
    }

    @Test
    void aSpreadsheetsFileWithItsMarkQuotesAndThousands() throws IOException {
        assertTwoDays(read("\uFEFF\"Date\",\"Open\",\"High\",\"Low\",\"Close\",\"Volume\"\r\n"
                + "\"2026-01-15\",\"1,104.50\",\"1,106.25\",\"1,103.00\",\"1,105.75\",\"12,500\"\r\n"
                + "\"2026-01-16\",\"1,106.00\",\"1,108.00\",\"1,105.00\",\"1,107.50\",\"13,000\"\r\n"));
    }

    @Test
    void wideCharactersNamedMonthsAndPreambles() throws IOException {
        Path wide = Files.write(
                folder.resolve("wide.csv"),
                ("\uFEFFHistory of KTRL\nDate\tOpen\tHigh\tLow\tClose\tVolume\n"
                                + "15 Jan 2026\t1104.5\t1106.25\t1103\t1105.75\t12.5K\n16 Jan 2026\t1106\t1108\t1105\t1107.5\t1\n")
                        .getBytes(StandardCharsets.UTF_16LE));
        BarFile.Result result = BarFile.readStrictly(wide, ReadingOptions.NONE);
        assertTwoDays(result);
        assertThat(result.notes().toString()).contains("1 line before the header left out");
        assertTwoDays(read("Date,Open,High,Low,Close,Volume\n\"Jan 15, 2026\",1104.5,1106.25,1103,1105.75,12500\n"
                + "\"Jan 16, 2026\",1106,1108,1105,1107.5,1\n"));
        assertTwoDays(read("date,open,high,low,close,volume\n15-Jan-26,1104.5,1106.25,1103,1105.75,12500\n"
                + "16-Jan-26,1106,1108,1105,1107.5,1\n"));
        assertTwoDays(read("Date;Open;High;Low;Close;Volume\n2026/01/15;1104.5;1106.25;1103;1105.75;12 500\n"
                + "2026/01/16;1106;1108;1105;1107.5;1\n"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "2026-01-15 14:30",
                "2026-01-15T14:30:00.000",
                "15/01/2026 2:30 PM",
                "20260115 143000",
                "20260115T1430",
                "15.01.2026 14:30",
                "2026.01.15 14:30",
                "Jan 15, 2026 14:30",
                "15 January 2026, 2:30 pm"
            })
    void aLocalTimeInOneColumn(String time) throws IOException {
        Bars bars = read("time;open;high;low;close\n" + time + ";1;1;1;1\n", ReadingOptions.in(AZORES))
                .series()
                .snapshot();
        assertThat(Times.instant(bars.openTime(0))).isEqualTo(Instant.parse("2026-01-15T15:30:00Z"));
    }

    @Test
    void aZoneInTheNameOfTheColumn() throws IOException {
        BarFile.Result result = read("Time (UTC),Open,High,Low,Close\n2026-01-15 14:30,1,1,1,1\n");
        assertThat(Times.instant(result.series().snapshot().openTime(0)))
                .isEqualTo(Instant.parse("2026-01-15T14:30:00Z"));
        assertThat(result.notes().toString()).contains("times are UTC");
    }

    @Test
    void aCommaThatMayBeEitherIsAnError() throws IOException {
        String text = "time;open;high;low;close\n2026-01-15;1,104;1,106;1,103;1,105\n";
        assertThatThrownBy(() -> read(text)).hasMessageContaining("--decimal comma or --decimal point");
        ReadingOptions comma = new ReadingOptions(null, null, ',', (char) 0, null, List.of());
        assertThat(read(text, comma).series().snapshot().open(0)).isEqualTo(1.104);
        ReadingOptions point = new ReadingOptions(null, null, '.', (char) 0, null, List.of());
        assertThat(read(text, point).series().snapshot().open(0)).isEqualTo(1104);
    }

    @Test
    void numbersOfBothKindsInOneFileAreAnError() {
        assertThatThrownBy(() -> read("time;open;high;low;close\n2026-01-15;1,5;1.75;1.25;1,5\n"))
                .hasMessageContaining("'1,5' (open)")
                .hasMessageContaining("'1.75' (high)");
    }

    @Test
    void twoNumbersWithoutAHeaderAreAnErrorThatNamesTheOption() throws IOException {
        assertThatThrownBy(() -> read("2026-01-15,1,2\n")).hasMessageContaining("--columns");
        ReadingOptions told =
                new ReadingOptions(null, null, (char) 0, (char) 0, null, List.of("time", "close", "volume"));
        assertThat(read("2026-01-15,1,2\n", told).series().snapshot().close(0)).isEqualTo(1);
    }

    @Test
    void aSeriesOfAnyNameHasOneValueADate() throws IOException {
        Bars bars = read("observation_date,HALPROD\n2026-01-01,3.5\n2026-02-01,3.25\n")
                .series()
                .snapshot();
        assertThat(bars.close(1)).isEqualTo(3.25);
        assertThatThrownBy(() -> read("time,price\n2026-01-01T00:00Z,3.5\n")).hasMessageContaining("trades");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0x1p3 | is not a number",
                "8f | is not a number",
                "1_000 | is not a number",
                "١٢ | is not a number",
                "Infinity | is not a number",
                "1e999 | is not a number",
                "1,2 | --decimal",
            })
    void otherSpellingsOfNumbersAreTold(String number, String words) {
        assertThatThrownBy(() ->
                        read("time;open;high;low;close\n2026-01-14;1.5;1.5;1.5;1.5\n2026-01-15;8;8;8;" + number + "\n"))
                .hasMessageContaining("column 5 (close)")
                .hasMessageContaining(words);
    }

    @Test
    void controlCharactersAreTold() {
        assertThatThrownBy(() -> read("time,open,high,low,close\n2026-01-14,\0\0\00078,80,70,75\n"))
                .hasMessageContaining("line 2, column 2 (open)")
                .hasMessageContaining("'\\x00\\x00\\x0078' is not a number");
    }

    @Test
    void aQuotedFieldNeverSwallowsARow() throws IOException {
        Bars bars = read("time,open,high,low,close,volume,note\n2026-01-05,1,1,1,1,1,\"a\r\"\n2026-01-06,2,2,2,2,2,b\n"
                        + "2026-01-07,3,3,3,3,3,c\n")
                .series()
                .snapshot();
        assertThat(bars.closed()).isEqualTo(3);
        assertThatThrownBy(
                        () -> read("time,open,high,low,close,note\n2026-01-05,1,1,1,1,\"a\n2026-01-06,2,2,2,2,b\"\n"))
                .hasMessageContaining("line 2")
                .hasMessageContaining("is a quote missing?");
        assertThatThrownBy(() -> read("time,open,high,low,close,note\n2026-01-05,1,1,1,1,\"a\n"))
                .hasMessageContaining("is not closed");
        assertThatThrownBy(() -> read("time,open,high,low,close,note\n2026-01-05,1,1,1,1,\"a\"b\n"))
                .hasMessageContaining("behind its closing quote");
        assertThatThrownBy(() -> read("time,open,high,low,close\n2026-01-05,1,1,1,1,7\n"))
                .hasMessageContaining("6 fields where there are 5");
    }

    @Test
    void aLocalTimeThatDoesNotExistOrStandsTwiceIsTold() {
        ReadingOptions berlin = ReadingOptions.in(ZoneId.of("Europe/Berlin"));
        assertThatThrownBy(() -> read("time,open,high,low,close\n2026-03-29T02:30:00,1,1,1,1\n", berlin))
                .hasMessageContaining("does not exist in Europe/Berlin");
        assertThatThrownBy(() -> read("time,open,high,low,close\n2026-10-25T02:30:00,1,1,1,1\n", berlin))
                .hasMessageContaining("occurs twice")
                .hasMessageContaining("2026-10-25T02:30+02:00");
        assertThatThrownBy(() -> read("time,open,high,low,close\n292278-01-01T00:00:00Z,1,1,1,1\n"))
                .hasMessageContaining("line 2");
    }

    @Test
    void theBarOfADateEndsWithTheDayAlsoWhenThatHas25Hours() throws IOException {
        Bars bars = read(
                        "time,open,high,low,close\n2026-10-24,1,1,1,1\n2026-10-25,1,1,1,1\n2026-10-27,1,1,1,1\n",
                        ReadingOptions.in(ZoneId.of("Europe/Berlin")))
                .series()
                .snapshot();
        assertThat(bars.closeTime(1) - bars.openTime(1)).isEqualTo(25 * Times.HOUR);
    }

    @Test
    void tradesComeInUsualLayoutsToo() throws IOException {
        TickFile.Result result = TickFile.read(
                file("timestamp;price;qty;side\n1768435200000;104,5;3;BUY\n1768435200001;104,25;2;sell\n"),
                ReadingOptions.NONE,
                true);
        assertThat(result.badRows()).isEmpty();
        assertThat(result.ticks().price(0)).isEqualTo(104.5);
        assertThat(result.ticks().side(0)).isEqualTo(dev.yardarm.core.series.TickSeries.ASK);
        assertThat(result.ticks().side(1)).isEqualTo(dev.yardarm.core.series.TickSeries.BID);
        assertThat(result.notes().toString()).contains("milliseconds", "decimal comma", "'qty' as size");
        assertThat(TickFile.holdsTicks(folder.resolve("file.csv"))).isTrue();
    }

    @Test
    void whatTheApplicationWritesNeedsNoWords() throws IOException {
        assertThat(read("time,open,high,low,close,volume\n2026-01-05,1.5,2,1,1.75,\n")
                        .notes())
                .isEmpty();
        assertThat(read("Time,Open,High,Low,Close\n2026-01-05T10:00:00+00:00,1.5,2,1,1.75\n")
                        .notes())
                .isEmpty();
        assertThat(read("time,value\n2026-01-05,1.5\n").notes()).isEmpty();
    }

    /** A large file is read in two halves: the same rows, lines and faults as in one piece. */
    @ParameterizedTest
    @ValueSource(strings = {"plain", "quoted", "windows"})
    void aLargeFileIsReadInHalvesAndSaysTheSame(String kind) throws IOException {
        StringBuilder text = new StringBuilder("\uFEFFtime,open,high,low,close,volume,note\n");
        int rows = 120_000;
        for (int row = 0; row < rows; row++) {
            String bad = row % 40_000 == 39_999 ? "x" : String.valueOf(row % 97);
            text.append(Times.instant(1_700_000_000_000_000L + row * Times.MINUTE))
                    .append(",100.25,101,99.5,100.75,")
                    .append(bad)
                    .append(kind.equals("quoted") && row % 1000 == 0 ? ",\"a, b\"" : ",plain")
                    .append(kind.equals("windows") ? "\r\n" : "\n");
        }
        assertThat(text.length()).isGreaterThan(5 << 20);
        BarFile.Result result = BarFile.read(file(text.toString()), ReadingOptions.NONE);
        assertThat(result.series().closed()).isEqualTo(rows - 3);
        assertThat(result.badRows()).extracting(each -> each.line()).containsExactly(40_001L, 80_001L, 120_001L);
        assertThat(result.badRows().get(1).fields()).contains("x");
        assertThat(result.datesOnly()).isFalse();
        Bars bars = result.series().snapshot();
        for (int bar = 1; bar < bars.closed(); bar++) {
            assertThat(bars.openTime(bar)).isGreaterThan(bars.openTime(bar - 1));
        }
        assertThat(bars.volume(70_000)).isEqualTo(70_001 % 97);
    }

    @Test
    void rowsInWhichNothingStandsAreNoRowsAndBlanksAreNoNumber() throws IOException {
        assertThat(read("time,open,high,low,close\n2026-01-05,1,1,1,1\n,,,,\n ,\t, ,,\n2026-01-06,1,1,1,1\n,,,,\n")
                        .series()
                        .closed())
                .isEqualTo(2);
        assertThatThrownBy(() -> read("time,open,high,low,close\n2026-01-05,1, ,1,1\n"))
                .hasMessageContaining("column 3 (high): a number is missing");
    }
}
