package dev.yardarm.core.structure;

/**
 * A finding as it stands, for whoever paints it.
 *
 * @param before the finding noted last before it to which it {@linkplain Detector#follows belongs}; null for none
 * @param state how it stands
 * @param breaks how often it was broken
 * @param end the open of the bar at which nothing more could come of it; {@link Long#MAX_VALUE} while it stands
 */
public record Sight(Finding finding, Finding before, Finding.State state, int breaks, long end) {}
