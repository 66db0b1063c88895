package dev.yardarm.app.window;

import dev.yardarm.app.chart.DrawingClipboard;
import dev.yardarm.app.workbench.View;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * The keys of the window. Keys with Ctrl work everywhere; the others only while no field is being typed in. Letters are
 * taken from what was typed, so they follow the keyboard's layout.
 */
final class WindowKeys {
    private final Scene scene;
    private final Workbench bench;
    private final ChartPage page;
    private final LeaderKeys leaders;
    private final KeyFile keyFile;
    private final HintPanel hints;
    private final HelpPane help;
    private boolean held;

    WindowKeys(
            Scene scene,
            Workbench bench,
            ChartPage page,
            LeaderKeys leaders,
            KeyFile keyFile,
            HintPanel hints,
            HelpPane help) {
        this.scene = scene;
        this.bench = bench;
        this.page = page;
        this.leaders = leaders;
        this.keyFile = keyFile;
        this.hints = hints;
        this.help = help;
    }

    void install() {
        scene.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.isShortcutDown() ? withShortcut(event) : pressed(event)) {
                event.consume();
            }
        });
        scene.addEventFilter(KeyEvent.KEY_RELEASED, event -> {
            if (held && event.getCode() == KeyCode.Q) {
                held = false;
                page.chart().setMeasuring(false);
                event.consume();
            }
        });
        scene.addEventFilter(KeyEvent.KEY_TYPED, event -> {
            boolean letter = event.getCharacter().length() == 1
                    && event.getCharacter().charAt(0) > ' '
                    && event.getCharacter().charAt(0) != 127;
            boolean withAlt = keyFile.leader() == KeyFile.Leader.ALT && event.isAltDown();
            boolean command = event.isControlDown() || event.isAltDown() && !withAlt || event.isMetaDown();
            if (letter && !command && !isTyping() && typed(event.getCharacter().charAt(0), withAlt)) {
                event.consume();
            }
        });
    }

    private boolean isTyping() {
        Node focus = scene.getFocusOwner();
        return focus instanceof TextInputControl
                || focus instanceof Spinner<?>
                || focus instanceof ComboBoxBase<?> box && (box.isShowing() || box.isEditable());
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
            case TAB, PAGE_DOWN, PAGE_UP -> {
                return isOnCharts() && steps(event);
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

    private boolean steps(KeyEvent event) {
        switch (event.getCode()) {
            case TAB -> bench.layouts().stepLayout(event.isShiftDown() ? -1 : 1);
            case PAGE_DOWN -> bench.layouts().stepChart(1);
            default -> bench.layouts().stepChart(-1);
        }
        return true;
    }

    private void search() {
        bench.go(View.CHART);
        page.show(page.listSide(), true);
        page.lists().focusFilter();
    }

    private boolean pressed(KeyEvent event) {
        KeyCode code = event.getCode();
        if (code == KeyCode.F1) {
            help.toggle();
            return true;
        }
        if (code == KeyCode.ESCAPE) {
            return escape();
        }
        if (hints.isOpen() || isTyping() || !isOnCharts()) {
            return false;
        }
        boolean onChart = scene.getFocusOwner() == page.chart();
        if (onChart && page.chart().key(code, event.isShiftDown())) {
            return true;
        }
        if (!onChart) {
            return false;
        }
        switch (code) {
            case DELETE, BACK_SPACE -> room().studies().deleteChosen();
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

    /** Completion, hint panel, gesture and tool, selection: in this order. */
    private boolean escape() {
        if (help.isVisible()) {
            help.setVisible(false);
            return true;
        }
        if (hints.isOpen()) {
            hints.close();
            return true;
        }
        if (isTyping()) {
            return false;
        }
        if (isOnCharts() && page.chart() != null && page.chart().isMeasuring()) {
            page.chart().setMeasuring(false);
            return true;
        }
        if (isOnCharts() && room().gestures().cancel()) {
            room().tell(Aspect.VIEW);
            return true;
        }
        if (room().panes().isChosen() && isOnCharts()) {
            room().panes().leave();
            return true;
        }
        if (room().chart().selection() != Selection.NONE && isOnCharts()) {
            room().studies().select(Selection.NONE);
            return true;
        }
        return false;
    }

    private boolean typed(char letter, boolean withAlt) {
        if (hints.isOpen()) {
            LeaderKeys.Group group = hints.group();
            hints.close();
            group.find(letter)
                    .ifPresentOrElse(
                            entry -> entry.action().run(), () -> bench.prompt(String.valueOf(group.letter()) + letter));
            return true;
        }
        boolean leads = keyFile.leader() == KeyFile.Leader.PLAIN || withAlt;
        if (!isOnCharts()) {
            leaders.find(letter)
                    .filter(group -> leads && group.id().equals("go-to"))
                    .ifPresentOrElse(hints::open, () -> bench.prompt(String.valueOf(letter)));
            return true;
        }
        if (letter == '+' || letter == '=' || letter == '-' || letter == '−') {
            room().gestures().zoom(letter == '+' || letter == '=' ? 1 : -1);
            room().tell(Aspect.VIEW);
            return true;
        }
        if (letter == 'q' || letter == 'Q') {
            held = true;
            page.chart().setMeasuring(true);
            return true;
        }
        if (letter == 'n') {
            room().step(1);
            return true;
        }
        if (letter == 'N') {
            room().step(-1);
            return true;
        }
        leaders.find(letter)
                .filter(group -> leads)
                .ifPresentOrElse(hints::open, () -> bench.prompt(String.valueOf(letter)));
        return true;
    }

    private ChartRoom room() {
        return bench.room();
    }
}
