/** Waiting for price: alerts on drawings and conditions, and the watch that evaluates those on drawings tick by tick. */
package dev.yardarm.core.alert;
