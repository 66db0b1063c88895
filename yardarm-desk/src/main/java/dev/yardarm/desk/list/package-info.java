/** Making and changing lists of instruments. */
package dev.yardarm.desk.list;
