package dev.yardarm.desk;

import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.HomeUpgrade;
import dev.yardarm.data.home.HomeLock;
import dev.yardarm.desk.alert.AlertActs;
import dev.yardarm.desk.alert.AlertBell;
import dev.yardarm.desk.alert.AlertRunner;
import dev.yardarm.desk.alert.AlertWork;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.DocumentSaver;
import dev.yardarm.desk.book.Habits;
import dev.yardarm.desk.call.CallRunner;
import dev.yardarm.desk.call.CallWork;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.evidence.EvidenceRunner;
import dev.yardarm.desk.evidence.Recipe;
import dev.yardarm.desk.feed.ChartFeed;
import dev.yardarm.desk.follow.TradesFollowing;
import dev.yardarm.desk.intake.IntakeWork;
import dev.yardarm.desk.language.LivingLanguage;
import dev.yardarm.desk.list.ListWork;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.BlendSource;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.market.SourceState;
import dev.yardarm.desk.own.BlendWork;
import dev.yardarm.desk.own.OwnWork;
import dev.yardarm.desk.plan.PlanWork;
import dev.yardarm.desk.plan.Sizing;
import dev.yardarm.desk.scan.Memberships;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.scan.ScanSchedules;
import dev.yardarm.desk.scan.ScanWork;
import dev.yardarm.desk.scan.Universes;
import dev.yardarm.desk.scenario.ScenarioRunner;
import dev.yardarm.desk.scenario.ScenarioWork;
import dev.yardarm.desk.stance.StanceWork;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.desk.work.Schedules;
import dev.yardarm.market.feed.SimulatedFeed;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Predicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Everything behind the window, put together: sources, clock, live hub, books, alerts, undo. One desk works in one home
 * folder and holds its lock.
 */
public final class Desk implements AutoCloseable {
    /** Name and version of the application. */
    public static final String VERSION = "Yardarm 0.1.0";

    /** In the place of a moment: the one at which it is asked. */
    public static final long NOW = 0;

    private static final Logger LOG = LoggerFactory.getLogger(Desk.class);

    private final HomeLock lock;
    private final Executor front;
    private final DocumentSaver saver;
    private final Scheduler scheduler;
    private final Notices notices;
    private final MarketOfHome market;
    private final Directory directory;
    private final Histories histories;
    private final LiveHub hub;
    private final Schedules schedules;
    private final LivingLanguage language = new LivingLanguage(Language.builtIn());
    private final Vantages vantages;
    private final Books books;
    private final UndoStack undo = new UndoStack(System::nanoTime);
    private final ListWork listWork;
    private final AlertWork alertWork;
    private final PlanWork planWork;
    private final Sizing sizing;
    private final IntakeWork intake;
    private final StanceWork stanceWork;
    private final ScanWork scanWork;
    private final AlertRunner alertRunner;
    private final Path home;
    private final AlertBell bell;
    private final CallWork callWork;
    private final CallRunner callRunner;
    private final ScenarioWork scenarioWork;
    private final ScenarioRunner scenarioRunner;
    private final ScanSchedules scanSchedules;
    private final OwnWork ownWork;
    private final BlendWork blendWork;
    private final Habits habits;
    private final CompletableFuture<Optional<Documents.Workspace>> workspace;
    private final List<Consumer<Firing>> alertListeners = new ArrayList<>();
    /** How sources that are not ready were told to stand. */
    private final Map<String, SourceState.Kind> troubled = new ConcurrentHashMap<>();

    private Predicate<String> charts = id -> false;

    /**
     * How a desk is opened.
     *
     * @param demo with the demo world, or with the user's own data alone
     * @param still with the simulated market frozen
     */
    public record Options(Path home, boolean demo, long seed, boolean still) {
        /** The seed of the demo world unless told otherwise. */
        public static final long STANDARD_SEED = 1;
    }

