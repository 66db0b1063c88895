package dev.yardarm.chart.model;

import dev.yardarm.core.structure.AgreementMap;
import java.util.List;

/** What lies under a point of a chart. */
public sealed interface Hit {
    /** The price axis, beside a pane. */
    record PriceAxis(Pane pane) implements Hit {}

    /** The tag of a level at the price axis. */
    record OnTag(String drawing) implements Hit {}

    record TimeAxisStrip() implements Hit {}

    /** A drawing; {@code anchor} is the number of the end under the point, -1 for the line itself. */
    record OnDrawing(String id, int anchor) implements Hit {}

    /** Something a detector has found. */
    record OnFinding(String id) implements Hit {}

    record OnBracket(BracketLayout.Arm arm) implements Hit {}

    record OnIndicator(String id) implements Hit {}

    /** The bars themselves. */
    record OnPrice(int bar) implements Hit {}

    /** The line between a pane and the one above it. */
    record PaneEdge(String lower) implements Hit {}

    /** A mark of events above the time axis. */
    record OnMark(MarkPlace place) implements Hit {}

    /** The number of texts that had no place. */
    record OnCount(PlacedWords words) implements Hit {}

    /**
     * The strip of agreement, where something lies.
     *
     * @param zone what agrees there; null where fewer lie than make one
     * @param marks what lies there, from low to high
     */
    record OnAgreement(AgreementMap.Zone zone, List<AgreementMap.Mark> marks) implements Hit {}

    /** A pane, with nothing under the point. */
    record OnPane(Pane pane) implements Hit {}

    record Nothing() implements Hit {}
}
