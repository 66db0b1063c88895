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
import java.util.List;

/**
 * The world as its file describes it (JSON, format {@code yardarm/world}): one exchange, its companies by sector and
 * tier, the indices over them, the first day of history and the present.
 *
 * @param present local time of the exchange at which the world stands when the market first runs
 * @param intradayDays calendar days of minute history before the present
 */
public record World(String format, int version, String name, Exchange exchange, String firstDay, String present,
                    int intradayDays, List<Sector> sectors, List<Tier> tiers, List<Company> companies,
                    List<Index> indices) {
    /** @param holidays days without trading, as {@code MM-dd} */
    public record Exchange(String code, String name, String zone, String open, String close, String currency,
                           List<String> holidays) {
    }

    /** @param seasonality strength and sign of a yearly rhythm, 0 for none */
    public record Sector(String code, String name, double seasonality) {
    }

    /**
     * A size tier.
     *
     * @param volatility daily standard deviation of a company's own returns
     * @param valueFrom smallest value of a company, in the exchange's currency
     * @param turnover part of the shares traded on a usual day
     */
    public record Tier(String code, double volatility, double priceFrom, double priceTo, double valueFrom,
                       double valueTo, double turnover) {
    }

    /** @param presentPrice price near which it trades at the present; 0 to let the seed choose */
    public record Company(String code, String name, String sector, String tier, double presentPrice) {
    }

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
        World world = new ObjectMapper().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .readValue(file, World.class);
        if (!"yardarm/world".equals(world.format) || world.version != 1) {
            throw new IOException("this is no world file of version 1: format " + world.format + ", version "
                    + world.version);
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
        List<LocalDate> holidays = new ArrayList<>();
        for (String day : exchange.holidays) {
            for (int year = 2000; year <= 2060; year++) {
                holidays.add(MonthDay.parse("--" + day).atYear(year));
            }
        }
        return new TradingCalendar(zone(), LocalTime.parse(exchange.open), LocalTime.parse(exchange.close),
                EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY), holidays);
    }

    public Tier tier(String code) {
        return tiers.stream().filter(tier -> tier.code.equals(code)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no tier " + code + " in the world file"));
    }

    public Sector sector(String code) {
        return sectors.stream().filter(sector -> sector.code.equals(code)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no sector " + code + " in the world file"));
    }
}
