package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.app.board.BoardPanel;
import dev.yardarm.app.board.BoardStrip;
import dev.yardarm.app.board.BoardTable;
import dev.yardarm.app.board.BoardWall;
import dev.yardarm.app.view.WatchPages;
import dev.yardarm.chart.board.BoardPicture;
import dev.yardarm.chart.board.StripPainter;
import dev.yardarm.chart.board.TileLayout.Tile;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.board.Board;
import java.nio.file.Path;
import java.util.List;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.ScrollEvent;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The quote board as a trader looks at it: as a page, beside the chart, over it, and as a wall. */
class BoardViewTest {
    @TempDir
    private Path home;

    private WindowFixture app;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
        app.line("KTRL");
        app.await("the chart", () -> !app.chart().bars().isEmpty());
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private Board board() {
        return app.window().watch().board();
    }

    private void quoted() throws Exception {
        app.await("quotes", () -> board().instruments().stream()
                .allMatch(each -> board().quote(each.id()).isPresent()));
    }

    private List<String> codes() {
        return app.get(() -> board().rows().rows().stream()
                .map(row -> row.instrument().code())
                .toList());
    }

    private Point2D on(String query, double x, double y) {
        Bounds bounds = app.boundsOf(query);
        return new Point2D(bounds.getMinX() + x, bounds.getMinY() + y);
    }

    private String shownChart() {
        return app.get(() -> app.room().instrument().orElseThrow().code());
    }

    @Test
    void theBoardIsSortedByAHeadAndItsRowsOpenTheirCharts() throws Exception {
        app.line("board large companies");
        app.await(
                "the page",
                () -> app.window().bench().viewProperty().get() == View.WATCH
                        && app.window().watch().page() == WatchPages.Page.BOARD);
        quoted();
        // The head of the fifth column, the change in per cent.
        double left = app.get(() -> {
            double sum = 0;
            for (BoardPicture.Column column :
                    board().picture(0, 1, -1, true, 800).columns()) {
                if (column.title().equals("Change %")) {
                    return sum + column.width() / 2;
                }
                sum += column.width();
            }
            return sum;
        });
        double factor = app.boundsOf("#board-table").getWidth() / 800;
        app.robot().clickOn(on("#board-table", left * Math.min(1, factor), 10), MouseButton.PRIMARY);
        app.await("it is sorted", () -> board().rows().sortedBy().equals("percent"));
        assertThat(app.get(() -> board().rows().rows().stream()
                        .map(row -> -board().quote(row.instrument().id())
                                .orElseThrow()
                                .change())
                        .toList()))
                .isSorted();
        // A click takes a row in hand, the arrows go on from there, Enter opens its chart.
        app.robot().clickOn(on("#board-table", 30, BoardPicture.HEAD + 2.5 * BoardPicture.LINE), MouseButton.PRIMARY);
        app.await("the third row", () -> board().rows().place() == 2);
        app.robot().push(KeyCode.DOWN);
        app.await("the fourth row", () -> board().rows().place() == 3);
        String wanted = codes().get(3);
        app.robot().push(KeyCode.ENTER);
        app.await(
                "its chart",
                () -> app.window().bench().viewProperty().get() == View.CHART
                        && shownChart().equals(wanted));
        // A letter opens the command line, as everywhere.
        app.keys("gq");
        app.await("the page again", () -> app.window().bench().viewProperty().get() == View.WATCH);
        assertThat(app.get(() -> app.robot().lookup("#board-table").query().isFocused()))
                .isTrue();
    }

    @Test
    void whatIsUnderThePointerShowsBesideThePage() throws Exception {
        app.line("board large companies");
        quoted();
        String second = codes().get(1);
        app.robot().moveTo(on("#board-table", 40, BoardPicture.HEAD + 1.5 * BoardPicture.LINE));
        app.await(
                "its chart",
                () -> app.robot().lookup("#row-chart").query().getScene() != null
                        && app.window().watch().board() != null
                        && title().contains(second));
        app.robot().moveTo(on("#board-table", 40, -60));
        String first = codes().get(0);
        app.await("that of the one in hand", () -> title().contains(first));
    }

    private List<String> title() {
        return app.robot().lookup("#board-page").lookup(".chart-title").lookup(".code").queryAll().stream()
                .map(node -> ((Label) node).getText())
                .toList();
    }

    @Test
    void aColumnForAFormulaIsTypedAndABadOneIsToldAndNotAdded() throws Exception {
        app.line("column close / sma(close, 20)");
        app.await("the column", () -> board().formulas().contains("close / sma(close, 20)"));
        app.line("column clos / 2");
        assertThat(app.get(() -> board().formulas())).hasSize(1);
        app.line("board nowhere");
        app.await("it is told", () -> app.notices().contains("There is no list nowhere. There are: "));
    }

