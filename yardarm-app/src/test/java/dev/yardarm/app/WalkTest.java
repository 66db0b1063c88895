package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.app.view.WatchPages;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.desk.action.View;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.Image;
import javafx.scene.layout.Background;
import javafx.scene.layout.BackgroundFill;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.text.Text;
import org.fxmisc.richtext.CodeArea;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Walks every node of every view in both themes and two sizes for what a machine can check of a screen. */
class WalkTest {
    private static final List<String> PLACES =
            List.of("CHART", "SCAN", "WATCH:ALERTS", "WATCH:BOARD", "WATCH:WALL", "PLAN");

    @TempDir
    Path home;

    private WindowFixture app;
    private final Set<String> faults = new TreeSet<>();
    private int checked;
    private int focused;

    /** A text as it is seen: what clips cut away is not of it. */
    private record Written(Text text, Bounds seen) {}

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    /** A view, and with a colon a page of it. */
    private void goTo(String place) {
        String[] parts = place.split(":");
        app.window().bench().go(View.valueOf(parts[0]));
        if (parts.length > 1) {
            app.window().watch().show(WatchPages.Page.valueOf(parts[1]));
        }
    }

    @Test
    void nothingIsCutTooSmallPaleOrNameless() throws Exception {
        app.line("rsi 14");
        app.line("ichimoku");
        app.line("exhaustion");
        app.line("level 101.25");
        app.line("plan 104 101.5 111");
        app.line("card");
        app.line("alert");
        for (int[] size : new int[][] {{1280, 800, 100}, {1920, 1080, 100}, {1920, 1080, 150}, {1280, 800, 150}}) {
            app.get(() -> {
                app.window().bench().setTextSize(size[2]);
                var stage = app.robot().lookup("#status").query().getScene().getWindow();
                stage.setWidth(size[0]);
                stage.setHeight(size[1]);
                return true;
            });
            for (Palette.Theme theme : Palette.Theme.values()) {
                app.get(() -> {
                    app.window().bench().themeProperty().set(theme);
                    return true;
                });
                for (String place : PLACES) {
                    app.get(() -> {
                        goTo(place);
                        return true;
                    });
                    Thread.sleep(200);
                    app.get(() -> {
                        Scene scene = app.robot().lookup("#status").query().getScene();
                        // Selected rows have a ground of their own.
                        scene.getRoot().lookupAll(".list-view").forEach(list -> ((ListView<?>) list)
                                .getSelectionModel()
                                .selectFirst());
                        scene.getRoot().lookupAll(".table-view").forEach(table -> ((TableView<?>) table)
                                .getSelectionModel()
                                .selectFirst());
                        return true;
                    });
                    // Two pulses: rows of tables are made in the first.
                    Thread.sleep(300);
                    app.get(() -> {
                        Scene scene = app.robot().lookup("#status").query().getScene();
                        scene.getRoot().applyCss();
                        scene.getRoot().layout();
                        String where = place + " " + theme + " " + size[0] + " at " + size[2] + " %: ";
                        List<Written> written = new ArrayList<>();
                        walk(scene.getRoot(), where, null, written);
                        overlapping(written, where);
                        if (size[0] == 1280) {
                            focusable(scene, where);
                        }
                        return true;
                    });
                }
            }
        }
        assertThat(checked).isGreaterThan(3000);
        assertThat(focused).isGreaterThan(100);
        assertThat(faults).isEmpty();
    }

    /** The editor of one's own indicators, on each of its pages, with a fault and with a sentence that waits. */
    @Test
    void theEditorIsReadableOnAllItsPages() throws Exception {
        app.line("KTRL");
        app.line("own indicators");
        for (int size : new int[] {100, 150}) {
            for (Palette.Theme theme : Palette.Theme.values()) {
                app.get(() -> {
                    app.window().bench().setTextSize(size);
                    app.window().bench().themeProperty().set(theme);
                    app.room().showLayers(List.of());
                    ((CodeArea) app.robot().lookup("#definition").query())
                            .replaceText("define \"Walked\" in price\nline sma(clsoe, 5)\n// so much\n");
                    TextField sentence = app.robot().lookup("#sentence").query();
                    sentence.setText("colour bars where the close is above the 20-bar average");
                    sentence.getOnAction().handle(null);
                    return true;
                });
                for (String page : List.of("#own-library", "#own-versions", "#own-blends", "#own-write")) {
                    app.get(() -> {
                        ((ToggleButton) app.robot().lookup(page).query()).fire();
                        return true;
                    });
                    Thread.sleep(500);
                    app.get(() -> {
                        Scene scene = app.robot().lookup("#own-panel").query().getScene();
                        scene.getRoot().applyCss();
                        scene.getRoot().layout();
                        String where = page + " " + theme + " at " + size + " %: ";
                        List<Written> written = new ArrayList<>();
                        walk(app.robot().lookup("#own-panel").query(), where, null, written);
                        overlapping(written, where);
                        return true;
                    });
                }
            }
        }
        assertThat(checked).isGreaterThan(500);
        assertThat(faults).isEmpty();
    }

