package dev.yardarm.core.drawing;

import java.util.Locale;

/** The degrees of waves with their usual notation (Frost and Prechter, 1978), from long to short. */
public enum WaveDegree {
    SUPERCYCLE("(", ")", true, true, 2),
    CYCLE("", "", true, true, 2),
    PRIMARY("[", "]", false, false, 1),
    INTERMEDIATE("(", ")", false, false, 1),
    MINOR("", "", false, false, 0),
    MINUTE("[", "]", true, false, 0),
    MINUETTE("(", ")", true, false, 0),
    SUBMINUETTE("", "", true, false, 0);

    private static final String[] ROMAN = {"I", "II", "III", "IV", "V"};

    private final String before;
    private final String behind;
    private final boolean roman;
    private final boolean capital;
    private final int size;

    WaveDegree(String before, String behind, boolean roman, boolean capital, int size) {
        this.before = before;
        this.behind = behind;
        this.roman = roman;
        this.capital = capital;
        this.size = size;
    }

    /** In options: lower case. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static WaveDegree of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT));
    }

    /** A wave's name in this degree: a digit from 1 to 5 or a letter from A. */
    public String label(String wave) {
        String text = wave;
        if (Character.isDigit(wave.charAt(0))) {
            String numeral = ROMAN[wave.charAt(0) - '1'];
            text = !roman ? wave : capital ? numeral : numeral.toLowerCase(Locale.ROOT);
        } else if (roman) {
            text = wave.toLowerCase(Locale.ROOT);
        }
        return before + text + behind;
    }

    /** Size of its labels: 0 for small to 2 for headings. */
    public int size() {
        return size;
    }
}
