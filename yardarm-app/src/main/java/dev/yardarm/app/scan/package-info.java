/** The parts a scan is built with: rows of a condition, fields with proposals, the choice of a universe. */
package dev.yardarm.app.scan;
