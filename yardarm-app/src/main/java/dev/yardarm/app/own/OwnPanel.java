package dev.yardarm.app.own;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.app.workbench.Writing;
import dev.yardarm.core.formula.Fault;
import dev.yardarm.core.own.OwnIndicator;
import dev.yardarm.core.plain.PlainInterpreter;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.own.OwnDesk;
import dev.yardarm.desk.room.chart.Aspect;
import java.util.List;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * Where indicators of one's own are written, beside the chart on which the draft is tried out while it is typed. Three pages:
 * Write, Library, Versions. Ctrl+S saves, Ctrl+Enter puts it on the chart, Esc goes back to the chart.
 */
public final class OwnPanel extends VBox implements AutoCloseable {
    private static final int FAULTS = 4;
    private static final String FIRST = "define \"New indicator\" in price\nsetting length = 20 from 2 to 400\n"
            + "line sma(close, length) \"Average\"\n";

    private final Workbench bench;
    private final Runnable drafted;
    private final OwnDesk editing;
    private final DefinitionArea area;
    private final SentenceBox sentence;
    private final OwnLibrary library;
    private final OwnVersions versions;
    private final VBox writing;
    private final ToggleButton write = new ToggleButton("Write");
    private final ToggleButton shelf = new ToggleButton("Library");
    private final ToggleButton past = new ToggleButton("Versions");
    private final ToggleButton blends = new ToggleButton("Blends");
    private final BlendPage blendPage;
    private final Button open = new Button("Open \u25be");
    private final ContextMenu mine = new ContextMenu();
    private final Label state = new Label();
    private final Label help = new Label();
    private final VBox faults = new VBox(1);
    private final TextField note = new TextField();
    private Runnable left = () -> {};
    private boolean shown;
    /** What the lines about faults speak of; null before there were any. */
    private List<Fault> faultsShown;

    private boolean blankShown;

    /** @param drafted told when what is written and not saved changes */
    public OwnPanel(Workbench bench, Runnable drafted) {
        super(6);
        this.bench = bench;
        this.drafted = drafted;
        editing = new OwnDesk(bench.desk(), bench::room, new PlainInterpreter());
        setId("own-panel");
        getStyleClass().add("own-panel");
        area = new DefinitionArea(editing, text -> {
            editing.setText(text);
            showText();
            drafted.run();
        });
        sentence = new SentenceBox(editing, () -> {
            showAll();
            drafted.run();
        });
        library = new OwnLibrary(bench, editing, opening -> {
            instead(opening);
            go(write);
            showAll();
        });
        versions = new OwnVersions(editing, opening -> {
            instead(opening);
            go(write);
            showAll();
        });
        blendPage = new BlendPage(bench);
        area.area().caretPositionProperty().addListener((observed, before, now) -> help.setText(editing.help(now)));
        help.setWrapText(true);
        help.setId("word-help");
        help.getStyleClass().add("soft");
        help.setMinHeight(34);
        help.setMaxHeight(52);
        note.setId("version-note");
        note.setPromptText("a note on this version");
        note.setAccessibleText("Note on this version");
        HBox.setHgrow(note, Priority.ALWAYS);
        Button save = new Button("Save");
        save.setId("save-definition");
        save.setMinWidth(Region.USE_PREF_SIZE);
        Tips.set(save, "Save as a version (Ctrl+S)");
        save.setOnAction(event -> save());
        Button put = new Button("Put on chart");
        put.setId("put-on-chart");
        put.setMinWidth(Region.USE_PREF_SIZE);
        Tips.set(put, "Save and put it on the chart (Ctrl+Enter)");
        put.setOnAction(event -> put());
        note.setOnAction(event -> save());
        Button fresh = new Button("New");
        fresh.setId("new-definition");
        fresh.setMinWidth(Region.USE_PREF_SIZE);
        fresh.setOnAction(event -> {
            instead(() -> editing.begin(FIRST));
            showAll();
            area.goTo(FIRST.indexOf("New indicator"));
        });
        open.setId("open-definition");
        open.setMinWidth(Region.USE_PREF_SIZE);
        open.setOnAction(event -> showMine());
        state.setId("definition-state");
        state.getStyleClass().add("soft");
        HBox.setHgrow(state, Priority.ALWAYS);
        faults.setId("faults");
        HBox files = new HBox(6, fresh, open, state);
        files.getStyleClass().add("middle-left");
        VBox.setVgrow(area, Priority.ALWAYS);
        writing = new VBox(6, files, sentence, area, help, faults, new HBox(6, note, save, put));
        VBox.setVgrow(writing, Priority.ALWAYS);
        getChildren().addAll(header(), writing);
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        bench.listen(aspect -> {
            if (shown && aspect == Aspect.CHART && blends.isSelected()) {
                blendPage.preview();
            } else if (shown && aspect == Aspect.CHART) {
                editing.tryOut();
            }
        });
        bench.desk().books().listen(subject -> {
            if (shown && subject == Books.Subject.BLENDS) {
                blendPage.show();
            } else if (shown && subject == Books.Subject.OWN_INDICATORS) {
                library.show();
                versions.show();
                showText();
            }
        });
        editing.begin("");
        showText();
    }

