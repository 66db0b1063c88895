package dev.yardarm.app;

import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.market.StoredMarket;
import dev.yardarm.desk.work.Job;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.stream.Stream;

/** The demo's history, made once for all tests of all test processes and copied into the home of each. */
final class PackedHome {
    private static final Path MADE = Path.of("target", "packed-home");

    private PackedHome() {}

    /** Puts the history into a home that has none. */
    static void copyInto(Path home) throws IOException {
        if (Files.exists(home.resolve("history"))) {
            return;
        }
        make();
        try (Stream<Path> files = Files.walk(MADE.resolve("history"))) {
            for (Path file : (Iterable<Path>) files::iterator) {
                Path to = home.resolve(MADE.relativize(file).toString());
                if (Files.isDirectory(file)) {
                    Files.createDirectories(to);
                } else {
                    Files.copy(file, to);
                }
            }
        }
    }

    /** Makes it unless another process has, or is about to. */
    private static void make() throws IOException {
        Files.createDirectories(MADE);
        try (FileChannel channel =
                        FileChannel.open(MADE.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock held = channel.lock()) {
            if (!held.isValid() || Files.exists(MADE.resolve("done"))) {
                return;
            }
            SimulatedMarket market = new SimulatedMarket(World.halcyon(), Desk.Options.STANDARD_SEED);
            try (ParquetBarStore store = new ParquetBarStore(MADE.resolve("history"))) {
                new StoredMarket(market, () -> Optional.of(store))
                        .pack(Job.unattended(), market.world().presentTime());
            }
            Files.createFile(MADE.resolve("done"));
        }
    }
}
