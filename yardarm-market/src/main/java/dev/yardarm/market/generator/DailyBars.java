package dev.yardarm.market.generator;

import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.planted.Course;
import dev.yardarm.market.planted.Planted;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * The daily bars of one company in raw prices, as whole ticks of {@link #TICK}, with its dividends and splits.
 *
 * <p>The return of a day is the company's share in market and sector, its own clustered noise, drift and, now and then,
 * a jump; a part of it happens before the open as a gap. The path is made in today's shares, scaled so that it comes
 * out near the price meant for the present, then turned into the shares of each day. On the day a dividend goes ex, its
 * amount is taken off the open. Here and there a structure is planted in the path.
 */
final class DailyBars {
    static final double TICKS_PER_UNIT = 100;
    static final double TICK = 0.01;
    /** Every minute of a session needs some volume to share out among its trades. */
    private static final int LEAST_VOLUME = 510 * 20;
    /** Sessions by which the size of what is planted is measured. */
    private static final int USUAL = 100;

    private static final double MOST_VOLATILITY = 0.02;
    /** A usual true range over the volatility of a day. */
    private static final double RANGE = 1.68;

    final int[] open;
    final int[] high;
    final int[] low;
    final int[] close;
    final long[] volume;
    final double[] shares;
    final List<Dividend> dividends = new ArrayList<>();
    final List<SplitDay> splits = new ArrayList<>();
    /** What was planted, by the numbers of sessions, in the shares of the present. */
    final List<Planted> planted = new ArrayList<>();

    /** A dividend: amount for one share, taken off the price on the first session without it. */
    record Dividend(int session, double amount) {}

    /** A split before the open of a session. */
    record SplitDay(int session, int ratio) {}

    DailyBars(World world, World.Company company, MarketFactors factors, long seed, int presentSession) {
        int count = factors.sessionCount();
        open = new int[count];
        high = new int[count];
        low = new int[count];
        close = new int[count];
        volume = new long[count];
        shares = new double[count];
        World.Tier tier = world.tier(company.tier());
        int sector = world.sectors().indexOf(world.sector(company.sector()));
        Dice dice = new Dice(seed, Dice.key(company.code()));
        double beta = dice.between(0.7, 1.35);
        double sectorShare = dice.between(0.6, 1.3);
        double presentPrice = Math.exp(dice.between(Math.log(tier.priceFrom()), Math.log(tier.priceTo())));
        if (company.presentPrice() > 0) {
            presentPrice = company.presentPrice();
        }
        double value = Math.exp(dice.between(Math.log(tier.valueFrom()), Math.log(tier.valueTo())));
        double yield = dice.uniform() < 0.25 ? 0 : dice.between(0.008, 0.045);
        int dividendMonth = dice.below(3);
        double presentShares = Math.rint(value / presentPrice / 1000) * 1000;

        double[] gaps = new double[count];
        double[] days = new double[count];
        double[] noise = new double[count];
        MarketFactors.Cluster cluster = new MarketFactors.Cluster();
        double drift = 0;
        for (int session = 0; session < count; session++) {
            if (session % 90 == 0) {
                drift = 0.0006 * dice.bell();
            }
            double jump = dice.uniform() < 0.004 ? 0.045 * dice.fat() : 0;
            double shock = cluster.next(dice);
            noise[session] = tier.volatility() * cluster.level();
            double all = beta * factors.market(session)
                    + sectorShare * factors.sector(sector, session)
                    + drift
                    + factors.breadthDrift(session, tier.code())
                    + tier.volatility() * shock;
            double gap = 0.28 * all + 0.25 * tier.volatility() * dice.bell() + jump;
            boolean isEx = yield > 0 && isDividendSession(factors, session, dividendMonth);
            gaps[session] = gap - (isEx ? yield / 4 : 0);
            days[session] = all - 0.28 * all;
        }
        List<Laid> laid = new ArrayList<>();
        Dice planting = new Dice(seed, Dice.key(company.code()), Dice.key("planted"));
        for (Plantings.Place place : Plantings.of(planting, presentSession, company.presentPrice() == 0)) {
            double[] paid = new double[place.sessions()];
            for (int at = 0; at < paid.length; at++) {
                boolean isEx = yield > 0 && isDividendSession(factors, place.first() + at, dividendMonth);
                paid[at] = isEx ? yield / 4 : 0;
            }
            laid.add(plant(place, planting, paid, gaps, days, noise));
        }
        double sum = 0;
        for (int session = 0; session <= presentSession; session++) {
            sum += gaps[session] + days[session];
        }
        build(
                factors,
                dice,
                new Path(gaps, days, noise, presentPrice * Math.exp(-sum), presentShares),
                tier,
                yield,
                dividendMonth,
                presentSession);
        laid.forEach(each -> planted.add(each.course().truth(each.first(), new InSharesOfNow(presentShares))));
    }

    /** A course in its place. */
    private record Laid(Course course, int first) {}

    /** Lays a structure over the path: its closes are those of the course, and shadows are short. */
    private static Laid plant(
            Plantings.Place place, Dice dice, double[] paid, double[] gaps, double[] days, double[] noise) {
        int first = place.first();
        double squares = 0;
        for (int session = first - USUAL; session < first; session++) {
            double all = gaps[session] + days[session];
            squares += all * all;
        }
        double volatility = Math.min(MOST_VOLATILITY, Math.sqrt(squares / USUAL));
        Course course = new Course(
                place.template(),
                place.legs(),
                RANGE * volatility * place.template().height(dice),
                place.clarity());
        double[] before = {0};
        int[] at = {0};
        course.draw(volatility, dice, 1, close -> {
            int session = first + at[0];
            double all = Math.log(close) - before[0];
            gaps[session] = 0.15 * volatility * dice.bell() - paid[at[0]++];
            days[session] = all - gaps[session];
            noise[session] = 0.45 * volatility / Math.sqrt(place.clarity());
            before[0] = Math.log(close);
        });
        return new Laid(course, first);
    }

    /** The bars in the shares of the present, as far as splits go. */
    private final class InSharesOfNow implements Course.Prices {
        private final double presentShares;

        InSharesOfNow(double presentShares) {
            this.presentShares = presentShares;
        }

        @Override
        public int size() {
            return close.length;
        }

        private double price(int[] ticks, int session) {
            return DailyBars.price(ticks[session]) * shares[session] / presentShares;
        }

        @Override
        public double high(int session) {
            return price(high, session);
        }

        @Override
        public double low(int session) {
            return price(low, session);
        }

        @Override
        public double close(int session) {
            return price(close, session);
        }
    }

    private record Path(double[] gaps, double[] days, double[] noise, double startPrice, double presentShares) {}

    private static boolean isDividendSession(MarketFactors factors, int session, int monthInQuarter) {
        LocalDate day = factors.session(session);
        return (day.getMonthValue() - 1) % 3 == monthInQuarter
                && day.getDayOfMonth() >= 12
                && (session == 0
                        || factors.session(session - 1).getDayOfMonth() < 12
                        || factors.session(session - 1).getMonth() != day.getMonth());
    }

    private void build(
            MarketFactors factors,
            Dice dice,
            Path path,
            World.Tier tier,
            double yield,
            int dividendMonth,
            int presentSession) {
        planSplits(path, presentSession);
        int count = open.length;
        double factor = splits.stream().mapToDouble(SplitDay::ratio).reduce(1, (a, b) -> a * b);
        int nextSplit = 0;
        double price = path.startPrice;
        for (int session = 0; session < count; session++) {
            if (nextSplit < splits.size() && splits.get(nextSplit).session == session) {
                factor /= splits.get(nextSplit++).ratio;
            }
            if (yield > 0 && isDividendSession(factors, session, dividendMonth)) {
                double amount = Math.max(TICK, Math.rint(price * factor * yield / 4 * 100) / 100);
                dividends.add(new Dividend(session, amount));
            }
            double openPrice = price * Math.exp(path.gaps[session]);
            double closePrice = openPrice * Math.exp(path.days[session]);
            double reach = 0.55 * path.noise[session] + 0.35 * 0.008 * factors.stress(session);
            double highPrice = Math.max(openPrice, closePrice) * Math.exp(reach * dice.exponential() * 0.7);
            double lowPrice = Math.min(openPrice, closePrice) * Math.exp(-reach * dice.exponential() * 0.7);
            open[session] = ticks(openPrice * factor);
            close[session] = ticks(closePrice * factor);
            high[session] = Math.max(ticks(highPrice * factor), Math.max(open[session], close[session]));
            low[session] = Math.min(ticks(lowPrice * factor), Math.min(open[session], close[session]));
            shares[session] = path.presentShares / factor;
            double activity =
                    0.75 + 22 * Math.abs(path.gaps[session] + path.days[session]) + 0.25 * factors.stress(session);
            volume[session] = Math.max(
                    LEAST_VOLUME,
                    Math.round(shares[session] * tier.turnover() * activity * Math.exp(0.3 * dice.bell())));
            price = closePrice;
        }
    }

    /** A split follows when the price has nearly doubled within 400 sessions; at most one in about three years. */
    private void planSplits(Path path, int presentSession) {
        double price = path.startPrice;
        double[] closes = new double[presentSession + 1];
        for (int session = 0; session <= presentSession; session++) {
            price *= Math.exp(path.gaps[session] + path.days[session]);
            closes[session] = price;
        }
        int last = presentSession - 60;
        for (int session = 400; session < last; session++) {
            boolean farFromOther = splits.isEmpty() || session - splits.get(splits.size() - 1).session > 700;
            if (farFromOther && closes[session - 1] > 1.9 * closes[Math.max(0, session - 400)]) {
                splits.add(new SplitDay(session, closes[session - 1] > 2.6 * closes[session - 400] ? 3 : 2));
                session += 300;
            }
        }
    }

    private static int ticks(double price) {
        return Math.max(1, (int) Math.rint(price * TICKS_PER_UNIT));
    }

    static double price(int ticks) {
        return ticks / TICKS_PER_UNIT;
    }

    List<CorporateActions.Split> splitsIn(MarketFactors factors, dev.yardarm.core.session.TradingCalendar calendar) {
        return splits.stream()
                .map(split ->
                        new CorporateActions.Split(calendar.open(factors.session(split.session())), split.ratio()))
                .toList();
    }
}
