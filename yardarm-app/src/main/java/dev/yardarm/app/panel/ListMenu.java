package dev.yardarm.app.panel;

import dev.yardarm.app.chart.LinkColours;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.list.ListWork;
import java.util.Optional;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.shape.Rectangle;

/** What can be done with lists. */
final class ListMenu extends MenuButton {
    private final Workbench bench;

    ListMenu(Workbench bench, ListPanel panel) {
        super("Edit");
        this.bench = bench;
        setId("list-menu");
        setMinWidth(USE_PREF_SIZE);
        getStyleClass().add("tool-menu");
        Tips.set(this, "Make and change lists");
        // Filled whenever it is opened; an empty menu would not open.
        getItems().add(new SeparatorMenuItem());
        setOnShowing(event -> fill(panel));
    }

    private void fill(ListPanel panel) {
        ListWork work = bench.desk().listWork();
        String list = bench.room().listName();
        getItems().clear();
        getItems()
                .addAll(
                        item("New list", () -> bench.prompt("list new ")),
                        item("Rename " + list, () -> bench.prompt("list name " + list)),
                        item(
                                "Add the instrument on the chart",
                                () -> bench.room().instrument().ifPresent(each -> work.add(list, each.id()))),
                        item("Paste codes", () -> {
                            String text = Clipboard.getSystemClipboard().getString();
                            panel.paste(text == null ? "" : text);
                        }));
        Menu from = new Menu("New list of");
        bench.desk().directory().all().stream()
                .filter(each -> each.kind() == Instrument.Kind.SHARE)
                .map(Instrument::sector)
                .distinct()
                .sorted()
                .forEach(sector -> from.getItems().add(item(sector, () -> show(work.bySectorOrTier(sector)))));
        from.getItems().add(new SeparatorMenuItem());
        bench.desk().directory().all().stream()
                .filter(each -> each.kind() == Instrument.Kind.SHARE)
                .map(Instrument::tier)
                .distinct()
                .filter(tier -> !tier.isEmpty())
                .forEach(tier -> from.getItems().add(item("tier " + tier, () -> show(work.bySectorOrTier(tier)))));
        from.getItems().add(new SeparatorMenuItem());
        bench.desk().directory().all().stream()
                .filter(each -> each.kind() == Instrument.Kind.INDEX)
                .limit(4)
                .forEach(index -> from.getItems()
                        .add(item(
                                "top half of " + index.code() + " by weight",
                                () -> work.byWeight(index.code(), 0.5, bench.room()::setList))));
        Menu sort = new Menu("Sort by");
        for (String by : new String[] {"code", "name", "sector"}) {
            sort.getItems().add(item(by, () -> work.sort(list, by)));
        }
        Menu colour = new Menu("Colour");
        for (int number = 0; number <= ListWork.COLOURS; number++) {
            int chosen = number;
            MenuItem each = item(
                    number == 0 ? "none" : number + ", " + Palette.name(number - 1), () -> work.colour(list, chosen));
            each.setGraphic(new Rectangle(10, 10, LinkColours.of(bench.palette(), number)));
            colour.getItems().add(each);
        }
        Menu source = new Menu("From a source");
        bench.desk().directory().all().stream()
                .map(each -> each.id().source())
                .distinct()
                .forEach(name -> source.getItems().add(item(name, () -> work.moveToSource(list, name))));
        getItems().addAll(from, sort, colour, source, new SeparatorMenuItem(), item("Delete " + list, () -> {
            work.delete(list);
            bench.room().setList(bench.desk().books().lists().get(0).name());
        }));
    }

    private void show(Optional<String> made) {
        made.ifPresent(bench.room()::setList);
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        return item;
    }
}
