package dev.yardarm.app.panel;

import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Field;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Slider;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
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
    private boolean showing;

    /**
     * @param settings as they are now
     * @param take takes the name of the setting and its new text
     * @param tell takes what is wrong with what was typed
     * @param sources texts of what a source may be besides the fields of the bar, with the words for each
     */
    SettingEditor(
            Setting setting,
            Supplier<Settings> settings,
            BiConsumer<String, String> take,
            Consumer<String> tell,
            Map<String, String> sources) {
        this.sources = sources;
        this.setting = setting;
        this.settings = settings;
        this.take = take;
        if (setting instanceof Setting.WholeNumber number) {
            Spinner<Integer> spinner = spinner(number, tell);
            Slider slider = slider(number);
            HBox pair = new HBox(4, spinner, slider);
            pair.setStyle("-fx-alignment: center-left;");
            control = pair;
            show = () -> {
                spinner.getValueFactory().setValue(settings.get().whole(number.name()));
                if (!slider.isValueChanging()) {
                    slider.setValue(settings.get().whole(number.name()));
                }
            };
        } else if (setting instanceof Setting.Source || setting instanceof Setting.Choice) {
            ComboBox<String> choice = choice();
            control = choice;
            show = () -> choice.setValue(text());
        } else if (setting instanceof Setting.Ordered ordered) {
            OrderEditor order = new OrderEditor(ordered, this::text, this::send);
            control = order;
            show = order::show;
        } else {
            TextField field = field();
            control = field;
            show = () -> {
                if (!field.isFocused()) {
                    field.setText(text());
                }
            };
        }
        (control instanceof HBox both ? both.getChildren().get(0) : control).setId("setting-" + setting.name());
    }

    /** Over the usual part of what the setting may be; the spinner reaches all of it. */
    private Slider slider(Setting.WholeNumber number) {
        int reach = Math.min(
                number.most(),
                Math.max(20, 2 * Math.max(number.standardValue(), settings.get().whole(number.name()))));
        Slider slider = new Slider(number.least(), reach, settings.get().whole(number.name()));
        slider.setId("slide-" + number.name());
        slider.setAccessibleText(number.label());
        slider.setBlockIncrement(1);
        slider.setMinWidth(40);
        slider.setPrefWidth(70);
        HBox.setHgrow(slider, Priority.ALWAYS);
        slider.valueProperty().addListener((observed, before, now) -> {
            // Only the trader's own moves count: showing a value beyond the slider's end must not take it back.
            if (!showing) {
                send(String.valueOf(Math.round(now.doubleValue())));
            }
        });
        return slider;
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
        Spinner<Integer> spinner =
                new Spinner<>(number.least(), number.most(), settings.get().whole(number.name()));
        spinner.setEditable(true);
        spinner.setPrefWidth(78);
        spinner.setMinWidth(78);
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
        showing = true;
        try {
            show.run();
        } finally {
            showing = false;
        }
    }
}
