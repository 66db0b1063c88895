package dev.yardarm.app.window;

import dev.yardarm.app.chart.DrawingClipboard;
import dev.yardarm.app.view.WorkView;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.action.Actions;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.fxmisc.richtext.CodeArea;

/**
 * The keys of the window. Keys with Ctrl work everywhere; the others only while no field is being typed in. Letters and digits are
 * for typing: they open the command line, whatever has the focus. Space leads: it opens the hint panel, in which a letter chooses a
 * group and the next one acts. Letters are taken from what was typed, so they follow the keyboard's layout.
 */
final class WindowKeys {
    private final Scene scene;
    private final Workbench bench;
    private final ChartPage page;
    private final Supplier<WorkView> front;
    private final KeyFile keyFile;
    private final HintPanel hints;
    private final Overlays overlays;
    private boolean measuring;

    /** @param front the view whose keys they are: that in front of the scene's window */
    WindowKeys(
            Scene scene,
            Workbench bench,
            ChartPage page,
            Supplier<WorkView> front,
            KeyFile keyFile,
            HintPanel hints,
            Overlays overlays) {
        this.scene = scene;
        this.bench = bench;
        this.page = page;
        this.front = front;
        this.keyFile = keyFile;
        this.hints = hints;
        this.overlays = overlays;
    }

    void install() {
        scene.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.isShortcutDown() ? withShortcut(event) : pressed(event)) {
                event.consume();
            }
        });
        scene.addEventFilter(KeyEvent.KEY_RELEASED, event -> {
            if (measuring && event.getCode() == KeyCode.F2) {
                measuring = false;
                page.chart().setMeasuring(false);
                event.consume();
            }
        });
        scene.addEventFilter(KeyEvent.KEY_TYPED, event -> {
            boolean single = event.getCharacter().length() == 1;
            char letter = single ? event.getCharacter().charAt(0) : 0;
            boolean withAlt = keyFile.leader() == KeyFile.Leader.ALT && event.isAltDown();
            boolean command = event.isControlDown() || event.isAltDown() && !withAlt || event.isMetaDown();
            if (letter >= ' ' && letter != 127 && !command && !isTyping() && typed(letter, withAlt)) {
                event.consume();
            }
        });
    }

    /** Whether what has the focus takes letters itself. */
    private boolean isTyping() {
        Node focus = scene.getFocusOwner();
        return isText(focus)
                || focus instanceof Spinner<?>
                || focus instanceof ComboBoxBase<?> box && (box.isShowing() || box.isEditable());
    }

    private static boolean isText(Node node) {
        return node instanceof TextInputControl || node instanceof CodeArea;
    }

    /** Whether Space means something to what has the focus: it presses a button, opens a choice, ticks a box. */
    private boolean takesSpace() {
        Node focus = scene.getFocusOwner();
        return focus instanceof ButtonBase || focus instanceof ComboBoxBase<?> || focus instanceof ChoiceBox<?>;
    }

    private boolean withShortcut(KeyEvent event) {
        boolean editing = isText(scene.getFocusOwner());
        if (scene.getFocusOwner() instanceof CodeArea
                && List.of(KeyCode.Z, KeyCode.Y).contains(event.getCode())) {
            // The text undoes its own changes.
            return false;
        }
        switch (event.getCode()) {
            case K -> bench.prompt("");
            case F -> front.get().search();
            case Z -> {
                if (scene.getFocusOwner() instanceof TextInputControl field
                        && field.isUndoable()
                        && !event.isShiftDown()) {
                    return false;
                }
                if (event.isShiftDown()) {
                    room().redo();
                } else {
                    room().undo();
                }
            }
            case Y -> room().redo();
            case A, C, V -> {
                if (editing || scene.getFocusOwner() != page.chart() || !isOnCharts()) {
                    return false;
                }
                if (event.getCode() == KeyCode.A) {
                    room().drawings().chooseAll();
                } else if (event.getCode() == KeyCode.C) {
                    DrawingClipboard.copy(room());
                } else {
                    DrawingClipboard.paste(room());
                }
            }
            case SPACE -> {
                if (editing) {
                    return false;
                }
                hints.open(front.get().which());
            }
            case PLUS, EQUALS, ADD -> textSize(10);
            case MINUS, SUBTRACT -> textSize(-10);
            case DIGIT0, NUMPAD0 -> bench.setTextSize(100);
            case TAB, PAGE_DOWN, PAGE_UP -> {
                return isOnCharts() && changes(event);
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private void textSize(int by) {
        bench.setTextSize(bench.textSizeProperty().get() + by);
    }

    /** True when the charts are in front; keys never act on what is hidden. */
    private boolean isOnCharts() {
        return front.get().which() == View.CHART;
    }

    private boolean changes(KeyEvent event) {
        switch (event.getCode()) {
            case TAB -> bench.layouts().stepLayout(event.isShiftDown() ? -1 : 1);
            case PAGE_DOWN -> bench.layouts().stepChart(1);
            default -> bench.layouts().stepChart(-1);
        }
        return true;
    }

    private boolean pressed(KeyEvent event) {
        KeyCode code = event.getCode();
        if (code == KeyCode.F8) {
            bench.desk().bell().setOff(!bench.desk().bell().isOff());
            return true;
        }
        if (code == KeyCode.F1) {
            overlays.toggleHelp();
            return true;
        }
        if (code == KeyCode.ESCAPE) {
            return escape();
        }
        if (code == KeyCode.SPACE) {
            // What is typed after it is what counts; pressed, it must not scroll a list or tick a row.
            return !isTyping() && !takesSpace() && !overlays.areOpen();
        }
        if (hints.isOpen() || isTyping() || overlays.areOpen()) {
            return false;
        }
        boolean meant = front.get().key(event);
        measuring |= meant && code == KeyCode.F2;
        return meant;
    }

    /** Completion, hint panel, gesture, tool, crosshair, selection: in this order. */
    private boolean escape() {
        if (hints.isOpen()) {
            hints.close();
            return true;
        }
        if (overlays.closeFront()) {
            return true;
        }
        if (isTyping()) {
            return false;
        }
        return front.get().escape() || overlays.putAlertAway();
    }

    /** Letters are for typing, Space leads. */
    private boolean typed(char letter, boolean withAlt) {
        View view = front.get().which();
        if (hints.isOpen()) {
            if (letter == ' ') {
                hints.close();
            } else if (!hints.typed(letter)) {
                bench.desk().tell("Nothing is on that key. " + Actions.LEADER + " shows what there is.");
            }
            return true;
        }
        if (overlays.areOpen()) {
            return false;
        }
        if (letter == ' ') {
            if (takesSpace()) {
                return false;
            }
            hints.open(view);
            return true;
        }
        if (withAlt) {
            hints.open(view);
            return hints.typed(letter);
        }
        if (!front.get().typed(letter)) {
            bench.prompt(String.valueOf(letter));
        }
        return true;
    }

    private ChartRoom room() {
        return bench.room();
    }
}
