/** The indicators themselves. A class placed here is in the catalogue. */
package dev.yardarm.core.indicator.catalogue;