    /**
     * Opens a desk.
     *
     * @param front the interface's thread
     * @throws IOException when the home folder cannot be used or is in use, with what to do
     */
    public Desk(Options options, Executor front) throws IOException {
        this.front = front;
        this.home = options.home();
        this.notices = new Notices(front);
        this.lock = HomeLock.take(options.home(), HomeLock.Holder.APPLICATION);
        this.scheduler = new Scheduler(Math.max(2, Runtime.getRuntime().availableProcessors()), front);
        DocumentStore documents = new DocumentStore(options.home().resolve("documents"));
        HomeUpgrade.run(documents, options.home().resolve("documents"));
        this.saver = new DocumentSaver(documents, this::tell);
        market = new MarketOfHome(options, documents, saver, scheduler, this::tell);
        MarketClock clock = market.clock();
        directory = new Directory(market.sources());
        directory.listen(this::sourceChanged);
        histories = new Histories(directory);
        hub = new LiveHub(directory, clock);
        schedules = new Schedules(scheduler.on(Lane.SOON));
        hub.onBeat(schedules::advance);
        hub.onBeat(market::beat);
        books = new Books(
                saver,
                front,
                scheduler.on(Lane.SOON),
                StandardLists.of(directory, market.world().orElse(null)),
                StandardLists.scans());
        vantages = new Vantages(histories, books::drawingsAnywhere);
        habits = new Habits(saver);
        listWork = new ListWork(books, directory, undo, clock::now, scheduler, this::tell);
        alertWork = new AlertWork(books, directory, undo, clock::now, this::tell);
        planWork = new PlanWork(books, undo, clock::now, this::counting, this::tell);
        sizing = new Sizing(directory, clock::now);
        intake = new IntakeWork(
                market.intake(), directory, histories, saver, scheduler, () -> Times.micros(Instant.now()), this::tell);
        stanceWork = new StanceWork(books, undo, clock::now);
        scanWork = new ScanWork(books, undo, this::tell);
        ownWork = new OwnWork(books, undo, language, () -> Times.micros(Instant.now()), this::tell);
        blendWork = new BlendWork(books, undo, directory, new BlendSource(directory, histories), this::tell);
        TradesFollowing.Around following = new TradesFollowing.Around(directory, vantages, hub, scheduler, front);
        bell = new AlertBell(habits, clock::now, this::tell);
        AlertActs acts = new AlertActs(books, options.home().resolve("firings.csv"), scheduler, this::tell);
        alertRunner = new AlertRunner(
                books,
                directory,
                new AlertRunner.Around(following, clock::now, language::now),
                this::tell,
                (alert, firing, away) -> {
                    market.save();
                    directory.find(firing.instrument()).ifPresent(instrument -> {
                        acts.carryOut(
                                alert, firing, instrument, calendar(instrument).zone());
                        bell.ring(
                                alert,
                                firing,
                                instrument,
                                away,
                                calendar(instrument).zone());
                    });
                    alertListeners.forEach(listener -> listener.accept(firing));
                });
        hub.onBeat(time -> front.execute(() -> bell.beat(time)));
        callWork = new CallWork(books, directory, undo, clock::now, planWork, alertWork, language::now, this::tell);
        callRunner = new CallRunner(books, following, clock::now, (call, event, away) -> directory
                .find(call.instrument())
                .ifPresent(instrument -> tell(CallRunner.words(call, event, instrument, away))));
        scenarioWork = new ScenarioWork(books, directory, undo, clock::now, alertWork, language::now, this::tell);
        scenarioRunner = new ScenarioRunner(
                books,
                scenarioWork,
                histories,
                following,
                clock::now,
                (instrument, scenario, price, away) -> tell(ScenarioRunner.words(instrument, scenario, price, away)));
        language.listen(changed -> front.execute(alertRunner::languageChanged));
        scanSchedules = new ScanSchedules(
                books,
                scanWork,
                new ScanSchedules.Around(
                        directory, vantages, scheduler, schedules, this::universes, language::now, clock::now, front),
                this::tell);
        documents.takeNotices().forEach(this::tell);
        // Read beside the start of the interface, which wants it soon.
        workspace = scheduler.submit(Lane.NOW, () -> saver.read(DocumentKind.WORKSPACE, "workspace"));
    }

    /** The contract that counts of a continuous future; any other instrument itself, and one whose contracts are not known now. */
    private Instrument counting(Instrument instrument) {
        try {
            return instrument.kind() == Instrument.Kind.CONTINUOUS
                    ? histories.traded(instrument, clock().now())
                    : instrument;
        } catch (IOException unread) {
            return instrument;
        }
    }

    /** The workspace as it stood when the desk was opened; empty in a new home. */
    public Optional<Documents.Workspace> savedWorkspace() {
        return workspace.join();
    }

    /** Lets the market run and, in the demo, makes the daily history that is not kept yet. */
    public void start() {
        notices.open();
        hub.start();
        market.start();
    }

