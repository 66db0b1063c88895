/** What the user makes, kept as JSON files that are never lost: workspace, tracings, lists, stances, alerts, plans. */
package dev.yardarm.data.document;
