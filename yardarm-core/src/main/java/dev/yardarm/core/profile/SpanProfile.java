package dev.yardarm.core.profile;

/**
 * The profile of a span of bars, whole or as it stands. Does not change.
 *
 * @param from open of its first bar, microseconds
 * @param to close of its last bar so far
 * @param rows volume by price; only read
 * @param area point of control and value area
 * @param estimated true when a bar of it had to be spread over its prices
 */
public record SpanProfile(long from, long to, PriceRows rows, ValueArea area, boolean estimated) {}
