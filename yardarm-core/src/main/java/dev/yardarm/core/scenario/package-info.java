/** Scenarios: rival readings of one instrument with their probabilities, what strikes them out, and what would decide between them. */
package dev.yardarm.core.scenario;
