/** The typeface that ships with the application, for windows, pictures and printed pages alike. */
package dev.yardarm.chart.font;
