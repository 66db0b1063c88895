/** Being told of changes, and not being told any more. */
package dev.yardarm.desk.listening;
