package dev.yardarm.desk.book;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.evidence.Inquiry;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.own.OwnIndicator;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.scenario.ScenarioStep;
import dev.yardarm.core.scenario.Scenarios;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/**
 * Everything the user made: a {@link Shelf} for each kind, and the drawings of each instrument. Used by the interface's thread
 * alone, but for {@link #drawingsAnywhere}. Listeners are told which subject changed.
 */
public final class Books {
    /** What a change is about. */
    public enum Subject {
        DRAWINGS,
        LISTS,
        STANCES,
        ALERTS,
        FIRINGS,
        CALLS,
        SCENARIOS,
        PLANS,
        SCANS,
        SCAN_RUNS,
        SCAN_SCHEDULES,
        PRESETS,
        OWN_INDICATORS,
        BLENDS
    }

    private final TracingBook tracings;
    private final Shelf<String, NamedList> lists;
    private final Shelf<ShelfKind.StanceKey, Stance> stances;
    private final Shelf<String, Alert> alerts;
    private final Shelf<String, Documents.AlertChart> alertCharts;
    private final Shelf<Firing.Key, Firing> firings;
    private final Shelf<String, Call> calls;
    private final Shelf<CallEvent.Key, CallEvent> callEvents;
    private final Shelf<String, ScenarioStep> scenarios;
    private final Shelf<String, TradePlan> plans;
    private final Shelf<String, Scan> scans;
    private final Shelf<String, ScanRun> scanRuns;
    private final Shelf<String, ScanSchedule> scanSchedules;
    private final Shelf<String, Inquiry> inquiries;
    private final Shelf<String, Documents.Preset> presets;
    private final Shelf<String, OwnIndicator> ownIndicators;
    private final Shelf<String, Blend> blends;
    private final Listeners<Subject> listeners = new Listeners<>();
    private final Listeners<InstrumentId> drawingListeners = new Listeners<>();
    private final ShelfGroups<InstrumentId, Alert> alertsOn;
    private final ShelfGroups<InstrumentId, Firing> firingsOn;
    private final ShelfGroups<Armed, Firing> firingsOf;

    /** An alert as it was set or armed at a moment. */
    private record Armed(String alert, long setAt) {}

    /** Opens the books; files of drawings are read at once when they are asked for. */
    public Books(DocumentSaver saver, Executor front, List<NamedList> standardLists, List<Scan> standardScans) {
        this(saver, front, Runnable::run, standardLists, standardScans);
    }

    /**
     * Opens the books; lists and scans are the given ones when none are saved.
     *
     * @param front the interface's thread
     * @param loader reads the files of drawings, one for each instrument when it is first looked at
     */
    public Books(
            DocumentSaver saver,
            Executor front,
            Executor loader,
            List<NamedList> standardLists,
            List<Scan> standardScans) {
        tracings = new TracingBook(saver, front, loader, instrument -> {
            listeners.tell(Subject.DRAWINGS);
            drawingListeners.tell(instrument);
        });
        lists = Shelf.open(ShelfKind.LISTS, saver, front, standardLists);
        stances = Shelf.open(ShelfKind.STANCES, saver, front, List.of());
        alerts = Shelf.open(ShelfKind.ALERTS, saver, front, List.of());
        alertCharts = Shelf.open(ShelfKind.ALERT_CHARTS, saver, front, List.of());
        firings = Shelf.open(ShelfKind.FIRINGS, saver, front, List.of());
        alertsOn = alerts.groups(Alert::instrument);
        firingsOn = firings.groups(Firing::instrument);
        firingsOf = firings.groups(firing -> new Armed(firing.alert(), firing.setAt()));
        calls = Shelf.open(ShelfKind.CALLS, saver, front, List.of());
        callEvents = Shelf.open(ShelfKind.CALL_EVENTS, saver, front, List.of());
        scenarios = Shelf.open(ShelfKind.SCENARIOS, saver, front, List.of());
        plans = Shelf.open(ShelfKind.PLANS, saver, front, List.of());
        scans = Shelf.open(ShelfKind.SCANS, saver, front, standardScans);
        scanRuns = Shelf.open(ShelfKind.SCAN_RUNS, saver, front, List.of());
        scanSchedules = Shelf.open(ShelfKind.SCAN_SCHEDULES, saver, front, List.of());
        inquiries = Shelf.open(ShelfKind.INQUIRIES, saver, front, List.of());
        presets = Shelf.open(ShelfKind.PRESETS, saver, front, List.of());
        ownIndicators = Shelf.open(ShelfKind.OWN_INDICATORS, saver, front, List.of());
        blends = Shelf.open(ShelfKind.BLENDS, saver, front, List.of());
        lists.listen(keys -> listeners.tell(Subject.LISTS));
        stances.listen(keys -> listeners.tell(Subject.STANCES));
        alerts.listen(keys -> listeners.tell(Subject.ALERTS));
        firings.listen(keys -> listeners.tell(Subject.FIRINGS));
        calls.listen(keys -> listeners.tell(Subject.CALLS));
        callEvents.listen(keys -> listeners.tell(Subject.CALLS));
        scenarios.listen(keys -> listeners.tell(Subject.SCENARIOS));
        plans.listen(keys -> listeners.tell(Subject.PLANS));
        scans.listen(keys -> listeners.tell(Subject.SCANS));
        scanRuns.listen(keys -> listeners.tell(Subject.SCAN_RUNS));
        scanSchedules.listen(keys -> listeners.tell(Subject.SCAN_SCHEDULES));
        presets.listen(keys -> listeners.tell(Subject.PRESETS));
        ownIndicators.listen(keys -> listeners.tell(Subject.OWN_INDICATORS));
        blends.listen(keys -> listeners.tell(Subject.BLENDS));
    }

