/** The instruments there are, their histories, and the clock of the simulated market. */
package dev.yardarm.desk.market;
