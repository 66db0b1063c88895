package dev.yardarm.app.layout;

import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.theme.Zoom;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.layout.Layout;
import dev.yardarm.desk.room.layout.WindowPlace;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Scene;
import javafx.stage.Stage;

/** The windows of layouts that were taken out of the main one; closing such a window brings its layout back as a tab. */
public final class LayoutWindows {
    private final Workbench bench;
    private final Consumer<Scene> keys;
    private final Runnable moved;
    private final Map<Layout, Stage> windows = new LinkedHashMap<>();

    /**
     * @param keys gives a new window the keys of the main one
     * @param moved told when a window is moved or resized
     */
    public LayoutWindows(Workbench bench, Consumer<Scene> keys, Runnable moved) {
        this.bench = bench;
        this.keys = keys;
        this.moved = moved;
        bench.layouts().listen(aspect -> {
            if (aspect == Aspect.LAYOUT) {
                show();
            }
        });
        bench.textSizeProperty().addListener((observed, before, now) -> windows.values()
                .forEach(stage -> ((Zoom) stage.getScene().getRoot()).set(now.intValue())));
        bench.themeProperty().addListener((observed, before, now) -> windows.values()
                .forEach(stage -> Themes.apply(now, stage.getScene())));
    }

    /** Opens windows that are missing and closes those whose layout went back. */
    public void show() {
        List<Layout> wanted =
                bench.layouts().all().stream().filter(Layout::hasOwnWindow).toList();
        for (Layout layout : new ArrayList<>(windows.keySet())) {
            if (!wanted.contains(layout)) {
                shut(windows.remove(layout));
            }
        }
        for (Layout layout : wanted) {
            if (!windows.containsKey(layout)) {
                open(layout);
            }
            windows.get(layout).setTitle("Yardarm, " + layout.title());
        }
    }

    private void open(Layout layout) {
        Stage stage = new Stage();
        // Known before it shows: showing it takes its chart in hand, which comes back here.
        windows.put(layout, stage);
        Zoom root = new Zoom(new LayoutPane(bench, () -> layout));
        Scene scene = new Scene(root, 760, 520);
        Themes.apply(bench.themeProperty().get(), scene);
        root.set(bench.textSizeProperty().get());
        keys.accept(scene);
        stage.setScene(scene);
        stage.setOnCloseRequest(event -> {
            shut(windows.remove(layout));
            bench.layouts().backToTab(layout);
        });
        stage.focusedProperty().addListener((observed, before, now) -> {
            if (now && bench.layouts().all().contains(layout)) {
                bench.layouts().activate(layout.active());
            }
        });
        for (var property :
                List.of(stage.xProperty(), stage.yProperty(), stage.widthProperty(), stage.heightProperty())) {
            property.addListener((observed, before, now) -> moved.run());
        }
        stage.show();
    }

    /** The view of a chart in one of these windows; null when it is in none. */
    public LayoutPane pane(Layout layout) {
        Stage stage = windows.get(layout);
        return stage == null ? null : (LayoutPane) Zoom.content(stage.getScene());
    }

    /** Where the window of a layout stands, when it has one. */
    public Optional<WindowPlace> placeOf(Layout layout) {
        return Optional.ofNullable(windows.get(layout))
                .map(stage -> new WindowPlace(
                        stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight(), stage.isMaximized()));
    }

    /** Puts the window of a layout where it was. */
    public void place(Layout layout, WindowPlace window) {
        Stage stage = windows.get(layout);
        boolean onScreen = window.isSeen()
                && !javafx.stage.Screen.getScreensForRectangle(window.x(), window.y(), 100, 40)
                        .isEmpty();
        if (stage != null && onScreen) {
            stage.setX(window.x());
            stage.setY(window.y());
            stage.setWidth(window.width());
            stage.setHeight(window.height());
        }
    }

    private static void shut(Stage stage) {
        if (stage != null) {
            ((LayoutPane) Zoom.content(stage.getScene())).close();
            stage.close();
        }
    }

    /** Closes all windows. */
    public void close() {
        windows.values().forEach(LayoutWindows::shut);
        windows.clear();
    }
}
