package dev.yardarm.market.live;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.ContinuousFuture;
import dev.yardarm.core.source.Contracts;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.Diary;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.Members;
import dev.yardarm.core.source.Rates;
import dev.yardarm.core.source.RollRule;
import dev.yardarm.core.source.Trades;
import dev.yardarm.market.generator.WorldHistory;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The exchange of the demo world. What happened up to a moment is the same whenever it is asked for, so nothing needs
 * to be recorded: to go on after a restart it is enough to know what time it is in the world.
 */
public final class SimulatedMarket implements LiveSource, CorporateActions, Contracts, Members, Diary, Trades, Rates {
    /** The source part of the identity of its instruments. */
    public static final String NAME = "halcyon";

    private static final PriceFormat CENTS = new PriceFormat(2, 0.01);
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);
    private final WorldHistory history;
    private final Map<String, Current> currents = new ConcurrentHashMap<>();
    private final TradingCalendar futures;
    private final TradingCalendar currencies;
    private final TradingCalendar tokens;
    private final List<Instrument> instruments;

    public SimulatedMarket(World world, long seed) {
        history = new WorldHistory(world, seed);
        futures = world.futuresCalendar();
        currencies = world.currencyCalendar();
        tokens = world.tokenCalendar();
        List<Instrument> all = new ArrayList<>();
        String market = world.exchange().code();
        for (World.Index index : world.indices()) {
            all.add(new Instrument(
                    new InstrumentId(NAME, index.code()),
                    index.name(),
                    market,
                    Instrument.Kind.INDEX,
                    index.sector() == null ? "" : world.sector(index.sector()).name(),
                    index.tier() == null ? "" : index.tier(),
                    CENTS,
                    1));
        }
        for (World.Company company : world.companies()) {
            all.add(new Instrument(
                    new InstrumentId(NAME, company.code()),
                    company.name(),
                    market,
                    Instrument.Kind.SHARE,
                    world.sector(company.sector()).name(),
                    company.tier(),
                    CENTS,
                    company.tier().equals("small") ? 10 : 1));
        }
        addFutures(world, market, all);
        addOthers(world, market, all);
        instruments = List.copyOf(all);
    }

    /** The continuous series of each family, and the contracts traded now or until a year ago. */
    private void addFutures(World world, String market, List<Instrument> all) {
        for (World.Future future : world.futures()) {
            PriceFormat format = new PriceFormat(
                    future.decimals(), 1.0 / future.ticksInOne(), PriceFormat.Style.valueOf(future.style()));
            all.add(new Instrument(
                            new InstrumentId(NAME, future.root()),
                            future.name() + ", continuous",
                            market,
                            Instrument.Kind.CONTINUOUS,
                            "Futures",
                            "",
                            format,
                            1,
                            future.pointValue())
                    .withMargin(future.margin()));
            for (Contract contract : history.contracts(future.root(), NAME)) {
                if (contract.expiry() > world.presentTime() - 370 * Times.DAY
                        && contract.firstTrade() <= world.presentTime()) {
                    all.add(new Instrument(
                                    contract.id(),
                                    future.name() + " "
                                            + Times.date(contract.expiry(), world.zone())
                                                    .format(MONTH),
                                    market,
                                    Instrument.Kind.FUTURE,
                                    "Futures",
                                    "",
                                    format,
                                    1,
                                    future.pointValue())
                            .withMargin(future.margin()));
                }
            }
        }
    }

    private static void addOthers(World world, String market, List<Instrument> all) {
        PriceFormat pips = new PriceFormat(5, 0.00001, PriceFormat.Style.PIPS);
        for (int one = 0; one < world.currencies().size(); one++) {
            for (int other = one + 1; other < world.currencies().size(); other++) {
                World.Currency of = world.currencies().get(one);
                World.Currency in = world.currencies().get(other);
                all.add(new Instrument(
                                new InstrumentId(NAME, of.code() + in.code()),
                                of.name() + " in " + in.name(),
                                "Interbank",
                                Instrument.Kind.CURRENCY,
                                "Currencies",
                                "",
                                pips,
                                1000)
                        .in(in.code()));
            }
        }
        for (World.Yield yield : world.yields()) {
            all.add(new Instrument(
                    new InstrumentId(NAME, yield.code()),
                    yield.name(),
                    market,
                    Instrument.Kind.YIELD,
                    "Yields",
                    "",
                    new PriceFormat(3, 0.001),
                    1));
        }
        for (World.EconomicSeries series : world.economy()) {
            all.add(new Instrument(
                    new InstrumentId(NAME, series.code()),
                    series.name(),
                    "Statistics office",
                    Instrument.Kind.ECONOMIC,
                    "Economy",
                    "",
                    new PriceFormat(1, 0.1),
                    1));
        }
        for (World.Token token : world.tokens()) {
            all.add(new Instrument(
                    new InstrumentId(NAME, token.code()),
                    token.name(),
                    "Token exchange",
                    Instrument.Kind.TOKEN,
                    "Tokens",
                    "",
                    CENTS,
                    0.01));
        }
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
        return switch (instrument.kind()) {
            case FUTURE, CONTINUOUS -> futures;
            case CURRENCY -> currencies;
            case TOKEN -> tokens;
            default -> history.calendar();
        };
    }

    @Override
    public List<Timeframe> stored(InstrumentId id) {
        if (history.isEconomicSeries(id.code())) {
            return List.of(Timeframe.MONTH);
        }
        boolean isYield = world().yields().stream().anyMatch(each -> each.code().equals(id.code()));
        return isYield ? List.of(Timeframe.DAY) : List.of(Timeframe.MINUTE, Timeframe.DAY);
    }

    @Override
    public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) {
        return history.isEconomicSeries(id.code())
                ? history.economicSeries(id.code(), from, upTo)
                : history.bars(id.code(), timeframe, from, upTo);
    }

    @Override
    public List<Split> splits(InstrumentId id) {
        return history.splits(id.code());
    }

    @Override
    public List<Dividend> dividends(InstrumentId id) {
        return history.dividends(id.code());
    }

    @Override
    public List<Contract> contracts(InstrumentId id) {
        return history.contracts(id.code(), NAME);
    }

    @Override
    public List<Member> members(InstrumentId id, long now) {
        World.Index index = world().indices().stream()
                .filter(each -> each.code().equals(id.code()))
                .findFirst()
                .orElse(null);
        if (index == null) {
            return List.of();
        }
        List<Member> members = new ArrayList<>();
        double sum = 0;
        for (World.Company company : world().companies()) {
            if (index.holds(company)) {
                var days = history.bars(company.code(), Timeframe.DAY, now - 10 * Times.DAY, now)
                        .snapshot();
                double value = days.close(days.size() - 1) * history.sharesOutstanding(company.code(), now);
                members.add(new Member(new InstrumentId(NAME, company.code()), value));
                sum += value;
            }
        }
        double whole = sum;
        return members.stream()
                .map(member -> new Member(member.id(), member.weight() / whole))
                .sorted((one, other) -> Double.compare(other.weight(), one.weight()))
                .toList();
    }

    @Override
    public List<Entry> entries(InstrumentId id, long from, long upTo) {
        return history.entries(from, upTo);
    }

    @Override
    public String accountCurrency() {
        return "crowns";
    }

    @Override
    public OptionalDouble rate(String currency, long moment) {
        return history.currencyValue(currency, moment);
    }

    @Override
    public long ticksFrom(InstrumentId id, long upTo) {
        // The trades of a continuous future are those of its contracts.
        return isContinuous(id) ? Long.MAX_VALUE : history.ticksFrom(id.code(), upTo);
    }

    /** What is traded when an instrument is: of a continuous future the contract most is traded in at a moment, else itself. */
    public InstrumentId traded(InstrumentId id, long moment) {
        return isContinuous(id) ? new InstrumentId(id.source(), current(id, moment)) : id;
    }

    private boolean isContinuous(InstrumentId id) {
        return world().futures().stream().anyMatch(each -> each.root().equals(id.code()));
    }

    @Override
    public TickSeries ticks(InstrumentId id, long from, long upTo) {
        return history.ticks(id.code(), from, upTo);
    }

    @Override
    public void trades(InstrumentId id, long after, long upTo, TickSeries into) {
        if (isContinuous(id)) {
            history.trades(current(id, upTo), after, upTo, into);
        } else if (!history.isEconomicSeries(id.code())) {
            history.trades(id.code(), after, upTo, into);
        }
    }

    /** The contract most is traded in, by the usual roll; found once a session. */
    private String current(InstrumentId id, long time) {
        LocalDate session = futures.sessionAt(time);
        Current kept = currents.get(id.code());
        if (kept != null && kept.session().equals(session)) {
            return kept.code();
        }
        try {
            List<Contract> near = contracts(id).stream()
                    .filter(each -> each.expiry() > time - 200 * Times.DAY && each.firstTrade() <= time)
                    .toList();
            var turns = ContinuousFuture.turns(
                    near,
                    RollRule.STANDARD,
                    futures,
                    (contract, from) -> history.bars(contract.id().code(), Timeframe.DAY, from, time)
                            .snapshot(),
                    time);
            String code = turns.get(turns.size() - 1).contract().id().code();
            currents.put(id.code(), new Current(session, code));
            return code;
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    private record Current(LocalDate session, String code) {}
}
