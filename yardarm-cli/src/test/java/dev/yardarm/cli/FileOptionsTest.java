package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Options that say how a file is written, where it does not show it by itself. */
class FileOptionsTest {
    @TempDir
    private Path folder;

    private String out;
    private String errors;

    private int run(String... words) {
        StringWriter written = new StringWriter();
        StringWriter told = new StringWriter();
        int code = Main.run(words, new PrintWriter(written, true), new PrintWriter(told, true));
        out = written.toString();
        errors = told.toString();
        return code;
    }

    private Path file(String... lines) throws IOException {
        return Files.writeString(folder.resolve("own.csv"), String.join("\n", lines) + "\n");
    }

    /** The first bar of a file as it comes out again. */
    private String firstBar(Path file, String option, String word) {
        String home = folder.resolve("home " + option + word).toString();
        assertThat(run("import", "--home", home, "--code", "OWN", option, word, file.toString()))
                .as(errors)
                .isZero();
        assertThat(run("export", "--home", home, "--code", "OWN")).as(errors).isZero();
        return out.lines().skip(1).findFirst().orElse("");
    }

    @Test
    void theOrderOfADateIsTold() throws IOException {
        Path file = file(
                "date,open,high,low,close",
                "03/04/2026,1,2,0.5,1.5",
                "04/04/2026,1,2,0.5,1.5",
                "05/04/2026,1,2,0.5,1.5");
        assertThat(firstBar(file, "--dates", "dmy")).startsWith("2026-04-03,1,2,0.5,1.5");
        Path months = file(
                "date,open,high,low,close",
                "03/04/2026,1,2,0.5,1.5",
                "03/05/2026,1,2,0.5,1.5",
                "03/06/2026,1,2,0.5,1.5");
        assertThat(firstBar(months, "--dates", "MDY")).startsWith("2026-03-04,1,2,0.5,1.5");
    }

    @Test
    void separatorDecimalSignAndColumnsAreTold() throws IOException {
        Path file = file("2026-04-03|1,500|2,500|1,250|2,000", "2026-04-06|1,500|2,500|1,250|2,000");
        String home = folder.resolve("home").toString();
        String[] names = {
            "--columns", "time,open,high,low,close", "--decimal", "comma", "--separator", "bar", "--timeframe", "D"
        };
        String[] words = new String[names.length + 6];
        System.arraycopy(new String[] {"import", "--home", home, "--code", "OWN"}, 0, words, 0, 5);
        System.arraycopy(names, 0, words, 5, names.length);
        words[words.length - 1] = file.toString();
        assertThat(run(words)).as(errors).isZero();
        assertThat(run("export", "--home", home, "--code", "OWN")).isZero();
        assertThat(out).contains("2026-04-03,1.5,2.5,1.25,2,");
    }

    @Test
    void theUnitOfNumbersSince1970IsTold() throws IOException {
        Path file = file("time,open,high,low,close", "1775174400000,1,2,0.5,1.5", "1775174460000,1,2,0.5,1.5");
        assertThat(firstBar(file, "--epoch", "ms")).startsWith("2026-04-03T00:00:00Z,1,2,0.5,1.5");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "--dates | ydm | --dates is one of dmy, mdy, ymd, not 'ydm'",
                "--decimal | dot | --decimal is one of comma, point, not 'dot'",
                "--separator | slash | --separator is one of bar, comma, semicolon, tab, not 'slash'",
                "--epoch | days | --epoch is one of s, ms, us, ns, not 'days'"
            })
    void aWordThatIsNoneIsWrongUsageThatNamesTheOthers(String option, String word, String message) throws IOException {
        Path file = file("time,open,high,low,close", "2026-04-03,1,2,0.5,1.5");
        String home = folder.resolve("home").toString();
        assertThat(run("import", "--home", home, "--code", "OWN", option, word, file.toString()))
                .isEqualTo(2);
        assertThat(errors).contains(message);
        assertThat(Path.of(home)).doesNotExist();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "--format | xml | --format is csv or parquet, not 'xml'",
                "--format | parquet | Parquet is written to a file; name it with --out FILE",
                "--timeframe | 7x | '7x' is not a timeframe",
                "--timeframe | 1m | OWN has bars of [D], not of 1m",
                "--code | OTHER | OTHER"
            })
    void whatCannotBeExportedSaysWhy(String option, String word, String message) throws IOException {
        Path file = file("time,open,high,low,close", "2026-04-03,1,2,0.5,1.5", "2026-04-06,1,2,0.5,1.5");
        String home = folder.resolve("home").toString();
        assertThat(run("import", "--home", home, "--code", "OWN", "--timeframe", "D", file.toString()))
                .as(errors)
                .isZero();
        int code = option.equals("--code")
                ? run("export", "--home", home, option, word)
                : run("export", "--home", home, "--code", "OWN", option, word);
        assertThat(code).isNotZero();
        assertThat(errors).contains(message);
    }
}
