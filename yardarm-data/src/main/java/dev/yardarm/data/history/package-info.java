/** The history store: bars in Parquet files, read and written through an embedded database. */
package dev.yardarm.data.history;
