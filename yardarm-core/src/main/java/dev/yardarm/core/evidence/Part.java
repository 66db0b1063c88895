package dev.yardarm.core.evidence;

/**
 * Figures of a part of the occurrences.
 *
 * @param name year, regime, group or hour
 * @param counts for each horizon
 * @param means for each horizon
 * @param gains share that gained, for each horizon
 */
public record Part(String name, int[] counts, double[] means, double[] gains) {}
