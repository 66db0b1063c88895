package dev.yardarm.desk.room.layout;

import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Numbering;
import dev.yardarm.desk.work.Lane;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

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
                workspace,
                Entries.of(layouts.presets().all()),
                Entries.of(desk.books().lists()));
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
                            List<Entries.Entry<Documents.Layout>> unread = new ArrayList<>();
                            int count = addLayouts(whole, layouts, unread);
                            layouts.presets().addAll(whole.presets().values());
                            addLists(whole.lists().values(), desk);
                            long lost = unread.size() + unreadable(whole.presets()) + unreadable(whole.lists());
                            desk.tell(count + (count == 1 ? " layout was" : " layouts were")
                                    + " added beside yours, with its presets and lists."
                                    + (lost == 0
                                            ? ""
                                            : " " + lost + " of its entries could not be read and were left out."));
                        },
                        failed -> desk.tell(failed.getMessage()));
    }

    private static long unreadable(Entries<?> entries) {
        return entries.all().stream().filter(each -> each.value() == null).count();
    }

    private static int addLayouts(
            Documents.Export whole, Layouts layouts, List<Entries.Entry<Documents.Layout>> unread) {
        List<Layout> added = WorkspaceKeeper.read(
                whole.workspace() == null
                        ? Entries.of(List.of())
                        : whole.workspace().layouts(),
                layouts,
                unread);
        Numbering titles =
                new Numbering(layouts.all().stream().map(Layout::title).toList(), " ");
        for (Layout layout : added) {
            layout.setOwnWindow(false);
            layout.setTitle(titles.free(layout.title()));
        }
        layouts.addAll(added);
        return added.size();
    }

    private static void addLists(List<NamedList> more, Desk desk) {
        List<NamedList> lists = new ArrayList<>(desk.books().lists());
        Set<NamedList> known = new HashSet<>(lists);
        Numbering names = new Numbering(lists.stream().map(NamedList::name).toList(), " ");
        for (NamedList list : more) {
            if (known.add(list)) {
                lists.add(new NamedList(names.free(list.name()), list.instruments(), list.colour()));
            }
        }
        desk.books().listShelf().replace(lists);
    }
}
