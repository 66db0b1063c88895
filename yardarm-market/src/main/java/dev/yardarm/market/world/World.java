package dev.yardarm.market.world;

import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.MonthDay;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The world as its file describes it (JSON, format {@code yardarm/world}): one exchange, its companies by sector and
 * tier, the indices over them, futures, currencies, yields, economic series and tokens, the first day of history and the present.
 *
 * @param present local time of the exchange at which the world stands when the market first runs
 * @param intradayDays calendar days of minute history before the present
 * @param edition counts up when codes change
 * @param histories counts up when histories of the same seed come out otherwise
 * @param formerly codes of earlier editions with those that took their place
 */
public record World(
        String format,
        int version,
        String name,
        Exchange exchange,
        String firstDay,
        String present,
        int intradayDays,
        List<Sector> sectors,
        List<Tier> tiers,
        List<Company> companies,
        List<Index> indices,
        FuturesHours futuresHours,
        List<Future> futures,
        List<Currency> currencies,
        List<Yield> yields,
        List<EconomicSeries> economy,
        List<Token> tokens,
        List<String> ticksOf,
        int tickSessions,
        int edition,
        int histories,
        Map<String, String> formerly) {
    public World {
        formerly = formerly == null ? Map.of() : Map.copyOf(formerly);
        futures = futures == null ? List.of() : List.copyOf(futures);
        currencies = currencies == null ? List.of() : List.copyOf(currencies);
        yields = yields == null ? List.of() : List.copyOf(yields);
        economy = economy == null ? List.of() : List.copyOf(economy);
        tokens = tokens == null ? List.of() : List.copyOf(tokens);
        ticksOf = ticksOf == null ? List.of() : List.copyOf(ticksOf);
    }

    /**
     * @param holidays days without trading, as {@code MM-dd}
     * @param halfDays days that end at {@code halfDayClose}, as {@code MM-dd}
     */
    public record Exchange(
            String code,
            String name,
            String zone,
            String open,
            String close,
            String currency,
            List<String> holidays,
            List<String> halfDays,
            String halfDayClose) {}

    /** Futures trade from the evening before to the close; the day part begins at {@code dayStart}. */
    public record FuturesHours(String open, String close, String dayStart) {}

    /**
     * A family of futures.
     *
     * @param of code of the index or yield it is on; null when it has a price of its own
     * @param start first price, where it has one of its own
     * @param season strength of a yearly rhythm
     * @param months months in which a contract expires, 1 to 12
     * @param listedMonths how long before its expiry a contract is traded
     * @param ticksInOne number of ticks in a price of 1
     * @param style how prices are written, a name of the price format's styles
     * @param pointValue worth of a move of 1
     * @param margin money that holds one contract
     * @param volume contracts traded on a usual day in all months
     * @param carry usual cost of carrying for a year, as a part
     * @param curve how far that cost swings
     */
    public record Future(
            String root,
            String name,
            String of,
            double start,
            double volatility,
            double season,
            List<Integer> months,
            int listedMonths,
            int ticksInOne,
            int decimals,
            String style,
            double pointValue,
            double margin,
            double volume,
            double carry,
            double curve) {}

    /** @param value worth of one unit when history begins */
    public record Currency(String code, String name, double value) {}

    public record Yield(String code, String name, int years, double start) {}

    /** @param releaseDay day of the month after, on which a month's value becomes known */
    public record EconomicSeries(
            String code,
            String name,
            double start,
            double volatility,
            double season,
            int releaseDay,
            String releaseTime,
            int importance) {}

    public record Token(String code, String name, double start, double volatility) {}

    /** @param seasonality strength and sign of a yearly rhythm, 0 for none */
    public record Sector(String code, String name, double seasonality) {}

    /**
     * A size tier.
     *
     * @param volatility daily standard deviation of a company's own returns
     * @param valueFrom smallest value of a company, in the exchange's currency
     * @param turnover part of the shares traded on a usual day
     */
    public record Tier(
            String code,
            double volatility,
            double priceFrom,
            double priceTo,
            double valueFrom,
            double valueTo,
            double turnover) {}

    /** @param presentPrice price near which it trades at the present; 0 to let the seed choose */
    public record Company(String code, String name, String sector, String tier, double presentPrice) {}

    /** An index over all companies, or those of a tier or sector; weighted by value. */
    public record Index(String code, String name, String tier, String sector, double start) {
        public boolean holds(Company company) {
            return (tier == null || tier.equals(company.tier())) && (sector == null || sector.equals(company.sector()));
        }
    }

    /** The world that ships with the application. */
    public static World halcyon() {
        try (InputStream file = World.class.getResourceAsStream("halcyon.json")) {
            return read(file);
        } catch (IOException failed) {
            throw new UncheckedIOException("the world file that ships with the application cannot be read", failed);
        }
    }

    /** Reads a world file. */
    public static World read(InputStream file) throws IOException {
        World world = new ObjectMapper()
                .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .readValue(file, World.class);
        if (!"yardarm/world".equals(world.format) || world.version != 1) {
            throw new IOException(
                    "this is no world file of version 1: format " + world.format + ", version " + world.version);
        }
        return world;
    }

    public ZoneId zone() {
        return ZoneId.of(exchange.zone);
    }

    public LocalDate firstDate() {
        return LocalDate.parse(firstDay);
    }

    /** The present in microseconds UTC. */
    public long presentTime() {
        return Times.micros(LocalDateTime.parse(present).atZone(zone()));
    }

    /** The calendar of the exchange, its holidays worked out from 2000 to 2060. */
    public TradingCalendar calendar() {
        return calendar(new TradingCalendar.Hours(
                LocalTime.parse(exchange.open), LocalTime.parse(exchange.close), false, null));
    }

    /** The calendar of futures: the exchange's days, from the evening before. */
    public TradingCalendar futuresCalendar() {
        return futuresHours == null
                ? calendar()
                : calendar(new TradingCalendar.Hours(
                        LocalTime.parse(futuresHours.open),
                        LocalTime.parse(futuresHours.close),
                        true,
                        LocalTime.parse(futuresHours.dayStart)));
    }

    private TradingCalendar calendar(TradingCalendar.Hours hours) {
        Map<LocalDate, LocalTime> halfDays = new HashMap<>();
        if (exchange.halfDays != null) {
            days(exchange.halfDays).forEach(day -> halfDays.put(day, LocalTime.parse(exchange.halfDayClose)));
        }
        return new TradingCalendar(
                zone(), hours, EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY), days(exchange.holidays), halfDays);
    }

    private static List<LocalDate> days(List<String> monthDays) {
        List<LocalDate> days = new ArrayList<>();
        for (String day : monthDays) {
            MonthDay each = MonthDay.parse("--" + day);
            for (int year = 2000; year <= 2060; year++) {
                days.add(each.atYear(year));
            }
        }
        return days;
    }

    /** Currencies: round the clock on weekdays, without holidays. */
    public TradingCalendar currencyCalendar() {
        return new TradingCalendar(
                zone(),
                LocalTime.MIDNIGHT,
                LocalTime.MIDNIGHT,
                EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                List.of());
    }

    /** Tokens: round the clock on every day. */
    public TradingCalendar tokenCalendar() {
        return TradingCalendar.roundTheClock(zone());
    }

    public Tier tier(String code) {
        return tiers.stream()
                .filter(tier -> tier.code.equals(code))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no tier " + code + " in the world file"));
    }

    public Sector sector(String code) {
        return sectors.stream()
                .filter(sector -> sector.code.equals(code))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no sector " + code + " in the world file"));
    }
}
