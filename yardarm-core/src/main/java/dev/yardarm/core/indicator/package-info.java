/**
 * Indicators: what they declare (settings, inputs, outputs, help) and how they compute, one file for each in the
 * catalogue below this package.
 */
package dev.yardarm.core.indicator;
