/**
 * Calls: conditional views of a market that watch themselves. What is expected once price goes somewhere, what proves it wrong, the rival
 * reading, until when; and how good such calls were.
 */
package dev.yardarm.core.call;
