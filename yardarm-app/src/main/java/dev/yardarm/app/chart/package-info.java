/** The chart in the window: the JavaFX surface and the control around the chart model. */
package dev.yardarm.app.chart;
