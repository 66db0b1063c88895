package dev.yardarm.core.structure;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.series.Column;
import java.util.List;

/**
 * What a detector reads beside the bars: a column, and what the detectors it {@linkplain Detector#restsOn() rests on} have found as far as
 * it was known at the bar in hand. One that others rest on works once in a graph, whoever asks for its findings.
 *
 * <pre>{@code
 * for (; place < given.entries(0); place++) {
 *     read(given.entry(0, place));
 * }
 * }</pre>
 *
 * <p>Used by the thread of its graph. Cost: a number a bar for each of the others.
 */
public final class Given {
    private final Column source;
    private final List<Detected> others;
    private final FindingLog[] logs;
    private final int[] entries;

    Given(Column source, List<Detected> others) {
        this.source = source;
        this.others = others;
        this.logs = new FindingLog[others.size()];
        this.entries = new int[others.size()];
    }

    /** The column it reads; null for a detector that reads none. */
    public Column source() {
        return source;
    }

    /**
     * How many entries of one of the others were known at the close of the bar in hand.
     *
     * @param which its place among those rested on
     */
    public int entries(int which) {
        return entries[which];
    }

    /** One of those entries, by its place from 0 on. */
    public FindingLog.Standing entry(int which, int place) {
        return logs[which].entry(place);
    }

    /** The state one of them tells of, for those who need no more of most. */
    public Finding.State state(int which, int place) {
        return logs[which].state(place);
    }

    /** The number of the finding one of them is about. */
    public int number(int which, int place) {
        return logs[which].number(place);
    }

    /** How many entries there are beside each bar, for each of the others. */
    List<ColumnGraph.Node> nodes() {
        return others.stream().map(Detected::entries).toList();
    }

    /** The others have begun anew, or the next bar is a closed one. */
    void begin() {
        for (int which = 0; which < logs.length; which++) {
            logs[which] = others.get(which).log();
        }
    }

    /** A closed bar is at hand. */
    void closed(Column[] inputs, int bar) {
        for (int which = 0; which < logs.length; which++) {
            entries[which] = (int) inputs[inputs.length - logs.length + which].at(bar);
        }
    }

    /** The forming bar is at hand, of which the others have said what they can. */
    void forming() {
        for (int which = 0; which < logs.length; which++) {
            logs[which] = others.get(which).now();
            entries[which] = logs[which].size();
        }
    }
}
