package dev.yardarm.market.feed;

import java.util.ArrayList;
import java.util.List;

/**
 * Faults of the line one after the other, a line of text for each: how long after the beginning it comes, and what it is.
 *
 * <pre>{@code
 * # minute of the script: fault
 * 1m   delay 20s for 10m
 * 15m  cut for 5m
 * 25m  lose for 2m fill after 10m
 * 30m  reorder 3s for 5m
 * 30m  double for 5m
 * }</pre>
 */
public final class FeedScript {
    private FeedScript() {}

    /**
     * Reads a script.
     *
     * @param begin the moment it begins, microseconds UTC
     * @throws IllegalArgumentException with the line and what was expected
     */
    public static List<FeedFault> parse(String text, long begin) {
        List<FeedFault> faults = new ArrayList<>();
        String[] lines = text.split("\\R", -1);
        for (int number = 1; number <= lines.length; number++) {
            String line = lines[number - 1].replaceFirst("#.*", "").strip();
            if (line.isEmpty()) {
                continue;
            }
            String[] parts = line.split("\\s+", 2);
            try {
                if (parts.length < 2) {
                    throw new IllegalArgumentException("write when and what, such as 15m cut for 5m");
                }
                faults.add(FeedFault.parse(parts[1], begin + FeedFault.span(parts[0])));
            } catch (IllegalArgumentException bad) {
                throw new IllegalArgumentException("line " + number + ": " + bad.getMessage(), bad);
            }
        }
        return List.copyOf(faults);
    }
}
