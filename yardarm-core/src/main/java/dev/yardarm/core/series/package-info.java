/** Columns of prices: the growing bar series with its forming bar, and the snapshots readers work on. */
package dev.yardarm.core.series;
