/** Runs the waiting alerts against the live market. */
package dev.yardarm.desk.alert;
