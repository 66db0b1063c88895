/** Blends: instruments made of others by a formula. */
package dev.yardarm.core.blend;
