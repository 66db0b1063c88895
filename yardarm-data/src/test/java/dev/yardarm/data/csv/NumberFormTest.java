package dev.yardarm.data.csv;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class NumberFormTest {
    private static double read(String text) {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        return NumberForm.PLAIN.read(bytes, 0, bytes.length);
    }

    @Test
    void numbersAreReadAsTheLanguageReadsThem() {
        Random random = new Random(20260619);
        for (int each = 0; each < 100_000; each++) {
            String text = String.format(
                    Locale.ROOT,
                    "%." + random.nextInt(13) + "f",
                    (random.nextDouble() - 0.3) * Math.pow(10, random.nextInt(14) - 4));
            assertThat(read(text)).as(text).isEqualTo(Double.parseDouble(text));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "5., 5",
        ".5, 0.5",
        "-0.25, -0.25",
        "+7, 7",
        "007.50, 7.5",
        "123456789012345, 123456789012345",
        "1234567890123456789, 1234567890123456789",
        "0.1234567890123456789, 0.1234567890123456789",
        "1e3, 1000",
        "1.5E-2, 0.015"
    })
    void unusualNumbersAreRead(String text, double number) {
        assertThat(read(text)).isEqualTo(number);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                ".",
                "-",
                "+.",
                "1.2.3",
                "1,5",
                "1 000",
                "0x10",
                "NaN",
                "Infinity",
                "1e",
                "1e999",
                "12a",
                "--1"
            })
    void whatIsNoNumberIsNone(String text) {
        assertThat(read(text)).isNaN();
    }
}
