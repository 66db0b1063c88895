package dev.yardarm.app.window;

import dev.yardarm.app.chart.FiringPictures;
import dev.yardarm.app.layout.LayoutWindows;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.theme.Zoom;
import dev.yardarm.app.view.PlanView;
import dev.yardarm.app.view.ScanView;
import dev.yardarm.app.view.WatchPages;
import dev.yardarm.app.view.WorkView;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.work.Lane;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.PauseTransition;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import javafx.util.Duration;

/** The window: header with views and command line, the view in front, the status line. */
public final class MainWindow implements WindowParts {
    private final Desk desk;
    private final Workbench bench;
    private final FiringPictures pictures;
    private final Stage stage;
    private final Scene scene;
    private final ChartPage page;
    private final Map<View, WorkView> views = new EnumMap<>(View.class);
    private final Map<View, ToggleButton> tabs = new EnumMap<>(View.class);
    private final BorderPane frame = new BorderPane();
    private final StackPane linePlace = new StackPane();
    private final StackPane front = new StackPane();
    private final StackPane over = new StackPane();
    private final Zoom root = new Zoom(over);
    private final CommandLine line;
    private final HintPanel hints;
    private final OverlayDeck overlays;
    private final StatusLine status;
    private final WorkspaceState state;
    private final LayoutWindows windows;
    private final Timeline pulse;
    private long shownSecond;
    private WorkView shown;

    public MainWindow(Desk desk, Stage stage) {
        this.desk = desk;
        this.stage = stage;
        bench = new Workbench(desk);
        pictures = new FiringPictures(desk, bench::palette);
        // First of all: buttons and menus are made from them.
        ActionTable.declare(this);
        page = new ChartPage(bench);
        views.put(View.CHART, page);
        status = new StatusLine(desk, zone(), this::showNotices);
        KeyFile keyFile = new KeyFile(desk, bench.actions());
        hints = new HintPanel(bench.actions(), action -> action.run(desk::tell));
        WindowHands hands = new WindowHands(
                this,
                keyFile,
                condition -> {
                    bench.go(View.SCAN);
                    ((ScanView) view(View.SCAN)).scanFor(condition, bench.room().listName());
                },
                scan -> {
                    bench.go(View.SCAN);
                    ((ScanView) view(View.SCAN)).runScan(scan);
                },
                file -> state().export(file));
        line = new CommandLine(
                new CommandLanguage(
                        desk.directory(),
                        desk.language()::now,
                        bench.actions()::all,
                        desk.books()::scans,
                        () -> desk.books().lists().stream().map(NamedList::name).toList()),
                command -> command.carryOut(hands),
                desk::tell,
                this::focusView);
        bench.onEvidence(condition -> {
            bench.go(View.SCAN);
            ((ScanView) view(View.SCAN)).evidenceOf(condition, bench.room().listName());
        });
        bench.onPrompt(beginning -> {
            placeLine();
            line.prompt(beginning);
        });
        // In the order Tab goes through them.
        frame.setTop(header());
        frame.setCenter(front);
        frame.setBottom(status);
        over.getChildren().add(frame);
        overlays = new OverlayDeck(bench, over, line, hints, this::focusView);
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
        new WindowKeys(scene, bench, page, () -> shown, keyFile, hints, overlays).install();
        // In a window of its own a layout is always in front.
        windows = new LayoutWindows(
                bench,
                other -> new WindowKeys(other, bench, page, () -> page, keyFile, hints, overlays).install(),
                state::changed);
        page.setWindows(windows);
        state.setWindows(windows);
        desk.onNotice(status::showNotice);
        desk.onAlert(pictures::take);
        desk.bell()
                .ringsAt(new AlertOutside(
                        desk.scheduler().on(Lane.TELLING), desk::tell, ring -> bench.openFiring(ring.firing())));
        Themes.apply(bench.themeProperty().get(), scene);
        pulse = new Timeline(new KeyFrame(Duration.millis(250), event -> {
            status.update();
            refreshClocks();
            desk.tick();
            overlays.place();
        }));
        pulse.setCycleCount(Timeline.INDEFINITE);
        show(View.CHART);
    }

    /** A view, made when it is first looked at. */
    private WorkView view(View which) {
        return views.computeIfAbsent(which, missing -> switch (missing) {
            case SCAN -> new ScanView(bench);
            case WATCH -> new WatchPages(bench, pictures);
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
    public Optional<Instrument> instrument() {
        return shown.instrument();
    }

    @Override
    public Optional<Timeframe> timeframe() {
        return shown.timeframe();
    }

    @Override
    public WatchPages watch() {
        return (WatchPages) view(View.WATCH);
    }

    @Override
    public void gatherEvidence() {
        ((ScanView) view(View.SCAN)).evidence();
    }

    @Override
    public StatusLine status() {
        return status;
    }

    @Override
    public void toggleHelp() {
        overlays.toggleHelp();
    }

    @Override
    public void showNotices() {
        overlays.showNotices();
    }

    @Override
    public void openNewestAlert() {
        if (overlays.alerts().openNewest()) {
            focusView();
        }
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

    /** Another size of text. */
    private void zoom(int percent) {
        root.set(percent);
        overlays.place();
    }

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
        scene.setRoot(root);
        root.set(bench.textSizeProperty().get());
        stage.show();
        pulse.play();
        overlays.follow();
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
