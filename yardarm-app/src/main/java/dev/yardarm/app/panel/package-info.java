/** The panels beside and below the chart: lists, layers, timeframe strip. */
package dev.yardarm.app.panel;
