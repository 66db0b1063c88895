package dev.yardarm.app.board;

import dev.yardarm.app.chart.PaintedRegion;
import dev.yardarm.app.workbench.Observing;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.board.StripPainter;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.board.Board;
import dev.yardarm.desk.board.BoardRow;
import dev.yardarm.desk.feed.Quotes;
import dev.yardarm.desk.listening.Listening;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ContextMenu;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * The board as a strip over the chart. It stands still: the wheel and the arrows turn it. The instrument on the chart is marked; a click or Enter
 * puts another one there.
 */
public final class BoardStrip extends PaintedRegion {
    private final Workbench bench;
    private final Board board;
    private final BoardMenu menus;
    private final StripPainter painter = new StripPainter();
    private final HoverChart hover;
    private final Listening heard;
    private ContextMenu menu;
    private int first;
    private int pointed = -1;

    public BoardStrip(Workbench bench, Board board) {
        this.bench = bench;
        this.board = board;
        menus = new BoardMenu(bench, board);
        hover = new HoverChart(bench);
        setId("board-strip");
        getStyleClass().add("board-strip");
        setAccessibleText("Quotes");
        setFocusTraversable(true);
        setMinSize(0, StripPainter.HEIGHT);
        setPrefHeight(StripPainter.HEIGHT);
        setMaxHeight(StripPainter.HEIGHT);
        setOnMouseMoved(this::moved);
        setOnMouseExited(event -> {
            pointed = -1;
            hover.hide();
            redraw();
        });
        setOnMousePressed(this::pressed);
        setOnScroll(event -> turn(-(int) Math.signum(event.getDeltaY() + event.getDeltaX())));
        setOnKeyPressed(this::pressed);
        setOnContextMenuRequested(event -> rowAt(event.getX()).ifPresent(row -> {
            menu = menus.ofInstrument(row.instrument());
            menu.show(this, event.getScreenX(), event.getScreenY());
            event.consume();
        }));
        focusedProperty().addListener((observed, before, now) -> redraw());
        heard = Listening.all(
                board.listen(changed -> redraw()), Observing.of(bench.paletteProperty(), this::setPalette));
        setPalette(bench.palette());
    }

    private int places() {
        return StripPainter.places(Math.max(1, getWidth()));
    }

    /** Turns it on by some quotes; at an end it stays. */
    private void turn(int by) {
        board.touch();
        first = Math.max(0, Math.min(first + by, board.rows().rows().size() - places()));
        pointed = -1;
        hover.hide();
        redraw();
    }

    private Optional<BoardRow> rowAt(double x) {
        int row = first + StripPainter.placeAt(x, Math.max(1, getWidth()));
        List<BoardRow> rows = board.rows().rows();
        return row >= 0 && row < rows.size() ? Optional.of(rows.get(row)) : Optional.empty();
    }

    private void moved(MouseEvent event) {
        board.touch();
        pointed = first + StripPainter.placeAt(event.getX(), Math.max(1, getWidth()));
        rowAt(event.getX())
                .ifPresentOrElse(
                        row -> hover.show(
                                row.instrument(), board.words(row), this, event.getX(), StripPainter.HEIGHT + 4),
                        hover::hide);
        redraw();
    }

    private void pressed(MouseEvent event) {
        board.touch();
        hover.hide();
        if (menu != null) {
            menu.hide();
        }
        if (event.getButton() == MouseButton.PRIMARY) {
            rowAt(event.getX()).ifPresent(row -> bench.openChart(row.instrument()));
        }
    }

    private void pressed(KeyEvent event) {
        board.touch();
        switch (event.getCode()) {
            case LEFT -> step(-1);
            case RIGHT -> step(1);
            case ENTER -> board.rows().inHand().ifPresent(row -> bench.openChart(row.instrument()));
            default -> {
                return;
            }
        }
        event.consume();
    }

    private void step(int by) {
        board.rows().step(by);
        int place = board.rows().place();
        if (place < first || place >= first + places()) {
            turn(place < first ? place - first : place - first - places() + 1);
        }
        setAccessibleText(board.rows().inHand().map(board::words).orElse("Quotes"));
    }

    @Override
    protected void paint(double width, double height, Palette colours, Surface on) {
        List<BoardRow> rows = board.rows().rows();
        Instrument shown = bench.room().instrument().orElse(null);
        List<StripPainter.Quote> quotes = new ArrayList<>();
        first = Math.max(0, Math.min(first, rows.size() - places()));
        for (int at = first; at < Math.min(rows.size(), first + places()); at++) {
            Instrument instrument = rows.get(at).instrument();
            Quotes.Quote quote = board.quote(instrument.id()).orElse(null);
            boolean taken = isFocused() ? at == board.rows().place() : instrument.equals(shown);
            double change = quote == null ? Double.NaN : quote.change();
            quotes.add(new StripPainter.Quote(
                    instrument.code(),
                    quote == null ? "" : instrument.format().format(quote.last()),
                    Double.isNaN(change) ? "" : Readout.percent(change, 1),
                    Double.isNaN(change) ? 0 : (int) Math.signum(change),
                    quote == null ? 0 : quote.tick(),
                    taken,
                    at == pointed));
        }
        painter.paint(quotes, width, colours, on);
    }

    public void close() {
        hover.hide();
        heard.close();
    }
}
