package dev.yardarm.app.window;

import dev.yardarm.app.layout.LayoutWindows;
import dev.yardarm.app.panel.ComparePanel;
import dev.yardarm.app.panel.IndicatorPicker;
import dev.yardarm.app.panel.IntakePanel;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.theme.Zoom;
import dev.yardarm.app.view.PlanView;
import dev.yardarm.app.view.ScanView;
import dev.yardarm.app.view.WatchView;
import dev.yardarm.app.view.WorkView;
import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.FocusHold;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.room.chart.Aspect;
import java.io.File;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.PauseTransition;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import javafx.util.Duration;

/** The window: header with views and command line, the view in front, the status line. */
public final class MainWindow implements WindowParts, Overlays {
    private final Desk desk;
    private final Workbench bench;
    private final Stage stage;
    private final Scene scene;
    private final ChartPage page;
    private final Map<View, WorkView> views = new EnumMap<>(View.class);
    private final Map<View, ToggleButton> tabs = new EnumMap<>(View.class);
    private final BorderPane frame = new BorderPane();
    private final StackPane linePlace = new StackPane();
    private final StackPane front = new StackPane();
    private final StackPane over = new StackPane();
    private final CommandLine line;
    private final HintPanel hints;
    private final HelpPane help;
    private final Label alertNotice = new Label();
    private final Deque<Unseen> unseen = new ArrayDeque<>();
    private final StatusLine status;
    private final WorkspaceState state;
    private final LayoutWindows windows;
    private final Timeline pulse;
    private IndicatorPicker picker;
    private ComparePanel comparison;
    private IntakePanel intake;
    private long shownSecond;
    private WorkView shown;
    private Runnable afterHelp = this::focusView;

    public MainWindow(Desk desk, Stage stage) {
        this.desk = desk;
        this.stage = stage;
        bench = new Workbench(desk);
        // First of all: buttons and menus are made from them.
        ActionTable.declare(this);
        page = new ChartPage(bench);
        views.put(View.CHART, page);
        status = new StatusLine(desk, zone(), this::showNotices);
        KeyFile keyFile = new KeyFile(desk, bench.actions());
        hints = new HintPanel(bench.actions(), action -> action.run(desk::tell));
        help = new HelpPane(bench.actions());
        FocusHold.in(help);
        WindowHands hands = new WindowHands(
                this,
                keyFile,
                condition -> {
                    bench.go(View.SCAN);
                    ((ScanView) view(View.SCAN)).scanFor(condition, bench.room().listName());
                },
                file -> state().export(file));
        line = new CommandLine(
                new CommandLanguage(desk.directory(), desk.language()::now, bench.actions()::all),
                command -> command.carryOut(hands),
                desk::tell,
                this::focusView);
        bench.onPrompt(beginning -> {
            placeLine();
            line.prompt(beginning);
        });
        bench.onPick(this::pick);
        bench.onCompare(this::compare);
        bench.onIntake(this::intake);
        takeDrops();
        alertNotice.getStyleClass().add("alert-notice");
        alertNotice.setId("alert-notice");
        alertNotice.setManaged(false);
        alertNotice.setVisible(false);
        alertNotice.setOnMouseClicked(event -> openNewestAlert());
        alertNotice.setAccessibleRole(AccessibleRole.BUTTON);
        // In the order Tab goes through them.
        frame.setTop(header());
        frame.setCenter(front);
        frame.setBottom(status);
        over.getChildren().addAll(frame, hints, help);
        line.attach(over);
        // The content joins it when all is in its place: joining is what applies styles, and each node is to get them
        // once.
        scene = new Scene(new Region(), 1280, 800);
        stage.setScene(scene);
        stage.setTitle("Yardarm");
        stage.setMinWidth(900);
        stage.setMinHeight(600);
        bench.viewProperty().addListener((observed, before, now) -> show(now));
        bench.themeProperty().addListener((observed, before, now) -> Themes.apply(now, scene));
        bench.textSizeProperty().addListener((observed, before, now) -> zoom(now.intValue()));
        state = new WorkspaceState(bench, page, line, stage);
        new WindowKeys(scene, bench, page, () -> shown, keyFile, hints, this).install();
        // In a window of its own a layout is always in front.
        windows = new LayoutWindows(
                bench,
                other -> new WindowKeys(other, bench, page, () -> page, keyFile, hints, this).install(),
                state::changed);
        page.setWindows(windows);
        state.setWindows(windows);
        desk.onNotice(status::showNotice);
        desk.onAlert(this::showAlert);
        Themes.apply(bench.themeProperty().get(), scene);
        pulse = new Timeline(new KeyFrame(Duration.millis(250), event -> {
            status.update();
            refreshClocks();
            desk.tick();
            placeOverlays();
        }));
        pulse.setCycleCount(Timeline.INDEFINITE);
        show(View.CHART);
    }

