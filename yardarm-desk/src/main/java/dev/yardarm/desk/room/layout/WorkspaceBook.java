package dev.yardarm.desk.room.layout;

import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.Desk;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;

/**
 * The workspace as it is kept: the frame of the window, the layouts with their charts, links, account and risk. Used by the
 * interface's thread.
 *
 * <pre>{@code
 * book.frame().ifPresent(frame -> { show(frame); book.open(this::place); });
 * ...
 * book.save(frameNow(), this::placeOf);
 * }</pre>
 */
public final class WorkspaceBook {
    private final Layouts layouts;
    private final Desk desk;

    public WorkspaceBook(Layouts layouts) {
        this.layouts = layouts;
        desk = layouts.desk();
    }

    /** The frame that was saved; empty in a new home. What was wrong with the file is told. */
    public Optional<Frame> frame() {
        Optional<Documents.Workspace> kept = desk.savedWorkspace();
        desk.saver().store().takeNotices().forEach(desk::tell);
        return kept.map(saved -> new Frame(
                saved.theme(),
                saved.view(),
                saved.list(),
                saved.listShown(),
                saved.layersShown(),
                saved.stripShown(),
                place(saved.window()),
                saved.recent(),
                saved.overviewShown(),
                saved.cardShown(),
                saved.draft(),
                saved.layouts().all().isEmpty()));
    }

    /**
     * Opens the layouts that were saved; what cannot be read of them is told and kept.
     *
     * @param placed told where the window of a layout stood, when it had one of its own
     */
    public void open(BiConsumer<Layout, WindowPlace> placed) {
        Documents.Workspace saved = desk.savedWorkspace().orElse(null);
        if (saved == null) {
            return;
        }
        if (saved.account() > 0 && saved.riskPercent() > 0) {
            desk.planWork().setSizing(saved.account(), saved.riskPercent());
        }
        WorkspaceKeeper.restore(saved, layouts);
        List<Layout> opened = layouts.all();
        List<Documents.Layout> read = saved.layouts().values();
        if (opened.size() == read.size()) {
            for (int at = 0; at < opened.size(); at++) {
                WindowPlace place = place(read.get(at).window());
                if (place != null) {
                    placed.accept(opened.get(at), place);
                }
            }
        }
    }

    /**
     * Saves the workspace as it is now.
     *
     * @param windows where the window of a layout stands, when it has one of its own
     */
    public void save(Frame frame, Function<Layout, Optional<WindowPlace>> windows) {
        desk.saver().save(DocumentKind.WORKSPACE, "workspace", document(frame, windows));
    }

    /** Writes the workspace as it is now into a file, with presets and lists. */
    public void export(Path file, Frame frame, Function<Layout, Optional<WindowPlace>> windows) {
        WorkspaceFile.export(document(frame, windows), layouts, file);
    }

    private Documents.Workspace document(Frame frame, Function<Layout, Optional<WindowPlace>> windows) {
        List<Layout> all = layouts.all();
        List<Documents.Layout> saved = WorkspaceKeeper.capture(layouts);
        List<Documents.Layout> placed = new ArrayList<>();
        for (int at = 0; at < all.size(); at++) {
            placed.add(saved.get(at)
                    .withWindow(windows.apply(all.get(at))
                            .map(WorkspaceBook::document)
                            .orElse(null)));
        }
        return new Documents.Workspace(
                frame.theme(),
                frame.view(),
                frame.list(),
                frame.listShown(),
                frame.layersShown(),
                frame.stripShown(),
                desk.planWork().account(),
                desk.planWork().riskPercent(),
                frame.window() == null ? null : document(frame.window()),
                frame.recent(),
                WorkspaceKeeper.entries(placed, layouts),
                all.indexOf(layouts.front()),
                WorkspaceKeeper.captureLinks(layouts),
                frame.overviewShown(),
                frame.cardShown(),
                frame.draft());
    }

    private static Documents.Window document(WindowPlace place) {
        return new Documents.Window(place.x(), place.y(), place.width(), place.height(), place.maximised());
    }

    private static WindowPlace place(Documents.Window saved) {
        return saved == null
                ? null
                : new WindowPlace(saved.x(), saved.y(), saved.width(), saved.height(), saved.maximised());
    }
}
