package dev.yardarm.desk;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.market.world.World;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/** The lists and scans there are before the user makes any. */
final class StandardLists {
    /** The list a new workspace starts with. */
    static final String FIRST = "Evening round";

    private StandardLists() {}

    /** @param world the demo world, or null without it */
    static List<NamedList> of(Directory directory, World world) {
        List<NamedList> lists = new ArrayList<>();
        List<Instrument> all = directory.all();
        if (world == null) {
            lists.add(new NamedList("All", ids(all, each -> true)));
            return lists;
        }
        List<InstrumentId> round = new ArrayList<>();
        for (World.Sector sector : world.sectors()) {
            all.stream()
                    .filter(each -> each.kind() == Instrument.Kind.SHARE
                            && each.sector().equals(sector.name()))
                    .limit(3)
                    .forEach(each -> round.add(each.id()));
        }
        lists.add(new NamedList(FIRST, round));
        lists.add(new NamedList("All companies", ids(all, each -> each.kind() == Instrument.Kind.SHARE)));
        for (World.Tier tier : world.tiers()) {
            String title = tier.code().substring(0, 1).toUpperCase(java.util.Locale.ROOT)
                    + tier.code().substring(1);
            lists.add(new NamedList(
                    title + " companies",
                    ids(
                            all,
                            each -> each.kind() == Instrument.Kind.SHARE
                                    && each.tier().equals(tier.code()))));
        }
        lists.add(new NamedList("Indices", ids(all, each -> each.kind() == Instrument.Kind.INDEX)));
        lists.add(new NamedList("Futures", ids(all, each -> each.kind() == Instrument.Kind.CONTINUOUS)));
        lists.add(new NamedList("Currencies", ids(all, each -> each.kind() == Instrument.Kind.CURRENCY)));
        lists.add(new NamedList("Yields", ids(all, each -> each.kind() == Instrument.Kind.YIELD)));
        return lists;
    }

    private static List<InstrumentId> ids(List<Instrument> all, Predicate<Instrument> wanted) {
        return all.stream().filter(wanted).map(Instrument::id).toList();
    }

    static List<Scan> scans() {
        return List.of(
                Scan.of(
                        "Fresh strength",
                        "All companies",
                        Timeframe.DAY,
                        List.of("close > sma(close, 50)", "close crosses above highest(high, 20) back 1")),
                Scan.of(
                        "Pullback in an advance",
                        "All companies",
                        Timeframe.DAY,
                        List.of("close > sma(close, 200)", "rsi(14) < 45", "close > close back 250")),
                Scan.of("Stretched", "All companies", Timeframe.DAY, List.of("rsi(14) > 70 or rsi(14) < 30")));
    }
}
