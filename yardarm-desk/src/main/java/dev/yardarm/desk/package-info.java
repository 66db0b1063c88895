/** The desk: everything behind the window, put together. */
package dev.yardarm.desk;
