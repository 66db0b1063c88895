/** The quote board without a toolkit: its table, its strip and its wall of tiles, laid out and painted on a surface. */
package dev.yardarm.chart.board;
