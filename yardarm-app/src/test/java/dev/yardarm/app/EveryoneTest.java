package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.logging.Handler;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import javafx.scene.AccessibleAttribute;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.stage.Window;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.util.WaitForAsyncUtils;

/** What is there for the eye and the mouse is there for the ear and the keyboard too. */
class EveryoneTest {
    @TempDir
    Path home;

    private WindowFixture app;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private String spoken() {
        return app.get(
                () -> (String) app.robot().lookup("#chart").query().queryAccessibleAttribute(AccessibleAttribute.TEXT));
    }

    private Node owner() {
        return app.get(() -> app.robot().lookup("#status").query().getScene().getFocusOwner());
    }

    private static boolean isInside(Node node, String id) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (id.equals(at.getId())) {
                return true;
            }
        }
        return false;
    }

    @Test
    void aChartSaysWhatItShowsAndTheBarUnderItsCrosshair() {
        app.line("rsi 14");
        assertThat(spoken()).startsWith("Chart of KTRL, Kettering Tidal, D, last 103.76, +0.41 %, 1 layer");
        app.robot().push(KeyCode.ENTER).push(KeyCode.LEFT).push(KeyCode.LEFT).push(KeyCode.LEFT);
        WaitForAsyncUtils.waitForFxEvents();
        int bar = app.get(() -> app.chart().bars().size()) - 4;
        double close = app.get(() -> app.chart().bars().close(bar));
        assertThat(spoken()).contains("16 Jun 2026", String.format("close %.2f", close), "rsi 14");
        app.robot().push(KeyCode.ESCAPE);
        assertThat(spoken()).doesNotContain("16 Jun 2026");
    }

    @Test
    void overlaysHoldTheFocusAndGiveItBack() throws Exception {
        for (String[] each :
                new String[][] {{"F1", "help"}, {"catalogue", "indicator-picker"}, {"compare", "compare-panel"}}) {
            Node button = app.robot().lookup("#tool-level").query();
            app.get(() -> {
                button.requestFocus();
                return true;
            });
            if (each[0].equals("F1")) {
                app.robot().push(KeyCode.F1);
            } else {
                app.get(() -> {
                    if (each[0].equals("compare")) {
                        app.window().bench().compare();
                    } else {
                        app.window().bench().pick(chosen -> {});
                    }
                    return true;
                });
            }
            app.await(each[1], () -> app.robot().lookup("#" + each[1]).query().isVisible());
            Set<Node> visited = new HashSet<>();
            for (int tab = 0; tab < 40; tab++) {
                app.robot().push(KeyCode.TAB);
                WaitForAsyncUtils.waitForFxEvents();
                visited.add(owner());
                assertThat(isInside(owner(), each[1]))
                        .as(each[1] + ", " + owner())
                        .isTrue();
            }
            assertThat(visited).as("Tab goes round in " + each[1]).hasSizeLessThan(40);
            app.robot().push(KeyCode.SHIFT, KeyCode.TAB);
            assertThat(isInside(owner(), each[1])).isTrue();
            app.robot().push(KeyCode.ESCAPE);
            app.await("closed", () -> !app.robot().lookup("#" + each[1]).query().isVisible());
            assertThat(owner()).as("after " + each[1]).isEqualTo(button);
        }
    }

    @Test
    void aTooltipComesOnFocusByKeyToo() throws Exception {
        app.get(() -> {
            app.robot().lookup("#tool-level").query().requestFocus();
            return true;
        });
        app.robot().push(KeyCode.TAB);
        Node line = owner();
        assertThat(line.getId()).isEqualTo("tool-line");
        String help = app.get(line::getAccessibleHelp);
        assertThat(help).contains("Space D");
        app.await("its tooltip", () -> Window.getWindows().stream()
                .anyMatch(
                        window -> window instanceof Tooltip tip && tip.getText().equals(help)));
        app.robot().push(KeyCode.TAB);
        app.await("it goes", () -> Window.getWindows().stream()
                .noneMatch(
                        window -> window instanceof Tooltip tip && tip.getText().equals(help)));
    }

    @Test
    void tabGoesFromTheHeaderThroughTheViewToTheFoot() {
        Scene scene = app.get(() -> app.robot().lookup("#status").query().getScene());
        app.get(() -> {
            app.robot().lookup("#view-chart").query().requestFocus();
            return true;
        });
        boolean list = false;
        boolean status = false;
        for (int tab = 0; tab < 80 && !status; tab++) {
            app.robot().push(KeyCode.TAB);
            WaitForAsyncUtils.waitForFxEvents();
            Node at = app.get(scene::getFocusOwner);
            list |= isInside(at, "list-panel");
            status = isInside(at, "status");
            assertThat(status && !list).as("the foot before the view").isFalse();
        }
        assertThat(status).isTrue();
    }

    private double onScreen(String id) {
        return app.get(() -> {
            Node node = app.robot().lookup(id).query();
            return node.localToScreen(node.getBoundsInLocal()).getHeight();
        });
    }

    @Test
    void textGrowsAndShrinksStaysSharpAndIsKept() throws Exception {
        List<String> warnings = new CopyOnWriteArrayList<>();
        Handler heard = new Handler() {
            @Override
            public void publish(LogRecord warning) {
                warnings.add(warning.getMessage());
            }

            @Override
            public void flush() {}

            @Override
            public void close() {}
        };
        Logger styles = Logger.getLogger("javafx.css");
        styles.addHandler(heard);
        double usual = onScreen("#view-chart");
        double chart = app.get(() -> app.chart().width());
        app.line("text 150");
        app.await("larger", () -> Math.abs(onScreen("#view-chart") / usual - 1.5) < 0.02);
        app.await("the chart in what is left", () -> app.chart().width() < chart * 0.6);
        // The canvas has as many pixels as the screen: what it draws is not blown up.
        assertThat(app.get(() -> {
                    Parent region =
                            (Parent) app.robot().lookup("#chart .chart-canvas").query();
                    Canvas canvas = (Canvas) region.getChildrenUnmodifiable().get(0);
                    return canvas.getWidth() / app.chart().width();
                }))
                .isEqualTo(1.5);
        // Points are still where they are seen.
        int last = app.get(() -> app.chart().bars().size()) - 1;
        app.robot().moveTo(app.at(last - 8, app.get(() -> app.chart().bars().close(last - 8))));
        app.robot().push(KeyCode.ESCAPE);
        app.robot().push(KeyCode.CONTROL, KeyCode.DIGIT0);
        app.await("usual", () -> Math.abs(onScreen("#view-chart") - usual) < 0.5);
        for (int step = 0; step < 3; step++) {
            app.robot().push(KeyCode.CONTROL, KeyCode.MINUS);
        }
        app.await("smaller, and no smaller than 90", () -> Math.abs(onScreen("#view-chart") / usual - 0.9) < 0.02);
        app.robot()
                .push(KeyCode.CONTROL, KeyCode.PLUS)
                .push(KeyCode.CONTROL, KeyCode.PLUS)
                .push(KeyCode.CONTROL, KeyCode.PLUS);
        app.await("larger", () -> app.desk().habits().textSize() == 120);
        app.line("text 400");
        assertThat(app.notices()).contains("text can be shown at 90 to 150 %");
        app.robot().push(KeyCode.ESCAPE);
        app.close();
        app = new WindowFixture(home);
        app.openAsItIs(true);
        app.await("kept", () -> Math.abs(onScreen("#view-chart") / usual - 1.2) < 0.02);
        styles.removeHandler(heard);
        assertThat(warnings).as("of the style sheets").isEmpty();
    }
}