    /** Tells of every change from now on. */
    public Listening listen(Consumer<Subject> listener) {
        return listeners.add(listener);
    }

    /** Tells of which instrument drawings have changed. */
    public Listening listenDrawings(Consumer<InstrumentId> listener) {
        return drawingListeners.add(listener);
    }

    /** How many are told of changes. */
    public int listeners() {
        return listeners.count();
    }

    // --- drawings ---

    /**
     * The drawings of an instrument, on all its tracings, in prices of their days; those of its file come a moment after they are
     * first asked for, and are told then.
     */
    public List<Drawing> drawings(InstrumentId instrument) {
        return tracings.drawings(instrument);
    }

    /** The drawings of an instrument as they stand here, else as they are in its file; may be asked by any thread. */
    public List<Drawing> drawingsAnywhere(InstrumentId instrument) {
        return tracings.anywhere(instrument);
    }

    /** Sees to it that what was drawn before its file was read is saved with it; before the saver is closed. */
    public void settle() {
        tracings.settle();
    }

    /** Which tracing of an instrument is drawn on, and which are hidden. */
    public Sheets sheets(InstrumentId instrument) {
        return tracings.sheets(instrument);
    }

    /** Chooses which tracing of an instrument is drawn on, and which are hidden. */
    public void setSheets(InstrumentId instrument, Sheets changed) {
        tracings.setSheets(instrument, changed);
    }

    /** Replaces the drawings of an instrument. */
    public void setDrawings(InstrumentId instrument, List<Drawing> changed) {
        tracings.setDrawings(instrument, changed);
    }

    /** The drawings of an instrument as a document. */
    public Documents.Tracing document(InstrumentId instrument) {
        return tracings.document(instrument);
    }

    /**
     * The tracings of an instrument.
     *
     * @param current name of the one new drawings go to; empty for the first
     * @param hidden names of those that are not shown
     * @param allHidden true while none of the drawings is shown
     */
    public record Sheets(String current, List<String> hidden, boolean allHidden) {
        static final Sheets FIRST = new Sheets("", List.of(), false);

        public Sheets {
            hidden = List.copyOf(hidden);
        }

        /** True when drawings of a tracing are shown. */
        public boolean shows(String tracing) {
            return !hidden.contains(tracing);
        }
    }

    // --- lists and scans ---

    /** The lists, in their order. */
    public List<NamedList> lists() {
        return lists.all();
    }

    /** The list of a name. */
    public Optional<NamedList> list(String name) {
        return lists.get(name);
    }

    /** The lists, to be changed. */
    public Shelf<String, NamedList> listShelf() {
        return lists;
    }

    /** The saved scans, in their order. */
    public List<Scan> scans() {
        return scans.all();
    }

    /** What scans found at earlier times. */
    public Shelf<String, ScanRun> scanRunShelf() {
        return scanRuns;
    }

    /** What was asked of the past. */
    public Shelf<String, Inquiry> inquiryShelf() {
        return inquiries;
    }

    /** The scans that run by themselves. */
    public Shelf<String, ScanSchedule> scanScheduleShelf() {
        return scanSchedules;
    }

    /** The scans, to be changed. */
    public Shelf<String, Scan> scanShelf() {
        return scans;
    }

    /** The presets, to be changed. */
    public Shelf<String, Documents.Preset> presetShelf() {
        return presets;
    }

    /** The indicators of the trader's own, to be changed. */
    public Shelf<String, OwnIndicator> ownIndicatorShelf() {
        return ownIndicators;
    }

    /** The blends, to be changed. */
    public Shelf<String, Blend> blendShelf() {
        return blends;
    }

    // --- alerts ---

    /** All alerts, those that have fired too. */
    public List<Alert> alerts() {
        return alerts.all();
    }

    /** The alerts of an instrument. */
    public List<Alert> alerts(InstrumentId instrument) {
        return alertsOn.get(instrument);
    }