    /** The catalogue is made when it is first opened. */
    private void pick(Consumer<Indicator> taker) {
        if (picker == null) {
            picker = new IndicatorPicker(bench);
            FocusHold.in(picker);
            over.getChildren().add(picker);
        }
        picker.open(taker, back());
        placeOverlays();
    }

    private void compare() {
        if (bench.room().instrument().isEmpty()) {
            desk.tell("Open a chart first: type the code of an instrument.");
            return;
        }
        if (comparison == null) {
            comparison = new ComparePanel(bench);
            FocusHold.in(comparison);
            over.getChildren().add(comparison);
        }
        bench.go(View.CHART);
        comparison.open(back());
        placeOverlays();
    }

    /** Shows what files hold before they are imported. */
    private void intake(List<Path> given) {
        List<Path> files = given.isEmpty() ? IntakePanel.choose(stage) : given;
        if (files.isEmpty()) {
            return;
        }
        if (intake == null) {
            intake = new IntakePanel(bench);
            FocusHold.in(intake);
            over.getChildren().add(intake);
        }
        intake.open(files, back());
        placeOverlays();
    }

    /** Files dropped on the window are looked at. */
    private void takeDrops() {
        over.setOnDragOver(event -> {
            if (event.getDragboard().hasFiles()) {
                event.acceptTransferModes(TransferMode.COPY);
                event.consume();
            }
        });
        over.setOnDragDropped(event -> {
            List<Path> files =
                    event.getDragboard().getFiles().stream().map(File::toPath).toList();
            if (!files.isEmpty()) {
                intake(files);
            }
            event.setDropCompleted(!files.isEmpty());
            event.consume();
        });
    }

    /** A view, made when it is first looked at. */
    private WorkView view(View which) {
        return views.computeIfAbsent(which, missing -> switch (missing) {
            case SCAN -> new ScanView(bench);
            case WATCH -> new WatchView(bench);
            case PLAN -> new PlanView(bench);
            case CHART -> page;
        });
    }

    private ZoneId zone() {
        List<Instrument> all = desk.directory().all();
        return all.isEmpty() ? ZoneOffset.UTC : desk.calendar(all.get(0)).zone();
    }

    private Region header() {
        Label wordmark = new Label("Yardarm");
        wordmark.getStyleClass().add("wordmark");
        HBox header = new HBox(wordmark);
        header.getStyleClass().add("header");
        ToggleGroup group = new ToggleGroup();
        for (View view : View.values()) {
            ToggleButton tab = new ToggleButton(view.title());
            tab.getStyleClass().setAll("view-tab");
            tab.setToggleGroup(group);
            tab.setId("view-" + view.title().toLowerCase(Locale.ROOT));
            Tips.ofAction(tab, bench.actions(), "go-to." + view.title().toLowerCase(Locale.ROOT));
            tab.setOnAction(event -> {
                tab.setSelected(true);
                bench.go(view);
            });
            tabs.put(view, tab);
            header.getChildren().add(tab);
        }
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Button theme = new Button("Night watch");
        theme.setId("theme");
        theme.getStyleClass().add("flat");
        Tips.ofAction(theme, bench.actions(), "hide-and-show.theme");
        theme.setOnAction(
                event -> bench.themeProperty().set(bench.themeProperty().get().other()));
        bench.themeProperty()
                .addListener(
                        (observed, before, now) -> theme.setText(now.other().title()));
        linePlace.getStyleClass().add("line-place");
        header.getChildren().addAll(gap, theme, linePlace);
        return header;
    }

