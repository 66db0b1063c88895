/** A moment and what was known then: where charts, scans, alerts and commands look from. */
package dev.yardarm.core.vantage;
