/** Random numbers told by keys. */
package dev.yardarm.market.chance;
