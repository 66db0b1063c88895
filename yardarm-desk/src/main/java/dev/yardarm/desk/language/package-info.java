/** The language of formulas as it stands while the application runs. */
package dev.yardarm.desk.language;
