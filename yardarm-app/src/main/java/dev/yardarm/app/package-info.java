/** The application: starting, options, screenshots. */
package dev.yardarm.app;
