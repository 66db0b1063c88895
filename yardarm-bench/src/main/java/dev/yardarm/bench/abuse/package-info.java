/** What is tried to break it: kills, damaged history, mutated files, imports at once; figures in docs/reliability.md. */
package dev.yardarm.bench.abuse;
