package dev.yardarm.desk.market;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.BarSource;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** All instruments of all sources, found by code or by a word of the name. */
public final class Directory {
    private final Map<InstrumentId, Instrument> byId = new LinkedHashMap<>();
    private final Map<String, BarSource> sources = new LinkedHashMap<>();

    public Directory(List<BarSource> sources) {
        for (BarSource source : sources) {
            this.sources.put(source.name(), source);
            source.instruments().forEach(instrument -> byId.put(instrument.id(), instrument));
        }
    }

    public List<Instrument> all() {
        return List.copyOf(byId.values());
    }

    public Optional<Instrument> find(InstrumentId id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** The instrument of exactly this code in any case; the first source that has it wins. */
    public Optional<Instrument> byCode(String code) {
        return byId.values().stream()
                .filter(each -> each.code().equalsIgnoreCase(code))
                .findFirst();
    }

    /** The sources that have an instrument of this code, in their order. */
    public List<String> sourcesOf(String code) {
        return byId.values().stream()
                .filter(each -> each.code().equalsIgnoreCase(code))
                .map(each -> each.id().source())
                .distinct()
                .toList();
    }

    public BarSource source(Instrument instrument) {
        return sources.get(instrument.id().source());
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
        for (Instrument instrument : byId.values()) {
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
