package dev.yardarm.chart.surface;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The colours of a theme by their role. They are written once, as looked-up colours in the theme's style sheet, which
 * the window uses too.
 */
public final class Palette {
    /** Number of series colours. */
    public static final int SERIES = 8;

    private static final Pattern COLOUR = Pattern.compile("-yd-([a-z0-9-]+)\\s*:\\s*#([0-9A-Fa-f]{6})\\s*;");
    private static final String[] NAMES = {"plum", "teal", "rose", "moss", "indigo", "umber", "fern", "slate"};
    private static final double[][] DASHES = {
        {}, {8, 3}, {3, 3}, {8, 3, 2, 3}, {12, 4}, {5, 2}, {2, 2}, {10, 2, 2, 2, 2, 2}
    };

    /** What a colour is for. */
    public enum Role {
        PAPER,
        PANEL,
        /** The ground of a selected row. */
        CHOSEN,
        RULE,
        EDGE,
        INK,
        SOFT,
        RISE,
        FALL,
        FALL_TEXT,
        BRASS,
        BRASS_TEXT,
        SIGNAL;

        private String property() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** The themes. */
    public enum Theme {
        DAYLIGHT("Daylight"),
        NIGHT_WATCH("Night watch");

        private final String title;

        Theme(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        /** Name of the style sheet beside this class. */
        public String sheet() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-') + ".css";
        }

        public Theme other() {
            return this == DAYLIGHT ? NIGHT_WATCH : DAYLIGHT;
        }
    }

    private final Map<Role, Integer> roles = new EnumMap<>(Role.class);
    private final int[] series = new int[SERIES];

    private Palette(String sheet) {
        Map<String, Integer> found = new java.util.HashMap<>();
        Matcher colour = COLOUR.matcher(sheet);
        while (colour.find()) {
            found.put(colour.group(1), 0xFF000000 | Integer.parseInt(colour.group(2), 16));
        }
        for (Role role : Role.values()) {
            roles.put(role, required(found, role.property()));
        }
        for (int number = 0; number < SERIES; number++) {
            series[number] = required(found, "series-" + (number + 1));
        }
    }

    private static int required(Map<String, Integer> found, String name) {
        Integer colour = found.get(name);
        if (colour == null) {
            throw new IllegalArgumentException("the style sheet does not say -yd-" + name);
        }
        return colour;
    }

    /** The palette of a theme. */
    public static Palette of(Theme theme) {
        try (InputStream sheet = Palette.class.getResourceAsStream(theme.sheet())) {
            return new Palette(new String(sheet.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException failed) {
            throw new UncheckedIOException("the style sheet of " + theme.title() + " cannot be read", failed);
        }
    }

    /** ARGB of a role. */
    public int of(Role role) {
        return roles.get(role);
    }

    /** ARGB of a series colour; numbers beyond the last start over. */
    public int series(int number) {
        return series[Math.floorMod(number, SERIES)];
    }

    /** Numbers of the colours that mean something, beside those of series. */
    public static final int RISE = -2;

    public static final int FALL = -3;
    public static final int SOFT = -4;
    public static final int INK = -5;

    /** The numbers of all colours that something can be drawn in: those that mean something, then those of series. */
    public static int[] drawable() {
        int[] numbers = new int[SERIES + 4];
        for (int at = 0; at < numbers.length; at++) {
            numbers[at] = at < 4 ? RISE - at : at - 4;
        }
        return numbers;
    }

    /** ARGB of a number: a series colour, or one of those that mean something. */
    public int drawn(int number) {
        return switch (number) {
            case RISE -> of(Role.RISE);
            case FALL -> of(Role.FALL);
            case SOFT -> of(Role.SOFT);
            case INK -> of(Role.INK);
            default -> series(number);
        };
    }

    /** What a colour is called: {@code plum}, {@code rise}. */
    public static String name(int number) {
        return switch (number) {
            case RISE -> "rise";
            case FALL -> "fall";
            case SOFT -> "soft";
            case INK -> "ink";
            default -> NAMES[Math.floorMod(number, SERIES)];
        };
    }

    /** The number of the colour of a name; -1, the colour of a layer, when there is none. */
    public static int number(String name) {
        for (int number : drawable()) {
            if (name(number).equals(name)) {
                return number;
            }
        }
        return -1;
    }

    /** The dash that goes with a series colour, so that it can be told in grey. */
    public static double[] dash(int number) {
        return number < 0 ? DASHES[0] : DASHES[Math.floorMod(number, SERIES)];
    }

    /** The colour made see-through: opacity from 0 to 1. */
    public static int fade(int colour, double opacity) {
        int alpha = (int) Math.rint((colour >>> 24) * Math.max(0, Math.min(1, opacity)));
        return alpha << 24 | colour & 0xFFFFFF;
    }
}
