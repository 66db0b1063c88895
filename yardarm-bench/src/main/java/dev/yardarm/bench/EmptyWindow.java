package dev.yardarm.bench;

import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.chart.surface.Palette;
import java.lang.management.ManagementFactory;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.stage.Stage;

/** An empty window with our theme: what every JavaFX application pays before it does anything. */
public final class EmptyWindow extends Application {
    /** Starts it from the class path. */
    public static final class Launch {
        private Launch() {}

        public static void main(String[] arguments) {
            ToolkitLog.expectClassPath();
            Application.launch(EmptyWindow.class);
        }
    }

    @Override
    public void start(Stage stage) {
        Themes.loadFonts();
        Scene scene = new Scene(new BorderPane(new Label("empty")), 1280, 800);
        Themes.apply(Palette.Theme.DAYLIGHT, scene);
        stage.setScene(scene);
        stage.show();
        Platform.runLater(() -> System.out.println("window shown after "
                + (System.currentTimeMillis()
                        - ManagementFactory.getRuntimeMXBean().getStartTime()) + " ms"));
    }
}
