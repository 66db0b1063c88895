/** The window: header, command line, views, leader keys, status line. */
package dev.yardarm.app.window;
