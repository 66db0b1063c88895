/** The quote board: which instruments in which groups, its columns, values that take time, and the order that stands still under a hand. */
package dev.yardarm.desk.board;
