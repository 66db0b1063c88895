package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.data.text.Cells;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CellsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "KTRL | KTRL",
                "=1+1 | '=1+1",
                "-RF | '-RF",
                "@SUM(A1) | '@SUM(A1)",
                "+cmd | '+cmd",
                "-1.25 | -1.25",
                "+0.4 % | +0.4 %",
                "a, b | \"a, b\"",
                "say \"so\" | \"say \"\"so\"\"\"",
            })
    void whatATableProgramWouldWorkOutStaysWords(String text, String cell) {
        assertThat(Cells.of(text)).isEqualTo(cell);
    }
}