    /** Puts the command line into the header: after the first chart, which does not wait for it, or when it is needed. */
    private void placeLine() {
        if (linePlace.getChildren().isEmpty()) {
            linePlace.getChildren().add(line);
        }
    }

    private void show(View view) {
        WorkView left = shown;
        shown = view(view);
        if (left != null && left != shown) {
            left.leaves();
        }
        tabs.get(view).setSelected(true);
        front.getChildren().setAll(shown.node());
        if (left != null) {
            // Split panes and scroll panes take their content in with their skin; before, nothing in it can have the
            // focus.
            shown.node().applyCss();
        }
        shown.comesToFront();
    }

    private void focusView() {
        shown.focusStart();
    }

    @Override
    public ChartPage page() {
        return page;
    }

    @Override
    public StatusLine status() {
        return status;
    }

    @Override
    public void toggleHelp() {
        if (!help.isVisible()) {
            afterHelp = back();
        }
        help.toggle();
        placeOverlays();
        if (!help.isVisible()) {
            afterHelp.run();
        }
    }

    /** Where the focus goes when what is opened now closes: where it is, unless that is the command line. */
    private Runnable back() {
        Node owner = scene.getFocusOwner();
        for (Node above = owner; above != null; above = above.getParent()) {
            if (above == line || above == help) {
                return this::focusView;
            }
        }
        return FocusHold.back(scene, this::focusView);
    }

    @Override
    public void showNotices() {
        afterHelp = back();
        help.showNotices(desk.notices());
        placeOverlays();
    }

    @Override
    public boolean areOpen() {
        return help.isVisible()
                || picker != null && picker.isVisible()
                || comparison != null && comparison.isVisible()
                || intake != null && intake.isVisible();
    }

    @Override
    public boolean closeFront() {
        if (picker != null && picker.isVisible()) {
            picker.close();
            return true;
        }
        if (comparison != null && comparison.isVisible()) {
            comparison.close();
            return true;
        }
        if (intake != null && intake.isVisible()) {
            intake.close();
            return true;
        }
        if (!help.isVisible()) {
            return false;
        }
        help.setVisible(false);
        afterHelp.run();
        return true;
    }

    /** The time left to a bar's close runs on without trades, a second at a time. */
    private void refreshClocks() {
        long second = desk.clock().now() / Times.SECOND;
        if (second != shownSecond
                && page.chart() != null
                && bench.viewProperty().get() == View.CHART) {
            shownSecond = second;
            page.runClocks();
        }
    }

    /** Another size of text; the focus stays where it is. */
    private void zoom(int percent) {
        Runnable focus = back();
        Zoom.set(scene, percent);
        over.applyCss();
        focus.run();
        placeOverlays();
    }

    private void placeOverlays() {
        double width = over.getWidth();
        double height = over.getHeight();
        if (help.isVisible()) {
            double wide = Math.min(860, width - 60);
            double high = Math.min(560, height - 80);
            help.resizeRelocate((width - wide) / 2, 60, wide, high);
        }
        if (picker != null && picker.isVisible()) {
            double wide = Math.min(900, width - 60);
            double high = Math.min(600, height - 90);
            picker.resizeRelocate((width - wide) / 2, 50, wide, high);
        }
        if (comparison != null && comparison.isVisible()) {
            double wide = Math.min(660, width - 60);
            double high = Math.min(520, height - 90);
            comparison.resizeRelocate((width - wide) / 2, 50, wide, high);
        }
        if (intake != null && intake.isVisible()) {
            double wide = Math.min(760, width - 60);
            double high = Math.min(Math.max(260, intake.prefHeight(wide)), height - 90);
            intake.resizeRelocate((width - wide) / 2, 50, wide, high);
        }
        if (hints.isOpen()) {
            hints.autosize();
            hints.relocate(230, height - hints.getHeight() - 36);
        }
        if (alertNotice.isVisible()) {
            // In the free part of the header: a notice must not hide prices.
            double left = 296;
            double right = over.sceneToLocal(line.localToScene(line.getBoundsInLocal()))
                            .getMinX()
                    - 96;
            alertNotice.resizeRelocate(left, 4, Math.min(alertNotice.prefWidth(-1), right - left), 28);
        }
    }

