package dev.yardarm.app.scan;

import dev.yardarm.core.scan.Universe;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** Chooses which instruments a scan looks at: lists, members of indices, sectors, tiers, and lists that are left out. */
public final class UniverseMenu extends MenuButton {
    /** How many of the heaviest members of an index can be chosen. */
    private static final List<Integer> HEAVIEST = List.of(0, 5, 10, 20, 30);

    private final Consumer<Universe> changed;
    private Universe universe = Universe.ALL;

    /** What can be chosen from. */
    public record Choices(List<String> lists, List<String> indices, List<String> sectors, List<String> tiers) {}

    /**
     * @param choices asked when it opens
     * @param changed is told what is chosen
     */
    public UniverseMenu(Supplier<Choices> choices, Consumer<Universe> changed) {
        this.changed = changed;
        setMaxWidth(Double.MAX_VALUE);
        setAccessibleText("Instruments to scan");
        // A menu without items does not show.
        getItems().add(new MenuItem("\u2026"));
        setOnShowing(event -> fill(choices.get()));
    }

    /** Shows a universe. */
    public void show(Universe shown) {
        universe = shown;
        setText(shown.words());
    }

    /** What is chosen. */
    public Universe universe() {
        return universe;
    }

    private void fill(Choices choices) {
        MenuItem all = new MenuItem("all instruments");
        all.setOnAction(event -> take(Universe.ALL));
        getItems().setAll(all, new SeparatorMenuItem());
        for (String list : with(choices.lists(), universe.lists())) {
            getItems().add(check(list, universe.lists(), chosen -> take(universe.withLists(chosen))));
        }
        getItems().add(new SeparatorMenuItem());
        getItems()
                .add(menu(
                        "Members of an index",
                        choices.indices(),
                        universe.indices(),
                        chosen -> take(universe.withIndices(chosen))));
        Menu heaviest = new Menu("How many of its members");
        for (int count : HEAVIEST) {
            CheckMenuItem item = new CheckMenuItem(count == 0 ? "all of them" : "the " + count + " heaviest");
            item.setSelected(universe.heaviest() == count);
            item.setOnAction(event -> take(universe.withHeaviest(count)));
            heaviest.getItems().add(item);
        }
        heaviest.setDisable(universe.indices().isEmpty());
        getItems().add(heaviest);
        getItems()
                .add(menu(
                        "Of a sector",
                        choices.sectors(),
                        universe.sectors(),
                        chosen -> take(universe.withSectors(chosen))));
        getItems()
                .add(menu("Of a tier", choices.tiers(), universe.tiers(), chosen -> take(universe.withTiers(chosen))));
        getItems()
                .add(menu(
                        "Without a list",
                        choices.lists(),
                        universe.without(),
                        chosen -> take(universe.leavingOut(chosen))));
    }

    /** What is chosen can be taken away even when it is not there any more. */
    private static List<String> with(List<String> there, List<String> chosen) {
        List<String> all = new ArrayList<>(there);
        chosen.stream().filter(each -> !there.contains(each)).forEach(all::add);
        return all;
    }

    private Menu menu(String title, List<String> there, List<String> chosen, Consumer<List<String>> take) {
        Menu menu = new Menu(title);
        with(there, chosen).forEach(each -> menu.getItems().add(check(each, chosen, take)));
        menu.setDisable(menu.getItems().isEmpty());
        return menu;
    }

    private static CheckMenuItem check(String name, List<String> chosen, Consumer<List<String>> take) {
        CheckMenuItem item = new CheckMenuItem(name);
        item.setMnemonicParsing(false);
        item.setSelected(chosen.contains(name));
        item.setOnAction(event -> {
            List<String> now = new ArrayList<>(chosen);
            if (!now.remove(name)) {
                now.add(name);
            }
            take.accept(now);
        });
        return item;
    }

    private void take(Universe taken) {
        show(taken);
        changed.accept(taken);
    }
}
