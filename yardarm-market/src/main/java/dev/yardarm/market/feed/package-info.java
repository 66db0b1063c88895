/** The line between the simulated exchange and the application: messages that can be cut off, late, doubled, out of order, lost and filled in. */
package dev.yardarm.market.feed;
