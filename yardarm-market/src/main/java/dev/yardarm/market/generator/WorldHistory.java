package dev.yardarm.market.generator;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.profile.Profile;
import dev.yardarm.core.profile.ProfileMaker;
import dev.yardarm.core.profile.ProfileSpan;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.Contracts;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.Diary;
import dev.yardarm.market.planted.Planted;
import dev.yardarm.market.planted.TruthLines;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The whole history of a world, past and future, made where it is looked at.
 *
 * <p>Daily bars are made on first use (a few milliseconds an instrument) and kept; minutes and trades are made anew each
 * time. Callers say up to when something is known; nothing later is handed out. May be used by several threads.
 */
public final class WorldHistory {
    /** Sessions made beyond the present, for the market to run into. */
    private static final int SESSIONS_AHEAD = 520;

    private final World world;
    private final long seed;
    private final Sessions sessions;
    private final MarketFactors factors;
    private final int presentSession;
    private final Map<String, DailyBars> companies = new ConcurrentHashMap<>();
    private final Map<String, Tape> tapes = new ConcurrentHashMap<>();
    private final FutureFamilies futures;
    private final RoundTheClock around;
    private final Economy economy;

    public WorldHistory(World world, long seed) {
        this.world = world;
        this.seed = seed;
        TradingCalendar calendar = world.calendar();
        LocalDate present = calendar.sessionAt(world.presentTime());
        LocalDate first = calendar.sameOrNext(world.firstDate());
        presentSession = (int) (calendar.ordinal(present) - calendar.ordinal(first));
        factors = new MarketFactors(world, seed, presentSession + 1 + SESSIONS_AHEAD);
        LocalDate end = calendar.next(factors.session(factors.sessionCount() - 1));
        sessions = new Sessions(calendar, first, end);
        economy = new Economy(world, seed, sessions);
        futures = new FutureFamilies(this, new Sessions(world.futuresCalendar(), first, end));
        around = new RoundTheClock(world, seed, end);
    }

    public World world() {
        return world;
    }

    public long seed() {
        return seed;
    }

    /** The calendar of the exchange. */
    public TradingCalendar calendar() {
        return sessions.calendar();
    }

    Economy economy() {
        return economy;
    }

    /** The first session of some sessions that has minutes. */
    int firstIntraday(Sessions of) {
        LocalDate day = Times.date(world.presentTime(), world.zone()).minusDays(world.intradayDays());
        return Math.max(0, of.number(of.calendar().sameOrNext(day)));
    }

    DailyBars company(String code) {
        return companies.computeIfAbsent(code, missing -> {
            World.Company company = world.companies().stream()
                    .filter(each -> each.code().equals(missing))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no instrument " + missing + " in this world"));
            return new DailyBars(world, company, factors, seed, presentSession);
        });
    }

    /** What was traded in an instrument of the world. */
    Tape tape(String code) {
        Tape made = tapes.get(code);
        if (made == null) {
            made = make(code);
            if (isPrinted(code)) {
                made.printed();
            }
            tapes.put(code, made);
        }
        return made;
    }

    private Tape make(String code) {
        if (around.has(code)) {
            return around.tape(code);
        }
        if (futures.has(code)) {
            return futures.tape(code);
        }
        if (economy.hasYield(code)) {
            return economy.yieldTape(code);
        }
        if (isIndex(code)) {
            World.Index index = world.indices().stream()
                    .filter(each -> each.code().equals(code))
                    .findFirst()
                    .orElseThrow();
            return new IndexPath(this, index, sessions, firstIntraday(sessions));
        }
        return new CompanyTape(code, seed, sessions, firstIntraday(sessions), company(code));
    }

    private boolean isIndex(String code) {
        return world.indices().stream().anyMatch(index -> index.code().equals(code));
    }

    private boolean isCompany(String code) {
        return world.companies().stream().anyMatch(company -> company.code().equals(code));
    }

    /** Splits of an instrument, all of them; the caller says which are known. */
    public List<CorporateActions.Split> splits(String code) {
        return isCompany(code) ? company(code).splitsIn(factors, sessions.calendar()) : List.of();
    }

