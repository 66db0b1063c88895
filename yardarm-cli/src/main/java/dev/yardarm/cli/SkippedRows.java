package dev.yardarm.cli;

import de.siegmar.fastcsv.writer.CsvWriter;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.data.csv.BadRow;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.BarFileException;
import dev.yardarm.data.csv.TickFile;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
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

    BarFile.Result read(Path bars, ZoneId zone) throws IOException {
        BarFile.Result result = file == null ? BarFile.readStrictly(bars, zone) : BarFile.read(bars, zone);
        if (result.series().closed() == 0 && result.badRows().isEmpty()) {
            throw new BarFileException(bars + " has a header but no rows");
        }
        rows.addAll(result.badRows());
        return result;
    }

    TickSeries readTicks(Path ticks, ZoneId zone, boolean keepRepeated) throws IOException {
        TickFile.Result result = TickFile.read(ticks, zone, keepRepeated);
        if (file == null && !result.badRows().isEmpty()) {
            throw BarFile.firstOf(result.badRows());
        }
        if (result.ticks().size() == 0 && result.badRows().isEmpty()) {
            throw new BarFileException(ticks + " has a header but no rows");
        }
        rows.addAll(result.badRows());
        return result.ticks();
    }

    /** Writes what was set aside, with file, line and problem, and says how much it is. */
    void finish(PrintWriter errors) throws IOException {
        if (file == null) {
            return;
        }
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
        errors.println(rows.size() + (rows.size() == 1 ? " bad row was" : " bad rows were") + " set aside in " + file);
    }
}
