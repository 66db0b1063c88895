package dev.yardarm.desk.evidence;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.evidence.Question;

/**
 * All that a result follows from, together with the instruments and their histories: the same recipe gives the same figures to the last
 * digit.
 *
 * @param condition a formula that yields yes or no
 */
public record Recipe(String condition, Timeframe timeframe, Question question) {}
