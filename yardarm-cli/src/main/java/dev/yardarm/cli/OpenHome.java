package dev.yardarm.cli;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.desk.Desk;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * A home folder opened by a command: what the window has behind it, without a window, with the market standing still. What a desk
 * keeps to the interface's thread happens on a thread of its own here. One that the application works in is refused, with what to do.
 */
final class OpenHome implements AutoCloseable {
    private final ExecutorService front = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "front");
        thread.setDaemon(true);
        return thread;
    });
    private final Desk desk;

    /** @param tell where what the desk has to say goes */
    OpenHome(Path home, PrintWriter tell) throws IOException {
        if (!Files.isDirectory(home)) {
            throw new IOException(
                    "there is no folder " + home + "; import something into it, or start the application with it");
        }
        boolean demo = new DocumentStore(home.resolve("documents"))
                .read(DocumentKind.MARKET, "market")
                .isPresent();
        desk = new Desk(new Desk.Options(home, demo, 0, true), front);
        desk.onNotice(tell::println);
    }

    Desk desk() {
        return desk;
    }

    /** Does something where the desk wants it done. */
    <T> T front(Callable<T> task) throws Exception {
        try {
            return front.submit(task).get();
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof Exception cause) {
                throw cause;
            }
            throw failed;
        }
    }

    /**
     * The universe that options name.
     *
     * @param list name of a list; null for none
     * @param codes codes of instruments; null for none
     * @param otherwise when neither is given
     * @throws WrongUsageException when it is not there
     */
    List<Instrument> instruments(String list, List<String> codes, Universe otherwise, PrintWriter tell)
            throws Exception {
        if (list != null && codes != null) {
            throw new WrongUsageException("--list and --codes exclude each other");
        }
        if (codes != null) {
            List<Instrument> found = new ArrayList<>();
            for (String code : codes) {
                found.add(desk.directory()
                        .byCode(code.strip().toUpperCase(Locale.ROOT))
                        .orElseThrow(() -> new WrongUsageException("there is no instrument '" + code.strip() + "'")));
            }
            return List.copyOf(found);
        }
        if (list != null) {
            List<String> names = front(
                    () -> desk.books().lists().stream().map(NamedList::name).toList());
            if (!names.contains(list)) {
                throw new WrongUsageException("there is no list '" + list + "'; there is " + String.join(", ", names));
            }
        }
        Universe universe = list == null ? otherwise : Universe.of(list);
        return front(desk::universes)
                .instruments(universe, desk.clock().now(), missing -> tell.println("note: " + missing));
    }

    /** The zone that dates of options are in: as given, else that of the first instrument's market. */
    ZoneId zone(String given, List<Instrument> instruments) throws WrongUsageException {
        ZoneId read = Zones.read(given);
        return read != null
                ? read
                : Optional.of(instruments)
                        .filter(some -> !some.isEmpty())
                        .map(some -> desk.calendar(some.get(0)).zone())
                        .orElse(ZoneOffset.UTC);
    }

    /** A timeframe as an option gives it. */
    static Timeframe timeframe(String text) throws WrongUsageException {
        return Timeframe.parse(text)
                .orElseThrow(
                        () -> new WrongUsageException("'" + text + "' is not a timeframe; write 15m, 1h, D, W or M"));
    }

    @Override
    public void close() {
        desk.close();
        front.shutdown();
    }
}
