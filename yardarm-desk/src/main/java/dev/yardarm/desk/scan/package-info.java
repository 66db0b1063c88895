/** Runs scans over lists of instruments. */
package dev.yardarm.desk.scan;
