package dev.yardarm.data.history;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.function.Consumer;
import org.duckdb.DuckDBConnection;

/**
 * Parquet files of a history: written beside their place and moved into it, and set aside when they turn out to be damaged, so
 * that what can be made or imported again is, and nothing else is touched.
 */
final class HistoryFiles {
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);

    private final EmbeddedDatabase database;
    private final Path setAside;
    private final Consumer<String> tell;

    /**
     * @param setAside folder for damaged files
     * @param tell takes a sentence for the user when a file was set aside
     */
    HistoryFiles(EmbeddedDatabase database, Path setAside, Consumer<String> tell) {
        this.database = database;
        this.setAside = setAside;
        this.tell = tell;
    }

    /** Work with the database on files. */
    @FunctionalInterface
    interface Work<T> {
        T on(DuckDBConnection connection, Statement statement) throws SQLException, IOException;
    }

    /**
     * Does work that reads files. When it fails and some of them are damaged, these are set aside and it is done once more with the
     * rest; otherwise the failure is told with the place.
     *
     * @param columns that the files must have
     */
    <T> T reading(List<Path> files, List<String> columns, Path place, Work<T> work, Work<T> again) throws IOException {
        try {
            return on(work);
        } catch (SQLException | IllegalArgumentException failed) {
            if (setAsideDamaged(files, columns) || files.stream().anyMatch(file -> !Files.exists(file))) {
                try {
                    return on(again);
                } catch (SQLException | IllegalArgumentException still) {
                    throw unreadable(place, still);
                }
            }
            throw unreadable(place, failed);
        }
    }

    private static IOException unreadable(Path place, Exception failed) {
        return new IOException(
                "the history in " + place + " cannot be read: " + failed.getMessage()
                        + ". Move the file away to have it made or imported again.",
                failed);
    }

    private <T> T on(Work<T> work) throws SQLException, IOException {
        try (DuckDBConnection own = database.connect();
                Statement statement = own.createStatement()) {
            return work.on(own, statement);
        }
    }

    /** Sets aside those of the files that are damaged; true when any was. */
    synchronized boolean setAsideDamaged(List<Path> files, List<String> columns) throws IOException {
        boolean any = false;
        for (Path file : files) {
            if (Files.isRegularFile(file) && database.isDamaged(file, columns)) {
                setAside(file);
                any = true;
            }
        }
        return any;
    }

    /** Moves a damaged file out of the way and says where it is. */
    void setAside(Path file) throws IOException {
        Files.createDirectories(setAside);
        Path folder = file.getParent().getFileName();
        Path to = setAside.resolve(folder + "-" + file.getFileName() + "-" + STAMP.format(Instant.now()));
        try {
            Files.move(file, to, StandardCopyOption.REPLACE_EXISTING);
        } catch (NoSuchFileException goneMeanwhile) {
            return;
        }
        tell.accept("The history file " + file + " was damaged. It was set aside as " + to
                + "; what was in it is made again, or import it again where it came from files of your own.");
    }

    /** Writes a file beside its place and moves it there; what was there before stays when that fails. */
    void write(Path file, Work<Void> writing) throws IOException {
        Files.createDirectories(file.getParent());
        try {
            on(writing);
            Files.move(beside(file), file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (SQLException failed) {
            Files.deleteIfExists(beside(file));
            throw new IOException(
                    "the history file " + file + " cannot be written: " + failed.getMessage()
                            + ". What was there before is untouched.",
                    failed);
        }
    }

    /** Where a file is written before it is moved into its place. */
    static Path beside(Path file) {
        return file.resolveSibling(file.getFileName() + ".new");
    }
}
