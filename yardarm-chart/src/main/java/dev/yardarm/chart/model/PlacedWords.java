package dev.yardarm.chart.model;

import dev.yardarm.chart.label.Box;
import java.util.List;

/**
 * Where a text of the chart stands since it was painted last.
 *
 * @param owner id of the drawing it belongs to; empty for none
 * @param counted the texts it stands for, when it is the number of those that had no place
 */
public record PlacedWords(String owner, List<String> counted, Box box) {
    public PlacedWords {
        counted = List.copyOf(counted);
    }
}
