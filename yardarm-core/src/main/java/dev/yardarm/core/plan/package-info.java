/** Trade plans: entry, stop and target, the risk between them, and the size the account allows. */
package dev.yardarm.core.plan;