    @Test
    void theStripOverTheChartMarksItsInstrumentAndOpensOthers() throws Exception {
        app.keys("hr");
        app.await("the strip", () -> app.robot()
                .lookup("#board-strip")
                .tryQuery()
                .filter(Node::isVisible)
                .isPresent());
        BoardStrip strip = app.robot().lookup("#board-strip").query();
        double width = app.boundsOf("#board-strip").getWidth();
        double place = width / StripPainter.places(width);
        List<String> members = app.get(
                () -> app.room().members().stream().map(each -> each.code()).toList());
        app.robot().clickOn(on("#board-strip", 2.5 * place, 12), MouseButton.PRIMARY);
        app.await("the third of the list", () -> shownChart().equals(members.get(2)));
        // The wheel turns it on, and it stays where it is.
        for (int turn = 0; turn < 3; turn++) {
            app.robot().interact(() -> Event.fireEvent(strip, wheel(-40)));
        }
        app.robot().clickOn(on("#board-strip", 0.5 * place, 12), MouseButton.PRIMARY);
        app.await("the fourth of the list", () -> shownChart().equals(members.get(3)));
        app.keys("wr");
        app.await("keys go to it", strip::isFocused);
        app.robot().push(KeyCode.RIGHT).push(KeyCode.ENTER);
        app.await("the next of the list", () -> shownChart().equals(members.get(1)));
        app.keys("hr");
        app.await("it is folded away", () -> !strip.getParent().isVisible());
    }

    private static ScrollEvent wheel(double deltaY) {
        return new ScrollEvent(
                ScrollEvent.SCROLL,
                5,
                5,
                5,
                5,
                false,
                false,
                false,
                false,
                false,
                false,
                0,
                deltaY,
                0,
                deltaY,
                ScrollEvent.HorizontalTextScrollUnits.NONE,
                0,
                ScrollEvent.VerticalTextScrollUnits.NONE,
                0,
                0,
                null);
    }

    @Test
    void theBoardBesideTheChartStandsInThePlaceOfTheListsAndShowsAChartUnderThePointer() throws Exception {
        app.keys("hq");
        app.await(
                "the board",
                () -> app.robot().lookup("#board-beside").tryQuery().isPresent());
        BoardPanel panel = app.robot().lookup("#board-panel").query();
        assertThat(app.get(() ->
                        app.robot().lookup("#list-panel").query().getParent().isVisible()))
                .isFalse();
        app.await("quotes", () -> panel.board().instruments().stream()
                .allMatch(each -> panel.board().quote(each.id()).isPresent()));
        String second =
                app.get(() -> panel.board().rows().rows().get(1).instrument().code());
        app.robot().moveTo(on("#board-beside", 40, BoardPicture.HEAD + 1.5 * BoardPicture.LINE));
        app.await("its chart in a small window", () -> panel.hovered().isPresent());
        assertThat(app.get(() -> panel.hovered().orElseThrow().code())).isEqualTo(second);
        app.robot()
                .doubleClickOn(
                        on("#board-beside", 40, BoardPicture.HEAD + 1.5 * BoardPicture.LINE), MouseButton.PRIMARY);
        app.await("on the chart", () -> shownChart().equals(second));
        app.keys("hq");
        app.await(
                "the lists are back",
                () -> app.robot().lookup("#list-panel").query().getParent().isVisible());
    }

    @Test
    void theWallIsGoneThroughByKeyAndByMouse() throws Exception {
        app.line("wall all companies");
        app.await("the wall", () -> app.window().watch().page() == WatchPages.Page.WALL);
        quoted();
        BoardWall wall = app.robot().lookup("#board-wall").query();
        app.await(
                "weights",
                () -> wall.areas().contains("PV60") && wall.place("KTRL").isPresent());
        Tile tile = app.get(() -> wall.place("MARN").orElseThrow());
        app.robot()
                .clickOn(
                        on("#board-wall", tile.x() + tile.width() / 2, tile.y() + tile.height() / 2),
                        MouseButton.PRIMARY);
        app.await(
                "it is in hand",
                () -> board().rows().inHand().orElseThrow().instrument().code().equals("MARN"));
        app.robot().push(KeyCode.RIGHT);
        app.await(
                "the tile beside it",
                () -> !board().rows().inHand().orElseThrow().instrument().code().equals("MARN"));
        String beside =
                app.get(() -> board().rows().inHand().orElseThrow().instrument().code());
        Tile other = app.get(() -> wall.place(beside).orElseThrow());
        assertThat(other.x()).isGreaterThan(tile.x());
        app.robot().push(KeyCode.ENTER);
        app.await("its chart", () -> shownChart().equals(beside));
    }

    @Test
    void halfOfAnIndexIsOneLineAndPagesAreKept() throws Exception {
        app.keys("gq");
        app.await("the page", () -> app.window().watch().page() == WatchPages.Page.BOARD);
        app.line("half of PV60");
        app.await("the list", () -> app.room().listName().startsWith("PV60 top 50"));
        app.await("it is on the board", () -> board().lists()
                .equals(List.of(app.room().listName())));
        assertThat(codes().size()).isBetween(4, 30);
        app.keys("hq");
        app.close();
        app.openAsItIs(true);
        assertThat(app.get(() -> app.window().watch().page())).isEqualTo(WatchPages.Page.BOARD);
        BoardTable table = app.get(
                () -> (BoardTable) app.robot().lookup("#board-table").tryQuery().orElse(null));
        assertThat(table == null || table.getScene() != null).isTrue();
    }
}
