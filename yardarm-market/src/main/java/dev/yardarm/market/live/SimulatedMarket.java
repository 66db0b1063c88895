package dev.yardarm.market.live;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.market.generator.WorldHistory;
import dev.yardarm.market.world.World;
import java.util.ArrayList;
import java.util.List;

/**
 * The exchange of the demo world. What happened up to a moment is the same whenever it is asked for, so nothing needs
 * to be recorded: to go on after a restart it is enough to know what time it is in the world.
 */
public final class SimulatedMarket implements LiveSource {
    /** The source part of the identity of its instruments. */
    public static final String NAME = "halcyon";

    private static final PriceFormat CENTS = new PriceFormat(2, 0.01);
    private final WorldHistory history;
    private final List<Instrument> instruments;

    public SimulatedMarket(World world, long seed) {
        history = new WorldHistory(world, seed);
        List<Instrument> all = new ArrayList<>();
        String market = world.exchange().code();
        for (World.Index index : world.indices()) {
            all.add(new Instrument(new InstrumentId(NAME, index.code()), index.name(), market, Instrument.Kind.INDEX,
                    index.sector() == null ? "" : world.sector(index.sector()).name(),
                    index.tier() == null ? "" : index.tier(), CENTS, 1));
        }
        for (World.Company company : world.companies()) {
            all.add(new Instrument(new InstrumentId(NAME, company.code()), company.name(), market,
                    Instrument.Kind.SHARE, world.sector(company.sector()).name(), company.tier(), CENTS,
                    company.tier().equals("small") ? 10 : 1));
        }
        instruments = List.copyOf(all);
    }

    public World world() {
        return history.world();
    }

    public WorldHistory history() {
        return history;
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public List<Instrument> instruments() {
        return instruments;
    }

    @Override
    public TradingCalendar calendar(Instrument instrument) {
        return history.calendar();
    }

    @Override
    public List<Timeframe> stored(InstrumentId id) {
        return List.of(Timeframe.MINUTE, Timeframe.DAY);
    }

    @Override
    public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) {
        return history.bars(id.code(), timeframe, from, upTo);
    }

    @Override
    public List<Split> splits(InstrumentId id) {
        return history.splits(id.code());
    }

    @Override
    public void trades(InstrumentId id, long after, long upTo, TradeReader reader) {
        history.trades(id.code(), after, upTo, reader);
    }
}
