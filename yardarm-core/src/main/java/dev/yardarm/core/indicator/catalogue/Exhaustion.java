package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Exhaustion count. Setup of a decline: consecutive bars that close below the close four bars before; with flip needed
 * its first comes right after a close that was not. Its extreme is reached when the low of the last or the one before is at or below
 * the lows of the two before those. After a complete setup a countdown takes each bar, not needing to be consecutive,
 * that closes (rule reach: whose low is) at or below the low two bars before; with qualify needed the last bar's low
 * must also be at or below the close of the eighth. A complete setup the other way ends it; with opposite_or_range
 * also a low above the highest high of the setup. Of an advance everything the other way round. A new setup in the
 * same direction leaves a running countdown as it is. With flip free the first bars of the data may begin a setup
 * though the close before the first comparison is not known; later on a run always begins after a close that was not.
 * The count of a run stays at that of a full setup; the bar that completes a setup may be the first of its countdown.
 * O(1) a bar.
 */
public final class Exhaustion extends Declared {
    public Exhaustion() {
        super(Family.TREND, "exhaustion", "Exhaustion count");
        also("setup", "countdown", "nine", "thirteen", "trend exhaustion");
        whole("setup", "Bars of a setup", 9, 4, 30);
        whole("countdown", "Bars of a countdown", 13, 4, 50);
        choice("flip", "Setup begins with a price flip", "needed", "free");
        choice("rule", "Countdown compares", "close", "reach");
        choice("qualify", "Last bar beyond the eighth", "needed", "free");
        choice("cancel", "Countdown ends with", "opposite", "opposite_or_range");
        bounded(-14, 14, 9.0, 13.0, -9.0, -13.0);
        output("setup_up", "Setup of an advance", Form.COLUMNS);
        output("setup_down", "Setup of a decline, below zero", Form.COLUMNS);
        output("count_up", "Countdown of an advance", Form.STEPS);
        output("count_down", "Countdown of a decline, below zero", Form.STEPS);
        cue("setup_high", "Setup of an advance complete");
        cue("setup_low", "Setup of a decline complete");
        cue("perfect_high", "The same, with the extreme high reached");
        cue("perfect_low", "The same, with the extreme low reached");
        cue("countdown_high", "Countdown of an advance complete");
        cue("countdown_low", "Countdown of a decline complete");
        help(
                "Counts how long a move has gone on without a rest: nine bars make a setup, thirteen more a "
                        + "countdown, after which a move is often tired.",
                "Setup of a decline: consecutive bars that close below the close four bars before; with flip "
                        + "needed its first comes right after a close that was not. Its extreme is reached when the low of the last "
                        + "or the one before is at or below the lows of the two before those. After a complete "
                        + "setup a countdown takes each bar, not needing to be consecutive, that closes (rule "
                        + "reach: whose low is) at or below the low two bars before; with qualify needed the last "
                        + "bar's low must also be at or below the close of the eighth. A complete setup the other "
                        + "way ends it; with opposite_or_range also a low above the highest high of the setup. Of "
                        + "an advance everything the other way round. A new setup in the same direction leaves a "
                        + "running countdown as it is. "
                        + "With flip free the first bars of the data may begin a setup though the close before the "
                        + "first comparison is not known; later on a run always begins after a close that was not. "
                        + "The count of a run stays at that of a full setup; the bar that completes a setup may be "
                        + "the first of its countdown.",
                "A finished setup warns of a pause of some bars, a finished countdown of a turn; both want a "
                        + "trigger by price.",
                "In a strong trend several setups come one after the other.",
                "Thomas R. DeMark, The New Science of Technical Analysis (1994), and its published variants.");
    }

    @Override
    public void build(Recipe r) {
        ExhaustionCount.Rules rules = new ExhaustionCount.Rules(
                r.whole("setup"),
                r.whole("countdown"),
                r.is("flip", "needed"),
                r.is("rule", "reach"),
                r.is("qualify", "needed"),
                r.is("cancel", "opposite_or_range"));
        r.out(r.steps(
                "count",
                0,
                ExhaustionCount.STATE,
                10,
                new ExhaustionCount(rules),
                r.close(),
                r.high(),
                r.low(),
                r.back(r.close(), 4),
                r.back(r.high(), 2),
                r.back(r.low(), 2),
                r.back(r.high(), 1),
                r.back(r.low(), 1),
                r.back(r.high(), 3),
                r.back(r.low(), 3)));
    }
}
