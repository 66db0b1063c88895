package dev.yardarm.core.structure;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * How often findings of a kind were right where the truth was known: on structures planted in simulated bars, as measured by {@code
 * yardarm-bench/run detectors}; the same figures stand in {@code docs/detectors.md}, which a test compares.
 *
 * @param clear how it did on clear ones
 * @param middling on middling ones
 * @param faint on faint ones
 * @param onWalks confirmed findings per 1,000 bars of walks in which there is nothing
 */
public record Reliability(Rate clear, Rate middling, Rate faint, double onWalks) {
    /**
     * How it did on one clarity.
     *
     * @param recall share of the planted ones that were found
     * @param precision share of what was found that had been planted
     * @param delay bars from when it could be known, on average
     */
    public record Rate(double recall, double precision, double delay) {}

    /** Kind, then recall, precision and delay of clear, middling and faint ones, then false ones on walks. */
    private static final String TABLE =
            """
            accumulation 0.96 0.98 0.0 0.74 0.99 0.0 0.44 0.97 0.2 0.35
            ascending_triangle 0.97 0.89 1.6 0.73 0.84 1.5 0.44 0.69 2.2 0.68
            bear_flag 0.93 0.87 -0.0 0.70 0.83 -0.0 0.52 0.76 0.1 0.18
            bull_flag 0.93 0.82 0.0 0.71 0.78 0.0 0.43 0.63 0.0 0.23
            descending_triangle 0.97 0.93 1.7 0.73 0.89 2.0 0.39 0.75 2.1 0.68
            distribution 0.94 0.98 0.0 0.78 0.99 0.0 0.38 0.92 0.1 0.42
            double_bottom 0.99 0.86 0.0 0.96 0.85 0.0 0.81 0.81 0.1 1.79
            double_top 0.99 0.83 0.0 0.94 0.83 0.0 0.82 0.81 0.1 1.69
            falling_wedge 0.90 0.85 2.3 0.71 0.81 2.6 0.42 0.64 2.7 1.63
            head_shoulders 0.99 0.93 0.0 0.90 0.88 0.1 0.61 0.78 0.8 1.07
            impulse 0.92 0.86 0.6 0.83 0.83 1.4 0.60 0.73 2.6 0.92
            inverse_head_shoulders 0.99 0.87 0.0 0.88 0.86 0.2 0.55 0.84 0.4 0.99
            pennant 0.93 0.85 -0.0 0.71 0.74 -0.0 0.42 0.64 -0.3 0.44
            rectangle 0.97 0.94 0.9 0.84 0.92 1.0 0.63 0.91 1.1 0.62
            rising_wedge 0.94 0.83 1.9 0.75 0.77 1.8 0.41 0.56 2.1 1.43
            symmetrical_triangle 0.99 0.91 1.7 0.97 0.90 1.7 0.81 0.82 2.0 0.98
            triple_bottom 1.00 0.92 0.2 0.99 0.93 0.5 0.86 0.90 0.6 0.88
            triple_top 1.00 0.93 0.2 0.97 0.95 0.4 0.84 0.90 0.9 0.85
            """;

    private static final Map<String, Reliability> ALL = read();

    private static Map<String, Reliability> read() {
        Map<String, Reliability> all = new HashMap<>();
        TABLE.lines().map(line -> line.split(" ")).forEach(words -> {
            Rate[] rates = new Rate[3];
            for (int clarity = 0; clarity < 3; clarity++) {
                int at = 1 + 3 * clarity;
                rates[clarity] = new Rate(
                        Double.parseDouble(words[at]),
                        Double.parseDouble(words[at + 1]),
                        Double.parseDouble(words[at + 2]));
            }
            all.put(words[0], new Reliability(rates[0], rates[1], rates[2], Double.parseDouble(words[10])));
        });
        return Map.copyOf(all);
    }

    /** What was measured of a kind of finding, on whatever degree; empty for what follows from its rule alone. */
    public static Optional<Reliability> of(String kind) {
        return Optional.ofNullable(ALL.get(kind.replaceFirst("_\\d$", "")));
    }

    /** What is to be said of a kind in any case: how often it was right, or that it follows from its rule alone. */
    public static String wordsOf(String kind) {
        return of(kind).map(Reliability::words)
                .orElse("It is found whenever its rule holds; how often it helps is for evidence to tell.");
    }

    /** The lines of the table for a detector, one a kind that was measured, as short as can be; empty when none was. */
    public static String table(Detector detector) {
        StringBuilder lines = new StringBuilder();
        for (Detector.Kind kind : detector.kinds()) {
            // Of a larger degree it is as often right as of the smallest.
            Optional.ofNullable(ALL.get(kind.name()))
                    .ifPresent(its -> lines.append(String.format(
                            Locale.ROOT,
                            "%n%s: found %.0f %% of clear, %.0f %% of middling; right %.0f %%, %.0f %%; %.1f in 1,000 bars of walks",
                            kind.title(),
                            100 * its.clear.recall(),
                            100 * its.middling.recall(),
                            100 * its.clear.precision(),
                            100 * its.middling.precision(),
                            its.onWalks)));
        }
        return lines.isEmpty() ? "" : "How often it is right, on planted ones" + lines;
    }

    /** In a sentence for people. */
    public String words() {
        return String.format(
                Locale.ROOT,
                "Of planted ones found: %.0f %% of the clear, %.0f %% of the middling. Of those found right: %.0f %% and %.0f %%. On plain "
                        + "walks %.1f are found in 1,000 bars all the same.",
                100 * clear.recall(),
                100 * middling.recall(),
                100 * clear.precision(),
                100 * middling.precision(),
                onWalks);
    }
}
