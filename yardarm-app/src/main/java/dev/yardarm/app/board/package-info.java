/** The quote board in the window: as a table, a strip and a wall of tiles, and the chart that shows under the pointer. */
package dev.yardarm.app.board;
