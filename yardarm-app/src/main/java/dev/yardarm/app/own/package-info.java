/** The panel in which indicators of one's own are written: editor, library, versions, plain sentences. */
package dev.yardarm.app.own;
