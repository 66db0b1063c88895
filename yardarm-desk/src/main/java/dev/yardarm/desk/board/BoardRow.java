package dev.yardarm.desk.board;

import dev.yardarm.core.instrument.Instrument;

/**
 * An instrument on the board.
 *
 * @param list the group it stands in; an instrument of two lists stands in both
 */
public record BoardRow(Instrument instrument, String list) {}
