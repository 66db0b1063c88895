/** Structure found by detectors, and from when on it was known. */
package dev.yardarm.core.structure;
