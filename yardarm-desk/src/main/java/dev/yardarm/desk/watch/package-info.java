/** The state of the view Watch. */
package dev.yardarm.desk.watch;
