/** Where bars come from: history up to a stated time, and live trades after it. */
package dev.yardarm.core.source;
