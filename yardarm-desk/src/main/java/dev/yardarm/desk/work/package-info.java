/** Work off the interface's thread: one scheduler, progress, cancelling, the newer request replacing the older. */
package dev.yardarm.desk.work;
