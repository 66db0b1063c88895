package dev.yardarm.app;

import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.render.LayerParts;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** The whole application in a window for tests, with a robot at its mouse and keyboard. */
final class WindowFixture {
    /** The one that is open. A test that failed leaves its window behind, and the next would look into that. */
    private static WindowFixture left;

    /** Seconds until something counts as waited for in vain; a machine with other work may stand still for half a minute. */
    private static final int PATIENCE = 90;

    private final Path home;
    private final FxRobot robot = new Hand();
    private final List<String> notices = new CopyOnWriteArrayList<>();
    private MainWindow window;
    private Desk desk;

    WindowFixture(Path home) {
        this.home = home;
    }

    /** Opens the application, as the next start does: the demo's history is there. */
    void open(boolean still) throws Exception {
        PackedHome.copyInto(home);
        openAsItIs(still);
    }

    /** Opens the application in the home as it is, as the first start does in an empty one. */
    void openAsItIs(boolean still) throws Exception {
        FxToolkit.toolkitContext().setSetupTimeoutInMillis(PATIENCE * 1000L);
        FxToolkit.toolkitContext().setLaunchTimeoutInMillis(PATIENCE * 1000L);
        FxToolkit.registerPrimaryStage();
        if (left != null) {
            left.close();
        }
        left = this;
        // A stage of its own: one that is used again would hold on to all windows it ever had.
        Stage stage = FxToolkit.registerStage(Stage::new);
        FxToolkit.setupFixture(() -> {
            try {
                Themes.loadFonts();
                desk = new Desk(new Desk.Options(home, true, 1, still), Platform::runLater);
                window = new MainWindow(desk, stage);
                desk.onNotice(notices::add);
                window.open();
                stage.setX(0);
                stage.setY(0);
                stage.setWidth(1280);
                stage.setHeight(800);
                stage.toFront();
                stage.requestFocus();
            } catch (IOException failed) {
                throw new AssertionError(failed);
            }
        });
        await("the first chart", () -> !chart().bars().isEmpty());
    }

    /** Ends the application, which writes what is left to write. */
    void close() throws Exception {
        left = null;
        FxToolkit.setupFixture(() -> {
            if (window != null) {
                window.close();
            }
        });
        FxToolkit.cleanupStages();
    }

    /** All notices since the start, newest last; a later one takes the place of an earlier one in the status line. */
    String notices() {
        return String.join("\n", notices);
    }

    FxRobot robot() {
        return robot;
    }

    MainWindow window() {
        return window;
    }

    Desk desk() {
        return desk;
    }

    ChartRoom room() {
        return window.bench().room();
    }

    ChartModel chart() {
        return room().chart();
    }

    <T> T get(Callable<T> task) {
        return WaitForAsyncUtils.waitForAsyncFx(PATIENCE * 1000L, task);
    }

    void await(String what, Callable<Boolean> condition) throws Exception {
        try {
            WaitForAsyncUtils.waitFor(PATIENCE, TimeUnit.SECONDS, () -> get(condition));
        } catch (java.util.concurrent.TimeoutException late) {
            File picture = new File("target", "failed-" + what.replaceAll("[^a-zA-Z0-9]", "-") + ".png");
            ImageIO.write(
                    get(() -> SwingFXUtils.fromFXImage(
                            robot.lookup("#status").query().getScene().snapshot(null), null)),
                    "png",
                    picture);
            throw new AssertionError("waited in vain for: " + what + "; see " + picture + "\n" + state());
        }
        Hand.settle();
    }

    /** What may tell why something does not come: what was told, what is on the chart, and what the threads at work are doing. */
    private String state() {
        StringBuilder all = new StringBuilder("told: "
                + notices.stream().skip(Math.max(0, notices.size() - 5)).toList());
        all.append("\nlayers: ").append(get(() -> chart().layers().stream()
                .map(layer -> LayerParts.title(chart(), layer) + " = " + LayerParts.value(chart(), layer))
                .toList()));
        all.append("\nproblem: ").append(get(() -> room().problem()));
        Thread.getAllStackTraces().forEach((thread, frames) -> {
            if (thread.getName().startsWith("work-") && frames.length > 0) {
                all.append("\n").append(thread.getName()).append(": ").append(thread.getState());
                Arrays.stream(frames).limit(8).forEach(frame -> all.append("\n    ")
                        .append(frame));
            }
        });
        return all.toString();
    }

    /** Types the leader, then letters and digits one after the other. */
    void keys(String letters) {
        robot.push(KeyCode.SPACE);
        Hand.settle();
        for (int at = 0; at < letters.length(); at++) {
            char letter = letters.charAt(at);
            KeyCode code = KeyCode.getKeyCode(String.valueOf(Character.toUpperCase(letter)));
            if (Character.isUpperCase(letter)) {
                robot.push(KeyCode.SHIFT, code);
            } else {
                robot.push(code);
            }
            Hand.settle();
        }
        look();
    }

    /** Opens the command line, types a line and takes it. */
    void line(String text) {
        robot.push(KeyCode.CONTROL, KeyCode.K);
        Hand.settle();
        type(text);
        Hand.settle();
        robot.push(KeyCode.ENTER);
        Hand.settle();
        look();
    }

    /** Who has typed something looks at the chart before going on: waits for its bars a while, if any are to come. */
    private void look() {
        long until = System.nanoTime() + 3_000_000_000L;
        while (System.nanoTime() < until
                && get(() -> room().instrument().isPresent()
                        && chart().bars().isEmpty()
                        && room().problem().isEmpty())) {
            Hand.settle();
        }
    }

    /**
     * Types as a keyboard does: each letter goes to whatever has the focus by then. Quicker than the robot, which waits for the
     * window after each letter.
     */
    void type(String text) {
        get(() -> {
            Scene scene = robot.lookup("#status").query().getScene();
            for (int at = 0; at < text.length(); at++) {
                String letter = text.substring(at, at + 1);
                Event.fireEvent(
                        scene.getFocusOwner(),
                        new KeyEvent(
                                KeyEvent.KEY_TYPED, letter, letter, KeyCode.UNDEFINED, false, false, false, false));
            }
            return true;
        });
    }

    /** A point of the chart on the screen. */
    Point2D onChart(double x, double y) {
        return get(() -> {
            Node view = robot.lookup("#chart").query();
            return view.localToScreen(x, y);
        });
    }

    /** The point of a bar and price on the screen. */
    Point2D at(int bar, double price) {
        return onChart(
                get(() -> chart().time().middle(bar)), get(() -> chart().price().y(price)));
    }

    void click(String query) {
        Hand.settle();
        robot.clickOn(query);
        Hand.settle();
    }

    /**
     * Clicks twice as a hand does, without waiting for the window in between: the robot waits for frames after each press, and on a
     * busy machine its two clicks come too far apart to be one double click.
     */
    void doubleClick(Point2D point) {
        robot.moveTo(point);
        Hand.settle();
        get(() -> {
            Robot hand = new Robot();
            for (int click = 0; click < 2; click++) {
                hand.mousePress(MouseButton.PRIMARY);
                hand.mouseRelease(MouseButton.PRIMARY);
            }
            return true;
        });
        Hand.settle();
    }

    void doubleClick(String query) {
        Bounds bounds = boundsOf(query);
        doubleClick(new Point2D(bounds.getCenterX(), bounds.getCenterY()));
    }

    Bounds boundsOf(String query) {
        return get(() -> {
            Node node = robot.lookup(query).query();
            return node.localToScreen(node.getBoundsInLocal());
        });
    }
}
