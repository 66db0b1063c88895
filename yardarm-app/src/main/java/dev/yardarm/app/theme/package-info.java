/** Fonts, themes and style sheets. */
package dev.yardarm.app.theme;