    private HBox header() {
        Label title = new Label("Own");
        title.getStyleClass().add("strong");
        title.setMinWidth(Region.USE_PREF_SIZE);
        ToggleGroup group = new ToggleGroup();
        for (ToggleButton each : List.of(write, shelf, past, blends)) {
            each.setToggleGroup(group);
            each.setMinWidth(Region.USE_PREF_SIZE);
            each.getStyleClass().add("page-tab");
            each.setOnAction(event -> go(each));
        }
        write.setId("own-write");
        shelf.setId("own-library");
        past.setId("own-versions");
        blends.setId("own-blends");
        write.setSelected(true);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Button close = new Button("Close");
        close.setId("own-close");
        close.setMinWidth(Region.USE_PREF_SIZE);
        close.setOnAction(event -> left.run());
        HBox row = new HBox(4, title, write, shelf, past, blends, gap, close);
        row.getStyleClass().add("middle-left");
        return row;
    }

    private void go(ToggleButton page) {
        page.setSelected(true);
        Region content = page == write ? writing : page == shelf ? library : page == past ? versions : blendPage;
        VBox.setVgrow(content, Priority.ALWAYS);
        getChildren().set(1, content);
        if (page == shelf) {
            library.show();
            library.focusStart();
        } else if (page == past) {
            versions.show();
            versions.focusStart();
        } else if (page == blends) {
            blendPage.show();
            blendPage.focusStart();
        } else {
            area.area().requestFocus();
        }
        if (page != blends) {
            blendPage.stop();
            editing.tryOut();
        }
    }

    /** Puts another text into the editor; what was not saved is not gone, and that is said. */
    private void instead(Runnable opening) {
        boolean loses = !editing.unsaved().isBlank();
        opening.run();
        drafted.run();
        if (loses) {
            bench.desk().tell("What you had not saved is still there: Ctrl+Z in the text brings it back.");
        }
    }

    private void showMine() {
        mine.getItems().clear();
        for (OwnIndicator each : bench.desk().ownWork().all()) {
            MenuItem item = new MenuItem(each.title());
            item.setId("open-" + each.name());
            item.setOnAction(event -> {
                instead(() -> editing.open(each.name()));
                showAll();
                area.goTo(0);
            });
            mine.getItems().add(item);
        }
        if (mine.getItems().isEmpty()) {
            MenuItem none = new MenuItem("Nothing of yours yet; Library has examples");
            none.setOnAction(event -> go(shelf));
            mine.getItems().add(none);
        }
        mine.show(open, Side.BOTTOM, 0, 0);
    }

    private void pressed(KeyEvent event) {
        if (event.isShortcutDown() && event.getCode() == KeyCode.S) {
            save();
            event.consume();
        } else if (event.isShortcutDown() && event.getCode() == KeyCode.ENTER) {
            put();
            event.consume();
        } else if (event.getCode() == KeyCode.ESCAPE && !area.isProposing()) {
            if (editing.reading() != null) {
                editing.leave();
                sentence.show();
            } else {
                bench.room().tell(Aspect.VIEW);
                leaveToChart.run();
            }
            event.consume();
        }
    }

