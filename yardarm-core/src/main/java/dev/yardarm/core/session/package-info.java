/** When an exchange trades: sessions in its own time zone, holidays, and the order of sessions. */
package dev.yardarm.core.session;
