package dev.yardarm.chart.plot;

import dev.yardarm.chart.label.Box;

/**
 * What lies under a point of a plot.
 *
 * @param text name and values, in the words of the axes
 * @param box around it
 */
public record PlotReadout(String text, Box box) {}
