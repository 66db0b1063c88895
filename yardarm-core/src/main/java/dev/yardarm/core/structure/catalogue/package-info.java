/** The detectors, one file each. */
package dev.yardarm.core.structure.catalogue;
