package dev.yardarm.app.board;

import dev.yardarm.app.chart.PaintedRegion;
import dev.yardarm.app.workbench.Observing;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.board.BoardPainter;
import dev.yardarm.chart.board.BoardPicture;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.board.Board;
import dev.yardarm.desk.board.BoardRow;
import dev.yardarm.desk.listening.Listening;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Orientation;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * The board as a table. It is painted, not built of controls: a frame of hundreds of quotes a second costs what can be seen of them. A click
 * takes a row in hand, a second one or Enter opens its chart, a click on a head sorts; the arrows go through the rows.
 */
public final class BoardTable extends PaintedRegion {
    private static final double BAR = 12;

    private final Board board;
    private final BoardMenu menus;
    private final BoardPainter painter = new BoardPainter();
    private final ScrollBar bar = new ScrollBar();
    private final Listening heard;
    private Consumer<Instrument> opens = instrument -> {};
    private Consumer<Optional<BoardRow>> points = row -> {};
    private ContextMenu menu;
    private BoardPicture painted = new BoardPicture(List.of(), List.of(), false);
    private int first;
    private int pointed = -1;
    private int taken = -1;

    public BoardTable(Workbench bench, Board board) {
        this.board = board;
        menus = new BoardMenu(bench, board);
        setId("board-table");
        getStyleClass().add("board-table");
        setFocusTraversable(true);
        setMinSize(160, 120);
        bar.setOrientation(Orientation.VERTICAL);
        bar.setFocusTraversable(false);
        bar.valueProperty().addListener((observed, before, now) -> {
            board.touch();
            first = (int) Math.round(now.doubleValue());
            redraw();
        });
        getChildren().add(bar);
        setOnMouseMoved(this::moved);
        setOnMouseExited(event -> {
            pointed = -1;
            points.accept(Optional.empty());
            redraw();
        });
        setOnMousePressed(this::pressed);
        setOnScroll(event -> {
            board.touch();
            scrollTo(first - (int) Math.signum(event.getDeltaY()) * 3);
        });
        setOnKeyPressed(this::pressed);
        setOnContextMenuRequested(this::menu);
        focusedProperty().addListener((observed, before, now) -> redraw());
        heard = Listening.all(
                board.listen(changed -> changed()), Observing.of(bench.paletteProperty(), this::setPalette));
        setPalette(bench.palette());
    }

    /** What Enter and a second click do with an instrument. */
    public void onOpen(Consumer<Instrument> opener) {
        opens = opener;
    }

    /** Is told which row is under the pointer. */
    public void onPoint(Consumer<Optional<BoardRow>> listener) {
        points = listener;
    }

    private void changed() {
        if (board.rows().place() != taken) {
            taken = board.rows().place();
            showTaken();
            setAccessibleText(board.rows().inHand().map(board::words).orElse("The board is empty"));
        }
        redraw();
    }

    private int seen() {
        return BoardPicture.linesIn(Math.max(1, getHeight()));
    }

    private void scrollTo(int line) {
        first = Math.max(0, Math.min(line, board.lines() - seen()));
        bar.setValue(first);
        redraw();
    }

    private void showTaken() {
        int line = board.lineOf(board.rows().place());
        if (line < first) {
            scrollTo(line);
        } else if (line >= first + seen()) {
            scrollTo(line - seen() + 1);
        }
    }

    private Optional<BoardRow> rowAt(double y) {
        int line = BoardPicture.lineAt(y);
        return line < 0
                ? Optional.empty()
                : board.rowAt(first + line).map(board.rows().rows()::get);
    }

    private void moved(MouseEvent event) {
        board.touch();
        int line = BoardPicture.lineAt(event.getY());
        int now = line < 0 ? -1 : first + line;
        if (now != pointed) {
            pointed = now;
            points.accept(rowAt(event.getY()));
            redraw();
        }
    }

    private void pressed(MouseEvent event) {
        requestFocus();
        board.touch();
        if (menu != null) {
            menu.hide();
        }
        if (event.getButton() != MouseButton.PRIMARY) {
            return;
        }
        if (event.getY() < BoardPicture.HEAD) {
            int column = painted.columnAt(event.getX());
            if (column >= 0) {
                board.sortBy(board.rows().shown().get(column).id());
            }
            return;
        }
        int line = first + BoardPicture.lineAt(event.getY());
        board.rowAt(line).ifPresent(row -> {
            board.rows().take(row);
            if (event.getClickCount() == 2) {
                opens.accept(board.rows().rows().get(row).instrument());
            }
        });
    }

    private void pressed(KeyEvent event) {
        board.touch();
        switch (event.getCode()) {
            case UP -> board.rows().step(-1);
            case DOWN -> board.rows().step(1);
            case HOME -> board.rows().take(0);
            case END -> board.rows().take(board.rows().rows().size() - 1);
            case ENTER -> board.rows().inHand().ifPresent(row -> opens.accept(row.instrument()));
            default -> {
                return;
            }
        }
        event.consume();
    }

    private void menu(ContextMenuEvent event) {
        Optional<BoardRow> on = event.isKeyboardTrigger() ? board.rows().inHand() : rowAt(event.getY());
        on.ifPresent(row -> {
            menu = menus.ofInstrument(row.instrument());
            menu.show(this, event.getScreenX(), event.getScreenY());
        });
        event.consume();
    }

    @Override
    protected void layoutChildren() {
        boolean needed = board.lines() > seen();
        bar.setVisible(needed);
        if (needed) {
            bar.setMax(board.lines() - seen());
            bar.setVisibleAmount(bar.getMax() * seen() / board.lines());
            bar.setBlockIncrement(seen());
            bar.resizeRelocate(getWidth() - BAR, BoardPicture.HEAD, BAR, Math.max(0, getHeight() - BoardPicture.HEAD));
        } else {
            first = 0;
        }
        super.layoutChildren();
    }

    @Override
    protected void lost() {
        painter.forget();
    }

    @Override
    protected void paint(double width, double height, Palette colours, Surface on) {
        painted = board.picture(first, seen() + 1, pointed, isFocused(), width - (bar.isVisible() ? BAR : 0));
        painter.paint(painted, width, height, colours, on);
    }

    public void close() {
        heard.close();
    }
}
