package dev.yardarm.desk.room.layout;

import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One arrangement of charts: a tab, or a window of its own. Each chart has a number, by which the arrangement names it.
 * Changed through {@link Layouts}.
 */
public final class Layout {
    private String title;
    private Arrangement arrangement;
    private final Map<Integer, ChartRoom> charts = new LinkedHashMap<>();
    private int active;
    private int maximised = -1;
    private boolean ownWindow;

    Layout(String title, Arrangement arrangement) {
        this.title = title;
        this.arrangement = arrangement;
        this.active = arrangement.charts().get(0);
    }

    public String title() {
        return title;
    }

    void setTitle(String text) {
        title = text;
    }

    public Arrangement arrangement() {
        return arrangement;
    }

    void setArrangement(Arrangement changed) {
        arrangement = changed;
        if (!arrangement.charts().contains(active)) {
            active = arrangement.charts().get(0);
        }
        if (!arrangement.charts().contains(maximised)) {
            maximised = -1;
        }
    }

    /** The chart of a number. */
    public ChartRoom chart(int number) {
        return charts.get(number);
    }

    void put(int number, ChartRoom chart) {
        charts.put(number, chart);
    }

    ChartRoom remove(int number) {
        return charts.remove(number);
    }

    /** The charts in the order they are read. */
    public List<ChartRoom> charts() {
        List<ChartRoom> ordered = new ArrayList<>();
        arrangement.charts().forEach(number -> ordered.add(charts.get(number)));
        return ordered;
    }

    /** The charts that show and those put away, which undo may bring back. */
    List<ChartRoom> everyChart() {
        return List.copyOf(charts.values());
    }

    public Optional<Integer> numberOf(ChartRoom chart) {
        return charts.entrySet().stream()
                .filter(entry -> entry.getValue() == chart)
                .map(Map.Entry::getKey)
                .findFirst();
    }

    int freeNumber() {
        int number = 0;
        while (charts.containsKey(number)) {
            number++;
        }
        return number;
    }

    public ChartRoom active() {
        return charts.get(active);
    }

    void setActive(int number) {
        active = number;
    }

    /** The chart that has the layout to itself; empty when all show. */
    public Optional<ChartRoom> maximised() {
        return Optional.ofNullable(charts.get(maximised));
    }

    int maximisedNumber() {
        return maximised;
    }

    void setMaximised(int number) {
        maximised = number;
    }

    /** True for a window of its own. */
    public boolean hasOwnWindow() {
        return ownWindow;
    }

    void setOwnWindow(boolean own) {
        ownWindow = own;
    }
}
