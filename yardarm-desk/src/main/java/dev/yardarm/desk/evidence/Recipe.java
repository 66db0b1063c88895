package dev.yardarm.desk.evidence;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.evidence.Question;

/**
 * All that a result follows from, together with the instruments and their histories: the same recipe gives the same figures to the last
 * digit.
 *
 * @param condition a formula that yields yes or no
 * @param heldBack the newest part of the history that is not looked at, from 0 to 0.9; 0 looks at all of it
 */
public record Recipe(String condition, Timeframe timeframe, Question question, double heldBack) {
    public Recipe {
        if (!(heldBack >= 0 && heldBack <= 0.9)) {
            throw new IllegalArgumentException("a part of the history is held back, from 0 to 0.9, not " + heldBack);
        }
    }

    /** Over the whole history. */
    public Recipe(String condition, Timeframe timeframe, Question question) {
        this(condition, timeframe, question, 0);
    }
}
