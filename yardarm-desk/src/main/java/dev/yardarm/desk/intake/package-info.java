/** Files of the user's own, taken in while the application runs. */
package dev.yardarm.desk.intake;
