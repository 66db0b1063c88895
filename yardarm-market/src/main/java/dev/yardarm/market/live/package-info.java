/** The simulated market as a source of history and live trades. */
package dev.yardarm.market.live;
