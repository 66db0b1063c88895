/**
 * Waiting for price: what an alert waits on, how and on what terms, the sentence it is written in, and the watch that follows it trade by
 * trade.
 */
package dev.yardarm.core.alert;
