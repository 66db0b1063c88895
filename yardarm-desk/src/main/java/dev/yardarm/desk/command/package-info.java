/** Changes that can be taken back. */
package dev.yardarm.desk.command;
