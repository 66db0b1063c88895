/**
 * The generator of histories: factors, daily bars of companies, their minutes and trades, and the indices. Everything
 * follows from the world file and a seed; any day of any instrument can be made alone.
 */
package dev.yardarm.market.generator;
