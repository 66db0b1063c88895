package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;

/**
 * Something that goes through bars and columns one bar after the other, for what neither a value of the bar alone nor a recursion
 * over columns can say: a detector, and what is read from what it has found.
 *
 * <p>Closed bars are taken once, in their order. The forming bar is asked for as often as it changes, and changes nothing of what
 * was. Used by one thread at a time.
 */
public interface Walk {
    /**
     * Takes the next closed bar.
     *
     * @param bars up to this one at least; later ones are not looked at
     * @param inputs the columns it reads, known up to this bar
     * @return its value at this bar
     */
    double closed(Bars bars, Column[] inputs, int bar);

    /** The value at the forming bar if it closed as it is. */
    double forming(Bars bars, Column[] inputs, int bar);
}
