/** The instrument's card: who it is, what the day did, what comes, how it stands. */
package dev.yardarm.desk.card;
