/** What the user makes, in memory and saved as it changes: tracings, lists, stances, alerts, plans, scans. */
package dev.yardarm.desk.book;
