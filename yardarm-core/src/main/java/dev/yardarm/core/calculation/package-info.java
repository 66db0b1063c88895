/** A graph of columns over one bar series: fields, indicators and arithmetic, each computed once and kept current. */
package dev.yardarm.core.calculation;
