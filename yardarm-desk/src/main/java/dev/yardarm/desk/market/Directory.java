package dev.yardarm.desk.market;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;

/**
 * All instruments of all sources, found by code or by a word of the name. Sources can be added while it is used, their
 * instruments can become more, and each source has a state; whoever listens is told the name of the source.
 *
 * <p>May be used by any thread: what is looked up is one immutable table, which a change replaces. Listeners are told on the
 * thread of the change.
 */
public final class Directory {
    private final Listeners<String> listeners = new Listeners<>();
    private final Map<String, SourceState> states = new ConcurrentHashMap<>();
    private volatile Table table = new Table(Map.of(), Map.of());

    private record Table(Map<String, BarSource> sources, Map<InstrumentId, Instrument> instruments) {}

    /** The first source that has a code wins where a code alone is given. */
    public Directory(List<BarSource> sources) {
        sources.forEach(this::add);
    }

    /** Adds a source, or takes in anew what instruments one has. */
    public void add(BarSource source) {
        synchronized (this) {
            Map<String, BarSource> sources = new LinkedHashMap<>(table.sources);
            sources.put(source.name(), source);
            Map<InstrumentId, Instrument> instruments = new LinkedHashMap<>();
            for (BarSource each : sources.values()) {
                if (each.name().equals(source.name())) {
                    source.instruments().forEach(own -> instruments.put(own.id(), own));
                } else {
                    table.instruments.values().stream()
                            .filter(own -> own.id().source().equals(each.name()))
                            .forEach(own -> instruments.put(own.id(), own));
                }
            }
            table = new Table(sources, instruments);
            states.putIfAbsent(source.name(), SourceState.READY);
        }
        listeners.tell(source.name());
    }

    /** Tells the name of each source whose instruments or state have changed. */
    public Listening listen(Consumer<String> listener) {
        return listeners.add(listener);
    }

    /** How a source stands; offline when there is none of that name. */
    public SourceState state(String source) {
        return states.getOrDefault(source, SourceState.offline(0, "it is not connected"));
    }

    /** Says how a source stands; told when that is something else than before. */
    public void setState(String source, SourceState state) {
        SourceState before = states.put(source, state);
        if (!state.equals(before)) {
            listeners.tell(source);
        }
    }

    /** The names of the sources, in their order. */
    public List<String> sources() {
        return List.copyOf(table.sources.keySet());
    }

    /** All instruments, in the order of their sources. */
    public List<Instrument> all() {
        return List.copyOf(table.instruments.values());
    }

    /** The instrument of an identity. */
    public Optional<Instrument> find(InstrumentId id) {
        return Optional.ofNullable(table.instruments.get(id));
    }

    /** The instrument of an identity, or one that stands for it while it is not there. */
    public Instrument findOrAbsent(InstrumentId id) {
        return find(id).orElseGet(() -> Instrument.absent(id));
    }

    /** The instrument of exactly this code in any case; the first source that has it wins. */
    public Optional<Instrument> byCode(String code) {
        return table.instruments.values().stream()
                .filter(each -> each.code().equalsIgnoreCase(code))
                .findFirst();
    }

    /** The sources that have an instrument of this code, in their order. */
    public List<String> sourcesOf(String code) {
        return table.instruments.values().stream()
                .filter(each -> each.code().equalsIgnoreCase(code))
                .map(each -> each.id().source())
                .distinct()
                .toList();
    }

    /** The source of an instrument; empty while it is not connected. */
    public Optional<BarSource> source(Instrument instrument) {
        return Optional.ofNullable(table.sources.get(instrument.id().source()));
    }

    /** The calendar an instrument trades by; round the clock in UTC while its source is not connected. */
    public TradingCalendar calendar(Instrument instrument) {
        return source(instrument).map(each -> each.calendar(instrument)).orElse(TradingCalendar.ROUND_THE_CLOCK);
    }

    /**
     * Instruments that fit a text: the code exactly, then codes that begin with it, then names one of whose words
     * begins with it, then names that hold it anywhere.
     */
    public List<Instrument> search(String text, int most) {
        String wanted = text.strip().toLowerCase(Locale.ROOT);
        if (wanted.isEmpty()) {
            return List.of();
        }
        record Found(Instrument instrument, int rank) {}
        List<Found> found = new ArrayList<>();
        for (Instrument instrument : table.instruments.values()) {
            int rank = rank(instrument, wanted);
            if (rank >= 0) {
                found.add(new Found(instrument, rank));
            }
        }
        found.sort(Comparator.comparingInt(Found::rank));
        return found.stream().limit(most).map(Found::instrument).toList();
    }

    private static int rank(Instrument instrument, String wanted) {
        String code = instrument.code().toLowerCase(Locale.ROOT);
        String name = instrument.name().toLowerCase(Locale.ROOT);
        if (code.equals(wanted)) {
            return 0;
        }
        if (code.startsWith(wanted)) {
            return 1;
        }
        if (name.startsWith(wanted)) {
            return 2;
        }
        if (name.contains(" " + wanted)) {
            return 3;
        }
        return wanted.length() > 2 && name.contains(wanted) ? 4 : -1;
    }
}
