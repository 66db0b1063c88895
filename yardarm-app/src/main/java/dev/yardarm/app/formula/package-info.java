/** What helps where formulas are typed. */
package dev.yardarm.app.formula;
