package dev.yardarm.app.window;

import dev.yardarm.app.panel.ComparePanel;
import dev.yardarm.app.panel.IndicatorPicker;
import dev.yardarm.app.panel.IntakePanel;
import dev.yardarm.app.workbench.FocusHold;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.desk.action.View;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.stage.Window;

/**
 * What lies over the window: the hint panel, help and notices, the catalogue, the instruments to compare with, files to
 * import, and the bar of alerts. Each is made when it is first asked for, keeps the focus inside while it is open and gives it
 * back where it was.
 */
final class OverlayDeck implements Overlays {
    private final Workbench bench;
    private final StackPane over;
    private final CommandLine line;
    private final HintPanel hints;
    private final HelpPane help;
    private final AlertBar alerts;
    private final Runnable focusView;
    private IndicatorPicker picker;
    private ComparePanel comparison;
    private IntakePanel intake;
    private Runnable afterHelp;

    /**
     * @param over the content of the window, on which they lie
     * @param focusView puts the focus into the view in front
     */
    OverlayDeck(Workbench bench, StackPane over, CommandLine line, HintPanel hints, Runnable focusView) {
        this.bench = bench;
        this.over = over;
        this.line = line;
        this.hints = hints;
        this.focusView = focusView;
        afterHelp = focusView;
        help = new HelpPane(bench.actions());
        FocusHold.in(help);
        alerts = new AlertBar(bench, this::showAlerts);
        over.getChildren().addAll(hints, help);
        bench.onPick(this::pick);
        bench.onCompare(this::compare);
        bench.onIntake(this::intake);
        takeDrops();
    }

    /** From now on they are placed anew whenever one of them comes. */
    void follow() {
        hints.visibleProperty().addListener((observed, before, now) -> place());
        help.visibleProperty().addListener((observed, before, now) -> place());
    }

    AlertBar alerts() {
        return alerts;
    }

    private void pick(Consumer<Indicator> taker) {
        if (picker == null) {
            picker = added(new IndicatorPicker(bench));
        }
        picker.open(taker, back());
        place();
    }

    private void compare() {
        if (bench.room().instrument().isEmpty()) {
            bench.desk().tell("Open a chart first: type the code of an instrument.");
            return;
        }
        if (comparison == null) {
            comparison = added(new ComparePanel(bench));
        }
        bench.go(View.CHART);
        comparison.open(back());
        place();
    }

    /** Shows what files hold before they are imported. */
    private void intake(List<Path> given) {
        Window window = over.getScene() == null ? null : over.getScene().getWindow();
        List<Path> files = given.isEmpty() ? IntakePanel.choose(window) : given;
        if (files.isEmpty()) {
            return;
        }
        if (intake == null) {
            intake = added(new IntakePanel(bench));
        }
        intake.open(files, back());
        place();
    }

    private <T extends Region> T added(T overlay) {
        FocusHold.in(overlay);
        over.getChildren().add(overlay);
        return overlay;
    }

    /** Files dropped on the window are looked at. */
    private void takeDrops() {
        over.setOnDragOver(event -> {
            if (event.getDragboard().hasFiles()) {
                event.acceptTransferModes(TransferMode.COPY);
                event.consume();
            }
        });
        over.setOnDragDropped(event -> {
            List<Path> files =
                    event.getDragboard().getFiles().stream().map(File::toPath).toList();
            if (!files.isEmpty()) {
                intake(files);
            }
            event.setDropCompleted(!files.isEmpty());
            event.consume();
        });
    }

    /** Where the focus goes when what is opened now closes: where it is, unless that is the command line. */
    Runnable back() {
        if (over.getScene() == null) {
            return focusView;
        }
        for (Node above = over.getScene().getFocusOwner(); above != null; above = above.getParent()) {
            if (above == line || above == help) {
                return focusView;
            }
        }
        return FocusHold.back(over.getScene(), focusView);
    }

    @Override
    public void toggleHelp() {
        if (!help.isVisible()) {
            afterHelp = back();
        }
        help.toggle();
        place();
        if (!help.isVisible()) {
            afterHelp.run();
        }
    }

    void showNotices() {
        afterHelp = back();
        help.showNotices(bench.desk().notices());
        place();
    }

    @Override
    public boolean areOpen() {
        return help.isVisible() || isOpen(picker) || isOpen(comparison) || isOpen(intake);
    }

    private static boolean isOpen(Region overlay) {
        return overlay != null && overlay.isVisible();
    }

    @Override
    public boolean closeFront() {
        if (isOpen(picker)) {
            picker.close();
        } else if (isOpen(comparison)) {
            comparison.close();
        } else if (isOpen(intake)) {
            intake.close();
        } else if (help.isVisible()) {
            help.setVisible(false);
            afterHelp.run();
        } else {
            return false;
        }
        return true;
    }

    @Override
    public boolean putAlertAway() {
        return alerts.putAway();
    }

    private void showAlerts() {
        if (alerts.isVisible()) {
            if (!over.getChildren().contains(alerts)) {
                over.getChildren().add(alerts);
            }
            alerts.toFront();
        }
        place();
    }

    /** Puts all that are open where they belong. */
    void place() {
        double height = over.getHeight();
        place(help, 860, 560, 60);
        place(picker, 900, 600, 50);
        place(comparison, 660, 520, 50);
        if (isOpen(intake)) {
            double wide = Math.min(760, over.getWidth() - 60);
            place(intake, 760, Math.max(260, intake.prefHeight(wide)), 50);
        }
        if (hints.isOpen()) {
            hints.autosize();
            hints.relocate(
                    Math.max(4, Math.min(230, over.getWidth() - hints.getWidth() - 4)),
                    height - hints.getHeight() - 36);
        }
        if (alerts.isVisible()) {
            // In the free part of the header: a notice must not hide prices.
            Bounds field = over.sceneToLocal(line.localToScene(line.getBoundsInLocal()));
            double left = 296;
            double right = Math.max(left + 120, field.getMinX() - 96);
            alerts.resizeRelocate(left, 4, Math.min(alerts.prefWidth(-1), right - left), 28);
        }
    }

    private void place(Region overlay, double width, double height, double top) {
        if (isOpen(overlay)) {
            double wide = Math.min(width, over.getWidth() - 60);
            double high = Math.min(height, over.getHeight() - top - 30);
            overlay.resizeRelocate((over.getWidth() - wide) / 2, top, wide, high);
        }
    }
}
