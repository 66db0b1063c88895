/** Plain sentences that become drafts of definitions: an interface, and a small interpreter that ships with the application. */
package dev.yardarm.core.plain;
