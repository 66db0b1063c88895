package dev.yardarm.app.panel;

import dev.yardarm.core.indicator.Setting;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.util.StringConverter;

/** Reads what is typed into the spinner of a whole number; a bad text is told and the old number stays. */
final class WholeNumberConverter extends StringConverter<Integer> {
    private final Setting.WholeNumber setting;
    private final Consumer<String> complain;
    private final Supplier<Integer> current;

    WholeNumberConverter(Setting.WholeNumber setting, Consumer<String> complain, Supplier<Integer> current) {
        this.setting = setting;
        this.complain = complain;
        this.current = current;
    }

    @Override
    public String toString(Integer value) {
        return value == null ? "" : value.toString();
    }

    @Override
    public Integer fromString(String text) {
        try {
            return Integer.parseInt(setting.checked(text));
        } catch (IllegalArgumentException bad) {
            complain.accept(bad.getMessage() + ". It stays as it was.");
            return current.get();
        }
    }
}
