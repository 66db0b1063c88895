package dev.yardarm.desk.room.layout;

import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.work.Lane;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * A whole workspace with its presets and lists as one file, to be taken elsewhere. Files are written and read in the
 * background; how it ended is told.
 */
public final class WorkspaceFile {
    private WorkspaceFile() {}

    /** Writes a workspace as it is now into a file. */
    public static void export(Documents.Workspace workspace, Layouts layouts, Path file) {
        Desk desk = layouts.desk();
        Documents.Export whole = new Documents.Export(
                workspace, layouts.presets().all(), desk.books().lists());
        desk.scheduler()
                .start(
                        Lane.BEHIND,
                        "export workspace",
                        "Exporting the workspace",
                        job -> {
                            DocumentStore.writeFile(DocumentKind.EXPORT, file, whole);
                            return file;
                        },
                        written -> desk.tell("The workspace is in " + written + "."),
                        failed -> desk.tell(failed.getMessage()));
    }

    /**
     * Adds the layouts, presets and lists of an exported workspace to those there are. What has the name of something
     * else is numbered; nothing is replaced.
     */
    public static void importBeside(Path file, Layouts layouts) {
        Desk desk = layouts.desk();
        desk.scheduler()
                .start(
                        Lane.BEHIND,
                        "import workspace",
                        "Importing a workspace",
                        job -> DocumentStore.readFile(DocumentKind.EXPORT, file),
                        whole -> {
                            int count = addLayouts(whole, layouts);
                            layouts.presets().addAll(whole.presets());
                            addLists(whole.lists(), desk);
                            desk.tell(count + (count == 1 ? " layout was" : " layouts were")
                                    + " added beside yours, with its " + "presets and lists.");
                        },
                        failed -> desk.tell(failed.getMessage()));
    }

    private static int addLayouts(Documents.Export whole, Layouts layouts) {
        List<Layout> added = WorkspaceKeeper.read(
                whole.workspace() == null
                        ? Entries.of(List.of())
                        : whole.workspace().layouts(),
                layouts,
                new ArrayList<>());
        for (Layout layout : added) {
            layout.setOwnWindow(false);
            String title = layout.title();
            for (int number = 2; layouts.titled(layout.title()).isPresent(); number++) {
                layout.setTitle(title + " " + number);
            }
            layouts.addAll(List.of(layout));
        }
        return added.size();
    }

    private static void addLists(List<NamedList> more, Desk desk) {
        List<NamedList> lists = new ArrayList<>(desk.books().lists());
        for (NamedList list : more) {
            if (lists.contains(list)) {
                continue;
            }
            String name = list.name();
            for (int number = 2; isTaken(lists, name); number++) {
                name = list.name() + " " + number;
            }
            lists.add(new NamedList(name, list.instruments()));
        }
        desk.books().listShelf().replace(lists);
    }

    private static boolean isTaken(List<NamedList> lists, String name) {
        return lists.stream().anyMatch(each -> each.name().equals(name));
    }
}
