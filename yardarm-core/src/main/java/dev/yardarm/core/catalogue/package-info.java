/** Finds what stands in a package, so that a catalogue needs no list that could be forgotten. */
package dev.yardarm.core.catalogue;
