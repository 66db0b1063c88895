package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;

/** Settings and style of an indicator. */
final class IndicatorDetails extends LayerDetails {
    private final Workbench bench;
    private final String id;
    private final StyleEditor style;
    private final List<Runnable> showing = new ArrayList<>();
    private IndicatorLayer last;
    private boolean busy;

    IndicatorDetails(Workbench bench, String id) {
        this.bench = bench;
        this.id = id;
        IndicatorLayer layer = layer();
        heading(layer.indicator().title());
        for (Setting setting : layer.indicator().settings()) {
            add(setting);
        }
        style = new StyleEditor(bench, () -> layer().style(), changed -> change(layer().withStyle(changed)));
        style(style);
        Label help = new Label(layer.indicator().help().summary() + " " + layer.indicator().help().reading());
        help.setWrapText(true);
        help.getStyleClass().addAll("soft", "small");
        wide(help);
        Button remove = new Button("Remove");
        remove.setId("remove-layer");
        remove.setOnAction(event -> bench.room().indicators().remove(id));
        wide(remove);
        show();
    }

    private IndicatorLayer layer() {
        return bench.room().chart().indicator(id).orElse(last);
    }

    private void change(IndicatorLayer changed) {
        if (!busy) {
            bench.room().indicators().change(changed);
        }
    }

    private void set(String name, String value) {
        if (busy) {
            return;
        }
        Map<String, String> values = new LinkedHashMap<>(layer().settings().values());
        values.put(name, value);
        try {
            change(layer().withSettings(Settings.of(layer().indicator(), values)));
        } catch (IllegalArgumentException bad) {
            bench.desk().tell("The indicator stays as it was: " + bad.getMessage() + ".");
            show();
        }
    }

    private void add(Setting setting) {
        if (setting instanceof Setting.WholeNumber number) {
            Spinner<Integer> spinner = new Spinner<>(number.least(), number.most(),
                    layer().settings().whole(number.name()));
            spinner.setEditable(true);
            spinner.setId("setting-" + number.name());
            spinner.getEditor().setAccessibleText(number.label());
            spinner.valueProperty().addListener((observed, before, now) -> {
                if (now != null) {
                    set(number.name(), String.valueOf(now));
                }
            });
            spinner.getValueFactory().setConverter(new WholeNumberConverter(number, bench.desk()::tell,
                    spinner::getValue));
            showing.add(() -> spinner.getValueFactory().setValue(layer().settings().whole(number.name())));
            row(number.label(), spinner);
        } else {
            ComboBox<String> source = new ComboBox<>();
            for (Field field : Field.values()) {
                source.getItems().add(field.word());
            }
            source.setId("setting-" + setting.name());
            source.setAccessibleText(setting.label());
            source.setOnAction(event -> set(setting.name(), source.getValue()));
            showing.add(() -> source.setValue(layer().settings().values().get(setting.name())));
            row(setting.label(), source);
        }
    }

    @Override
    void show() {
        bench.room().chart().indicator(id).ifPresent(layer -> last = layer);
        busy = true;
        showing.forEach(Runnable::run);
        style.show();
        busy = false;
    }
}
