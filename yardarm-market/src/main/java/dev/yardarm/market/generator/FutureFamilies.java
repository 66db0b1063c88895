package dev.yardarm.market.generator;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.Contracts;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.world.World;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Futures: for each family a price for delivery now, and contracts that stand above or below it by the cost of carrying
 * it to their expiry. A contract is listed some months before; most of the trade is in the contract that expires next
 * and moves on to the following one in its last days.
 *
 * <p>A family is on an index (its opens and closes), on a bond of a yield's price, or on a walk of its own.
 */
final class FutureFamilies {
    private static final String MONTHS = "FGHJKMNQUVXZ";
    /** Sessions before its expiry in which the trade moves on to the next contract. */
    private static final int MOVING = 8;
    /** How far a future on an index usually goes in a minute before the index opens. */
    private static final double EVENING_MINUTE = 0.0001;

    private final WorldHistory history;
    private final Sessions sessions;
    private final Map<String, Family> families = new ConcurrentHashMap<>();

    FutureFamilies(WorldHistory history, Sessions sessions) {
        this.history = history;
        this.sessions = sessions;
    }

    /** A contract: its months, first and last session. */
    private record Listed(String code, int first, int last) {}

    private static World.Future spec(World world, String code) {
        int dash = code.indexOf('-');
        String root = dash < 0 ? code : code.substring(0, dash);
        return world.futures().stream()
                .filter(each -> each.root().equals(root))
                .findFirst()
                .orElse(null);
    }

    boolean has(String code) {
        return code.indexOf('-') > 0 && spec(history.world(), code) != null;
    }

    boolean isOf(String code, List<String> roots) {
        return has(code) && roots.contains(spec(history.world(), code).root());
    }

    private Family family(World.Future spec) {
        Family family = families.get(spec.root());
        if (family == null) {
            family = new Family(spec);
            families.put(spec.root(), family);
        }
        return family;
    }

    /** The contracts of a family's root; empty for anything else. */
    List<Contracts.Contract> contracts(String root, String source) {
        World.Future spec = root.indexOf('-') < 0 ? spec(history.world(), root) : null;
        return spec == null
                ? List.of()
                : family(spec).contracts.stream()
                        .map(each -> new Contracts.Contract(
                                new InstrumentId(source, each.code()),
                                sessions.open(each.first()),
                                sessions.close(each.last())))
                        .toList();
    }

    Tape tape(String code) {
        Family family = family(spec(history.world(), code));
        Listed contract = family.contracts.stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no contract " + code + " in this world"));
        return family.new ContractTape(contract);
    }

    /** One family with its price for delivery now. */
    private final class Family {
        private final World.Future spec;
        private final List<Listed> contracts = new ArrayList<>();
        private final double phase;
        private volatile Walk spot;

        Family(World.Future spec) {
            this.spec = spec;
            Dice dice = new Dice(history.seed(), Dice.key(spec.root()));
            phase = dice.between(0, 2 * Math.PI);
            YearMonth month = YearMonth.from(sessions.day(0));
            YearMonth end = YearMonth.from(sessions.day(sessions.count() - 1));
            for (; !month.isAfter(end); month = month.plusMonths(1)) {
                if (spec.months().contains(month.getMonthValue())) {
                    LocalDate expiry = sessions.calendar()
                            .sameOrPrevious(
                                    month.atDay(1).with(TemporalAdjusters.dayOfWeekInMonth(3, DayOfWeek.FRIDAY)));
                    LocalDate listed = sessions.calendar().sameOrNext(expiry.minusMonths(spec.listedMonths()));
                    contracts.add(new Listed(
                            spec.root() + "-" + MONTHS.charAt(month.getMonthValue() - 1)
                                    + Integer.toString(100 + month.getYear() % 100)
                                            .substring(1),
                            Math.max(0, sessions.number(listed)),
                            Math.min(sessions.count() - 1, sessions.number(expiry))));
                }
            }
        }

        /** Made when a price is first asked for: naming the contracts needs none. */
        private Walk spot() {
            Walk made = spot;
            if (made == null) {
                synchronized (this) {
                    made = spot == null ? spot(new Dice(history.seed(), Dice.key(spec.root()), 1)) : spot;
                    spot = made;
                }
            }
            return made;
        }

        private Walk spot(Dice dice) {
            int count = sessions.count();
            if (spec.of() == null) {
                return new Walk(
                        dice,
                        count,
                        new Walk.Manner(spec.start(), spec.volatility(), 0.002, 0.35, false),
                        session -> spec.season()
                                * 0.0012
                                * Math.cos(2 * Math.PI * (sessions.day(session).getDayOfYear() - 20) / 365.25));
            }
            Walk noise = new Walk(dice, count, new Walk.Manner(1, 0.0005, 0.9, 0.3, false), session -> 0);
            if (history.economy().hasYield(spec.of())) {
                Walk yield = history.economy().yieldWalk(spec.of());
                for (int session = 0; session < count; session++) {
                    noise.open[session] *= bond(yield.open[session]);
                    noise.close[session] *= bond(yield.close[session]);
                    noise.high[session] *= bond(yield.low[session]);
                    noise.low[session] *= bond(yield.high[session]);
                }
                return noise;
            }
            IndexPath index = (IndexPath) history.tape(spec.of());
            for (int session = 0; session < count; session++) {
                double open = session == 0 ? index.open(0) : 0.4 * index.open(session) + 0.6 * index.close(session - 1);
                double close = index.close(session);
                double premium = (noise.open[session] + noise.close[session]) / 2;
                // Wide enough for its way within the day, which is that of the index.
                double[] reach = index.reach(session);
                reach[0] *= 1.0012;
                reach[1] /= 1.0012;
                noise.open[session] *= open;
                noise.close[session] *= close;
                noise.high[session] = Math.max(Math.max(noise.open[session], noise.close[session]), reach[0] * premium)
                        * (1 + 0.0004 * dice.exponential());
                noise.low[session] = Math.min(Math.min(noise.open[session], noise.close[session]), reach[1] * premium)
                        * (1 - 0.0004 * dice.exponential());
            }
            return noise;
        }

