package dev.yardarm.desk.table;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;

/**
 * What the chart beside a table shows of the row in hand.
 *
 * @param drawing id of the drawing the row is about; empty for none
 * @param until the moment at the right edge, microseconds UTC; 0 for the newest bars
 */
public record Subject(Instrument instrument, BarRequest request, String drawing, long until) {
    /** With the newest bars. */
    public Subject(Instrument instrument, BarRequest request, String drawing) {
        this(instrument, request, drawing, 0);
    }
}
