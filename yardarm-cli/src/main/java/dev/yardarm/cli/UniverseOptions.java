package dev.yardarm.cli;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Universe;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import picocli.CommandLine.Option;

/** Where a command looks and among which instruments; shared by those that look through many. */
final class UniverseOptions {
    @Option(names = "--home", required = true, paramLabel = "DIR", description = "folder of the user's data")
    private Path home;

    @Option(names = "--list", paramLabel = "NAME", description = "the list to look through")
    private String list;

    @Option(names = "--codes", paramLabel = "A,B", split = ",", description = "the instruments to look through")
    private List<String> codes;

    @Option(names = "--zone", paramLabel = "ZONE", description = "of times without an offset; else that of the market")
    private String zone;

    /** Opens the home; what it has to say goes to the errors. */
    OpenHome open(PrintWriter errors) throws IOException {
        return new OpenHome(home, errors);
    }

    /** The instruments the options name, else those of a universe. */
    List<Instrument> instruments(OpenHome opened, Universe otherwise, PrintWriter errors) throws Exception {
        return opened.instruments(list, codes, otherwise, errors);
    }

    /** The zone of times that have no offset. */
    ZoneId zone(OpenHome opened, List<Instrument> instruments) throws WrongUsageException {
        return opened.zone(zone, instruments);
    }

    /** True when instruments are named. */
    boolean isGiven() {
        return list != null || codes != null;
    }
}
