/**
 * One chart and what is done on it, without a toolkit: instrument, make-up, indicators, drawings, layers, panes, rounds through
 * a list. Knows nothing of other charts.
 */
package dev.yardarm.desk.room.chart;
