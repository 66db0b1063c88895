package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.data.text.BoundedFile;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.alert.FiringScene;
import dev.yardarm.desk.work.Lane;
import java.awt.Graphics;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.util.Duration;
import javax.imageio.ImageIO;

/**
 * Pictures of charts as they stood when alerts fired: bars as known at that moment, the drawings that were there, the price waited for. Each is
 * taken once, when the alert fires, and kept as a PNG beside the documents, so that later changes of drawings and prices leave it as it was.
 * Used by the interface's thread; reading, writing and loading happen behind it.
 */
public final class FiringPictures {
    private static final double WIDTH = 580;
    private static final double HEIGHT = 250;
    private static final int BARS = 70;

    private static final Duration REST = Duration.millis(100);

    private final Desk desk;
    private final Supplier<Palette> palette;
    /** What is to be drawn, by the files of the pictures. A scene, which holds bars, is loaded when it has its turn, one at a time. */
    private final Map<Path, Due> due = new LinkedHashMap<>();

    /** From when the scene of one is loaded until it has been drawn and some frames have passed. */
    private boolean busy;

    private record Due(Firing firing, Alert alert) {}

    /** @param palette what they are drawn in */
    public FiringPictures(Desk desk, Supplier<Palette> palette) {
        this.desk = desk;
        this.palette = palette;
    }

    /** Takes the picture of a firing. */
    public void take(Firing firing) {
        due.put(file(firing), new Due(firing, alert(firing)));
        drawNext();
    }

    private Alert alert(Firing firing) {
        return desk.books().alertShelf().get(firing.alert()).orElse(null);
    }

    /** @param failed a source that is away has no bars to draw; the firing itself is told and kept */
    private void scene(Lane lane, Firing firing, Alert alert, Consumer<FiringScene> taker, Runnable failed) {
        desk.scheduler()
                .start(
                        lane,
                        // Who looks at one must not cancel the one that is under way: nothing would be drawn after it.
                        "picture " + lane + " " + file(firing),
                        "",
                        job -> FiringScene.of(desk, firing, alert),
                        taker,
                        problem -> failed.run());
    }

    /** Draws one; the next after some frames, so that a hundred alerts that fire together do not stop the window. */
    private void drawNext() {
        if (busy || due.isEmpty()) {
            return;
        }
        busy = true;
        Map.Entry<Path, Due> first = due.entrySet().iterator().next();
        Path file = first.getKey();
        scene(
                Lane.BEHIND,
                first.getValue().firing(),
                first.getValue().alert(),
                scene -> {
                    // Who wanted to see it may have been given it meanwhile.
                    if (due.remove(file) != null) {
                        kept(file, scene);
                    }
                    rest();
                },
                () -> {
                    due.remove(file);
                    rest();
                });
    }

    private void rest() {
        PauseTransition rest = new PauseTransition(REST);
        rest.setOnFinished(event -> {
            busy = false;
            drawNext();
        });
        rest.play();
    }

    private BufferedImage kept(Path file, FiringScene scene) {
        BufferedImage picture = draw(scene, palette.get());
        keep(file, picture);
        return picture;
    }

    private Path file(Firing firing) {
        return desk.home().resolve("pictures").resolve(FiringScene.fileName(firing));
    }

    private static BufferedImage draw(FiringScene scene, Palette palette) {
        ChartModel model = new ChartModel(false);
        model.open(scene.instrument(), scene.request(), scene.calendar());
        model.setData(new ChartDataBuilder(List.of()).update(scene.bars()));
        model.setDrawings(scene.drawings());
        model.setFirings(List.of(scene.firing()));
        model.setSize(WIDTH, HEIGHT);
        model.showLast(Math.min(BARS, scene.bars().size()));
        ChartCanvas canvas = new ChartCanvas(model);
        canvas.setPalette(palette);
        // Only what lies in a scene is laid out.
        new Scene(canvas, WIDTH, HEIGHT);
        canvas.resize(WIDTH, HEIGHT);
        canvas.layout();
        return SwingFXUtils.fromFXImage(canvas.snapshot(null, null), null);
    }

    private void keep(Path file, BufferedImage picture) {
        desk.scheduler()
                .start(
                        Lane.BEHIND,
                        "write " + file,
                        "",
                        job -> {
                            Files.createDirectories(file.getParent());
                            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                            ImageIO.write(opaque(picture), "png", bytes);
                            // Whole or not at all for who reads it meanwhile.
                            Path part = file.resolveSibling(file.getFileName() + ".part");
                            Files.write(part, bytes.toByteArray());
                            return Files.move(part, file, StandardCopyOption.REPLACE_EXISTING);
                        },
                        done -> {},
                        failed -> desk.tell("The picture of an alert cannot be written: " + failed.getMessage()));
    }

    /** Without transparency, which a chart has none of: it takes the writer less than half the time. */
    private static BufferedImage opaque(BufferedImage picture) {
        BufferedImage made = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_3BYTE_BGR);
        Graphics graphics = made.createGraphics();
        graphics.drawImage(picture, 0, 0, null);
        graphics.dispose();
        return made;
    }

    /**
     * Reads the picture of a firing; hands over null when there is none. One that was not taken, as when the application ended while many
     * fired, is taken now from what was known then, and handed over behind that.
     */
    public void read(Firing firing, Consumer<Image> taker) {
        Path file = file(firing);
        Due waiting = due.remove(file);
        if (waiting != null) {
            drawn(file, firing, waiting.alert(), taker);
            return;
        }
        desk.scheduler()
                .start(
                        Lane.SOON,
                        "read picture " + file,
                        "",
                        job -> Files.exists(file) ? BoundedFile.bytes(file, BoundedFile.TEXT) : new byte[0],
                        bytes -> {
                            taker.accept(bytes.length == 0 ? null : new Image(new ByteArrayInputStream(bytes)));
                            if (bytes.length == 0) {
                                drawn(file, firing, alert(firing), taker);
                            }
                        },
                        (Exception failed) -> taker.accept(null));
    }

    private void drawn(Path file, Firing firing, Alert alert, Consumer<Image> taker) {
        scene(
                Lane.SOON,
                firing,
                alert,
                scene -> taker.accept(SwingFXUtils.toFXImage(kept(file, scene), null)),
                () -> taker.accept(null));
    }

    /** How many wait to be drawn. */
    int waiting() {
        return due.size();
    }
}
