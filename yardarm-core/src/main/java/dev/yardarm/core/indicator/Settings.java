package dev.yardarm.core.indicator;

import dev.yardarm.core.series.Field;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Checked values for all settings of one indicator, in the order it declares them. Immutable. */
public final class Settings {
    private final Map<String, String> values;

    private Settings(Map<String, String> values) {
        this.values = Collections.unmodifiableMap(values);
    }

    /**
     * Checks the given values and fills in the standard ones.
     *
     * @throws IllegalArgumentException for an unknown setting or a bad value, with what would be good
     */
    public static Settings of(Indicator indicator, Map<String, String> given) {
        Settings settings = of(indicator.name(), indicator.settings(), given);
        indicator.check(settings);
        return settings;
    }

    /**
     * The same for anything else that has settings.
     *
     * @param owner its name, for errors
     */
    public static Settings of(String owner, List<Setting> declared, Map<String, String> given) {
        Map<String, String> values = new LinkedHashMap<>();
        for (Setting setting : declared) {
            String text = given.get(setting.name());
            values.put(setting.name(), text == null ? setting.standard() : setting.checked(text));
        }
        for (String name : given.keySet()) {
            if (!values.containsKey(name)) {
                throw new IllegalArgumentException(
                        owner + " has no setting '" + name + "'; it has " + String.join(", ", values.keySet()));
            }
        }
        return new Settings(values);
    }

    public static Settings standard(Indicator indicator) {
        return of(indicator, Map.of());
    }

    public int whole(String name) {
        return Integer.parseInt(value(name));
    }

    public double number(String name) {
        return Double.parseDouble(value(name));
    }

    /** The word chosen, or the code of an instrument. */
    public String word(String name) {
        return value(name);
    }

    /** The output of another indicator that is read instead of a field. */
    public Optional<Setting.Source.Reference> reference(String name) {
        return values.containsKey(name) ? Setting.Source.Reference.parse(value(name)) : Optional.empty();
    }

    /** The numbers of a list. */
    public double[] numbers(String name) {
        return value(name).isEmpty()
                ? new double[0]
                : Arrays.stream(value(name).split(" "))
                        .mapToDouble(Double::parseDouble)
                        .toArray();
    }

    public Field field(String name) {
        return Field.named(value(name))
                .orElseThrow(() -> new IllegalStateException(
                        name + " is no field but " + value(name) + ", which only a chart knows"));
    }

    private String value(String name) {
        String value = values.get(name);
        if (value == null) {
            throw new IllegalArgumentException("no setting '" + name + "' among " + values.keySet());
        }
        return value;
    }

    public Map<String, String> values() {
        return values;
    }

    /** The values other than source in their order: {@code 50} or {@code 12, 26, 9}. */
    public String numbers(List<Setting> declared) {
        StringBuilder text = new StringBuilder();
        for (Setting setting : declared) {
            if (!(setting instanceof Setting.Source)) {
                text.append(text.isEmpty() ? "" : ", ").append(values.get(setting.name()));
            }
        }
        return text.toString();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Settings settings && values.equals(settings.values);
    }

    @Override
    public int hashCode() {
        return values.hashCode();
    }

    @Override
    public String toString() {
        return values.toString();
    }
}
