package dev.yardarm.desk.room.chart;

/** What has changed in the room. */
public enum Aspect {
    /** Instrument or timeframe: another chart. */
    CHART,
    /** Bars and computed values. */
    DATA,
    /** Which part is shown, and how bars and scales are drawn. */
    VIEW,
    /** Layers: indicators, drawings, plan, alerts. */
    LAYERS,
    SELECTION,
    TOOL,
    LIST,
    /** Its link colour. */
    LINK,
    /** Where the pointer of a linked chart is. */
    POINTER,
    /** The arrangement of charts, the layouts there are, or which of them is in front. */
    LAYOUT
}
