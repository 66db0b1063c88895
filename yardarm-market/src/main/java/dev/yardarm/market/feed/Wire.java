package dev.yardarm.market.feed;

import dev.yardarm.core.series.TickSeries;
import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Queue;
import java.util.SplittableRandom;
import java.util.TreeMap;

/**
 * The messages about one instrument on their way, and what was received of them. Trades are numbered by the exchange, and with each turn it sends a
 * beat that tells the number of the last one. The receiver puts trades into their order by their numbers, drops those that come twice, and
 * knows from beats and numbers up to which moment nothing is missing: {@link #completeUpTo}. What it hands out never goes beyond that.
 *
 * <p>Memory: what is under way or held back, and the trades of the last turns ({@value #MOST} at most); older ones are had from the exchange.
 * Used under the lock of its feed.
 */
final class Wire {
    private static final int MOST = 200_000;

    /**
     * A message; a beat has no trade, and its number is that of the last trade before it.
     *
     * @param order in which messages of one moment arrive
     */
    private record Message(
            long arrival, long order, boolean beat, long number, long time, double price, double size, byte side) {
        Message at(long moment, long anew) {
            return new Message(moment, anew, beat, number, time, price, size, side);
        }
    }

    private final Queue<Message> underWay =
            new PriorityQueue<>(Comparator.comparingLong(Message::arrival).thenComparingLong(Message::order));
    private final ArrayDeque<Message> lost = new ArrayDeque<>();
    private final Map<Long, Message> held = new HashMap<>();
    private final SplittableRandom random;
    private TickSeries received = new TickSeries(256);
    private long receivedFrom;
    private long sentUpTo;
    private long sent;
    private long order;
    private long next;
    /** Moments of beats by the number of the trade they wait for. */
    private final TreeMap<Long, Long> beats = new TreeMap<>();

    private long complete;
    private long doubled;
    private long late;

    /** @param from messages after this moment go over it */
    Wire(long from, long seed) {
        random = new SplittableRandom(seed);
        sentUpTo = from;
        receivedFrom = from;
        complete = from;
    }

    /** Up to which moment nothing is missing. */
    long completeUpTo() {
        return complete;
    }

    long sentUpTo() {
        return sentUpTo;
    }

    /** From which moment on it has its trades itself. */
    long receivedFrom() {
        return receivedFrom;
    }

    /** How many messages came a second time, and were dropped. */
    long doubled() {
        return doubled;
    }

    /** How many trades came after a later one. */
    long late() {
        return late;
    }

    /** How many trades are lost and not filled in yet. */
    int missing() {
        return lost.size() + held.size();
    }

    /** The exchange sends what was traded up to a moment, and a beat. */
    void send(TickSeries trades, long now, List<FeedFault> faults) {
        for (int trade = 0; trade < trades.size(); trade++) {
            long time = trades.time(trade);
            post(
                    new Message(
                            time,
                            order++,
                            false,
                            sent++,
                            time,
                            trades.price(trade),
                            trades.size(trade),
                            trades.side(trade)),
                    faults);
        }
        post(new Message(now, order++, true, sent - 1, now, 0, 0, (byte) 0), faults);
        sentUpTo = now;
    }

    private void post(Message message, List<FeedFault> faults) {
        long arrival = message.time();
        boolean twice = false;
        long stray = 0;
        boolean gone = false;
        long fill = Long.MAX_VALUE;
        for (FeedFault fault : faults) {
            if (!fault.hits(message.time())) {
                continue;
            }
            switch (fault.kind()) {
                case CUT -> {
                    // What was not sent is sent when there is a line again.
                    gone = true;
                    fill = fault.to();
                }
                case LOSE -> {
                    if (!message.beat()) {
                        gone = true;
                        fill = fault.amount() == Long.MAX_VALUE || fault.to() == Long.MAX_VALUE
                                ? Long.MAX_VALUE
                                : fault.to() + fault.amount();
                    }
                }
                case DELAY -> arrival += fault.amount();
                case REORDER -> arrival += random.nextLong(fault.amount() + 1);
                case DOUBLE -> {
                    twice = true;
                    stray = fault.amount();
                }
            }
        }
        if (gone && fill == Long.MAX_VALUE) {
            lost.add(message);
            return;
        }
        long moment = gone ? Math.max(fill, arrival) : arrival;
        underWay.add(message.at(moment, message.order()));
        if (twice) {
            underWay.add(message.at(moment + random.nextLong(stray + 1), order++));
        }
    }

    /** What was lost is sent again. */
    void fill(long now) {
        while (!lost.isEmpty()) {
            underWay.add(lost.poll().at(now, order++));
        }
    }

    /** Takes in what has arrived by a moment. */
    void receive(long now) {
        while (!underWay.isEmpty() && underWay.peek().arrival() <= now) {
            take(underWay.poll());
        }
        while (!beats.isEmpty() && beats.firstKey() < next) {
            complete = Math.max(complete, beats.pollFirstEntry().getValue());
        }
        if (received.size() > MOST) {
            shorten();
        }
    }

    private void take(Message message) {
        if (message.beat()) {
            beats.merge(message.number(), message.time(), Math::max);
            return;
        }
        if (message.number() < next || held.containsKey(message.number())) {
            doubled++;
            return;
        }
        if (message.number() > next) {
            held.put(message.number(), message);
            return;
        }
        late += held.isEmpty() ? 0 : 1;
        Message there = message;
        while (there != null) {
            received.append(there.time(), there.price(), there.size(), there.side());
            // Another one may be traded at the same moment; only a beat tells that none is left of it.
            complete = Math.max(complete, there.time() - 1);
            next++;
            there = held.remove(next);
        }
    }

    private void shorten() {
        int keep = MOST / 2;
        int first = received.size() - keep;
        receivedFrom = received.time(first - 1);
        while (first < received.size() && received.time(first) <= receivedFrom) {
            first++;
        }
        TickSeries shorter = new TickSeries(MOST);
        shorter.append(received, first, received.size());
        received = shorter;
    }

    /** Appends the trades after a moment and up to another, of those that it has itself. */
    void trades(long after, long upTo, TickSeries into) {
        int low = 0;
        int high = received.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (received.time(middle) <= after) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        int end = low;
        while (end < received.size() && received.time(end) <= upTo) {
            end++;
        }
        into.append(received, low, end);
    }
}
