package dev.yardarm.desk.scan;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.desk.Desk;
import java.util.List;
import java.util.function.Function;

/** What a universe is put together from. Used by the interface's thread. */
public final class ScanChoices {
    private final Desk desk;

    ScanChoices(Desk desk) {
        this.desk = desk;
    }

    /** Names of the lists that can be scanned. */
    public List<String> lists() {
        return desk.books().lists().stream().map(NamedList::name).toList();
    }

    /** Names of the sectors there are. */
    public List<String> sectors() {
        return words(Instrument::sector);
    }

    /** Names of the tiers there are. */
    public List<String> tiers() {
        return words(Instrument::tier);
    }

    private List<String> words(Function<Instrument, String> of) {
        return desk.directory().all().stream()
                .map(of)
                .filter(each -> !each.isEmpty())
                .distinct()
                .sorted()
                .toList();
    }

    /** Codes of the indices there are. */
    public List<String> indices() {
        return desk.directory().all().stream()
                .filter(each -> each.kind() == Instrument.Kind.INDEX)
                .map(Instrument::code)
                .toList();
    }
}
