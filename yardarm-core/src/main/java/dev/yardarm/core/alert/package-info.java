/** Waiting for price: alerts on drawings, and the watch that evaluates them tick by tick. */
package dev.yardarm.core.alert;
