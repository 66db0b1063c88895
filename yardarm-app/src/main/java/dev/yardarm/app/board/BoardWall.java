package dev.yardarm.app.board;

import dev.yardarm.app.chart.PaintedRegion;
import dev.yardarm.app.workbench.Observing;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.board.TileLayout.Tile;
import dev.yardarm.chart.board.WallPainter;
import dev.yardarm.chart.board.WallPicture;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.board.Board;
import dev.yardarm.desk.board.BoardRow;
import dev.yardarm.desk.board.BoardWeights;
import dev.yardarm.desk.listening.Listening;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.ContextMenu;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** The board as a wall of tiles. A click takes a tile in hand, a second one or Enter opens its chart; the arrows go from tile to tile. */
public final class BoardWall extends PaintedRegion {
    private final Board board;
    private final BoardMenu menus;
    private final BoardWeights weights;
    private final WallPainter painter = new WallPainter();
    private final Listening heard;
    private Consumer<Instrument> opens = instrument -> {};
    private Consumer<Optional<BoardRow>> points = row -> {};
    private Runnable weighed = () -> {};
    private ContextMenu menu;
    private WallPicture wall = new WallPicture(List.of(), List.of());
    private String pointed = "";

    public BoardWall(Workbench bench, Board board) {
        this.board = board;
        menus = new BoardMenu(bench, board);
        weights = new BoardWeights(bench.desk(), board, this::weighed);
        setId("board-wall");
        getStyleClass().add("board-table");
        setFocusTraversable(true);
        setMinSize(160, 120);
        setOnMouseMoved(this::moved);
        setOnMouseExited(event -> point(Optional.empty()));
        setOnMousePressed(this::pressed);
        setOnKeyPressed(this::pressed);
        setOnContextMenuRequested(event -> {
            Optional<BoardRow> on = event.isKeyboardTrigger()
                    ? board.rows().inHand()
                    : wall.at(event.getX(), event.getY()).flatMap(this::row);
            on.ifPresent(row -> {
                menu = menus.ofInstrument(row.instrument());
                menu.show(this, event.getScreenX(), event.getScreenY());
            });
            event.consume();
        });
        heard = Listening.all(
                board.listen(changed -> {
                    if (isVisible()) {
                        weights.follow();
                        redraw();
                    }
                }),
                Observing.of(bench.paletteProperty(), this::setPalette));
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

    /** Is told when what the areas mean has changed. */
    public void onWeighed(Runnable listener) {
        weighed = listener;
    }

    /** What the areas mean, in words. */
    public String areas() {
        return weights.words();
    }

    private void weighed() {
        weighed.run();
        redraw();
    }

    private Optional<BoardRow> row(WallPicture.Placed tile) {
        return board.rows().rows().stream()
                .filter(each ->
                        each.instrument().id().toString().equals(tile.item().key()))
                .findFirst();
    }

    private void point(Optional<WallPicture.Placed> tile) {
        String key = tile.map(each -> each.item().key()).orElse("");
        if (!key.equals(pointed)) {
            pointed = key;
            points.accept(tile.flatMap(this::row));
            redraw();
        }
    }

    private void moved(MouseEvent event) {
        board.touch();
        point(wall.at(event.getX(), event.getY()));
    }

    private void take(WallPicture.Placed tile) {
        row(tile).ifPresent(row -> board.rows().take(board.rows().rows().indexOf(row)));
        setAccessibleText(board.rows().inHand().map(board::words).orElse(""));
    }

    private void pressed(MouseEvent event) {
        requestFocus();
        board.touch();
        if (menu != null) {
            menu.hide();
        }
        if (event.getButton() == MouseButton.PRIMARY) {
            wall.at(event.getX(), event.getY()).ifPresent(tile -> {
                take(tile);
                if (event.getClickCount() == 2) {
                    row(tile).ifPresent(row -> opens.accept(row.instrument()));
                }
            });
        }
    }

    private String inHand() {
        return board.rows()
                .inHand()
                .map(row -> row.instrument().id().toString())
                .orElse("");
    }

    private void pressed(KeyEvent event) {
        board.touch();
        switch (event.getCode()) {
            case LEFT -> go(-1, 0);
            case RIGHT -> go(1, 0);
            case UP -> go(0, -1);
            case DOWN -> go(0, 1);
            case ENTER -> board.rows().inHand().ifPresent(row -> opens.accept(row.instrument()));
            default -> {
                return;
            }
        }
        event.consume();
    }

    /** Takes the tile next to the one in hand, as seen from its middle. */
    private void go(int x, int y) {
        Tile from = wall.tiles().stream()
                .filter(each -> each.item().key().equals(inHand()))
                .findFirst()
                .map(WallPicture.Placed::place)
                .orElse(new Tile(0, 0, 0, 0));
        double step = 4;
        double px = from.x() + from.width() / 2;
        double py = from.y() + from.height() / 2;
        while (px >= 0 && py >= 0 && px <= getWidth() && py <= getHeight()) {
            px += x * step;
            py += y * step;
            Optional<WallPicture.Placed> there = wall.at(px, py);
            if (there.isPresent() && !there.get().item().key().equals(inHand())) {
                take(there.get());
                return;
            }
        }
    }

    @Override
    protected void paint(double width, double height, Palette colours, Surface on) {
        wall = WallPicture.of(weights.items(), width, height);
        painter.paint(wall, inHand(), pointed, width, height, colours, on);
    }

    /** Where an instrument's tile is; empty when it has none. */
    public Optional<Tile> place(String code) {
        return wall.tiles().stream()
                .filter(each -> each.item().code().equals(code))
                .findFirst()
                .map(WallPicture.Placed::place);
    }

    public void close() {
        weights.close();
        heard.close();
    }
}
