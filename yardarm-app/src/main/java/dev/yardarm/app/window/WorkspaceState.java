package dev.yardarm.app.window;

import dev.yardarm.app.layout.LayoutWindows;
import dev.yardarm.app.workbench.View;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.layout.Layout;
import dev.yardarm.desk.room.layout.WorkspaceKeeper;
import java.util.ArrayList;
import java.util.List;
import javafx.animation.PauseTransition;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.util.Duration;

/** Keeps the workspace document: saved a moment after anything in it changes, restored at the start. */
final class WorkspaceState {
    private final Workbench bench;
    private final ChartPage page;
    private final CommandLine line;
    private final Stage stage;
    private LayoutWindows windows;
    private final PauseTransition soon = new PauseTransition(Duration.millis(250));
    private boolean restoring = true;

    WorkspaceState(Workbench bench, ChartPage page, CommandLine line, Stage stage) {
        this.bench = bench;
        this.page = page;
        this.line = line;
        this.stage = stage;
        soon.setOnFinished(event -> save());
        bench.layouts().listenToAll((room, aspect) -> {
            if (aspect != Aspect.DATA
                    && aspect != Aspect.TOOL
                    && aspect != Aspect.SELECTION
                    && aspect != Aspect.POINTER) {
                changed();
            }
        });
        bench.listen(aspect -> {
            if (aspect == Aspect.LAYOUT || aspect == Aspect.LINK) {
                changed();
            }
        });
        bench.overviewShownProperty().addListener((observed, before, now) -> changed());
        bench.desk().books().listen(subject -> {
            if (subject == Books.Subject.PLANS) {
                changed();
            }
        });
        bench.themeProperty().addListener((observed, before, now) -> changed());
        bench.viewProperty().addListener((observed, before, now) -> changed());
        page.listSide().visibleProperty().addListener((observed, before, now) -> changed());
        page.layersSide().visibleProperty().addListener((observed, before, now) -> changed());
        page.stripSide().visibleProperty().addListener((observed, before, now) -> changed());
        stage.widthProperty().addListener((observed, before, now) -> changed());
        stage.heightProperty().addListener((observed, before, now) -> changed());
        stage.xProperty().addListener((observed, before, now) -> changed());
        stage.yProperty().addListener((observed, before, now) -> changed());
        stage.maximizedProperty().addListener((observed, before, now) -> changed());
    }

    /** Where the windows of layouts stand. */
    void setWindows(LayoutWindows layoutWindows) {
        windows = layoutWindows;
    }

    void changed() {
        if (!restoring) {
            soon.playFromStart();
        }
    }

    void save() {
        if (restoring) {
            return;
        }
        bench.desk().saver().save(DocumentKind.WORKSPACE, "workspace", document());
    }

    /** The workspace as it is now. */
    Documents.Workspace document() {
        Documents.Window window = new Documents.Window(
                stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight(), stage.isMaximized());
        List<Layout> all = bench.layouts().all();
        List<Documents.Layout> saved = WorkspaceKeeper.capture(bench.layouts());
        List<Documents.Layout> placed = new ArrayList<>();
        for (int at = 0; at < all.size(); at++) {
            placed.add(saved.get(at).withWindow(windows == null ? null : windows.place(all.get(at))));
        }
        return new Documents.Workspace(
                bench.themeProperty().get().name(),
                bench.viewProperty().get().name(),
                bench.room().listName(),
                page.listSide().isVisible(),
                page.layersSide().isVisible(),
                page.stripSide().isVisible(),
                bench.desk().planWork().account(),
                bench.desk().planWork().riskPercent(),
                window,
                line.recent(),
                WorkspaceKeeper.entries(placed, bench.layouts()),
                all.indexOf(bench.layouts().front()),
                WorkspaceKeeper.captureLinks(bench.layouts()),
                bench.overviewShownProperty().get(),
                page.isCardShown());
    }

    void restore() {
        bench.desk().savedWorkspace().ifPresent(this::restore);
        bench.desk().saver().store().takeNotices().forEach(bench.desk()::tell);
        restoring = false;
    }

    private void restore(Documents.Workspace saved) {
        for (Palette.Theme theme : Palette.Theme.values()) {
            if (theme.name().equals(saved.theme())) {
                bench.themeProperty().set(theme);
            }
        }
        if (saved.list() != null && bench.desk().books().list(saved.list()).isPresent()) {
            bench.room().setList(saved.list());
        }
        if (saved.account() > 0 && saved.riskPercent() > 0) {
            bench.desk().planWork().setSizing(saved.account(), saved.riskPercent());
        }
        page.show(page.listSide(), saved.listShown());
        page.show(page.layersSide(), saved.layersShown());
        page.show(page.stripSide(), saved.stripShown());
        line.setRecent(saved.recent());
        restoreWindow(saved.window());
        if (!saved.layouts().all().isEmpty()) {
            bench.overviewShownProperty().set(saved.overviewShown());
            page.showCard(saved.cardShown());
        }
        WorkspaceKeeper.restore(saved, bench.layouts());
        List<Layout> all = bench.layouts().all();
        List<Documents.Layout> read = saved.layouts().values();
        if (windows != null && all.size() == read.size()) {
            for (int at = 0; at < all.size(); at++) {
                windows.place(all.get(at), read.get(at).window());
            }
        }
        for (View view : View.values()) {
            if (view.name().equals(saved.view())) {
                bench.go(view);
            }
        }
    }

    /** Puts the window where it was, unless that place is on no screen any more. */
    private void restoreWindow(Documents.Window window) {
        if (window == null || !(window.width() > 0) || !(window.height() > 0)) {
            return;
        }
        boolean onScreen = !Screen.getScreensForRectangle(new Rectangle2D(window.x(), window.y(), 100, 40))
                .isEmpty();
        if (onScreen) {
            stage.setX(window.x());
            stage.setY(window.y());
            stage.setWidth(window.width());
            stage.setHeight(window.height());
            stage.setMaximized(window.maximised());
        }
    }
}
