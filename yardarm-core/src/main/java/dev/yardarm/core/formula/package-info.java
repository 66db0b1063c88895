/** The formula language: parsing with errors a trader can act on, checking, and compiling to columns. */
package dev.yardarm.core.formula;
