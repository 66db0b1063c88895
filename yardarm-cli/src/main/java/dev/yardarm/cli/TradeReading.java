package dev.yardarm.cli;

import dev.yardarm.core.series.TickSeries;
import dev.yardarm.data.csv.ReadingOptions;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** How commands read a file of trades: what is said of it beforehand, what becomes of trades that are repeated and of bad rows. */
final class TradeReading {
    private static final String KEEP = "keep";

    @Mixin
    private FileOptions file;

    @Option(
            names = "--repeated",
            defaultValue = "refuse",
            paramLabel = "keep|refuse",
            description = "what to do with a trade that is the same as the one before it")
    private String repeated;

    @Option(names = "--skip-bad", paramLabel = "FILE", description = "sets bad rows aside in this file")
    private Path skipBad;

    /** What is said of the file; the words are checked. */
    ReadingOptions options() throws WrongUsageException {
        if (!repeated.equals(KEEP) && !repeated.equals("refuse")) {
            throw new WrongUsageException("--repeated is keep or refuse, not '" + repeated + "'");
        }
        return file.read();
    }

    /** Where bad rows go. */
    SkippedRows skipped() {
        return new SkippedRows(skipBad);
    }

    /** The trades of a file. */
    TickSeries trades(Path from, ReadingOptions options, SkippedRows skipped, PrintWriter told) throws IOException {
        return skipped.readTicks(from, options, repeated.equals(KEEP), told);
    }
}
