/** The home folder: one program at a time writes there. */
package dev.yardarm.data.home;
