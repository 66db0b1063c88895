/** The command line: what a typed line can mean, with completion. */
package dev.yardarm.desk.line;
