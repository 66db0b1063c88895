package dev.yardarm.cli;

import de.siegmar.fastcsv.writer.CsvWriter;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.data.csv.BadRow;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.BarFileException;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.csv.TickFile;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Reads bar files for commands: a bad row is an error, or is set aside in a file and counted. */
final class SkippedRows {
    private final Path file;
    private final List<BadRow> rows = new ArrayList<>();

    /** @param file where bad rows are set aside; null when they are errors */
    SkippedRows(Path file) {
        this.file = file;
    }

    /**
     * Reads a file of bars.
     *
     * @param told where it is said what was taken for what
     */
    BarFile.Result read(Path bars, ReadingOptions options, PrintWriter told) throws IOException {
        BarFile.Result result = file == null ? BarFile.readStrictly(bars, options) : BarFile.read(bars, options);
        tell(bars, result.notes(), told);
        check(bars, result.series().closed(), result.badRows());
        return result;
    }

    TickSeries readTicks(Path ticks, ReadingOptions options, boolean keepRepeated, PrintWriter told)
            throws IOException {
        TickFile.Result result = TickFile.read(ticks, options, keepRepeated);
        if (file == null && !result.badRows().isEmpty()) {
            throw BarFile.firstOf(result.badRows());
        }
        tell(ticks, result.notes(), told);
        check(ticks, result.ticks().size(), result.badRows());
        return result.ticks();
    }

    /** Takes in what was found wrong with a file, and says what was taken for what in it. */
    void take(Path from, int good, List<BadRow> bad, List<String> notes, PrintWriter told) throws IOException {
        tell(from, notes, told);
        check(from, good, bad);
    }

    private static void tell(Path from, List<String> notes, PrintWriter told) {
        if (!notes.isEmpty()) {
            told.println(from + ": " + String.join("; ", notes));
        }
    }

    private void check(Path from, int good, List<BadRow> bad) throws IOException {
        rows.addAll(bad);
        if (good == 0 && bad.isEmpty()) {
            throw new BarFileException(from + " has a header but no rows");
        }
        if (good == 0) {
            write();
            throw new BarFileException("no row of " + from + " can be used; the first: "
                    + bad.get(0).message() + ". All of them are set aside in " + file);
        }
    }

    /** Writes what was set aside, with file, line and problem, and says how much it is. */
    void finish(PrintWriter errors) throws IOException {
        if (file == null) {
            return;
        }
        write();
        errors.println(rows.size() + (rows.size() == 1 ? " bad row was" : " bad rows were") + " set aside in " + file);
    }

    private void write() throws IOException {
        try (CsvWriter writer = CsvWriter.builder().build(Files.newBufferedWriter(file))) {
            writer.writeRecord("file", "line", "column", "problem", "row");
            for (BadRow row : rows) {
                writer.writeRecord(
                        row.file(),
                        String.valueOf(row.line()),
                        row.columnName(),
                        row.problem(),
                        String.join(",", row.fields()));
            }
        }
    }
}
