/** The live market: one heartbeat that hands trades to whoever wants them, and the feeds of charts and quotes. */
package dev.yardarm.desk.live;
