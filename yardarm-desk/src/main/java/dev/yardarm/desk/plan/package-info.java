/** Planning trades: plans of each instrument over time, and what new ones start from. */
package dev.yardarm.desk.plan;
