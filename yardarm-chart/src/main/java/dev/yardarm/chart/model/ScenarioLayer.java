package dev.yardarm.chart.model;

import java.util.List;

/** The scenarios of the instrument side by side: faint paths ahead with their targets. */
public record ScenarioLayer(List<ScenarioMark> marks) implements Layer {
    public static final String ID = "scenarios";

    public ScenarioLayer {
        marks = List.copyOf(marks);
    }

    @Override
    public String id() {
        return ID;
    }
}