    private void showAlert(Firing alert) {
        Instrument instrument = desk.directory().find(alert.instrument()).orElse(null);
        if (instrument == null) {
            return;
        }
        String text = "Alert: " + instrument.code() + " "
                + (alert.trigger() == Alert.Trigger.REACHES
                        ? "has reached the drawing"
                        : "has closed a bar of " + alert.timeframe() + " beyond the drawing")
                + " at " + instrument.format().format(alert.price()) + ".";
        desk.tell(text);
        unseen.addFirst(new Unseen(alert, text));
        showUnseen();
    }

    /** The alerts that were not looked at stay, the newest in front. */
    private void showUnseen() {
        Unseen newest = unseen.peekFirst();
        alertNotice.setVisible(newest != null);
        if (newest == null) {
            return;
        }
        if (!over.getChildren().contains(alertNotice)) {
            over.getChildren().add(alertNotice);
        }
        String more = unseen.size() > 1 ? "  +" + (unseen.size() - 1) + " more" : "";
        alertNotice.setText(newest.text() + more);
        Tips.set(
                alertNotice,
                newest.text() + " A click or " + ActionItems.keys(bench, "go-to.newest-alert")
                        + " opens its chart, Esc puts it away; Watch keeps it.");
        alertNotice.toFront();
        alertNotice.notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
        placeOverlays();
    }

    @Override
    public void openNewestAlert() {
        Unseen newest = unseen.pollFirst();
        if (newest == null) {
            desk.tell("No alert has fired since the last was looked at. Watch has all of them.");
            return;
        }
        bench.openChart(newest.firing().instrument());
        showUnseen();
        focusView();
    }

    @Override
    public boolean putAlertAway() {
        boolean was = unseen.pollFirst() != null;
        showUnseen();
        return was;
    }

    /** An alert that was not looked at yet, and what was told. */
    private record Unseen(Firing firing, String text) {}

    private WorkspaceState state() {
        return state;
    }

    @Override
    public Workbench bench() {
        return bench;
    }

    /** Opens the workspace as it was left, shows the window and lets the market run. */
    public void open() {
        state.restore();
        scene.setRoot(over);
        Zoom.set(scene, bench.textSizeProperty().get());
        stage.show();
        pulse.play();
        hints.visibleProperty().addListener((observed, before, now) -> placeOverlays());
        help.visibleProperty().addListener((observed, before, now) -> placeOverlays());
        completeAfterFirstChart();
        focusView();
        if (bench.room().instrument().isEmpty()) {
            desk.members(bench.room().listName()).stream().findFirst().ifPresent(first -> bench.room()
                    .open(first, bench.room().chart().timeframe()));
        }
        desk.start();
        stage.setOnCloseRequest(event -> close());
    }

    /** The panels follow the first chart, or come after half a second when it takes long. */
    private void completeAfterFirstChart() {
        PauseTransition late = new PauseTransition(Duration.millis(500));
        late.setOnFinished(event -> complete());
        late.play();
        bench.listen(aspect -> {
            if (aspect == Aspect.DATA && late.getStatus() == Animation.Status.RUNNING) {
                late.stop();
                Platform.runLater(() -> Platform.runLater(this::complete));
            }
        });
    }

    private void complete() {
        placeLine();
        page.complete();
    }

    /** Stops everything and saves what is left to save. */
    public void close() {
        pulse.stop();
        state.save();
        views.values().forEach(WorkView::close);
        windows.close();
        bench.layouts().close();
        desk.close();
    }

    /** The theme in use. */
    public Palette.Theme theme() {
        return bench.themeProperty().get();
    }
}
