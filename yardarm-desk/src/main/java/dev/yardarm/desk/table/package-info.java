/** Tables of a view: rows, the columns chosen and sorted by, and the row in hand. */
package dev.yardarm.desk.table;
