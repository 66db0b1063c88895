package dev.yardarm.app.view;

import dev.yardarm.app.sound.Chime;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.core.alert.Acts;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.desk.alert.AlertBell;
import dev.yardarm.desk.listening.Listening;
import java.time.LocalTime;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;

/** How alerts ring: quiet or not, which sound, how loud, in which hours without sound. */
final class BellMenu extends MenuButton {
    private static final int[][] SILENCES = {{22, 7}, {20, 8}, {18, 8}};

    private final AlertBell bell;
    private final Listening heard;

    BellMenu(AlertBell bell) {
        super("Bell");
        this.bell = bell;
        setId("bell-menu");
        getStyleClass().add("flat");
        setMinWidth(USE_PREF_SIZE);
        setAccessibleText("How alerts ring");
        Tips.set(this, "How alerts ring: quiet, sound, volume, hours without sound");
        // A menu without items does not show.
        getItems().add(new CheckMenuItem("..."));
        setOnShowing(event -> fill());
        heard = bell.listen(each -> name());
        name();
    }

    /** Hears of the bell no more. */
    void close() {
        heard.close();
    }

    private void name() {
        setText(bell.isOff() ? "Bell: quiet" : "Bell");
    }

    private void fill() {
        CheckMenuItem quiet = new CheckMenuItem("All alerts quiet   F8");
        quiet.setSelected(bell.isOff());
        quiet.setOnAction(event -> bell.setOff(!bell.isOff()));
        getItems().setAll(quiet, new SeparatorMenuItem(), sounds(), volume(), silence());
    }

    private Menu sounds() {
        Menu menu = new Menu("Sound: " + bell.sound().replace('-', ' '));
        ToggleGroup one = new ToggleGroup();
        for (Chime each : Chime.values()) {
            menu.getItems()
                    .add(choice(
                            each.word().replace('-', ' '),
                            one,
                            bell.sound().equals(each.word()),
                            () -> bell.setSound(each.word())));
        }
        menu.getItems().add(choice("none", one, bell.sound().equals(Acts.SILENT), () -> bell.setSound(Acts.SILENT)));
        return menu;
    }

    private static RadioMenuItem choice(String text, ToggleGroup group, boolean on, Runnable choose) {
        RadioMenuItem item = new RadioMenuItem(text);
        item.setToggleGroup(group);
        item.setSelected(on);
        item.setOnAction(event -> choose.run());
        return item;
    }

    private CustomMenuItem volume() {
        Slider slider = new Slider(0, 100, bell.volume());
        slider.setId("bell-volume");
        slider.setAccessibleText("Volume of the sounds");
        slider.setBlockIncrement(10);
        slider.valueProperty().addListener((observed, before, now) -> bell.setVolume(now.intValue()));
        CustomMenuItem item = new CustomMenuItem(new HBox(8, new Label("Volume"), slider), false);
        return item;
    }

    private Menu silence() {
        Terms.Hours now = bell.silence().orElse(null);
        Menu menu = new Menu(now == null ? "Without sound: never" : "Without sound: " + now.from() + " to " + now.to());
        ToggleGroup one = new ToggleGroup();
        menu.getItems().add(choice("never", one, now == null, () -> bell.setSilence(null)));
        for (int[] each : SILENCES) {
            Terms.Hours hours = new Terms.Hours(LocalTime.of(each[0], 0), LocalTime.of(each[1], 0));
            menu.getItems()
                    .add(choice(
                            hours.from() + " to " + hours.to(), one, hours.equals(now), () -> bell.setSilence(hours)));
        }
        return menu;
    }
}
