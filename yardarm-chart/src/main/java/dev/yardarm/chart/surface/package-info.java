/** What charts are drawn on: a surface that takes batches from arrays, and the palette of a theme. */
package dev.yardarm.chart.surface;
