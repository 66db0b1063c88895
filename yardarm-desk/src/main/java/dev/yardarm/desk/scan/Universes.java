package dev.yardarm.desk.scan;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.Members;
import dev.yardarm.desk.market.Directory;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.ToLongFunction;

/**
 * Finds the instruments a universe means, as of a moment. A list or index that is not there, and a member whose source is not
 * connected, is told and left out. Cost: the instruments looked through.
 */
public final class Universes {
    private final Directory directory;
    private final Function<String, Optional<NamedList>> lists;

    /** @param lists finds a list by its name */
    public Universes(Directory directory, Function<String, Optional<NamedList>> lists) {
        this.directory = directory;
        this.lists = lists;
    }

    /**
     * The instruments, each once, in the order of the lists.
     *
     * @param moment as of which members of indices are meant
     * @param missing is told what is not there
     */
    public List<Instrument> instruments(Universe universe, long moment, Consumer<String> missing) {
        Set<Instrument> found = new LinkedHashSet<>();
        if (universe.lists().isEmpty() && universe.indices().isEmpty()) {
            found.addAll(directory.all());
        }
        universe.lists().forEach(each -> found.addAll(list(each, missing)));
        universe.indices().forEach(each -> found.addAll(members(each, universe.heaviest(), moment, missing)));
        found.removeIf(each -> !fits(universe.sectors(), each.sector()) || !fits(universe.tiers(), each.tier()));
        universe.without().forEach(each -> list(each, missing).forEach(found::remove));
        return List.copyOf(found);
    }

    /**
     * Who belonged to a universe when, up to a moment.
     *
     * @param since when the history of an index begins
     * @param missing is told what is not there now
     */
    public Memberships memberships(
            Universe universe, ToLongFunction<Instrument> since, long moment, Consumer<String> missing) {
        List<Instrument> now = instruments(universe, moment, missing);
        if (universe.indices().isEmpty()) {
            return Memberships.always(now);
        }
        long from = universe.indices().stream()
                .map(code -> directory.byCode(code.toUpperCase(Locale.ROOT)))
                .flatMap(Optional::stream)
                .mapToLong(since)
                .max()
                .orElse(moment);
        Map<Long, List<Instrument>> quarters = new LinkedHashMap<>();
        LocalDate begin = Times.at(moment, ZoneOffset.UTC).toLocalDate();
        begin = begin.withDayOfMonth(1).minusMonths((begin.getMonthValue() - 1) % 3);
        quarters.put(moment, now);
        for (long at = Times.micros(begin.atStartOfDay(ZoneOffset.UTC));
                at > from && at < moment;
                at = Times.micros(begin.atStartOfDay(ZoneOffset.UTC))) {
            quarters.put(at, instruments(universe, at, unknown -> {}));
            begin = begin.minusMonths(3);
        }
        return Memberships.of(quarters);
    }

    private static boolean fits(List<String> wanted, String has) {
        return wanted.isEmpty() || wanted.stream().anyMatch(has::equalsIgnoreCase);
    }

    private List<Instrument> list(String name, Consumer<String> missing) {
        NamedList list = lists.apply(name).orElse(null);
        if (list == null) {
            missing.accept("there is no list '" + name + "'");
            return List.of();
        }
        return known(list.instruments(), missing);
    }

    private List<Instrument> members(String code, int heaviest, long moment, Consumer<String> missing) {
        Instrument index = directory.byCode(code.toUpperCase(Locale.ROOT)).orElse(null);
        List<Members.Member> members = index == null
                ? List.of()
                : directory
                        .source(index)
                        .flatMap(source -> source.offers(Members.class))
                        .map(source -> source.members(index.id(), moment))
                        .orElse(List.of());
        if (members.isEmpty()) {
            missing.accept(index == null ? "there is no index " + code : code + " has no members that are known");
        }
        int count = heaviest == 0 ? members.size() : Math.min(heaviest, members.size());
        return known(members.subList(0, count).stream().map(Members.Member::id).toList(), missing);
    }

    private List<Instrument> known(List<InstrumentId> ids, Consumer<String> missing) {
        List<Instrument> known = new ArrayList<>();
        for (InstrumentId id : ids) {
            directory.find(id).ifPresentOrElse(known::add, () -> missing.accept(id + " is not there"));
        }
        return known;
    }
}