    private void walk(Node node, String where, Bounds clip, List<Written> written) {
        if (!node.isVisible()) {
            return;
        }
        checked++;
        Bounds inside = node.getClip() == null
                ? clip
                : common(clip, node.localToScene(node.getClip().getBoundsInParent()));
        if (node instanceof Text text && !text.getText().isBlank()) {
            small(text, where);
            pale(text, where);
            Bounds seen = common(inside, text.localToScene(text.getLayoutBounds()));
            if (seen.getWidth() > 1 && seen.getHeight() > 4) {
                written.add(new Written(text, seen));
            }
        }
        if (node instanceof Labeled labeled && has(labeled.getText()) && labeled.getWidth() > 0) {
            cut(labeled, where);
        }
        if (node instanceof Control control && control.isFocusTraversable() && !(control instanceof ScrollPane)) {
            named(control, where);
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> walk(child, where, inside, written));
        }
    }

    private static Bounds common(Bounds one, Bounds other) {
        if (one == null) {
            return other;
        }
        double left = Math.max(one.getMinX(), other.getMinX());
        double top = Math.max(one.getMinY(), other.getMinY());
        return new BoundingBox(
                left,
                top,
                Math.max(0, Math.min(one.getMaxX(), other.getMaxX()) - left),
                Math.max(0, Math.min(one.getMaxY(), other.getMaxY()) - top));
    }

    /** Two texts share a place, by more than the air around their letters. */
    private void overlapping(List<Written> written, String where) {
        for (int one = 0; one < written.size(); one++) {
            for (int other = 0; other < one; other++) {
                Bounds shared =
                        common(written.get(one).seen(), written.get(other).seen());
                if (shared.getWidth() > 2 && shared.getHeight() > 4) {
                    faults.add(where + "'" + written.get(one).text().getText() + "' lies over '"
                            + written.get(other).text().getText() + "'");
                }
            }
        }
    }

    /** What can have the focus looks another way when it has it. */
    private void focusable(Scene scene, String where) {
        List<Control> controls = new ArrayList<>();
        collect(scene.getRoot(), controls);
        Node before = scene.getFocusOwner();
        for (Control control : controls) {
            // Elsewhere first.
            controls.get(control == controls.get(0) ? controls.size() - 1 : 0).requestFocus();
            Image without = control.snapshot(null, null);
            control.requestFocus();
            if (!control.isFocused()) {
                continue;
            }
            control.applyCss();
            Image with = control.snapshot(null, null);
            focused++;
            if (same(without, with)) {
                faults.add(where + control.getClass().getSimpleName() + " " + control.getId() + " "
                        + control.getStyleClass() + " looks the same with the focus");
            }
        }
        if (before != null) {
            before.requestFocus();
        }
    }

    private static void collect(Node node, List<Control> controls) {
        if (!node.isVisible() || node.isDisabled()) {
            return;
        }
        if (node instanceof Control control
                && control.isFocusTraversable()
                && control.getWidth() > 4
                && control.getHeight() > 4) {
            controls.add(control);
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> collect(child, controls));
        }
    }

    private static boolean same(Image one, Image other) {
        if (one.getWidth() != other.getWidth() || one.getHeight() != other.getHeight()) {
            return false;
        }
        for (int y = 0; y < one.getHeight(); y++) {
            for (int x = 0; x < one.getWidth(); x++) {
                if (one.getPixelReader().getArgb(x, y) != other.getPixelReader().getArgb(x, y)) {
                    return false;
                }
            }
        }
        return true;
    }

    private void small(Text text, String where) {
        if (text.getFont().getSize() < 11) {
            faults.add(where + "'" + text.getText() + "' is written in "
                    + text.getFont().getSize());
        }
    }

    private void pale(Text text, String where) {
        Color ground = ground(text.getParent());
        if (ground == null || !(text.getFill() instanceof Color fill) || disabled(text)) {
            return;
        }
        double contrast = contrast(fill, ground);
        if (contrast < 4.45) {
            faults.add(where
                    + String.format("'%s' has a contrast of %.2f, %s on %s", text.getText(), contrast, fill, ground));
        }
    }

    private static boolean disabled(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at.isDisabled() || at.getOpacity() < 1) {
                return true;
            }
        }
        return false;
    }

    private static Color ground(Node from) {
        for (Node at = from; at != null; at = at.getParent()) {
            Background background = at instanceof Region region ? region.getBackground() : null;
            if (background != null) {
                List<BackgroundFill> fills = background.getFills();
                for (int each = fills.size() - 1; each >= 0; each--) {
                    Paint paint = fills.get(each).getFill();
                    if (paint instanceof Color colour && colour.getOpacity() > 0.99) {
                        return colour;
                    }
                }
            }
        }
        return null;
    }

    private static double contrast(Color one, Color other) {
        double first = luminance(one) + 0.05;
        double second = luminance(other) + 0.05;
        return Math.max(first, second) / Math.min(first, second);
    }

    private static double luminance(Color colour) {
        double[] channels = {colour.getRed(), colour.getGreen(), colour.getBlue()};
        double[] weights = {0.2126, 0.7152, 0.0722};
        double sum = 0;
        for (int at = 0; at < 3; at++) {
            double value = channels[at];
            sum += weights[at] * (value <= 0.03928 ? value / 12.92 : Math.pow((value + 0.055) / 1.055, 2.4));
        }
        return sum;
    }

    /** A text that ends in dots needs the whole of it in a tooltip or for screen readers. */
    private void cut(Labeled labeled, String where) {
        for (Node child : labeled.getChildrenUnmodifiable()) {
            if (child instanceof Text text
                    && text.getText().endsWith(labeled.getEllipsisString())
                    && !labeled.getText().endsWith(labeled.getEllipsisString())) {
                String told = labeled.getAccessibleHelp();
                if (!has(told)) {
                    faults.add(where + "'" + labeled.getText() + "' is cut to '" + text.getText() + "'");
                }
            }
        }
    }

    private static boolean has(String text) {
        return text != null && !text.isBlank();
    }

    private void named(Control control, String where) {
        boolean hasName = has(control.getAccessibleText())
                || control instanceof Labeled labeled && has(labeled.getText())
                || control instanceof TextInputControl field && has(field.getPromptText());
        if (!hasName) {
            List<String> classes = new ArrayList<>(control.getStyleClass());
            faults.add(where + control.getClass().getSimpleName() + " " + control.getId() + " " + classes
                    + " has no name");
        }
    }
}
