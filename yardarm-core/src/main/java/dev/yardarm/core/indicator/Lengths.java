package dev.yardarm.core.indicator;

import dev.yardarm.core.series.Field;
import java.util.List;

/** The settings most indicators share: a length in bars and the field they read. */
public final class Lengths {
    /** The longest length any indicator takes, in bars. */
    public static final int MOST = 5000;

    private Lengths() {
    }

    public static List<Setting> lengthAndSource(int standardLength, int least, Field standardSource) {
        return List.of(new Setting.WholeNumber("length", "Period", standardLength, least, MOST),
                new Setting.Source("source", "Source", standardSource));
    }
}
