package dev.yardarm.app.window;

import dev.yardarm.app.layout.LayoutWindows;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.layout.Frame;
import dev.yardarm.desk.room.layout.Layout;
import dev.yardarm.desk.room.layout.WindowPlace;
import dev.yardarm.desk.room.layout.WorkspaceBook;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.PauseTransition;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.util.Duration;

/** Keeps the workspace document: saved a moment after anything in it changes, restored at the start. */
final class WorkspaceState {
    private static final String BOARDS = "boards-shown";

    private final Workbench bench;
    private final ChartPage page;
    private final CommandLine line;
    private final WorkspaceBook book;
    private final Stage stage;
    private LayoutWindows windows;
    private final PauseTransition soon = new PauseTransition(Duration.millis(250));
    private boolean restoring = true;

    WorkspaceState(Workbench bench, ChartPage page, CommandLine line, Stage stage) {
        this.bench = bench;
        this.page = page;
        this.line = line;
        book = new WorkspaceBook(bench.layouts());
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
        page.onDraft(this::changed);
        bench.themeProperty().addListener((observed, before, now) -> changed());
        bench.viewProperty().addListener((observed, before, now) -> changed());
        page.listSide().visibleProperty().addListener((observed, before, now) -> changed());
        page.layersSide().visibleProperty().addListener((observed, before, now) -> changed());
        page.stripSide().visibleProperty().addListener((observed, before, now) -> changed());
        // Whether the board and the strip of quotes are seen is a habit, as their columns are.
        page.boardSide().visibleProperty().addListener((observed, before, now) -> boards());
        page.quoteSide().visibleProperty().addListener((observed, before, now) -> boards());
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
        // A pause that each change began anew would save nothing for as long as anything keeps changing.
        if (!restoring && soon.getStatus() != Animation.Status.RUNNING) {
            soon.playFromStart();
        }
    }

    void save() {
        if (!restoring) {
            book.save(frame(), this::placeOf);
        }
    }

    /** Writes the workspace as it is now into a file. */
    void export(Path file) {
        book.export(file, frame(), this::placeOf);
    }

    private Optional<WindowPlace> placeOf(Layout layout) {
        return windows == null ? Optional.empty() : windows.placeOf(layout);
    }

    private Frame frame() {
        return new Frame(
                bench.themeProperty().get().name(),
                bench.viewProperty().get().name(),
                bench.room().listName(),
                page.areListsWanted(),
                page.layersSide().isVisible(),
                page.stripSide().isVisible(),
                new WindowPlace(stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight(), stage.isMaximized()),
                line.recent(),
                bench.overviewShownProperty().get(),
                page.isCardShown(),
                page.draft(),
                false);
    }

    private void boards() {
        if (!restoring) {
            bench.desk()
                    .habits()
                    .setTable(BOARDS, (page.isBoardShown() ? "beside " : "") + (page.areQuotesShown() ? "strip" : ""));
        }
    }

    void restore() {
        book.frame().ifPresent(this::restore);
        String boards = bench.desk().habits().table(BOARDS);
        page.showBoard(boards.contains("beside"));
        page.showQuotes(boards.contains("strip"));
        restoring = false;
    }

    private void restore(Frame saved) {
        for (Palette.Theme theme : Palette.Theme.values()) {
            if (theme.name().equals(saved.theme())) {
                bench.themeProperty().set(theme);
            }
        }
        if (saved.list() != null && bench.desk().books().list(saved.list()).isPresent()) {
            bench.room().setList(saved.list());
        }
        page.show(page.listSide(), saved.listShown());
        page.show(page.layersSide(), saved.layersShown());
        page.show(page.stripSide(), saved.stripShown());
        line.setRecent(saved.recent());
        page.setDraft(saved.draft());
        restoreWindow(saved.window());
        if (!saved.first()) {
            bench.overviewShownProperty().set(saved.overviewShown());
            page.showCard(saved.cardShown());
        }
        book.open((layout, place) -> {
            if (windows != null) {
                windows.place(layout, place);
            }
        });
        for (View view : View.values()) {
            if (view.name().equals(saved.view())) {
                bench.go(view);
            }
        }
    }

    /** Puts the window where it was, unless that place is on no screen any more. */
    private void restoreWindow(WindowPlace window) {
        if (window == null || !window.isSeen()) {
            return;
        }
        List<Screen> screens = Screen.getScreensForRectangle(new Rectangle2D(window.x(), window.y(), 100, 40));
        if (!screens.isEmpty()) {
            // On a smaller screen than the last it is no larger than that.
            Rectangle2D there = screens.get(0).getVisualBounds();
            stage.setX(window.x());
            stage.setY(window.y());
            stage.setWidth(Math.min(window.width(), there.getWidth()));
            stage.setHeight(Math.min(window.height(), there.getHeight()));
            stage.setMaximized(window.maximised());
        }
    }
}
