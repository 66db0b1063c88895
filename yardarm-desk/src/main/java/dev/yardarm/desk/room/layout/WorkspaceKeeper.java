package dev.yardarm.desk.room.layout;

import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.desk.room.chart.ChartKeeper;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** Turns all layouts into the parts of a workspace document and back. */
public final class WorkspaceKeeper {
    private WorkspaceKeeper() {}

    /** All layouts, in their order. */
    public static List<Documents.Layout> capture(Layouts layouts) {
        return layouts.all().stream()
                .map(layout -> {
                    List<Integer> numbers = layout.arrangement().charts();
                    return new Documents.Layout(
                            layout.title(),
                            layout.arrangement().toString(),
                            layout.charts().stream().map(ChartKeeper::capture).toList(),
                            numbers.indexOf(layout.numberOf(layout.active()).orElseThrow()),
                            numbers.indexOf(layout.maximisedNumber()),
                            layout.hasOwnWindow(),
                            null);
                })
                .toList();
    }

    /** Layouts as they are written: those there are, then those that could not be read, as they were. */
    public static Entries<Documents.Layout> entries(List<Documents.Layout> captured, Layouts layouts) {
        List<Entries.Entry<Documents.Layout>> all =
                new ArrayList<>(Entries.of(captured).all());
        all.addAll(layouts.unread());
        return new Entries<>(all);
    }

    /** One chart as a document. */
    public static Documents.Chart capture(ChartRoom chart) {
        return ChartKeeper.capture(chart);
    }

    /** Opens a saved chart in a room; what it names but is not there is told. */
    public static void restore(Documents.Chart saved, ChartRoom chart) {
        ChartKeeper.restore(saved, chart);
    }

    public static List<Documents.Link> captureLinks(Layouts layouts) {
        List<Documents.Link> links = new ArrayList<>();
        for (int colour = 1; colour <= LinkRules.COLOURS; colour++) {
            links.add(new Documents.Link(
                    colour,
                    layouts.links().of(colour).stream().map(Enum::name).sorted().toList()));
        }
        return links;
    }

    /** Opens the layouts of a document; what cannot be read is told and kept. */
    public static void restore(Documents.Workspace saved, Layouts layouts) {
        for (Documents.Link link : saved.links()) {
            if (link.colour() >= 1 && link.colour() <= LinkRules.COLOURS) {
                layouts.setLinks(link.colour(), shared(link));
            }
        }
        List<Entries.Entry<Documents.Layout>> unread = new ArrayList<>();
        List<Layout> read = read(saved.layouts(), layouts, unread);
        layouts.keepUnread(unread);
        layouts.replaceAll(read, saved.current());
    }

    private static Set<LinkRules.Shared> shared(Documents.Link link) {
        Set<LinkRules.Shared> shared = EnumSet.noneOf(LinkRules.Shared.class);
        for (LinkRules.Shared each : LinkRules.Shared.values()) {
            if (link.shares().contains(each.name())) {
                shared.add(each);
            }
        }
        return shared;
    }

    /** Layouts as they were saved; one that cannot be read is left out, told and handed back. */
    static List<Layout> read(
            Entries<Documents.Layout> saved, Layouts layouts, List<Entries.Entry<Documents.Layout>> unread) {
        List<Layout> made = new ArrayList<>();
        for (Entries.Entry<Documents.Layout> entry : saved.all()) {
            Documents.Layout each = entry.value();
            String title = each == null || each.title() == null ? "without a name" : each.title();
            try {
                if (each == null || each.title() == null || each.arrangement() == null) {
                    throw new IllegalArgumentException(
                            entry.problem().isEmpty() ? "it needs a title and an arrangement" : entry.problem());
                }
                Arrangement arrangement = Arrangement.read(each.arrangement());
                if (arrangement.charts().size() != each.charts().size()) {
                    throw new IllegalArgumentException("it has " + each.charts().size() + " charts for "
                            + arrangement.charts().size() + " places");
                }
                Layout layout = layouts.empty(each.title(), arrangement);
                layout.setOwnWindow(each.ownWindow());
                List<Integer> numbers = arrangement.charts();
                for (int at = 0; at < numbers.size(); at++) {
                    ChartKeeper.restore(each.charts().get(at), layout.chart(numbers.get(at)));
                }
                layout.setActive(numbers.get(Math.max(0, Math.min(numbers.size() - 1, each.active()))));
                layout.setMaximised(
                        each.maximised() >= 0 && each.maximised() < numbers.size()
                                ? numbers.get(each.maximised())
                                : -1);
                made.add(layout);
            } catch (IllegalArgumentException bad) {
                unread.add(new Entries.Entry<>(null, entry.kept(), bad.getMessage()));
                layouts.desk()
                        .tell("The layout '" + title + "' cannot be shown: " + bad.getMessage() + ". It is kept.");
            }
        }
        return made;
    }
}
