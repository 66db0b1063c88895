package dev.yardarm.app.view;

import dev.yardarm.app.chart.FiringPictures;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.board.Board;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Parent;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The view Watch: its pages, of which one is seen. A page is made when it is first looked at; the one left last is kept. */
public final class WatchPages extends VBox implements WorkView {
    private static final String KEPT = "watch-page";

    private final Workbench bench;
    private final FiringPictures pictures;
    private final Map<Page, ToggleButton> tabs = new EnumMap<>(Page.class);
    private final StackPane place = new StackPane();
    private WatchView alerts;
    private BoardPage board;
    private Page page;
    private boolean front;

    /** What can be looked at. */
    public enum Page {
        ALERTS("Alerts and calls", "go-to.alerts-and-calls"),
        BOARD("Board", "go-to.quote-board"),
        WALL("Wall", "go-to.wall-of-tiles");

        private final String title;
        private final String action;

        Page(String title, String action) {
            this.title = title;
            this.action = action;
        }
    }

    public WatchPages(Workbench bench, FiringPictures pictures) {
        this.bench = bench;
        this.pictures = pictures;
        setId("watch-pages");
        getStyleClass().add("view");
        HBox head = new HBox(2);
        head.getStyleClass().add("page-tabs");
        ToggleGroup one = new ToggleGroup();
        for (Page each : Page.values()) {
            ToggleButton tab = new ToggleButton(each.title);
            tab.getStyleClass().setAll("view-tab");
            tab.setToggleGroup(one);
            tab.setId("watch-" + each.name().toLowerCase(Locale.ROOT));
            Tips.ofAction(tab, bench.actions(), each.action);
            tab.setOnAction(event -> {
                tab.setSelected(true);
                show(each);
            });
            tabs.put(each, tab);
            head.getChildren().add(tab);
        }
        VBox.setVgrow(place, Priority.ALWAYS);
        getChildren().addAll(head, place);
        String kept = bench.desk().habits().table(KEPT);
        page = List.of(Page.values()).stream()
                .filter(each -> each.name().equals(kept))
                .findFirst()
                .orElse(Page.ALERTS);
        put();
    }

    /** Shows a page; kept. */
    public void show(Page wanted) {
        if (wanted == page) {
            tabs.get(page).setSelected(true);
            return;
        }
        WorkView before = shown();
        page = wanted;
        bench.desk().habits().setTable(KEPT, page.name());
        if (front && before != shown()) {
            before.leaves();
        }
        put();
        if (front) {
            shown().node().applyCss();
            shown().comesToFront();
        }
    }

    private void put() {
        tabs.get(page).setSelected(true);
        WorkView shown = shown();
        if (board != null) {
            board.setWall(page == Page.WALL);
        }
        place.getChildren().setAll(shown.node());
    }

    private WorkView shown() {
        if (page == Page.ALERTS) {
            if (alerts == null) {
                alerts = new WatchView(bench, pictures);
            }
            return alerts;
        }
        return boardPage();
    }

    private BoardPage boardPage() {
        if (board == null) {
            board = new BoardPage(bench);
        }
        return board;
    }

    /** The board of its page. */
    public Board board() {
        return boardPage().board();
    }

    /** The page that is seen. */
    public Page page() {
        return page;
    }

    @Override
    public View which() {
        return View.WATCH;
    }

    @Override
    public Parent node() {
        return this;
    }

    @Override
    public void comesToFront() {
        front = true;
        shown().comesToFront();
    }

    @Override
    public void focusStart() {
        shown().focusStart();
    }

    @Override
    public void leaves() {
        front = false;
        shown().leaves();
    }

    @Override
    public void search() {
        shown().search();
    }

    @Override
    public boolean key(KeyEvent event) {
        return shown().key(event);
    }

    @Override
    public boolean typed(char sign) {
        return shown().typed(sign);
    }

    @Override
    public Optional<Instrument> instrument() {
        return shown().instrument();
    }

    @Override
    public Optional<Timeframe> timeframe() {
        return shown().timeframe();
    }

    @Override
    public boolean escape() {
        return shown().escape();
    }

    @Override
    public void close() {
        if (alerts != null) {
            alerts.close();
        }
        if (board != null) {
            board.close();
        }
    }
}
