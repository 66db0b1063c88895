package dev.yardarm.desk.book;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/**
 * Everything the user made, held in memory and saved with each change. Used by the interface's thread alone. Listeners
 * are told which subject changed.
 */
public final class Books {
    /** What a change is about. */
    public enum Subject {
        DRAWINGS,
        LISTS,
        STANCES,
        ALERTS,
        PLANS,
        SCANS
    }

    private final DocumentSaver saver;
    private final TracingBook tracings;
    private final Map<InstrumentId, Stance> stances = new LinkedHashMap<>();
    private final Map<InstrumentId, TradePlan> plans = new LinkedHashMap<>();
    private List<Documents.NamedList> lists;
    private List<Alert> alerts;
    private List<Scan> scans;
    private final List<Consumer<Subject>> listeners = new ArrayList<>();

    /**
     * Opens the books; lists are the given ones when none are saved.
     *
     * @param front the interface's thread
     */
    public Books(
            DocumentSaver saver, Executor front, List<Documents.NamedList> standardLists, List<Scan> standardScans) {
        this.saver = saver;
        this.tracings = new TracingBook(saver, front, instrument -> tell(Subject.DRAWINGS));
        DocumentStore store = saver.store();
        store.read(DocumentKind.STANCES, "stances")
                .ifPresent(saved -> saved.stances().forEach(stance -> stances.put(stance.instrument(), stance)));
        store.read(DocumentKind.PLANS, "plans")
                .ifPresent(saved -> saved.plans().forEach(plan -> plans.put(plan.instrument(), plan)));
        lists = store.read(DocumentKind.LISTS, "lists")
                .map(Documents.Lists::lists)
                .orElse(standardLists);
        alerts = store.read(DocumentKind.ALERTS, "alerts")
                .map(Documents.Alerts::alerts)
                .orElse(List.of());
        scans = store.read(DocumentKind.SCANS, "scans")
                .map(Documents.Scans::scans)
                .orElse(standardScans);
    }

    /** Tells of every change from now on. */
    public void listen(Consumer<Subject> listener) {
        listeners.add(listener);
    }

    private void tell(Subject subject) {
        List.copyOf(listeners).forEach(listener -> listener.accept(subject));
    }

    /** The drawings of an instrument, on all its tracings, in prices of their days. */
    public List<Drawing> drawings(InstrumentId instrument) {
        return tracings.drawings(instrument);
    }

    /** The drawings of an instrument as they stand here, else as they are in its file; may be asked by any thread. */
    public List<Drawing> drawingsAnywhere(InstrumentId instrument) {
        return tracings.anywhere(instrument);
    }

    /** Which tracing of an instrument is drawn on, and which are hidden. */
    public Sheets sheets(InstrumentId instrument) {
        return tracings.sheets(instrument);
    }

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

    public Stance stance(InstrumentId instrument) {
        return stances.getOrDefault(instrument, Stance.none(instrument));
    }

    public void setStance(Stance stance) {
        boolean empty = stance.kind() == Stance.Kind.NONE && stance.note().isEmpty();
        if (empty) {
            stances.remove(stance.instrument());
        } else {
            stances.put(stance.instrument(), stance);
        }
        saver.save(DocumentKind.STANCES, "stances", new Documents.Stances(List.copyOf(stances.values())));
        tell(Subject.STANCES);
    }

    public List<Documents.NamedList> lists() {
        return lists;
    }

    public Optional<Documents.NamedList> list(String name) {
        return lists.stream().filter(each -> each.name().equals(name)).findFirst();
    }

    public void setLists(List<Documents.NamedList> changed) {
        lists = List.copyOf(changed);
        saver.save(DocumentKind.LISTS, "lists", new Documents.Lists(lists));
        tell(Subject.LISTS);
    }

    public List<Alert> alerts() {
        return alerts;
    }

    public List<Alert> alerts(InstrumentId instrument) {
        return alerts.stream()
                .filter(alert -> alert.instrument().equals(instrument))
                .toList();
    }

    public void setAlerts(List<Alert> changed) {
        alerts = List.copyOf(changed);
        saver.save(DocumentKind.ALERTS, "alerts", new Documents.Alerts(alerts));
        tell(Subject.ALERTS);
    }

    public List<TradePlan> plans() {
        return List.copyOf(plans.values());
    }

    public Optional<TradePlan> plan(InstrumentId instrument) {
        return Optional.ofNullable(plans.get(instrument));
    }

    /** Puts a plan in the place of the instrument's one; null removes it. */
    public void setPlan(InstrumentId instrument, TradePlan plan) {
        if (plan == null) {
            plans.remove(instrument);
        } else {
            plans.put(instrument, plan);
        }
        saver.save(DocumentKind.PLANS, "plans", new Documents.Plans(plans()));
        tell(Subject.PLANS);
    }

    public List<Scan> scans() {
        return scans;
    }

    public void setScans(List<Scan> changed) {
        scans = List.copyOf(changed);
        saver.save(DocumentKind.SCANS, "scans", new Documents.Scans(scans));
        tell(Subject.SCANS);
    }
}
