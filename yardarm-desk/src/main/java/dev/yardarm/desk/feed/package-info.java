/** Feeds of what the interface shows: charts and quotes, computed off its thread and handed over to it. */
package dev.yardarm.desk.feed;
