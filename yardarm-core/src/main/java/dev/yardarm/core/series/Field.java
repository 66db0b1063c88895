package dev.yardarm.core.series;

import java.util.Locale;
import java.util.Optional;

/** A value every bar has, read from the bar or derived from it. */
public enum Field {
    OPEN,
    HIGH,
    LOW,
    CLOSE,
    VOLUME,
    /** (high + low + close) / 3 */
    TYPICAL,
    /** (high + low) / 2 */
    MIDPRICE,
    /** high - low */
    RANGE,
    /** typical price times volume, an estimate of the money that changed hands */
    TURNOVER;

    /** The field's name in formulas and settings: lower case. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** True for the five fields a bar stores, false for those worked out from them. */
    public boolean isStored() {
        return ordinal() <= VOLUME.ordinal();
    }

    /** The field of one bar. */
    public double of(double open, double high, double low, double close, double volume) {
        return switch (this) {
            case OPEN -> open;
            case HIGH -> high;
            case LOW -> low;
            case CLOSE -> close;
            case VOLUME -> volume;
            case TYPICAL -> (high + low + close) / 3;
            case MIDPRICE -> (high + low) / 2;
            case RANGE -> high - low;
            case TURNOVER -> (high + low + close) / 3 * volume;
        };
    }

    /** Finds a field by its word, in any case. */
    public static Optional<Field> named(String word) {
        for (Field field : values()) {
            if (field.word().equalsIgnoreCase(word)) {
                return Optional.of(field);
            }
        }
        return Optional.empty();
    }
}
