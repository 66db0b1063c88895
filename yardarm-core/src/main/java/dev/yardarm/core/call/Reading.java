package dev.yardarm.core.call;

/**
 * One reading of a call: beyond the trigger the target is expected, unless price goes beyond what proves it wrong.
 *
 * @param trigger price beyond which it holds
 * @param target price that is expected then
 * @param wrong price on the other side that proves it wrong
 * @param triggerAtClose true when a bar has to close beyond the trigger
 * @param wrongAtClose true when a bar has to close beyond what proves it wrong
 */
public record Reading(double trigger, double target, double wrong, boolean triggerAtClose, boolean wrongAtClose) {
    public Reading {
        if (!Double.isFinite(trigger) || !Double.isFinite(target) || !Double.isFinite(wrong)) {
            throw new IllegalArgumentException(
                    "a call needs three prices: its trigger, what it expects and what proves it wrong");
        }
        if (target == trigger) {
            throw new IllegalArgumentException("a call expects something beyond its trigger, not the trigger itself");
        }
        if ((target > trigger) == (wrong >= trigger)) {
            throw new IllegalArgumentException(
                    "what is expected and what proves it wrong lie on the same side of the trigger; "
                            + "above 104 expect 107, wrong below 102 has them on both");
        }
    }

    /** 1 when it expects higher prices, -1 when lower ones. */
    public int way() {
        return target > trigger ? 1 : -1;
    }

    /**
     * The odds that the distances imply: how often a price that goes up as readily as down gets from where it stands to the target before
     * it gets to what proves the call wrong.
     *
     * @return from 0 to 1; Louis Bachelier, Theorie de la speculation (1900), as the ruin problem
     */
    public double odds(double price) {
        double gain = Math.abs(target - price);
        double loss = Math.abs(price - wrong);
        boolean between = way() * (target - price) > 0 && way() * (price - wrong) > 0;
        return between ? loss / (gain + loss) : way() * (price - target) >= 0 ? 1 : 0;
    }

    /** The same reading with prices moved by an adjustment. */
    Reading in(java.util.function.DoubleUnaryOperator prices) {
        return new Reading(
                prices.applyAsDouble(trigger),
                prices.applyAsDouble(target),
                prices.applyAsDouble(wrong),
                triggerAtClose,
                wrongAtClose);
    }
}
