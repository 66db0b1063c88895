package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

class OwnTermsTest extends AtTheCommandLine {
    private Path bars(String name, double... closes) throws IOException {
        StringBuilder text = new StringBuilder("time,open,high,low,close,volume\n");
        for (int day = 0; day < closes.length; day++) {
            double close = closes[day];
            text.append("2026-01-0%d,%s,%s,%s,%s,100\n".formatted(day + 5, close, close + 1, close - 1, close));
        }
        return Files.writeString(folder.resolve(name + ".csv"), text);
    }

    private List<String> column(int number) {
        return out.toString()
                .lines()
                .skip(1)
                .map(line -> line.split(",", -1)[number])
                .toList();
    }

    @Test
    void definitionsOfFilesAreUsedByFormulas() throws IOException {
        Path file = Files.writeString(
                folder.resolve("own.txt"),
                """
                // two of them, the first uses the second
                define "Above mean" in price
                setting length = 2 from 1 to 50
                cue "Up" when close > plain_mean(length)

                define "Plain mean" in price
                setting length = 3 from 1 to 50
                line sma(close, length)
                """);
        assertThat(run(
                        "compute",
                        "--csv",
                        bars("a", 1, 2, 3, 2),
                        "--define",
                        file,
                        "--formula",
                        "plain_mean(2)",
                        "--formula",
                        "above_mean.up",
                        "--formula",
                        "just above_mean(3).up"))
                .as(errors::toString)
                .isZero();
        assertThat(column(1)).containsExactly("", "1.5", "2.5", "2.5");
        assertThat(column(2)).containsExactly("", "1", "1", "0");
        assertThat(column(3)).containsExactly("", "", "", "0");
    }

    @Test
    void faultsOfDefinitionsAreToldWithFileAndLine() throws IOException {
        Path file = Files.writeString(
                folder.resolve("own.txt"),
                "define \"A\" in price\nline close\n\ndefine \"B\" in price\nlet x = smaa(close, 3)\nline clsoe\n");
        assertThat(run("compute", "--csv", bars("a", 1, 2), "--define", file, "--formula", "a"))
                .isEqualTo(1);
        assertThat(errors.toString())
                .contains("own.txt: line 5, position 9:")
                .contains("did you mean 'sma'")
                .contains("own.txt: line 6, position 6:")
                .contains("line clsoe")
                .contains("     ^^^^^");
        assertThat(run("compute", "--csv", bars("a", 1, 2), "--define", folder.resolve("none"), "--formula", "a"))
                .isEqualTo(1);
        assertThat(errors.toString()).contains("there is no such file");
    }

    @Test
    void blendsAreReadAsInstruments() throws IOException {
        Path one = bars("one", 10, 20, 30, 40);
        Path other = bars("other", 5, 5, 10, 10);
        assertThat(run(
                        "compute",
                        "--csv",
                        one,
                        "--with",
                        "ONE=" + one,
                        "--with",
                        "OTHER=" + other,
                        "--blend",
                        "ratio=#ONE / #OTHER",
                        "--blend",
                        "TURNED=100 - #one",
                        "--blend",
                        "NEST=#RATIO * 2",
                        "--formula",
                        "#RATIO",
                        "--formula",
                        "high of #TURNED",
                        "--formula",
                        "sma(close, 2) of #nest",
                        "--formula",
                        "close / #NEST"))
                .as(errors::toString)
                .isZero();
        assertThat(column(1)).containsExactly("2", "4", "3", "4");
        assertThat(column(2)).containsExactly("91", "81", "71", "61");
        assertThat(column(3)).containsExactly("", "6", "7", "7");
        assertThat(column(4)).containsExactly("2.5", "2.5", "5", "5");
        assertThat(errors.toString())
                .contains("RATIO is worked out from closes")
                .doesNotContain("TURNED is");
    }

    @Test
    void blendsThatCannotBeAreWrongUsage() throws IOException {
        Path one = bars("one", 10, 20);
        assertThat(run("compute", "--csv", one, "--blend", "A=#B * 2", "--blend", "B=#A / 2", "--formula", "#A"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("circle");
        assertThat(run("compute", "--csv", one, "--blend", "A=#B * 2", "--formula", "#A"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("--with B=FILE");
        assertThat(run("compute", "--csv", one, "--blend", "A", "--formula", "close"))
                .isEqualTo(2);
        assertThat(run("compute", "--csv", one, "--blend", "A=close", "--formula", "close"))
                .isEqualTo(1);
        assertThat(errors.toString()).contains("position 1");
    }

    @Test
    void sizesOfOtherKindsOfBarsAreCountedInTicks() throws IOException {
        Path one = bars("one", 10, 20, 30, 40);
        assertThat(run("compute", "--csv", one, "--tick", "1", "--formula", "close on range 5"))
                .as(errors::toString)
                .isZero();
        assertThat(column(1).get(3)).isNotEmpty();
        assertThat(run("compute", "--csv", one, "--tick", "-1", "--formula", "close"))
                .isEqualTo(2);
    }
}
