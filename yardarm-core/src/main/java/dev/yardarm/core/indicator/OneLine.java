package dev.yardarm.core.indicator;

import dev.yardarm.core.series.Field;
import java.util.List;

/**
 * The base of indicators with one output that read one source over a length: averages, extremes, oscillators. Such an
 * indicator says what it is called, what it starts from and how it computes; the rest is the same for all of them.
 */
public abstract class OneLine implements Indicator {
    /** The longest length, in bars. */
    public static final int MOST = 5000;

    private final String name;
    private final String title;
    private final int standardLength;
    private final Field standardSource;

    protected OneLine(String name, String title, int standardLength, Field standardSource) {
        this.name = name;
        this.title = title;
        this.standardLength = standardLength;
        this.standardSource = standardSource;
    }

    @Override
    public final String name() {
        return name;
    }

    @Override
    public final String title() {
        return title;
    }

    @Override
    public final List<Setting> settings() {
        return List.of(new Setting.WholeNumber("length", "Period", standardLength, 1, MOST),
                new Setting.Source("source", "Source", standardSource));
    }

    @Override
    public Place place() {
        return Place.PRICE;
    }

    /** One less than the length, unless an indicator says otherwise. */
    @Override
    public int warmUp(Settings settings) {
        return settings.whole("length") - 1;
    }

    @Override
    public final Computation start(Settings settings) {
        return start(settings.whole("length"));
    }

    /** Begins a computation over a length. */
    protected abstract Computation start(int length);
}
