/** Turns presses, drags, wheels and keys on a chart into moves of the view and edits of what is on it. */
package dev.yardarm.chart.gesture;
