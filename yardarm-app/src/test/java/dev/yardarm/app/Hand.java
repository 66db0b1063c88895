package dev.yardarm.app;

import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/**
 * A robot that strikes keys as quickly as a hand does. The one it is made of waits a tenth of a second for each, in which the
 * window does nothing but draw.
 */
final class Hand extends FxRobot {
    /** Turns of the interface's thread until what a key led to at once is done. */
    private static final int TURNS = 2;

    @Override
    public FxRobot push(KeyCode... keys) {
        WaitForAsyncUtils.waitForAsyncFx(90_000, () -> {
            Robot robot = new Robot();
            for (KeyCode key : keys) {
                robot.keyPress(key);
            }
            for (int key = keys.length - 1; key >= 0; key--) {
                robot.keyRelease(keys[key]);
            }
        });
        settle();
        return this;
    }

    /** Waits until what was done is through the interface's thread. */
    static void settle() {
        WaitForAsyncUtils.waitForFxEvents(TURNS);
    }
}
