package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/** A table keeps its columns, its order and the row in hand. */
class RowsTest {
    private record Row(String code, double change, int version) {}

    private final List<String> written = new ArrayList<>();

    private Rows<Row> rows(String kept) {
        Rows<Row> rows = new Rows<>(
                List.of(
                        RowColumn.words("code", "Code", 60, Row::code),
                        RowColumn.change(
                                "change",
                                "Change",
                                60,
                                row -> Double.isNaN(row.change())
                                        ? ""
                                        : String.format(Locale.ROOT, "%+.2f", row.change()),
                                Row::change),
                        RowColumn.number("version", "Version", 60, row -> "" + row.version(), Row::version)),
                List.of("code", "change"),
                Row::code,
                kept,
                written::add);
        rows.set(List.of(
                new Row("MARN", 1.2, 1),
                new Row("KTRL", -0.4, 2),
                new Row("ebsp", Double.NaN, 3),
                new Row("VHRB", 3, 4)));
        return rows;
    }

    private static List<String> codes(Rows<Row> rows) {
        return rows.rows().stream().map(Row::code).toList();
    }

    @Test
    void rowsStandAsTheyCameUntilTheyAreSortedAndAgainAfterwards() {
        Rows<Row> rows = rows("");
        assertThat(codes(rows)).containsExactly("MARN", "KTRL", "ebsp", "VHRB");
        rows.sort("code", false);
        assertThat(codes(rows)).containsExactly("ebsp", "KTRL", "MARN", "VHRB");
        rows.sort("change", true);
        assertThat(codes(rows)).as("what has no value comes last").containsExactly("VHRB", "MARN", "KTRL", "ebsp");
        rows.sort("change", false);
        assertThat(codes(rows)).containsExactly("KTRL", "MARN", "VHRB", "ebsp");
        rows.sort("", false);
        assertThat(codes(rows)).containsExactly("MARN", "KTRL", "ebsp", "VHRB");
        assertThat(written)
                .containsExactly("code change; code", "code change; -change", "code change; change", "code change");
    }

    @Test
    void theRowInHandStaysWhenRowsAreReadAnewAndWhenItGoesItsPlaceIsTaken() {
        Rows<Row> rows = rows("");
        rows.take(1);
        assertThat(rows.inHand().orElseThrow().code()).isEqualTo("KTRL");
        rows.sort("change", true);
        assertThat(rows.place()).isEqualTo(2);
        assertThat(rows.inHand().orElseThrow().code()).isEqualTo("KTRL");
        rows.set(List.of(new Row("KTRL", 9, 5), new Row("MARN", 1, 6)));
        assertThat(rows.place()).isZero();
        assertThat(rows.inHand().orElseThrow().version())
                .as("as it was read anew")
                .isEqualTo(5);
        rows.set(List.of(new Row("MARN", 1, 6)));
        assertThat(rows.inHand().orElseThrow().code()).isEqualTo("MARN");
        rows.set(List.of());
        assertThat(rows.inHand()).isEmpty();
        rows.step(1);
        assertThat(rows.inHand()).isEmpty();
    }

    @Test
    void stepsStayInsideAndTell() {
        Rows<Row> rows = rows("");
        List<Integer> told = new ArrayList<>();
        var listening = rows.listen(changed -> told.add(changed.place()));
        rows.step(1);
        rows.step(5);
        rows.step(1);
        rows.step(-9);
        assertThat(told).containsExactly(1, 3, 0);
        listening.close();
        rows.step(1);
        assertThat(told).hasSize(3);
    }

    @Test
    void columnsAreShownWhereTheyUsuallyStandAndTheLastOneStays() {
        Rows<Row> rows = rows("");
        rows.show("version", true);
        assertThat(rows.shown()).extracting(RowColumn::id).containsExactly("code", "change", "version");
        rows.show("code", false);
        rows.show("version", false);
        rows.show("change", false);
        assertThat(rows.shown()).extracting(RowColumn::id).containsExactly("change");
        rows.show("code", true);
        rows.order(List.of("change", "code"));
        assertThat(written).last().isEqualTo("change code");
        rows.order(List.of("change"));
        rows.show("no-such", true);
        assertThat(rows.shown()).extracting(RowColumn::id).containsExactly("change", "code");
    }

    @Test
    void whatWasWrittenIsReadAgainAndWhatCannotBeIsTheUsual() {
        Rows<Row> rows = rows("version code; -code");
        assertThat(rows.shown()).extracting(RowColumn::id).containsExactly("version", "code");
        assertThat(codes(rows)).containsExactly("VHRB", "MARN", "KTRL", "ebsp");
        assertThat(rows.isDescending()).isTrue();
        assertThat(rows("gone; -lost").shown()).extracting(RowColumn::id).containsExactly("code", "change");
        assertThat(rows("gone code code ; change").shown())
                .extracting(RowColumn::id)
                .containsExactly("code");
        assertThat(rows(";;;-").sortedBy()).isEmpty();
        assertThat(written).isEmpty();
    }
}
