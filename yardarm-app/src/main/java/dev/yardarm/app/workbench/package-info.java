/** What the parts of the window share. */
package dev.yardarm.app.workbench;
