/** Benchmarks of the computation and measurements of frames and starts. */
package dev.yardarm.bench;
