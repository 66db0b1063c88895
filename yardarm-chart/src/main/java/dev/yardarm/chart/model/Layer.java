package dev.yardarm.chart.model;

/**
 * One thing on a chart, listed among its layers. A closed choice: what can be done with each kind stands in one table in each
 * module that does something with layers - painting and reading out, finding under the pointer, changing, writing, editing - and
 * a test asks each table for every kind. Nobody else asks what kind a layer is.
 */
public sealed interface Layer
        permits BarsLayer, VolumeLayer, IndicatorLayer, UnknownLayer, DrawingLayer, PlanLayer, ScenarioLayer {
    /** Tells it apart on its chart. */
    String id();

    /** What is chosen when it is. */
    default Selection selection() {
        return new Selection.Layer(id());
    }
}