    /** Called now and then on the interface's thread: keeps the market's time. */
    public void tick() {
        market.tick();
    }

    /** The line of the simulated market, whose faults are made by hand and by script; empty without one. */
    public Optional<SimulatedFeed> feed() {
        return market.feed();
    }

    /** Saves what time it is in the simulated market. */
    public void saveClock() {
        market.save();
    }

    /** Takes notices for the user from now on; whoever comes before the market runs is told what was said before too. */
    public void onNotice(Consumer<String> listener) {
        notices.listen(listener);
    }

    /** The last fifty notices, the newest first. */
    public List<String> notices() {
        return notices.kept();
    }

    /** Tells the user something. May be called on any thread. */
    public void tell(String notice) {
        notices.tell(notice);
    }

    /** Says when a source no longer answers, and when it does again; told once each, by whoever asked it. */
    private void sourceChanged(String source) {
        SourceState state = directory.state(source);
        SourceState.Kind before = troubled.getOrDefault(source, SourceState.Kind.READY);
        if (state.kind() == SourceState.Kind.OFFLINE && before != SourceState.Kind.OFFLINE) {
            troubled.put(source, state.kind());
            tell("The source " + source + " does not answer: " + state.reason()
                    + ". Its prices do not change until it answers; it is asked again and again.");
        } else if (state.kind() == SourceState.Kind.BEHIND && before == SourceState.Kind.READY) {
            troubled.put(source, state.kind());
            tell("Trades of the source " + source
                    + " are missing or late; charts and alerts wait for them, and nothing is passed over.");
        } else if (state.isReady() && before != SourceState.Kind.READY) {
            troubled.remove(source);
            tell("The source " + source + " answers again; what was missed has been made good.");
        }
    }

    /** Is told of every alert that fires. */
    public void onAlert(Consumer<Firing> listener) {
        alertListeners.add(listener);
    }

    /** The instruments of a list that exist; all instruments when the list does not. */
    public List<Instrument> members(String list) {
        return books.list(list)
                .map(named -> named.instruments().stream()
                        .map(directory::find)
                        .flatMap(Optional::stream)
                        .toList())
                .orElse(directory.all());
    }

    public ChartFeed.Services feedServices() {
        return new ChartFeed.Services(
                histories, vantages, hub, clock()::now, scheduler, schedules, language::now, front);
    }

    /** Starts a scan of the present; a running one is cancelled. */
    public void scan(Scan scan, Consumer<ScanRunner.Result> done, Consumer<Exception> failed) {
        scan(scan, 0, done, failed);
    }

    /**
     * Starts a scan; a running one is cancelled. On the interface's thread.
     *
     * @param before only bars that opened before this time, as known when the last of them had closed; 0 for the present
     */
    public void scan(Scan scan, long before, Consumer<ScanRunner.Result> done, Consumer<Exception> failed) {
        ScanRunner.AsOf asOf = new ScanRunner.AsOf(clock().now(), before);
        Universes universes = universes();
        Language now = language.now();
        ScanRunner runner = new ScanRunner(vantages, scheduler);
        scheduler.start(
                Lane.BEHIND,
                "scan",
                "Scan over " + scan.universe().words(),
                job -> {
                    List<String> gone = new ArrayList<>();
                    List<Instrument> instruments = universes.instruments(scan.universe(), asOf.moment(), gone::add);
                    return runner.run(scan, now, instruments, asOf, job).without(gone);
                },
                done,
                failed);
    }

    /**
     * Starts to look through the past; what is under way is cancelled. On the interface's thread.
     *
     * @param universe the instruments that are looked at
     * @param asked from which the past is looked at; {@link #NOW} for that at which it is asked
     */
    public void gather(
            Recipe recipe,
            Universe universe,
            long asked,
            Consumer<EvidenceRunner.Result> done,
            Consumer<Exception> failed) {
        Universes universes = universes();
        Language now = language.now();
        long moment = asked == NOW ? clock().now() : asked;
        EvidenceRunner runner = new EvidenceRunner(vantages, directory, scheduler);
        scheduler.start(
                Lane.BEHIND,
                "evidence",
                "Evidence over " + universe.words(),
                job -> {
                    List<String> gone = new ArrayList<>();
                    Memberships among =
                            universes.memberships(universe, index -> since(index, moment), moment, gone::add);
                    if (among.all().isEmpty()) {
                        throw new IllegalArgumentException(
                                "there is nothing to look at" + (gone.isEmpty() ? "" : ": " + String.join("; ", gone)));
                    }
                    return runner.run(recipe, now, among, moment, job).without(gone);
                },
                done,
                failed);
    }

