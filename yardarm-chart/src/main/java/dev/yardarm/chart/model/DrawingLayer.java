package dev.yardarm.chart.model;

import dev.yardarm.core.drawing.Drawing;

/** A drawing of the instrument; several can be chosen together. */
public record DrawingLayer(Drawing drawing) implements Layer {
    @Override
    public String id() {
        return drawing.id();
    }

    @Override
    public Selection selection() {
        return new Selection.Drawing(drawing.id());
    }
}
