/** Where the texts of a chart stand, so that no two of them overlap. */
package dev.yardarm.chart.label;
