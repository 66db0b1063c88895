package dev.yardarm.bench;

import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.chart.surface.Palette;
import java.lang.management.ManagementFactory;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;

/**
 * A window with our theme and as many controls as the application's has, but nothing in them and nothing behind them: what the
 * toolkit takes for such a window before anything is opened, computed or drawn.
 */
public final class FurnishedWindow extends Application {
    /** Starts it from the class path. */
    public static final class Launch {
        private Launch() {}

        public static void main(String[] arguments) {
            ToolkitLog.expectClassPath();
            Application.launch(FurnishedWindow.class);
        }
    }

    @Override
    public void start(Stage stage) {
        Themes.loadFonts();
        HBox top = new HBox(4);
        for (int button = 0; button < 12; button++) {
            top.getChildren().add(new Button("button " + button));
        }
        top.getChildren().add(new TextField());
        VBox tools = new VBox(4);
        for (int button = 0; button < 12; button++) {
            tools.getChildren().add(new ToggleButton("t" + button));
        }
        ListView<String> list = new ListView<>();
        for (int row = 0; row < 40; row++) {
            list.getItems().add("row " + row);
        }
        VBox side = new VBox(4, new TextField(), list);
        HBox status = new HBox(12);
        for (int label = 0; label < 8; label++) {
            status.getChildren().add(new Label("label " + label));
        }
        BorderPane root = new BorderPane(new Canvas(900, 680), top, side, status, tools);
        Scene scene = new Scene(root, 1280, 800);
        Themes.apply(Palette.Theme.DAYLIGHT, scene);
        stage.setScene(scene);
        stage.show();
        Platform.runLater(() -> System.out.println("window shown after "
                + (System.currentTimeMillis()
                        - ManagementFactory.getRuntimeMXBean().getStartTime()) + " ms, nodes in the window: "
                + FrameMeasurement.nodes(root)));
    }
}
