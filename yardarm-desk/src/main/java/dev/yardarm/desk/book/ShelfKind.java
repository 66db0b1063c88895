package dev.yardarm.desk.book;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.evidence.Inquiry;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.merge.KeyedMerge;
import dev.yardarm.core.own.OwnIndicator;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.scenario.ScenarioStep;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.AlertEntry;
import dev.yardarm.data.document.CallEntry;
import dev.yardarm.data.document.CallEventEntry;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.data.document.FiringEntry;
import dev.yardarm.data.document.InquiryEntry;
import dev.yardarm.data.document.PlanEntry;
import dev.yardarm.data.document.ScanEntry;
import dev.yardarm.data.document.ScenarioEntry;
import dev.yardarm.data.document.StanceEntry;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * What a shelf holds, and how it is written.
 *
 * @param <K> tells things apart
 * @param <V> a thing
 * @param <E> the record of its entry in the file
 * @param read makes a thing of an entry; may throw when something is missing
 */
record ShelfKind<K, V, E>(
        DocumentKind<Entries<E>> document,
        String name,
        Function<V, K> key,
        KeyedMerge<K, V> merge,
        Function<E, V> read,
        Function<V, E> write) {
    /** The key of a stance: an instrument has one at a time, and others before. */
    record StanceKey(dev.yardarm.core.instrument.InstrumentId instrument, long at) {}

    static final ShelfKind<String, NamedList, NamedList> LISTS = of(
            DocumentKind.LISTS,
            "lists",
            NamedList::name,
            (list, isTaken) -> new NamedList(numbered(list.name(), " ", isTaken), list.instruments(), list.colour()),
            list -> list,
            list -> list);
    static final ShelfKind<String, Scan, ScanEntry> SCANS = of(
            DocumentKind.SCANS,
            "scans",
            Scan::name,
            (scan, isTaken) -> scan.named(numbered(scan.name(), " ", isTaken)),
            ScanEntry::scan,
            ScanEntry::of);
    static final ShelfKind<String, ScanSchedule, ScanSchedule> SCAN_SCHEDULES = of(
            DocumentKind.SCAN_SCHEDULES,
            "scan-schedules",
            ScanSchedule::scan,
            // A scan has one schedule; ours is as good as theirs.
            (schedule, isTaken) -> schedule,
            schedule -> schedule.upTo(Times.checked("its 'since'", schedule.since())),
            schedule -> schedule);
    static final ShelfKind<String, Inquiry, InquiryEntry> INQUIRIES = of(
            DocumentKind.INQUIRIES,
            "inquiries",
            Inquiry::key,
            // The same question has the same answer.
            (inquiry, isTaken) -> inquiry,
            InquiryEntry::inquiry,
            InquiryEntry::of);
    static final ShelfKind<String, ScanRun, ScanRun> SCAN_RUNS = of(
            DocumentKind.SCAN_RUNS,
            "runs of scans",
            ScanRun::key,
            // The same scan at the same time found the same; ours is as good as theirs.
            (run, isTaken) -> run,
            run -> {
                Times.checked("its 'at'", run.at());
                return run;
            },
            run -> run);
    static final ShelfKind<String, Documents.Preset, Documents.Preset> PRESETS = of(
            DocumentKind.PRESETS,
            "presets",
            Documents.Preset::name,
            (preset, isTaken) ->
                    new Documents.Preset(numbered(preset.name(), " ", isTaken), preset.makeUp(), preset.standard()),
            preset -> preset,
            preset -> preset);
    static final ShelfKind<String, Alert, AlertEntry> ALERTS = of(
            DocumentKind.ALERTS,
            "alerts",
            Alert::id,
            (alert, isTaken) -> alert.withId(numbered(alert.id(), "-", isTaken)),
            AlertEntry::alert,
            AlertEntry::of);
    static final ShelfKind<String, Documents.AlertChart, Documents.AlertChart> ALERT_CHARTS = of(
            DocumentKind.ALERT_CHARTS,
            "charts of alerts",
            Documents.AlertChart::alert,
            // The same alert was set on one chart; ours is as good as theirs.
            (chart, isTaken) -> chart,
            chart -> chart,
            chart -> chart);
    static final ShelfKind<Firing.Key, Firing, FiringEntry> FIRINGS = of(
            DocumentKind.FIRINGS,
            "firings",
            Firing::key,
            // The same alert fired once; ours is as good as theirs.
            (firing, isTaken) -> firing,
            FiringEntry::firing,
            FiringEntry::of);
    static final ShelfKind<String, Call, CallEntry> CALLS = of(
            DocumentKind.CALLS,
            "calls",
            Call::id,
            (call, isTaken) -> call.withId(numbered(call.id(), "-", isTaken)),
            CallEntry::call,
            CallEntry::of);
    static final ShelfKind<CallEvent.Key, CallEvent, CallEventEntry> CALL_EVENTS = of(
            DocumentKind.CALL_EVENTS,
            "call-events",
            CallEvent::key,
            // The same became of the same call; ours is as good as theirs.
            (event, isTaken) -> event,
            CallEventEntry::event,
            CallEventEntry::of);
    static final ShelfKind<String, ScenarioStep, ScenarioEntry> SCENARIOS = of(
            DocumentKind.SCENARIOS,
            "scenarios",
            ScenarioStep::id,
            (step, isTaken) -> step.withId(numbered(step.id(), "-", isTaken)),
            ScenarioEntry::step,
            ScenarioEntry::of);
    static final ShelfKind<String, TradePlan, PlanEntry> PLANS = of(
            DocumentKind.PLANS,
            "plans",
            TradePlan::id,
            (plan, isTaken) -> new TradePlan(
                    numbered(plan.id(), "-", isTaken),
                    plan.instrument(),
                    plan.timeframe(),
                    plan.madeAt(),
                    plan.entry(),
                    plan.stop(),
                    plan.target(),
                    plan.account(),
                    plan.riskPercent(),
                    plan.endedAt()),
            PlanEntry::plan,
            PlanEntry::of);
    static final ShelfKind<StanceKey, Stance, StanceEntry> STANCES = of(
            DocumentKind.STANCES,
            "stances",
            stance -> new StanceKey(stance.instrument(), stance.at()),
            (stance, isTaken) -> {
                long at = stance.at();
                while (isTaken.test(new StanceKey(stance.instrument(), at))) {
                    at++;
                }
                return stance.at(at);
            },
            StanceEntry::stance,
            StanceEntry::of);

    static final ShelfKind<String, OwnIndicator, OwnIndicator> OWN_INDICATORS = of(
            DocumentKind.OWN_INDICATORS,
            "own-indicators",
            OwnIndicator::name,
            (own, isTaken) -> new OwnIndicator(numbered(own.name(), "_", isTaken), own.versions()),
            own -> own,
            own -> own);
    static final ShelfKind<String, Blend, Blend> BLENDS = of(
            DocumentKind.BLENDS,
            "blends",
            Blend::key,
            (blend, isTaken) ->
                    new Blend(numbered(blend.key(), "-", isTaken), blend.code(), blend.name(), blend.formula()),
            blend -> blend,
            blend -> blend);

    private static <K, V, E> ShelfKind<K, V, E> of(
            DocumentKind<Entries<E>> document,
            String name,
            Function<V, K> key,
            KeyedMerge.Twin<K, V> twin,
            Function<E, V> read,
            Function<V, E> write) {
        return new ShelfKind<>(document, name, key, new KeyedMerge<>(key, twin), read, write);
    }

    private static String numbered(String name, String between, Predicate<String> isTaken) {
        int number = 2;
        while (isTaken.test(name + between + number)) {
            number++;
        }
        return name + between + number;
    }
}
