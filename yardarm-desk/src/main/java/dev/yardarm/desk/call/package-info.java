/** Calls under watch: made, followed over the market, judged. */
package dev.yardarm.desk.call;
