package dev.yardarm.desk;

import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.data.document.CodeChange;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Edit;
import dev.yardarm.data.document.Entries;
import dev.yardarm.data.history.BarStore;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.book.DocumentSaver;
import dev.yardarm.desk.intake.IntakeWork;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.market.StoredMarket;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.market.feed.SimulatedFeed;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The sources of a home folder and what time it is in their market: the simulated one with its seed, which goes on where it
 * stood, or none beside the user's own histories. The history store opens in the background; until then histories are made.
 */
final class MarketOfHome implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(MarketOfHome.class);
    private static final long SAVE_EVERY = 2 * Times.SECOND;
    /** What is planted in the histories of the demo world, for whoever measures detectors by it. */
    private static final String PLANTED = "planted.jsonl";

    /** What stands out among its trades. */
    private static final String ORDERS = "orders.jsonl";

    private final Path home;
    private final DocumentSaver saver;
    private final Scheduler scheduler;
    private final Consumer<String> tell;
    private final CompletableFuture<BarStore> store;
    private final List<BarSource> sources = new ArrayList<>();
    private final Optional<StoredMarket> simulated;
    private final MarketClock clock;
    private final IntakeWork.Home intake;
    private final long seed;
    private final int edition;
    private long savedAt;

    MarketOfHome(
            Desk.Options options,
            DocumentStore documents,
            DocumentSaver saver,
            Scheduler scheduler,
            Consumer<String> tell) {
        this.home = options.home();
        this.saver = saver;
        this.scheduler = scheduler;
        this.tell = tell;
        store = scheduler.submit(Lane.SOON, () -> openStore(options.home().resolve("history")));
        Documents.Market saved = saver.read(DocumentKind.MARKET, "market").orElse(null);
        seed = seed(options, saved);
        World halcyon = options.demo() ? World.halcyon() : null;
        edition = halcyon == null ? saved == null ? 0 : saved.world() : halcyon.edition();
        if (halcyon != null) {
            SimulatedMarket market = new SimulatedMarket(halcyon, seed);
            if (saved != null && saved.world() < edition) {
                follow(options.home().resolve("documents"), market.name(), halcyon);
            }
            simulated = Optional.of(
                    new StoredMarket(market, () -> Optional.ofNullable(store.getNow(null)), scheduler.on(Lane.BEHIND)));
            long present = market.world().presentTime();
            boolean sameWorld = saved != null && saved.seed() == seed;
            clock = new MarketClock(
                    market.world().calendar(),
                    sameWorld ? Math.max(saved.time(), present) : present,
                    sameWorld && saved.speed() > 0 ? saved.speed() : 1,
                    !options.still());
        } else {
            simulated = Optional.empty();
            clock = new MarketClock(
                    TradingCalendar.roundTheClock(ZoneOffset.UTC), Times.micros(Instant.now()), 1, !options.still());
        }
        simulated.ifPresent(sources::add);
        Entries<Documents.Imported> imported = imported(documents);
        OwnSource own = new OwnSource(usable(imported), () -> Optional.ofNullable(store.join()));
        sources.add(own);
        intake = new IntakeWork.Home(() -> Optional.ofNullable(store.join()), own, imported);
        savedAt = clock.now();
    }

    /** What was imported: as the file has it, which commands write too, with what a crash kept from it. */
    private Entries<Documents.Imported> imported(DocumentStore documents) {
        Entries<Documents.Imported> file = documents
                .read(DocumentKind.INSTRUMENTS, "instruments")
                .map(Documents.Instruments::instruments)
                .orElse(Entries.of(List.of()));
        List<Entries.Entry<Documents.Imported>> all = new ArrayList<>(file.all());
        for (Edit<Documents.Instruments> edit : saver.journal().unsettled(DocumentKind.INSTRUMENTS, "instruments")) {
            for (Documents.Imported each : edit.whole().instruments().values()) {
                if (all.stream()
                        .noneMatch(there ->
                                there.value() != null && there.value().code().equals(each.code()))) {
                    all.add(new Entries.Entry<>(each, null, ""));
                }
            }
        }
        Entries<Documents.Imported> both = new Entries<>(all);
        if (all.size() > file.all().size()) {
            saver.save(DocumentKind.INSTRUMENTS, "instruments", new Documents.Instruments(both));
        }
        return both;
    }

    /** Time has come to a moment: what is recorded of the market is. */
    void beat(long now) {
        simulated.ifPresent(each -> each.beat(now));
    }

    /** The home was written with an earlier edition of the demo world: what is kept follows the new codes. */
    private void follow(Path documents, String source, World world) {
        try {
            int changed = CodeChange.run(documents, source, world.formerly());
            tell.accept("The demo world has new codes, such as "
                    + world.formerly().entrySet().stream()
                            .sorted(Map.Entry.comparingByKey())
                            .limit(3)
                            .map(each -> each.getValue() + " for " + each.getKey())
                            .collect(Collectors.joining(", "))
                    + "; their history is made anew. " + changed + " of your documents were changed to them.");
        } catch (IOException | RuntimeException failed) {
            LOG.warn("the new codes of the demo world did not get into all documents", failed);
            tell.accept("The demo world has new codes, and not all documents could be changed to them: "
                    + failed.getMessage() + ".");
        }
    }

    /** One that cannot be read costs itself alone; it stays in its file. */
    private List<Documents.Imported> usable(Entries<Documents.Imported> entries) {
        entries.all().stream()
                .filter(each -> each.value() == null)
                .forEach(each -> tell.accept("One of your instruments cannot be read (" + each.problem()
                        + "); it stays in the file as it is."));
        return entries.values();
    }

    private static long seed(Desk.Options options, Documents.Market saved) {
        if (options.seed() != 0) {
            return options.seed();
        }
        return saved != null && saved.seed() != 0 ? saved.seed() : Desk.Options.STANDARD_SEED;
    }

    private BarStore openStore(Path folder) {
        try {
            return new ParquetBarStore(folder, tell);
        } catch (IOException | RuntimeException | LinkageError failed) {
            LOG.warn("the history store cannot be opened", failed);
            tell.accept("The history store cannot be opened: " + failed.getMessage() + ". Made history is not kept.");
            return null;
        }
    }

    /** What imports work on. */
    IntakeWork.Home intake() {
        return intake;
    }

    List<BarSource> sources() {
        return List.copyOf(sources);
    }

    /** The demo world; empty when the home holds the user's own data alone. */
    Optional<World> world() {
        return simulated.map(market -> market.market().world());
    }

    /** The line of the simulated market; empty without one. */
    Optional<SimulatedFeed> feed() {
        return simulated.map(StoredMarket::feed);
    }

    MarketClock clock() {
        return clock;
    }

    /** Makes the daily history of the demo that is not kept yet, behind everything else. */
    void start() {
        simulated.ifPresent(market -> scheduler.start(
                Lane.BEHIND,
                "pack",
                "Making the demo data",
                job -> {
                    store.join();
                    if (market.isPacked()) {
                        return false;
                    }
                    market.pack(job, clock.now());
                    Files.write(home.resolve(PLANTED), market.market().history().planted());
                    Files.write(
                            home.resolve(ORDERS),
                            market.market()
                                    .history()
                                    .plantedOrders(
                                            market.market().history().world().presentTime()));
                    return true;
                },
                made -> {
                    if (made) {
                        tell.accept("The demo data is made: "
                                + market.instruments().size() + " instruments with history since 2012.");
                    }
                },
                failed -> tell.accept("The demo data cannot be kept: " + failed.getMessage())));
    }

    /** Saves what time it is in the simulated market, when that was a while ago. */
    void tick() {
        if (Math.abs(clock.now() - savedAt) >= SAVE_EVERY * Math.max(1, clock.speed())) {
            save();
        }
    }

    /** Saves what time it is in the simulated market. */
    void save() {
        if (simulated.isPresent()) {
            savedAt = clock.now();
            saver.save(DocumentKind.MARKET, "market", new Documents.Market(seed, clock.now(), clock.speed(), edition));
        }
    }

    /** Closes the history store. */
    @Override
    public void close() throws IOException {
        BarStore open = store.getNow(null);
        if (open != null) {
            open.close();
        }
    }
}
