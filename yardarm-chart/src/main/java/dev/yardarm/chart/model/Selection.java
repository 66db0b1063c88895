package dev.yardarm.chart.model;

/** What is chosen on a chart. */
public sealed interface Selection {
    Selection NONE = new None();

    /** Nothing. */
    record None() implements Selection {
    }

    /** The bars themselves. */
    record Price() implements Selection {
    }

    record Indicator(String id) implements Selection {
    }

    record Drawing(String id) implements Selection {
    }

    record Plan() implements Selection {
    }
}
