/** Text files that people give one another. */
package dev.yardarm.data.text;
