/** Timeframes, the calendar grid their bars lie on, and the building of bars from shorter bars and ticks. */
package dev.yardarm.core.bars;
