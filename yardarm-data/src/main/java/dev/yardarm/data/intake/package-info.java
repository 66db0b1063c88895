/** What the user's files hold, looked at before it is taken in, and given back. */
package dev.yardarm.data.intake;