    private Runnable leaveToChart = () -> {};

    private void save() {
        try {
            editing.save(note.getText());
            note.clear();
            bench.desk()
                    .tell(
                            editing.faults().isEmpty()
                                    ? "Saved: " + editing.name() + " is an indicator everywhere now."
                                    : "Saved with its faults; charts keep the last good version.");
        } catch (IllegalArgumentException refused) {
            bench.desk().tell("It is not saved: " + refused.getMessage() + ".");
        }
        showText();
        drafted.run();
    }

    private void put() {
        try {
            editing.putOnChart(note.getText());
            note.clear();
        } catch (IllegalArgumentException refused) {
            bench.desk().tell("It is not on the chart: " + refused.getMessage() + ".");
        }
        showText();
        drafted.run();
    }

    private void showAll() {
        showText();
        sentence.show();
    }

    /** Shows the text and what is said of it. */
    private void showText() {
        area.show();
        help.setText(editing.help(area.area().getCaretPosition()));
        int count = editing.versions().size();
        state.setText(
                editing.text().isBlank()
                        ? ""
                        : (editing.name().isEmpty() ? "not saved" : editing.name())
                                + (editing.isChanged() && count > 0 ? ", changed" : "")
                                + (count == 0 ? "" : count == 1 ? ", 1 version" : ", " + count + " versions"));
        List<Fault> all = editing.faults();
        boolean blank = editing.text().isBlank();
        if (all.equals(faultsShown) && blank == blankShown) {
            return;
        }
        faultsShown = all;
        blankShown = blank;
        faults.getChildren().clear();
        for (Fault fault : all.subList(0, Math.min(FAULTS, all.size()))) {
            Hyperlink link = new Hyperlink(editing.told(fault));
            link.getStyleClass().add("problem");
            link.setWrapText(true);
            link.setMaxWidth(Double.MAX_VALUE);
            link.setOnAction(event -> area.goTo(fault.position()));
            faults.getChildren().add(link);
        }
        if (all.size() > FAULTS) {
            faults.getChildren().add(new Label("and " + (all.size() - FAULTS) + " more"));
        }
        if (all.isEmpty()) {
            Label good = new Label(
                    blank
                            ? "Say it in words above, begin a New one, or open an example from the Library."
                            : "No faults. It is tried out on the chart as you type.");
            good.getStyleClass().add("soft");
            good.setWrapText(true);
            faults.getChildren().add(good);
        }
    }

    /**
     * Comes up.
     *
     * @param wanted which page, and what is to be edited there
     * @param whenLeft closes it
     * @param toChart puts the focus on the chart and leaves it open
     */
    public void open(Writing wanted, Runnable whenLeft, Runnable toChart) {
        left = whenLeft;
        leaveToChart = toChart;
        shown = true;
        if (wanted instanceof Writing.Blends made) {
            go(blends);
            if (!made.formula().isEmpty()) {
                blendPage.begin(made.formula());
            }
            return;
        }
        go(write);
        if (wanted instanceof Writing.Indicator one && !one.name().isEmpty()) {
            instead(() -> editing.open(one.name()));
        }
        editing.tryOut();
        showAll();
        if (editing.text().isBlank()) {
            sentence.field().requestFocus();
        } else {
            area.area().requestFocus();
        }
    }

    /** Goes; the draft goes off the chart and stays in the editor. */
    @Override
    public void close() {
        shown = false;
        blendPage.stop();
        editing.close();
    }

    /** Goes on with what was written and not saved before the application ended; empty for nothing. */
    public void resume(String written) {
        if (!written.isBlank()) {
            editing.resume(written);
            showAll();
        }
    }

    /** What is written and not saved; empty when all is saved. */
    public String draft() {
        return editing.unsaved();
    }

    /** Begins a new one with a text. */
    public void begin(String text) {
        editing.begin(text);
        showAll();
    }
}
