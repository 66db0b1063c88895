package dev.yardarm.chart.board;

import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import java.util.List;

/** Paints a board as a strip of one line: as many quotes as there is room for, none of them cut; it stands still until it is turned on. */
public final class StripPainter {
    /** Width of one quote, in pixels. */
    public static final double PLACE = 148;

    public static final double HEIGHT = 26;

    private final CellPainter cells = new CellPainter();

    /**
     * One quote.
     *
     * @param change in words with its sign, such as {@code +1.2 %}
     * @param way of the day: 1, -1 or 0
     * @param tick way of the last change of price
     */
    public record Quote(String code, String last, String change, int way, int tick, boolean chosen, boolean pointed) {}

    /** How many quotes there is room for. */
    public static int places(double width) {
        return Math.max(1, (int) (width / PLACE));
    }

    /** Number of the quote at an x. */
    public static int placeAt(double x, double width) {
        return (int) (x / (width / places(width)));
    }

    /** @param quotes those that are to be seen, no more than there is room for */
    public void paint(List<Quote> quotes, double width, Palette palette, Surface surface) {
        cells.rectangle(0, 0, width, HEIGHT, palette.of(Role.PANEL), surface);
        double room = width / places(width);
        double middle = HEIGHT / 2;
        double x = 0;
        for (Quote quote : quotes) {
            if (quote.chosen() || quote.pointed()) {
                cells.rectangle(x, 0, room, HEIGHT, palette.of(Role.CHOSEN), surface);
            }
            if (quote.chosen()) {
                cells.rectangle(x, 0, 2, HEIGHT, palette.of(Role.INK), surface);
            }
            surface.text(
                    cells.shortened(quote.code(), 46, surface),
                    x + CellPainter.PAD,
                    middle,
                    Type.STRONG,
                    Align.LEFT,
                    palette.of(Role.INK));
            surface.text(
                    quote.change(),
                    x + room - CellPainter.PAD,
                    middle,
                    Type.SMALL,
                    Align.RIGHT,
                    palette.of(quote.way() == 0 ? Role.SOFT : quote.way() > 0 ? Role.RISE : Role.FALL_TEXT));
            double changeWidth = surface.textWidth("+00.0 %", Type.SMALL);
            surface.text(
                    quote.last(),
                    x + room - CellPainter.PAD - changeWidth - 4,
                    middle,
                    Type.BASE,
                    Align.RIGHT,
                    palette.of(Role.INK));
            x += room;
            cells.rectangle(
                    surface.snap(x) - surface.hairline(),
                    5,
                    surface.hairline(),
                    HEIGHT - 10,
                    palette.of(Role.RULE),
                    surface);
        }
    }
}
