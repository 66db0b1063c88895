/** What a chart shows and how: layers, panes, scales, selection, and what lies under a point. No toolkit. */
package dev.yardarm.chart.model;
