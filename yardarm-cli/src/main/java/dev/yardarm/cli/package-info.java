/** The command line tools: the same power without a window. */
package dev.yardarm.cli;
