/**
 * Charts side by side: the layouts, how their panes are arranged, what follows from one chart to the others, and the workspace's
 * document that keeps them from one day to the next.
 */
package dev.yardarm.desk.room.layout;