    /** When the history of an instrument begins; the moment when it has none. */
    private long since(Instrument instrument, long moment) {
        try {
            Bars bars = vantages.at(moment).bars(instrument, BarRequest.of(Timeframe.DAY));
            return bars.isEmpty() ? moment : bars.closeTime(0);
        } catch (IOException unread) {
            return moment;
        }
    }

    /** Finds the instruments of universes, by the lists as they are now. On the interface's thread; what it gives may be used by any. */
    public Universes universes() {
        Map<String, NamedList> lists = new HashMap<>();
        books.lists().forEach(each -> lists.put(each.name(), each));
        return new Universes(directory, name -> Optional.ofNullable(lists.get(name)));
    }

    /** True for the id of a chart that is open in some layout. */
    public boolean isChart(String id) {
        return charts.test(id);
    }

    /** Tells from now on which charts there are. */
    public void setCharts(Predicate<String> open) {
        charts = open;
    }

    public boolean isDemo() {
        return market.world().isPresent();
    }

    /** The timeframes offered for an instrument. */
    public List<Timeframe> timeframes() {
        return habits.timeframes();
    }

    public Habits habits() {
        return habits;
    }

    /** Setting alerts and taking them away. */
    public AlertWork alertWork() {
        return alertWork;
    }

    /** Planning trades. */
    public PlanWork planWork() {
        return planWork;
    }

    /** Indicators of the trader's own. */
    public OwnWork ownWork() {
        return ownWork;
    }

    /** Instruments made of others. */
    public BlendWork blendWork() {
        return blendWork;
    }

    /** Saving scans. */
    public ScanWork scanWork() {
        return scanWork;
    }

    /** Lets a saved scan run by itself from now on, or only when asked for null; a step of undo. */
    public void schedule(String scan, ScanSchedule.When when) {
        scanWork.schedule(scan, when, clock().now());
    }

    /** Running saved scans at their times. */
    public ScanSchedules scanSchedules() {
        return scanSchedules;
    }

    /** Takes files of the user's own in. */
    public IntakeWork intake() {
        return intake;
    }

    /** Sizes plans in the money of the account. */
    public Sizing sizing() {
        return sizing;
    }

    /** Taking stances. */
    public StanceWork stanceWork() {
        return stanceWork;
    }

    /** The folder all is kept in. */
    public Path home() {
        return home;
    }

    /** Making calls and taking them away. */
    public CallWork callWork() {
        return callWork;
    }

    /** Making scenarios, weighing them and striking them out. */
    public ScenarioWork scenarioWork() {
        return scenarioWork;
    }

    /** Watches the scenarios. */
    public ScenarioRunner scenarioRunner() {
        return scenarioRunner;
    }

    /** Watches the calls. */
    public CallRunner callRunner() {
        return callRunner;
    }

    /** What tells of alerts that fired. */
    public AlertBell bell() {
        return bell;
    }

    /** The watch on alerts. */
    public AlertRunner alertRunner() {
        return alertRunner;
    }

    /** Making and changing lists. */
    public ListWork listWork() {
        return listWork;
    }

    /** The language of formulas, with its indicators. */
    public LivingLanguage language() {
        return language;
    }

    /** Runs what is due at times of the market. */
    public Schedules schedules() {
        return schedules;
    }

    /** Looks at instruments from any moment. */
    public Vantages vantages() {
        return vantages;
    }

    public Directory directory() {
        return directory;
    }

    public Histories histories() {
        return histories;
    }

    public MarketClock clock() {
        return market.clock();
    }

    public LiveHub hub() {
        return hub;
    }

    public Books books() {
        return books;
    }

    public UndoStack undo() {
        return undo;
    }

    public Scheduler scheduler() {
        return scheduler;
    }

    public DocumentSaver saver() {
        return saver;
    }

    /** The calendar an instrument trades by. */
    public TradingCalendar calendar(Instrument instrument) {
        return directory.calendar(instrument);
    }

    @Override
    public void close() {
        market.save();
        hub.close();
        scheduler.close();
        books.settle();
        saver.close();
        try {
            market.close();
            lock.close();
        } catch (IOException | IllegalStateException failed) {
            LOG.warn("the desk does not close cleanly", failed);
        }
    }
}
