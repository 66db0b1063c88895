/** What can be charted: identity, price format and market of an instrument, and lists of them. */
package dev.yardarm.core.instrument;
