package dev.yardarm.app.panel;

import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Field;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;

/**
 * The control for one setting: a spinner, a choice or a field, by what can be chosen. A change takes effect at once; a
 * field takes what is typed with Enter or when it is left.
 */
final class SettingEditor {
    private final Setting setting;
    private final Supplier<Settings> settings;
    private final BiConsumer<String, String> take;
    private final Region control;
    private final Runnable show;
    private final Map<String, String> sources;

    /**
     * @param settings as they are now
     * @param take takes the name of the setting and its new text
     * @param tell takes what is wrong with what was typed
     * @param sources texts of what a source may be besides the fields of the bar, with the words for each
     */
    SettingEditor(Setting setting, Supplier<Settings> settings, BiConsumer<String, String> take, Consumer<String> tell,
                  Map<String, String> sources) {
        this.sources = sources;
        this.setting = setting;
        this.settings = settings;
        this.take = take;
        if (setting instanceof Setting.WholeNumber number) {
            Spinner<Integer> spinner = spinner(number, tell);
            control = spinner;
            show = () -> spinner.getValueFactory().setValue(settings.get().whole(number.name()));
        } else if (setting instanceof Setting.Source || setting instanceof Setting.Choice) {
            ComboBox<String> choice = choice();
            control = choice;
            show = () -> choice.setValue(text());
        } else {
            TextField field = field();
            control = field;
            show = () -> {
                if (!field.isFocused()) {
                    field.setText(text());
                }
            };
        }
        control.setId("setting-" + setting.name());
    }

    private String text() {
        return settings.get().values().get(setting.name());
    }

    private void send(String text) {
        if (text != null && !text.equals(text())) {
            take.accept(setting.name(), text);
        }
    }

    private Spinner<Integer> spinner(Setting.WholeNumber number, Consumer<String> tell) {
        Spinner<Integer> spinner = new Spinner<>(number.least(), number.most(), settings.get().whole(number.name()));
        spinner.setEditable(true);
        spinner.getEditor().setAccessibleText(number.label());
        spinner.valueProperty().addListener((observed, before, now) -> {
            if (now != null) {
                send(String.valueOf(now));
            }
        });
        spinner.getValueFactory().setConverter(new WholeNumberConverter(number, tell, spinner::getValue));
        return spinner;
    }

    private ComboBox<String> choice() {
        ComboBox<String> choice = new ComboBox<>();
        if (setting instanceof Setting.Choice words) {
            choice.getItems().addAll(words.words());
        } else {
            for (Field field : Field.values()) {
                choice.getItems().add(field.word());
            }
            choice.getItems().addAll(sources.keySet());
        }
        choice.setConverter(new StringConverter<>() {
            @Override
            public String toString(String text) {
                return text == null ? "" : sources.getOrDefault(text, text);
            }

            @Override
            public String fromString(String text) {
                return text;
            }
        });
        choice.setAccessibleText(setting.label());
        choice.setOnAction(event -> send(choice.getValue()));
        return choice;
    }

    private TextField field() {
        TextField field = new TextField();
        field.setAccessibleText(setting.label());
        field.setPrefColumnCount(8);
        field.setOnAction(event -> send(field.getText().strip()));
        field.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                send(field.getText().strip());
            }
        });
        return field;
    }

    Region control() {
        return control;
    }

    /** Shows the setting as it is now. */
    void show() {
        show.run();
    }
}
