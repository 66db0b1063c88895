package dev.yardarm.app.board;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.board.Board;
import dev.yardarm.desk.room.chart.Aspect;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The board beside the chart: a few columns, the chart of the row under the pointer in a small window; a click twice or Enter opens it. */
public final class BoardPanel extends VBox {
    private static final double WIDTH = 268;

    private final Board board;
    private final BoardTable table;
    private final HoverChart hover;

    public BoardPanel(Workbench bench) {
        board = new Board(bench.desk(), Board.Place.SIDE, System::nanoTime);
        table = new BoardTable(bench, board);
        hover = new HoverChart(bench);
        BoardMenu menus = new BoardMenu(bench, board);
        getStyleClass().addAll("side", "side-left");
        setId("board-panel");
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        Label title = new Label("Board");
        title.getStyleClass().add("panel-title");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(2, title, gap, menus.lists(), menus.columns());
        head.getStyleClass().add("table-head");
        VBox.setVgrow(table, Priority.ALWAYS);
        getChildren().addAll(head, table);
        table.setId("board-beside");
        table.onOpen(bench::openChart);
        table.onPoint(row -> row.ifPresentOrElse(
                each -> hover.show(each.instrument(), board.words(each), table, WIDTH + 4, 60), hover::hide));
        board.setUsualList(bench.room().listName());
        bench.listen(aspect -> {
            if (aspect == Aspect.LIST) {
                board.setUsualList(bench.room().listName());
            }
        });
    }

    /** Follows its quotes, or rests. */
    public void setAwake(boolean on) {
        if (on) {
            board.wake();
        } else {
            hover.hide();
            board.rest();
        }
    }

    /** Puts the focus on it. */
    public void focusBoard() {
        table.requestFocus();
    }

    /** What it shows. */
    public Board board() {
        return board;
    }

    /** The instrument whose chart shows under the pointer; empty for none. */
    public Optional<Instrument> hovered() {
        return Optional.ofNullable(hover.shown());
    }

    public void close() {
        hover.hide();
        table.close();
        board.close();
    }
}
