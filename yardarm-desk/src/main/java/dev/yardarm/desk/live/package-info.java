/** The live market: one heartbeat that hands slices of trades to whoever subscribed. */
package dev.yardarm.desk.live;
