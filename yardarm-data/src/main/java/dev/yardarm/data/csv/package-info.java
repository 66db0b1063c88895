/** Bar files as CSV: reading with every fault told by file, line and column, and writing. */
package dev.yardarm.data.csv;
