package dev.yardarm.app.chart;

import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.Map;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;

/** Drawings on the clipboard of the computer, as text in the open form of files of drawings. */
public final class DrawingClipboard {
    private DrawingClipboard() {}

    /** Copies the chosen drawings of a chart. */
    public static void copy(ChartRoom room) {
        room.drawings().copyText().ifPresent(text -> {
            Clipboard.getSystemClipboard().setContent(Map.of(DataFormat.PLAIN_TEXT, text));
            int count = room.chart().chosenDrawings().size();
            room.desk()
                    .tell((count == 1 ? "The drawing is" : count + " drawings are") + " on the clipboard; Ctrl+V puts "
                            + (count == 1 ? "it" : "them") + " on any chart.");
        });
    }

    /** Puts copied drawings on a chart. */
    public static void paste(ChartRoom room) {
        String text = Clipboard.getSystemClipboard().getString();
        if (text == null || room.instrument().isEmpty()) {
            room.desk().tell("The clipboard holds no drawings: select some on a chart and copy them with Ctrl+C.");
        } else {
            room.drawings().pasteText(text);
        }
    }
}
