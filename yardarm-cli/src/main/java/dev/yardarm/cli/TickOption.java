package dev.yardarm.cli;

import picocli.CommandLine.Option;

/** How large the smallest step of a price is. */
final class TickOption {
    @Option(
            names = "--tick",
            paramLabel = "SIZE",
            defaultValue = "0.01",
            description = "smallest step of the price, in which margins, ranges, bricks and boxes are counted; "
                    + "${DEFAULT-VALUE} unless told otherwise")
    private double tick;

    /** The step; above zero. */
    double tick() throws WrongUsageException {
        if (!(tick > 0) || Double.isInfinite(tick)) {
            throw new WrongUsageException("--tick must be above zero, not " + tick);
        }
        return tick;
    }
}
