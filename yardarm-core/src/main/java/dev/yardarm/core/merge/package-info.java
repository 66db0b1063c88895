/** Bringing together changes that were made apart. */
package dev.yardarm.core.merge;
