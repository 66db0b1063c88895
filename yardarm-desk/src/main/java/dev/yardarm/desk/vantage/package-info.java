/**
 * Looking at instruments from a moment: their bars, the instruments beside them, sides of trades and drawings as known then, and
 * how they go on when the moment is now. Charts, scans, cards, alerts and commands all look through here.
 */
package dev.yardarm.desk.vantage;
