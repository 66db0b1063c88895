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
import dev.yardarm.data.document.DrawingEntry;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * Everything the user made, held in memory and saved with each change. Used by the interface's thread alone. Listeners
 * are told which subject changed.
 */
public final class Books {
    /** What a change is about. */
    public enum Subject { DRAWINGS, LISTS, STANCES, ALERTS, PLANS, SCANS }

    private final DocumentSaver saver;
    private final Map<InstrumentId, List<Drawing>> drawings = new LinkedHashMap<>();
    private final Map<InstrumentId, Sheets> sheets = new LinkedHashMap<>();
    private final Map<InstrumentId, Stance> stances = new LinkedHashMap<>();
    private final Map<InstrumentId, TradePlan> plans = new LinkedHashMap<>();
    private List<Documents.NamedList> lists;
    private List<Alert> alerts;
    private List<Scan> scans;
    private final List<Consumer<Subject>> listeners = new ArrayList<>();

    /** Opens the books; lists are the given ones when none are saved. */
    public Books(DocumentSaver saver, List<Documents.NamedList> standardLists, List<Scan> standardScans) {
        this.saver = saver;
        DocumentStore store = saver.store();
        store.read(DocumentKind.STANCES, "stances").ifPresent(
                saved -> saved.stances().forEach(stance -> stances.put(stance.instrument(), stance)));
        store.read(DocumentKind.PLANS, "plans").ifPresent(
                saved -> saved.plans().forEach(plan -> plans.put(plan.instrument(), plan)));
        lists = store.read(DocumentKind.LISTS, "lists").map(Documents.Lists::lists).orElse(standardLists);
        alerts = store.read(DocumentKind.ALERTS, "alerts").map(Documents.Alerts::alerts).orElse(List.of());
        scans = store.read(DocumentKind.SCANS, "scans").map(Documents.Scans::scans).orElse(standardScans);
    }

    /** Tells of every change from now on. */
    public void listen(Consumer<Subject> listener) {
        listeners.add(listener);
    }

    private void tell(Subject subject) {
        List.copyOf(listeners).forEach(listener -> listener.accept(subject));
    }

    public List<Drawing> drawings(InstrumentId instrument) {
        return drawings.computeIfAbsent(instrument, missing -> saver.store()
                .read(DocumentKind.TRACING, fileOf(missing)).map(saved -> {
                    sheets.put(missing, new Sheets(saved.current(), saved.hidden()));
                    return read(saved, missing);
                }).orElse(List.of()));
    }

    private static String fileOf(InstrumentId instrument) {
        return instrument.source() + "-" + instrument.code();
    }

    /** Which tracing of an instrument is drawn on, and which are hidden. */
    public Sheets sheets(InstrumentId instrument) {
        drawings(instrument);
        return sheets.getOrDefault(instrument, Sheets.FIRST);
    }

    public void setSheets(InstrumentId instrument, Sheets changed) {
        List<Drawing> kept = drawings(instrument);
        sheets.put(instrument, changed);
        setDrawings(instrument, kept);
    }

    /**
     * The tracings of an instrument.
     *
     * @param current name of the one new drawings go to; empty for the first
     * @param hidden names of those that are not shown
     */
    public record Sheets(String current, List<String> hidden) {
        static final Sheets FIRST = new Sheets("", List.of());

        public Sheets {
            hidden = List.copyOf(hidden);
        }

        /** True when drawings of a tracing are shown. */
        public boolean shows(String tracing) {
            return !hidden.contains(tracing);
        }
    }

    /** The drawings of a file; what cannot be drawn is told, and the file as it was is kept. */
    private List<Drawing> read(Documents.Tracing saved, InstrumentId instrument) {
        List<Drawing> found = new ArrayList<>();
        List<String> problems = new ArrayList<>();
        for (int number = 0; number < saved.drawings().size(); number++) {
            try {
                found.add(saved.drawings().get(number).drawing());
            } catch (IllegalArgumentException bad) {
                problems.add("drawing " + (number + 1) + ": " + bad.getMessage());
            }
        }
        if (!problems.isEmpty()) {
            String kept;
            try {
                kept = "the file as it was is kept as " + saver.store().keepAside(DocumentKind.TRACING,
                        fileOf(instrument));
            } catch (IOException failed) {
                kept = "the file could not be copied: " + failed.getMessage();
            }
            saver.tell("Of the drawings of " + instrument + " " + found.size() + " could be read, " + problems.size()
                    + " not (" + String.join("; ", problems) + "); " + kept + ".");
        }
        return List.copyOf(found);
    }

    /** Replaces the drawings of an instrument. */
    public void setDrawings(InstrumentId instrument, List<Drawing> changed) {
        drawings.put(instrument, List.copyOf(changed));
        saver.save(DocumentKind.TRACING, fileOf(instrument), document(instrument));
        tell(Subject.DRAWINGS);
    }

    /** The drawings of an instrument as a document. */
    public Documents.Tracing document(InstrumentId instrument) {
        Sheets of = sheets(instrument);
        return new Documents.Tracing(instrument, drawings(instrument).stream().map(DrawingEntry::of).toList(), of.current(),
                of.hidden());
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
        return alerts.stream().filter(alert -> alert.instrument().equals(instrument)).toList();
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
