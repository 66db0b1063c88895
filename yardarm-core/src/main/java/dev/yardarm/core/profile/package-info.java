/** Who traded where: volume and time at price, trades of each bar by price, large trades put together. */
package dev.yardarm.core.profile;
