package dev.yardarm.app.theme;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.font.Typeface;
import dev.yardarm.chart.surface.Palette;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class StyleSheetTest {
    private static String read(Class<?> beside, String name) throws IOException {
        try (InputStream file = beside.getResourceAsStream(name)) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static Set<String> matches(String text, String pattern) {
        Set<String> found = new TreeSet<>();
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        while (matcher.find()) {
            found.add(matcher.group());
        }
        return found;
    }

    @Test
    void bothThemesSayTheSameColours() throws IOException {
        Set<String> daylight = matches(read(Palette.class, "daylight.css"), "-yd-[a-z0-9-]+(?=:)");
        Set<String> night = matches(read(Palette.class, "night-watch.css"), "-yd-[a-z0-9-]+(?=:)");
        assertThat(daylight).isEqualTo(night).hasSizeGreaterThan(18);
    }

    @Test
    void theWindowUsesOnlyColoursOfTheThemes() throws IOException {
        String window = read(Themes.class, "yardarm.css");
        assertThat(matches(window, "#[0-9A-Fa-f]{3,8}\\b"))
                .as("colour literals")
                .isEmpty();
        assertThat(matches(read(Palette.class, "daylight.css"), "-yd-[a-z0-9-]+"))
                .containsAll(matches(window, "-yd-[a-z0-9-]+"));
    }

    @Test
    void noColourIsWrittenInTheCode() throws IOException {
        Path root = Path.of("").toAbsolutePath().getParent();
        for (String module : List.of("yardarm-app", "yardarm-chart", "yardarm-desk")) {
            try (Stream<Path> files = Files.walk(root.resolve(module).resolve("src/main/java"))) {
                for (Path file :
                        (Iterable<Path>) files.filter(each -> each.toString().endsWith(".java"))::iterator) {
                    assertThat(matches(Files.readString(file), "\"#[0-9A-Fa-f]{6}\"|Color\\.[A-Z]{3,}"))
                            .as(file.getFileName().toString())
                            .isEmpty();
                }
            }
        }
    }

    @Test
    void noTextIsSmallerThanElevenPixels() throws IOException {
        Matcher sizes = Pattern.compile("-fx-font-size: (\\d+)px").matcher(read(Themes.class, "yardarm.css"));
        while (sizes.find()) {
            assertThat(Integer.parseInt(sizes.group(1))).isGreaterThanOrEqualTo(11);
        }
    }

    @Test
    void theFontShipsWithItsLicence() throws IOException {
        assertThat(new String(Typeface.licence().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8))
                .contains("SIL Open Font License");
        for (Typeface face : Typeface.values()) {
            try (java.io.InputStream file = face.open()) {
                assertThat(file.readAllBytes().length).isGreaterThan(50_000);
            }
        }
    }
}
