/** Scenarios at work: made, weighed, struck out by price and taken back. */
package dev.yardarm.desk.scenario;