        /** The price of a bond that pays 5 a year for ten years at a yield in per cent. */
        private double bond(double yield) {
            double rate = Math.max(0.05, yield) / 100;
            double discount = Math.pow(1 + rate, -10);
            return 100 * discount + 5 * (1 - discount) / rate;
        }

        /** What carrying to expiry adds, as a factor. */
        private double carry(int session, int expiry) {
            double years =
                    (sessions.day(expiry).toEpochDay() - sessions.day(session).toEpochDay()) / 365.25;
            double slope = spec.carry() + spec.curve() * Math.sin(2 * Math.PI * session / 640.0 + phase);
            return Math.exp(slope * years);
        }

        private double share(int contract, int session) {
            int rank = 0;
            int next = contract;
            while (next > 0 && contracts.get(next - 1).last() >= session) {
                next--;
                rank++;
            }
            int left = contracts.get(next).last() - session;
            double front = left > MOVING ? 0.84 : Math.max(0.06, 0.84 * left / MOVING);
            return rank == 0 ? front : rank == 1 ? (1 - front) * 0.88 : (1 - front) * 0.12 / (1 << rank - 1);
        }

        /** The tape of a contract. */
        private final class ContractTape extends DayTape {
            private final Listed contract;
            private final int number;

            ContractTape(Listed contract) {
                super(contract.code(), history.seed(), sessions, history.firstIntraday(sessions), spec.ticksInOne());
                this.contract = contract;
                this.number = contracts.indexOf(contract);
            }

            @Override
            int first() {
                return contract.first();
            }

            @Override
            int last() {
                return contract.last();
            }

            @Override
            void day(int session, double[] prices) {
                double factor = carry(session, contract.last());
                prices[0] = spot().open[session] * factor;
                prices[1] = spot().high[session] * factor;
                prices[2] = spot().low[session] * factor;
                prices[3] = spot().close[session] * factor;
            }

            /**
             * A future on an index follows it through the index's hours, minute by minute, with a premium that wanders by a hundredth of a per
             * cent; before they begin it walks to where the index opens.
             */
            @Override
            double[] course(int session) {
                if (spec.of() == null || history.economy().hasYield(spec.of())) {
                    return null;
                }
                IndexPath index = (IndexPath) history.tape(spec.of());
                MinutePath followed = index.path(session);
                index.fillMinutes(session, followed);
                double carry = carry(session, contract.last());
                double[] ends = new double[sessions().minutes(session)];
                int begins = (int) ((index.sessions().open(session) - sessions().open(session)) / Times.MINUTE);
                double before = session == 0 ? 1 : spot().close[session - 1] / index.close(session - 1);
                double after = spot().close[session] / index.close(session);
                Dice dice = new Dice(seed(), Dice.key(spec.root()), Dice.key("premium"), session);
                double open = spot().open[session] * carry;
                double first = index.price(followed.open[0]) * before * carry;
                walk(dice, ends, begins, open, first);
                double wander = 0;
                int count = followed.minutes();
                for (int minute = Math.max(0, begins); minute < ends.length; minute++) {
                    int at = Math.min(count - 1, minute - begins);
                    double part = (at + 1.0) / count;
                    wander = minute == ends.length - 1 ? 0 : 0.9 * wander + 0.00002 * dice.bell();
                    double premium = before + (after - before) * part;
                    ends[minute] = index.price(followed.close[at]) * premium * carry * (1 + wander);
                }
                ends[ends.length - 1] = spot().close[session] * carry;
                return ends;
            }

            /** From one price to another, by chance. */
            private void walk(Dice dice, double[] into, int count, double from, double to) {
                double reached = 0;
                for (int minute = 0; minute < count; minute++) {
                    reached += EVENING_MINUTE * dice.bell();
                    into[minute] = reached;
                }
                for (int minute = 0; minute < count; minute++) {
                    double part = (minute + 1.0) / count;
                    into[minute] = (from + (to - from) * part) * (1 + into[minute] - reached * part);
                }
            }

            @Override
            double volume(int session) {
                double busy = 0.75
                        + 0.5 * new Dice(seed(), Dice.key(spec.root()), Dice.key("volume"), session).uniform()
                        + 14 * Math.abs(spot().close[session] / spot().open[session] - 1);
                return spec.volume() * busy * share(number, session);
            }

            @Override
            MinutePath path(int session) {
                int minutes = sessions().minutes(session);
                long dayOpen = sessions()
                        .calendar()
                        .part(dev.yardarm.core.session.SessionPart.DAY)
                        .open(sessions().day(session));
                int evening = (int) Math.min(minutes, (dayOpen - sessions().open(session)) / Times.MINUTE);
                double[] rhythm = new double[minutes];
                double[] day = MinutePath.dayRhythm(Math.max(2, minutes - evening));
                for (int minute = 0; minute < minutes; minute++) {
                    rhythm[minute] = minute < evening ? 0.32 : day[minute - evening];
                }
                return new MinutePath(rhythm);
            }
        }
    }
}
