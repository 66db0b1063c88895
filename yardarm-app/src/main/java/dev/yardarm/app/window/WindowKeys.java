package dev.yardarm.app.window;

import dev.yardarm.app.chart.DrawingClipboard;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.desk.action.Actions;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * The keys of the window. Keys with Ctrl work everywhere; the others only while no field is being typed in. Letters and digits are
 * for typing: they open the command line, whatever has the focus. Space leads: it opens the hint panel, in which a letter chooses a
 * group and the next one acts. Letters are taken from what was typed, so they follow the keyboard's layout.
 */
final class WindowKeys {
    private final Scene scene;
    private final Workbench bench;
    private final ChartPage page;
    private final KeyFile keyFile;
    private final HintPanel hints;
    private final Overlays overlays;
    private boolean measuring;

    WindowKeys(Scene scene, Workbench bench, ChartPage page, KeyFile keyFile, HintPanel hints, Overlays overlays) {
        this.scene = scene;
        this.bench = bench;
        this.page = page;
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
        return focus instanceof TextInputControl
                || focus instanceof Spinner<?>
                || focus instanceof ComboBoxBase<?> box && (box.isShowing() || box.isEditable());
    }

    /** Whether Space means something to what has the focus: it presses a button, opens a choice, ticks a box. */
    private boolean takesSpace() {
        Node focus = scene.getFocusOwner();
        return focus instanceof ButtonBase || focus instanceof ComboBoxBase<?> || focus instanceof ChoiceBox<?>;
    }

    private boolean withShortcut(KeyEvent event) {
        boolean editing = scene.getFocusOwner() instanceof TextInputControl;
        switch (event.getCode()) {
            case K -> bench.prompt("");
            case F -> search();
            case Z -> {
                if (editing && ((TextInputControl) scene.getFocusOwner()).isUndoable() && !event.isShiftDown()) {
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
                hints.open(bench.viewProperty().get());
            }
            case TAB, PAGE_DOWN, PAGE_UP -> {
                return isOnCharts() && changes(event);
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    /** True when the charts are in front; keys never act on what is hidden. */
    private boolean isOnCharts() {
        return bench.viewProperty().get() == View.CHART;
    }

    private boolean changes(KeyEvent event) {
        switch (event.getCode()) {
            case TAB -> bench.layouts().stepLayout(event.isShiftDown() ? -1 : 1);
            case PAGE_DOWN -> bench.layouts().stepChart(1);
            default -> bench.layouts().stepChart(-1);
        }
        return true;
    }

    /** The search of the view in front. */
    private void search() {
        if (isOnCharts()) {
            page.show(page.listSide(), true);
            page.lists().focusFilter();
        } else {
            overlays.searchView();
        }
    }

    private boolean pressed(KeyEvent event) {
        KeyCode code = event.getCode();
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
        if (code == KeyCode.PAGE_DOWN || code == KeyCode.PAGE_UP) {
            return isOnCharts() && steps(code == KeyCode.PAGE_DOWN ? 1 : -1);
        }
        if (!isOnCharts() || page.chart() == null) {
            return false;
        }
        if (code == KeyCode.F2) {
            measuring = true;
            page.chart().setMeasuring(true);
            return true;
        }
        return scene.getFocusOwner() == page.chart() && onChart(event);
    }

    /** The next or the previous instrument of the list; also from the list itself. */
    private boolean steps(int by) {
        room().step(by);
        return true;
    }

    private boolean onChart(KeyEvent event) {
        if (page.chart().key(event.getCode(), event.isShiftDown())) {
            return true;
        }
        switch (event.getCode()) {
            case DELETE -> room().studies().deleteChosen();
            case HOME -> {
                TimeScale time = room().chart().time();
                double width = (time.right() - time.left()) / time.barWidth();
                room().chart().setTime(new TimeScale(time.left(), time.right(), time.barWidth(), width));
                room().tell(Aspect.VIEW);
            }
            case END -> {
                room().chart().follow();
                room().tell(Aspect.VIEW);
            }
            default -> {
                return false;
            }
        }
        return true;
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
        if (!isOnCharts() || page.chart() == null) {
            return overlays.putAlertAway();
        }
        if (page.chart().isMeasuring()) {
            page.chart().setMeasuring(false);
        } else if (room().gestures().cancel()) {
            room().tell(Aspect.VIEW);
        } else if (page.chart().isCrosshairOut()) {
            page.chart().toggleCrosshair();
        } else if (room().panes().isChosen()) {
            room().panes().leave();
        } else if (room().chart().selection() != Selection.NONE) {
            room().studies().select(Selection.NONE);
        } else if (scene.getFocusOwner() != page.chart()) {
            // Nothing to leave but where the keys are: from a button or a list back to the chart.
            page.chart().requestFocus();
        } else {
            return overlays.putAlertAway();
        }
        return true;
    }

    /** Letters are for typing, Space leads. */
    private boolean typed(char letter, boolean withAlt) {
        View front = bench.viewProperty().get();
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
            hints.open(front);
            return true;
        }
        if (withAlt) {
            hints.open(front);
            return hints.typed(letter);
        }
        boolean sign = letter == '+' || letter == '=' || letter == '-' || letter == '\u2212';
        if (sign && isOnCharts()) {
            room().gestures().zoom(letter == '+' || letter == '=' ? 1 : -1);
            room().tell(Aspect.VIEW);
            return true;
        }
        bench.prompt(String.valueOf(letter));
        return true;
    }

    private ChartRoom room() {
        return bench.room();
    }
}
