package dev.yardarm.desk.line;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Layouts;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** What carries out a line: the desk and its charts, and of the window what no chart can do. */
public interface Hands {
    Desk desk();

    Layouts layouts();

    /** The active chart. */
    default ChartRoom room() {
        return layouts().active();
    }

    /** The instrument worked on in the view in front: that of the chart or the row in hand. */
    Optional<Instrument> instrument();

    /** The same, and where there is no row that of the active chart. */
    default Optional<Instrument> inHand() {
        return instrument().or(() -> room().instrument());
    }

    /** The timeframe it is looked at on there. */
    default Timeframe timeframe() {
        return room().chart().timeframe();
    }

    /** The bars it is looked at in there. */
    default BarRule bars() {
        return instrument().equals(room().instrument())
                ? room().chart().request().byRule().orElseGet(() -> new BarRule.Time(timeframe()))
                : new BarRule.Time(timeframe());
    }

    /** Where price stands, as far as the active chart shows it; NaN when it does not. */
    default double lastPrice(Instrument of) {
        return room().instrument().filter(of::equals).isPresent()
                ? room().chart().data().last()
                : Double.NaN;
    }

    /** Brings a view to the front. */
    void go(View view);

    /** Shows the text of the interface in a size, in per cent. */
    void setTextSize(int percent);

    /** Scans the list gone through. */
    void scanFor(String condition);

    /** Runs a scan; one that ships over the list gone through, one of the trader's over its own universe. */
    void openScan(Scan scan, boolean ships);

    /** Shows what came after earlier times a condition held. */
    void evidenceOf(String condition);

    /** Shows what files hold before they are imported; asks which when none is named. */
    void intake(List<Path> files);

    /** Gives an action another key and keeps that. */
    void changeKey(String action, String key);

    /** Whether a file may be written: it is new, or the same was asked for twice. */
    boolean mayWrite(Path file);

    /** Writes the active chart as a picture, or its visible data, by the ending of the file. */
    void saveChart(Path file);

    /** Writes the workspace as it is now. */
    void exportWorkspace(Path file);

    /** Shows lists on the quote board, each as a group, as its page or as a wall of tiles. */
    void board(List<String> lists, boolean wall);

    /** Adds a column for a formula to the quote board and shows it. */
    void boardColumn(String formula);

    /** The text of the clipboard; empty without any. */
    String clipboard();

    /** Shows which instruments a text names, to be put on the list. */
    void pasteList(String text);
}