    /**
     * What was planted in the histories of companies, company by company in the order of the world, each a line of {@link TruthLines}:
     * prices in the shares of the present. Makes all daily histories that are not made yet.
     */
    public List<String> planted() {
        List<String> lines = new ArrayList<>();
        for (World.Company company : world.companies()) {
            for (Planted each : company(company.code()).planted) {
                lines.add(TruthLines.of(company.code(), each, session -> factors.session(session)
                        .toString()));
            }
        }
        return lines;
    }

    /**
     * What stands out among the trades that are kept one by one, as known at a moment, each a line of {@link TruthLines}: large orders and
     * absorbed ends that were planted, and the points of control of sessions that no later trade has reached. Of a future it is its next
     * contract to expire.
     */
    public List<String> plantedOrders(long upTo) {
        List<String> lines = new ArrayList<>();
        for (String root : world.ticksOf()) {
            String code = futures.contracts(root, "world").stream()
                    .filter(each -> each.expiry() > upTo)
                    .map(each -> each.id().code())
                    .findFirst()
                    .orElse(root);
            Tape tape = tape(code);
            int last = tape.sessions().at(upTo);
            for (int session = Math.max(0, last - world.tickSessions() + 1); session <= last; session++) {
                tape.planted(session).stream()
                        .filter(each -> each.end() <= upTo)
                        .forEach(each -> lines.add(TruthLines.of(code, each)));
            }
            TickSeries ticks = ticks(code, ticksFrom(code, upTo), upTo);
            ProfileMaker profiles = new ProfileMaker(
                    new ProfileSpan.Session(),
                    tape.sessions().calendar(),
                    new PriceSteps(tape.price(1)),
                    1,
                    30 * Times.MINUTE,
                    0.7);
            profiles.add(ticks, 0, ticks.size());
            List<Profile> sessionsOf = profiles.made();
            for (Profile each : sessionsOf.subList(0, Math.max(0, sessionsOf.size() - 1))) {
                if (each.reachedAt() == Long.MAX_VALUE) {
                    lines.add(TruthLines.untouched(code, each.from(), each.to(), each.control()));
                }
            }
        }
        return lines;
    }

    /** Number of a company's shares at a moment, in the shares of that moment. */
    public double sharesOutstanding(String code, long time) {
        return company(code).shares[sessions.at(time)];
    }

    /** Dividends of an instrument in the order of their ex-dates, all of them; the caller says which are known. */
    public List<CorporateActions.Dividend> dividends(String code) {
        return isCompany(code)
                ? company(code).dividends.stream()
                        .map(paid -> new CorporateActions.Dividend(sessions.open(paid.session()), paid.amount()))
                        .toList()
                : List.of();
    }

    /** The contracts of a future, by expiry; empty for anything else. */
    public List<Contracts.Contract> contracts(String code, String source) {
        return futures.contracts(code, source);
    }

    /** The values of an economic series that were known at a moment. */
    public BarSeries economicSeries(String code, long from, long upTo) {
        return economy.series(code, from, upTo);
    }

    public boolean isEconomicSeries(String code) {
        return economy.hasSeries(code);
    }

    /** Releases, rate decisions and the like between two moments, in the order of their time. */
    public List<Diary.Entry> entries(long from, long upTo) {
        return economy.entries(from, upTo);
    }

    /** Daily or minute bars that opened from {@code from} on, as known at {@code upTo}; the last may be forming. */
    public BarSeries bars(String code, Timeframe timeframe, long from, long upTo) {
        return tape(code).bars(timeframe, from, upTo);
    }

    /** Appends the trades of an instrument, or the published values of an index, after one moment and up to another. */
    public void trades(String code, long after, long upTo, TickSeries into) {
        tape(code).trades(after, upTo, into);
    }

    private boolean isPrinted(String code) {
        return world.ticksOf().contains(code) || futures.isOf(code, world.ticksOf());
    }

    /** The first moment from which the trades of an instrument are kept one by one; far away when they are not. */
    public long ticksFrom(String code, long upTo) {
        if (!isPrinted(code)) {
            return Long.MAX_VALUE;
        }
        Sessions of = tape(code).sessions();
        return of.open(Math.max(0, of.at(upTo) - world.tickSessions() + 1));
    }

    /** The trades of an instrument with their sides. */
    public TickSeries ticks(String code, long from, long upTo) {
        return tape(code).ticks(from - 1, upTo);
    }

    /** What one unit of a currency was worth in crowns; empty when there is none such. */
    public OptionalDouble currencyValue(String code, long moment) {
        return around.worth(code, moment);
    }
}
