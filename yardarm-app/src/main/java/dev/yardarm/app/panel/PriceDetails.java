package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.desk.room.ChartRoom;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;

/** How the bars are drawn, and the price scale. */
final class PriceDetails extends LayerDetails {
    private final ChartRoom room;
    private final ComboBox<String> form = new ComboBox<>();
    private final CheckBox logarithmic = new CheckBox("Logarithmic scale");
    private final CheckBox volume = new CheckBox("Volume");

    PriceDetails(Workbench bench) {
        room = bench.room();
        heading("Price");
        for (BarForm each : BarForm.values()) {
            form.getItems().add(each.word());
        }
        form.setId("bar-form");
        form.setAccessibleText("Bars");
        form.setOnAction(event -> room.setForm(BarForm.values()[form.getSelectionModel().getSelectedIndex()]));
        logarithmic.setId("logarithmic");
        logarithmic.setOnAction(event -> room.setLogarithmic(logarithmic.isSelected()));
        volume.setId("volume-shown");
        volume.setOnAction(event -> room.setVolumeShown(volume.isSelected()));
        row("Bars", form);
        wide(logarithmic);
        wide(volume);
        show();
    }

    @Override
    void show() {
        form.setValue(room.chart().form().word());
        logarithmic.setSelected(room.chart().isLogarithmic());
        volume.setSelected(room.chart().isVolumeShown());
    }
}
