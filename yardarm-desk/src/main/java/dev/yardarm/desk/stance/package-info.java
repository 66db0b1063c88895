/** Stances: what was decided for each instrument, over time. */
package dev.yardarm.desk.stance;
