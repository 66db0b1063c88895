/** What came after earlier occurrences of a condition, against what came at all other times. */
package dev.yardarm.core.evidence;
