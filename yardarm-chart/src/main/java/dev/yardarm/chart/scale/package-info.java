/** From price and time to pixels and back, the marks of axes, and the extremes of what a pixel covers. */
package dev.yardarm.chart.scale;
