/** What the trader makes of the language: indicators of his own in versions, blends, and the examples to begin from. */
package dev.yardarm.desk.own;
