/** Where the application's log goes. */
package dev.yardarm.app.log;
