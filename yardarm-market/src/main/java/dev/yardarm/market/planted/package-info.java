/** Structures that are planted in made prices, with the truth about them. */
package dev.yardarm.market.planted;
