package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListSet;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.util.WaitForAsyncUtils;

/** Rows of the list look right in every single frame, the first in which they have something to say included. */
class FirstFrameTest {
    @TempDir
    Path home;

    private WindowFixture app;
    private final Set<String> faults = new ConcurrentSkipListSet<>();
    private int frames;
    private int rows;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    @Test
    void noRowIsShownForAFrameInAnotherTypeOrColour() throws Exception {
        app.get(() -> {
            Scene scene = app.robot().lookup("#status").query().getScene();
            scene.addPostLayoutPulseListener(() -> look(scene));
            return true;
        });
        app.await("quotes", () -> rows > 0);
        TextField filter = app.robot().lookup("#list-filter").query();
        for (String wanted : new String[] {"k", "", "zzz", "", "ba", "marn", ""}) {
            app.get(() -> {
                filter.setText(wanted);
                return true;
            });
            WaitForAsyncUtils.waitForFxEvents();
        }
        for (String list :
                new String[] {"All companies", "Indices", "Evening round", "Small companies", "Evening round"}) {
            app.get(() -> {
                app.room().setList(list);
                return true;
            });
            WaitForAsyncUtils.waitForFxEvents();
            app.get(() -> {
                ((ListView<?>) app.robot().lookup("#list").query())
                        .getSelectionModel()
                        .selectFirst();
                return true;
            });
            WaitForAsyncUtils.waitForFxEvents();
            Thread.sleep(150);
        }
        assertThat(frames).isGreaterThan(10);
        assertThat(rows).isGreaterThan(200);
        assertThat(faults).isEmpty();
    }

    /** After the layout and before the picture: what the frame will show. */
    private void look(Scene scene) {
        frames++;
        for (Node node : scene.lookup("#list").lookupAll(".small")) {
            if (!(node instanceof Label label) || label.getText().isEmpty() || !shown(label)) {
                continue;
            }
            rows++;
            if (label.getFont().getSize() != 11) {
                faults.add(label.getText() + " in " + label.getFont().getSize());
            }
            for (Node inside : label.getChildrenUnmodifiable()) {
                if (inside instanceof Text text && !text.getText().equals(label.getText())) {
                    faults.add(label.getText() + " is cut to " + text.getText());
                }
                if (inside instanceof Text text
                        && label.getText().matches("[+−]\\d.*")
                        && !label.getText().contains("0.00")
                        && Color.BLACK.equals(text.getFill())) {
                    faults.add(label.getText() + " is black");
                }
            }
        }
    }

    private static boolean shown(Node node) {
        return node == null || node.isVisible() && shown(node.getParent());
    }
}
