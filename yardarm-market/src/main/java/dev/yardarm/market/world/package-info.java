/** The world file: the made-up economy that the simulated market is generated from. */
package dev.yardarm.market.world;
