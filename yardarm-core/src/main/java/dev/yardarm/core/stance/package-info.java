/** What the trader decided for an instrument on a round through a list. */
package dev.yardarm.core.stance;
