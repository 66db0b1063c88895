package dev.yardarm.app.view;

import dev.yardarm.app.board.BoardMenu;
import dev.yardarm.app.board.BoardTable;
import dev.yardarm.app.board.BoardWall;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.board.Board;
import dev.yardarm.desk.board.BoardRow;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.table.Subject;
import java.util.Optional;
import javafx.geometry.Side;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.SplitPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The quote board as a page: its table or its wall of tiles, and the chart of what is under the pointer, else of what is in hand. */
final class BoardPage extends VBox implements RowsView {
    private final Board board;
    private final BoardTable table;
    private final BoardWall wall;
    private final RowChart chart;
    private final Label words = new Label();
    private final MenuButton columns;
    private final Listening heard;
    private Instrument pointed;
    private boolean asWall;

    BoardPage(Workbench bench) {
        board = new Board(bench.desk(), Board.Place.PAGE, System::nanoTime);
        table = new BoardTable(bench, board);
        wall = new BoardWall(bench, board);
        chart = new RowChart(bench, "board");
        BoardMenu menus = new BoardMenu(bench, board);
        columns = menus.columns();
        setId("board-page");
        getStyleClass().add("page");
        words.getStyleClass().add("soft");
        words.setMinWidth(0);
        words.setId("board-words");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(8, words, gap, menus.lists(), columns);
        head.getStyleClass().add("table-head");
        StackPane place = new StackPane(table, wall);
        VBox.setVgrow(place, Priority.ALWAYS);
        VBox left = new VBox(6, head, place);
        left.setMinWidth(300);
        SplitPane split = new SplitPane(left, chart);
        split.setDividerPositions(0.63);
        VBox.setVgrow(split, Priority.ALWAYS);
        getChildren().add(split);
        chart.setEmpty("The chart of the selected row shows here.");
        table.onOpen(bench::openChart);
        wall.onOpen(bench::openChart);
        table.onPoint(this::point);
        wall.onPoint(this::point);
        wall.onWeighed(this::tell);
        board.setUsualList(bench.room().listName());
        bench.listen(aspect -> {
            if (aspect == Aspect.LIST) {
                board.setUsualList(bench.room().listName());
            }
        });
        heard = Listening.all(board.listen(changed -> follow()), board.rows().listen(rows -> tell()));
        columns.setPopupSide(Side.BOTTOM);
        setWall(false);
        follow();
    }

    /** What it shows. */
    Board board() {
        return board;
    }

    /** Shows it as a wall of tiles, or as a table. */
    void setWall(boolean on) {
        asWall = on;
        table.setVisible(!on);
        wall.setVisible(on);
        columns.setVisible(!on);
        columns.setManaged(!on);
        if (on) {
            wall.redraw();
        }
        tell();
    }

    private void tell() {
        int count = board.instruments().size();
        words.setText(
                count == 0
                        ? "Nothing in " + String.join(", ", board.lists()) + ". Choose other lists."
                        : String.join(", ", board.lists()) + ", " + count + (asWall ? ".  " + wall.areas() : ""));
        Tips.set(words, words.getText());
    }

    private void point(Optional<BoardRow> row) {
        pointed = row.map(BoardRow::instrument).orElse(null);
        follow();
    }

    private void follow() {
        Instrument shown = pointed != null
                ? pointed
                : board.rows().inHand().map(BoardRow::instrument).orElse(null);
        chart.show(shown == null ? null : new Subject(shown, BarRequest.of(Timeframe.DAY), ""));
    }

    @Override
    public View which() {
        return View.WATCH;
    }

    /** The one in hand, whatever the pointer is over. */
    @Override
    public Optional<Instrument> instrument() {
        return board.rows().inHand().map(BoardRow::instrument);
    }

    @Override
    public void comesToFront() {
        board.wake();
        RowsView.super.comesToFront();
    }

    @Override
    public void leaves() {
        board.rest();
        pointed = null;
        RowsView.super.leaves();
    }

    @Override
    public void focusStart() {
        (asWall ? wall : table).requestFocus();
    }

    @Override
    public Rows<?> inHand() {
        return board.rows();
    }

    @Override
    public RowChart chart() {
        return chart;
    }

    @Override
    public void close() {
        heard.close();
        table.close();
        wall.close();
        chart.close();
        board.close();
    }
}
