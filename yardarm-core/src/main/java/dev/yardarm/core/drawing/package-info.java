/** What a trader draws: levels and lines kept in time and price, with one value at one moment on every timeframe. */
package dev.yardarm.core.drawing;
