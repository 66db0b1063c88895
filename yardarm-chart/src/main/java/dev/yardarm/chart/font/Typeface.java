package dev.yardarm.chart.font;

import java.io.IOException;
import java.io.InputStream;

/** The fonts of the application: IBM Plex Sans, under the SIL Open Font License, which stands beside them. */
public enum Typeface {
    REGULAR("IBMPlexSans-Regular.ttf"),
    STRONG("IBMPlexSans-SemiBold.ttf");

    /** The family both belong to. */
    public static final String FAMILY = "IBM Plex Sans";

    private final String file;

    Typeface(String file) {
        this.file = file;
    }

    /**
     * The font as a TrueType file.
     *
     * @throws IOException when the application is not complete
     */
    public InputStream open() throws IOException {
        InputStream found = Typeface.class.getResourceAsStream(file);
        if (found == null) {
            throw new IOException("the font " + file + " is missing in the application");
        }
        return found;
    }

    /** The licence, as text. */
    public static InputStream licence() {
        return Typeface.class.getResourceAsStream("IBMPlexSans-LICENSE.txt");
    }
}
