package dev.yardarm.chart.board;

import dev.yardarm.chart.surface.Palette.Role;

/** What stands in one place of the board. */
public sealed interface Cell {
    /** Nothing. */
    Cell EMPTY = new Words("", Role.INK, false);

    /**
     * A text.
     *
     * @param right true when it stands at the right, as numbers do
     */
    record Words(String text, Role role, boolean right) implements Cell {}

    /**
     * The way of the last change of price: a wedge that points up or down, hollow for up and filled for down.
     *
     * @param way 1, -1, or 0 for none yet
     */
    record Tick(int way) implements Cell {}

    /**
     * The prices of a day on one line: a rail from low to high, a peg at the open, a body from there to the last price.
     *
     * @param low of the day; all are NaN when there is none
     */
    record Range(double low, double high, double open, double last) implements Cell {}

    /**
     * A course of closes, the newest at the right.
     *
     * @param closes of the sessions before; not changed any more
     * @param last the price of now, behind them
     */
    record Course(double[] closes, double last) implements Cell {}
}
