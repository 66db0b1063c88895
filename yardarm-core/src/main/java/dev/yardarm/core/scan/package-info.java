/** Scans: conditions put to every instrument of a list. */
package dev.yardarm.core.scan;
