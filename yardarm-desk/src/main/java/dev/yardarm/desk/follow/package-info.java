/** Following what is traded since a moment: what was missed first, then live, in prices of now. */
package dev.yardarm.desk.follow;
