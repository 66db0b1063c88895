/** The figures, one file each. */
package dev.yardarm.core.drawing.figure;
