package dev.yardarm.app.chart;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.List;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** What a right click offers to be told of: the ways in which price can meet where it points. */
final class AlertMenus {
    private final ChartRoom room;
    private final Workbench bench;

    AlertMenus(ChartRoom room, Workbench bench) {
        this.room = room;
        this.bench = bench;
    }

    /**
     * Alerts at a price, or at the name of a drawing in quotation marks.
     *
     * @param title of the menu
     * @param what as it is written in a line
     */
    Menu at(String title, String what) {
        Menu menu = new Menu(title);
        menu.getItems()
                .addAll(
                        item("when price reaches it", "reaches " + what),
                        item("when it comes within 5 ticks", "within 5 ticks of " + what),
                        item("when price goes through it", "goes through " + what),
                        item("when a bar closes beyond it", "closes beyond " + what),
                        item(
                                "5 minutes before a bar closes beyond it",
                                "about to close beyond " + what + " 5 min before the close"),
                        item("when a bar overshoots it", "overshoots " + what),
                        item("when price turns back half an ATR", "turns back at " + what + " by 0.5 atr"),
                        new SeparatorMenuItem());
        MenuItem write = new MenuItem("Write it yourself");
        write.setOnAction(event -> bench.prompt("alert reaches " + what));
        menu.getItems().add(write);
        return menu;
    }

    private MenuItem item(String words, String line) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(event -> set(line));
        return item;
    }

    private void set(String line) {
        Instrument instrument = room.chart().instrument().orElse(null);
        if (instrument != null) {
            BarRule bars = room.chart()
                    .request()
                    .byRule()
                    .orElseGet(() -> new BarRule.Time(room.chart().timeframe()));
            bench.desk()
                    .alertWork()
                    .set(
                            List.of(instrument),
                            line,
                            bars,
                            bench.desk().language().now(),
                            each -> room.chart().data().last());
        }
    }
}
