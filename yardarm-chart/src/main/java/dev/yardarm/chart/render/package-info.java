/** Draws a chart model on a surface. Only what is visible is drawn; the cost of a frame follows pixels, not bars. */
package dev.yardarm.chart.render;
