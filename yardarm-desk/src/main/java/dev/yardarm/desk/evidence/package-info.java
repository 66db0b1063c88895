/** Looks through histories for what came after occurrences of a condition. */
package dev.yardarm.desk.evidence;
