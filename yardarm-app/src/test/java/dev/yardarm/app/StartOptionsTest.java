package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StartOptionsTest {
    private static StartOptions read(String line) {
        return StartOptions.read(line.isEmpty() ? new String[0] : line.split(" "));
    }

    @Test
    void readsAllOptions() {
        StartOptions options = read("demo --home there --seed 42 --still --offscreen");
        assertThat(options.home()).isEqualTo(Path.of("there"));
        assertThat(options.seed()).isEqualTo(42);
        assertThat(options.still()).isTrue();
        assertThat(options.isDemo()).isTrue();
    }

    @Test
    void whatIsNotSaidHasAGoodDefault() {
        assertThat(read("").command()).isEqualTo("demo");
        assertThat(read("demo").home()).endsWithRaw(Path.of(".yardarm", "demo"));
        assertThat(read("open").home()).endsWithRaw(Path.of(".yardarm", "own"));
        assertThat(read("open").isDemo()).isFalse();
        assertThat(read("demo").still()).isFalse();
        assertThat(read("shots").still()).as("pictures are frozen in time").isTrue();
        assertThat(read("shots").home())
                .as("a home of their own")
                .isNotEqualTo(read("demo").home())
                .isEmptyDirectory();
        assertThat(read("shots --out pictures").out()).isEqualTo(Path.of("pictures"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "sail | is not demo, open or shots",
                "demo --home | --home needs a value",
                "demo --seed x | whole number",
                "demo --colour | unknown option --colour",
                "demo --seed | needs a value"
            })
    void wrongUsageIsToldInWords(String line, String words) {
        assertThatThrownBy(() -> read(line))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(words);
    }
}
