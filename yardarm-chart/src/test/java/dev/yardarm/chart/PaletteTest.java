package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Palette.Theme;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Contrast as the Web Content Accessibility Guidelines 2.1 define it. */
class PaletteTest {
    private static double luminance(int argb) {
        double sum = 0;
        double[] weights = {0.2126, 0.7152, 0.0722};
        for (int channel = 0; channel < 3; channel++) {
            double value = (argb >> (16 - 8 * channel) & 0xFF) / 255.0;
            sum += weights[channel] * (value <= 0.03928 ? value / 12.92 : Math.pow((value + 0.055) / 1.055, 2.4));
        }
        return sum;
    }

    private static double contrast(int one, int other) {
        double first = luminance(one) + 0.05;
        double second = luminance(other) + 0.05;
        return Math.max(first, second) / Math.min(first, second);
    }

    @ParameterizedTest
    @EnumSource(Theme.class)
    void textCanBeReadOnBothGroundsAndOnSelectedRows(Theme theme) {
        Palette palette = Palette.of(theme);
        for (Role ground : new Role[] {Role.PAPER, Role.PANEL, Role.CHOSEN}) {
            for (Role text : new Role[] {Role.INK, Role.SOFT, Role.RISE, Role.FALL_TEXT, Role.BRASS_TEXT}) {
                assertThat(contrast(palette.of(ground), palette.of(text)))
                        .as(theme + " " + text + " on " + ground)
                        .isGreaterThanOrEqualTo(4.5);
            }
        }
    }

    @ParameterizedTest
    @EnumSource(Theme.class)
    void linesCanBeSeenOnBothGroundsAndToldApart(Theme theme) {
        Palette palette = Palette.of(theme);
        for (Role ground : new Role[] {Role.PAPER, Role.PANEL}) {
            for (Role line : new Role[] {Role.RISE, Role.FALL, Role.EDGE, Role.BRASS}) {
                assertThat(contrast(palette.of(ground), palette.of(line)))
                        .as(theme + " " + line + " on " + ground)
                        .isGreaterThanOrEqualTo(3);
            }
            for (int series = 0; series < Palette.SERIES; series++) {
                assertThat(contrast(palette.of(ground), palette.series(series)))
                        .as(theme + " series " + series + " on " + ground)
                        .isGreaterThanOrEqualTo(4.5);
            }
        }
        for (int one = 0; one < Palette.SERIES; one++) {
            for (int other = 0; other < one; other++) {
                assertThat(palette.series(one)).isNotEqualTo(palette.series(other));
                assertThat(Palette.dash(one)).isNotEqualTo(Palette.dash(other));
            }
        }
    }
}