    /** The alerts, to be changed. */
    public Shelf<String, Alert> alertShelf() {
        return alerts;
    }

    /** Everything that ever went off, in the order it did. */
    public List<Firing> firings() {
        return firings.all();
    }

    /** What went off on an instrument. */
    public List<Firing> firings(InstrumentId instrument) {
        return firingsOn.get(instrument);
    }

    /** The record of what went off, to be added to. */
    public Shelf<Firing.Key, Firing> firingShelf() {
        return firings;
    }

    /** The newest firing of an alert since it was set or armed last; empty before the first. */
    public Optional<Firing> firing(Alert alert) {
        return firingsOf.get(new Armed(alert.id(), alert.setAt())).stream()
                .reduce((one, other) -> other.at() >= one.at() ? other : one);
    }

    /** True when an alert can still go off: it has not since it was set, or it goes off more than once. */
    public boolean waits(Alert alert) {
        return alert.terms().repeat() != Terms.Repeat.ONCE || firing(alert).isEmpty();
    }

    /** The charts on which alerts that bring up their chart were set. */
    public Shelf<String, Documents.AlertChart> alertChartShelf() {
        return alertCharts;
    }

    // --- scenarios ---

    /** The scenarios of an instrument as they stand, in prices of the days they were made. */
    public Scenarios scenarios(InstrumentId instrument) {
        return Scenarios.of(scenarioSteps(instrument));
    }

    /** What made the scenarios of an instrument, oldest first. */
    public List<ScenarioStep> scenarioSteps(InstrumentId instrument) {
        return scenarios.all().stream()
                .filter(each -> each.instrument().equals(instrument))
                .toList();
    }

    /** The steps of all scenarios, to be changed. */
    public Shelf<String, ScenarioStep> scenarioShelf() {
        return scenarios;
    }

    // --- calls ---

    /** All calls, in the order they were made. */
    public List<Call> calls() {
        return calls.all();
    }

    /** The calls, to be changed. */
    public Shelf<String, Call> callShelf() {
        return calls;
    }

    /** What became of calls, in the order it did. */
    public List<CallEvent> callEvents() {
        return callEvents.all();
    }

    /** The record of what became of calls, to be added to. */
    public Shelf<CallEvent.Key, CallEvent> callEventShelf() {
        return callEvents;
    }

    /** True when nothing will become of a call any more: it is decided, and so is its other reading. */
    public boolean isOver(Call call) {
        boolean decided = false;
        boolean rival = false;
        for (CallEvent event : callEvents.all()) {
            if (event.call().equals(call.id())) {
                decided |= event.kind() == CallEvent.Kind.CAME_TRUE
                        || event.kind() == CallEvent.Kind.EXPIRED
                        || event.kind() == CallEvent.Kind.PROVED_WRONG && call.rival() == null;
                rival |= event.kind() == CallEvent.Kind.RIVAL_CAME_TRUE
                        || event.kind() == CallEvent.Kind.RIVAL_PROVED_WRONG;
            }
        }
        return decided || rival;
    }

    // --- plans and stances ---

    /** The plans that stand, in the order they were made. */
    public List<TradePlan> plans() {
        return plans.all().stream().filter(TradePlan::stands).toList();
    }

    /** The plan of an instrument that stands. */
    public Optional<TradePlan> plan(InstrumentId instrument) {
        return plans.all().stream()
                .filter(plan -> plan.instrument().equals(instrument) && plan.stands())
                .findFirst();
    }

    /** All plans of an instrument over time, also those that others took the place of. */
    public List<TradePlan> plansOverTime(InstrumentId instrument) {
        return plans.all().stream()
                .filter(plan -> plan.instrument().equals(instrument))
                .toList();
    }

    /** The plans, to be changed. */
    public Shelf<String, TradePlan> planShelf() {
        return plans;
    }

    /** The stance on an instrument as it is now. */
    public Stance stance(InstrumentId instrument) {
        Stance newest = Stance.none(instrument);
        for (Stance each : stances.all()) {
            if (each.instrument().equals(instrument) && each.at() >= newest.at()) {
                newest = each;
            }
        }
        return newest;
    }

    /** The stances on an instrument over time, oldest first. */
    public List<Stance> stancesOverTime(InstrumentId instrument) {
        return stances.all().stream()
                .filter(each -> each.instrument().equals(instrument))
                .sorted((one, other) -> Long.compare(one.at(), other.at()))
                .toList();
    }

    /** Adds a stance behind those that were taken; no step of undo. */
    public void addStance(Stance stance) {
        List<Stance> more = new ArrayList<>(stances.all());
        more.add(stance);
        stances.replace(more);
    }

    /** The stances, to be changed. */
    public Shelf<?, Stance> stanceShelf() {
        return stances;
    }
}
