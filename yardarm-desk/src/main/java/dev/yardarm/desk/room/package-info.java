/** The main chart and what is done on it, without a toolkit: instrument, make-up, studies, rounds through a list. */
package dev.yardarm.desk.room;
