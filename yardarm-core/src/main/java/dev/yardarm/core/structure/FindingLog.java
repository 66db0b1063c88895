package dev.yardarm.core.structure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a detector found over time: an append-only log of findings and of what became of each, every entry with the bar at
 * whose close it became known. {@link #asOf(int)} gives what stood then, so scans, alerts, replay and evidence see what could
 * be seen, and no line redraws itself after the fact.
 *
 * <pre>{@code
 * int found = log.found(finding, bar);              // provisional from here on
 * log.changed(found, moved, bar + 2);               // it moved while provisional
 * log.become(found, Finding.State.CONFIRMED, bar + 5);
 * log.asOf(bar + 3);                                // the moved one, provisional
 * }</pre>
 *
 * <p>A log that is written for the bars of a prefix is the prefix of the log written for all: entries never go back in time,
 * and nothing is removed. What the forming bar brings is written to a {@link #branch()}, which is thrown away with the bar.
 *
 * <p>One thread writes. Memory: 13 bytes an entry, 2 more where there are spots and 24 for each place of one, 4 a finding, and what was found. Cost of {@code asOf} and {@code history}: one pass over the
 * entries up to the bar; of a branch: nothing, of what changes there
 * a place each.
 */
public final class FindingLog {
    private final FindingLog trunk;
    private final int shared;
    /** How many findings the trunk had. */
    private final int known;

    private final List<Page> pages = new ArrayList<>();
    /** The last of them. */
    private Page page;

    private int size;
    private int count;
    /** Bar of the last entry. */
    private int newest = -1;
    /** For each finding that this log is the first to know, the place of the last entry about it. */
    private int[] places = new int[16];
    /** In a branch: the same for those that the trunk knows and that changed here. */
    private final Map<Integer, Integer> moved = new HashMap<>();

    /**
     * One entry, or how a finding stood.
     *
     * @param number of the finding, in the order they were found, from 0
     * @param knownAt the bar at whose close it became known
     */
    public record Standing(int number, Finding finding, Finding.State state, int knownAt) {}

    public FindingLog() {
        trunk = null;
        shared = 0;
        known = 0;
    }

    private FindingLog(FindingLog trunk) {
        this.trunk = trunk;
        this.shared = trunk.size();
        this.known = trunk.count;
        this.newest = trunk.newest;
        this.count = trunk.count;
    }

    /** A log that goes on from this one as it is now, without changing it; for what is known of the forming bar. */
    public FindingLog branch() {
        return new FindingLog(this);
    }

    /** Number of entries. */
    public int size() {
        return shared + size;
    }

    /** Number of findings there ever were. */
    public int count() {
        return count;
    }

    /** An entry by its place. */
    public Standing entry(int place) {
        if (place < shared) {
            return trunk.entry(place);
        }
        int own = place - shared;
        if (own >= size) {
            throw new IndexOutOfBoundsException("entry " + place + " of " + size());
        }
        return pages.get(own >> Page.BITS).standing(own & Page.LAST);
    }

    /**
     * Notes something found, provisional until told otherwise.
     *
     * @param knownAt the bar at whose close it became known
     * @return the number of the finding
     */
    public int found(Finding finding, int knownAt) {
        append(count, finding, Finding.State.PROVISIONAL, knownAt);
        return count++;
    }

    /**
     * Notes something that is settled as soon as it is found: an entry that it was found, and one that it is confirmed.
     *
     * @param knownAt the bar at whose close it became known
     * @return the number of the finding
     */
    public int foundSettled(Finding finding, int knownAt) {
        int number = found(finding, knownAt);
        append(number, finding, Finding.State.CONFIRMED, knownAt);
        return number;
    }

    /**
     * Notes something found that has one point.
     *
     * @param time open of the bar it is on, microseconds UTC
     * @param target the price it points to; NaN for none
     * @param knownAt the bar at whose close it became known
     * @return the number of the finding
     */
    public int found(Finding.Spot spot, long time, double price, double target, int knownAt) {
        append(count, spot, Finding.State.PROVISIONAL, knownAt);
        page.spot(time, price, target);
        return count++;
    }

    /**
     * Notes that a provisional finding has other points, lines or prices.
     *
     * @throws IllegalStateException when it is settled
     */
    public void changed(int number, Finding finding, int knownAt) {
        checkProvisional(number);
        append(number, finding, Finding.State.PROVISIONAL, knownAt);
    }

    /**
     * Notes that a provisional finding of one point lies elsewhere or points to another price.
     *
     * @throws IllegalStateException when it is settled
     */
    public void changed(int number, Finding.Spot spot, long time, double price, double target, int knownAt) {
        checkProvisional(number);
        append(number, spot, Finding.State.PROVISIONAL, knownAt);
        page.spot(time, price, target);
    }

    private void checkProvisional(int number) {
        Finding.State before = state(placeOf(number));
        if (before != Finding.State.PROVISIONAL) {
            throw new IllegalStateException("finding " + number + " is " + before + " and changes no more");
        }
    }

    /**
     * Notes what became of a finding.
     *
     * @throws IllegalStateException when nothing more can come of it, or a settled one would be void
     */
    public void become(int number, Finding.State state, int knownAt) {
        checkBecomes(number, state);
        int own = placeOf(number) - shared;
        if (own < 0) {
            append(number, standing(number).finding(), state, knownAt);
            return;
        }
        Page of = pages.get(own >> Page.BITS);
        int at = own & Page.LAST;
        append(number, of.findings[at], state, knownAt);
        if (of.findings[at] instanceof Finding.Spot) {
            page.spot(of, of.rows[at]);
        }
    }

    /**
     * Notes what became of a finding and what that added to it: a point where it was touched again, another score. What it is and where
     * its lines lie stays.
     *
     * @throws IllegalStateException when nothing more can come of it, or a settled one would be void or lie elsewhere
     */
    public void become(int number, Finding.State state, Finding grown, int knownAt) {
        checkBecomes(number, state);
        Standing before = standing(number);
        if (!grown.kind().equals(before.finding().kind())
                || !grown.lines().equals(before.finding().lines())) {
            throw new IllegalStateException("finding " + number + " cannot lie elsewhere than where it was found");
        }
        append(number, grown, state, knownAt);
    }

    private void checkBecomes(int number, Finding.State state) {
        Finding.State before = state(placeOf(number));
        boolean back = state == Finding.State.PROVISIONAL
                || state == Finding.State.VOID && before != Finding.State.PROVISIONAL;
        if (before.isEnd() || back) {
            throw new IllegalStateException("finding " + number + " is " + before + " and cannot become " + state);
        }
    }

    /** The state an entry tells of, by its place. */
    Finding.State state(int place) {
        int own = place - shared;
        return own < 0 ? trunk.state(place) : pages.get(own >> Page.BITS).state(own & Page.LAST);
    }

    /** The number of the finding an entry is about, by its place. */
    int number(int place) {
        int own = place - shared;
        return own < 0 ? trunk.number(place) : pages.get(own >> Page.BITS).numbers[own & Page.LAST];
    }

    /** How a finding stands by the last entry about it. */
    public Standing standing(int number) {
        return entry(placeOf(number));
    }

    private int placeOf(int number) {
        if (number >= count) {
            throw new IndexOutOfBoundsException("finding " + number + " of " + count);
        }
        if (number >= known) {
            return places[number - known];
        }
        Integer here = moved.get(number);
        if (here != null) {
            return here;
        }
        int place = trunk.placeOf(number);
        // The trunk may have gone on since.
        for (; place >= shared || trunk.number(place) != number; place--) {}
        return place;
    }

    private void append(int number, Object finding, Finding.State state, int knownAt) {
        if (knownAt < newest) {
            throw new IllegalArgumentException("a log goes on in time: bar " + knownAt + " after bar " + newest);
        }
        newest = knownAt;
        if (pages.isEmpty() || page.isFull()) {
            page = pages.isEmpty() ? new Page(Page.LEAST, 0) : new Page(Page.MOST, page.spots);
            pages.add(page);
        }
        page.append(number, finding, state, knownAt);
        int place = shared + size++;
        if (number < known) {
            moved.put(number, place);
        } else {
            if (number - known == places.length) {
                places = Arrays.copyOf(places, 2 * places.length);
            }
            places[number - known] = place;
        }
    }

    /** What stood at the close of a bar, in the order it was found; what had turned out to be nothing is left out. */
    public List<Standing> asOf(int bar) {
        List<Standing> all = new ArrayList<>();
        for (int place = 0; place < size(); place++) {
            Standing each = entry(place);
            if (each.knownAt() > bar) {
                break;
            }
            if (each.number() == all.size()) {
                all.add(each);
            } else {
                all.set(each.number(), each);
            }
        }
        all.removeIf(each -> each.state() == Finding.State.VOID);
        return all;
    }

    /** All that was noted of a finding up to the close of a bar, in its order. */
    public List<Standing> history(int number, int bar) {
        List<Standing> all = new ArrayList<>();
        for (int place = 0; place < size() && entry(place).knownAt() <= bar; place++) {
            if (entry(place).number() == number) {
                all.add(entry(place));
            }
        }
        return all;
    }

    /** Entries in columns. The first page grows up to its whole length, the others have it at once: long logs are never copied. */
    private static final class Page {
        static final int BITS = 12;
        static final int MOST = 1 << BITS;
        static final int LAST = MOST - 1;
        static final int LEAST = 16;

        private static final Finding.State[] STATES = Finding.State.values();

        private int[] numbers;
        private int[] bars;
        private byte[] states;
        /** What was found: a {@link Finding}, or the {@link Finding.Spot} whose numbers stand in the columns below. */
        private Object[] findings;
        /** Beside each entry of a spot, the row of its numbers; without places while there are none, as the columns of these. */
        private short[] rows = new short[0];

        private long[] times = new long[0];
        private double[] prices = new double[0];
        private double[] targets = new double[0];
        private final int likely;
        private int spots;
        private int size;

        /** @param likely how many spots there may be: those of the page before */
        Page(int room, int likely) {
            this.likely = likely;
            numbers = new int[room];
            bars = new int[room];
            states = new byte[room];
            findings = new Object[room];
        }

        boolean isFull() {
            return size == MOST;
        }

        Finding.State state(int at) {
            return STATES[states[at]];
        }

        Standing standing(int at) {
            Finding finding = findings[at] instanceof Finding.Spot spot
                    ? spot.at(times[rows[at]], prices[rows[at]], targets[rows[at]])
                    : (Finding) findings[at];
            return new Standing(numbers[at], finding, state(at), bars[at]);
        }

        void append(int number, Object finding, Finding.State state, int knownAt) {
            if (size == numbers.length) {
                int room = 2 * size;
                numbers = Arrays.copyOf(numbers, room);
                bars = Arrays.copyOf(bars, room);
                states = Arrays.copyOf(states, room);
                findings = Arrays.copyOf(findings, room);
            }
            numbers[size] = number;
            bars[size] = knownAt;
            states[size] = (byte) state.ordinal();
            findings[size++] = finding;
        }

        /** The numbers of the spot appended last. */
        void spot(long time, double price, double target) {
            if (spots == times.length) {
                int room = Math.min(Math.max(spots == 0 ? likely + LEAST : 0, 2 * spots), MOST);
                times = Arrays.copyOf(times, room);
                prices = Arrays.copyOf(prices, room);
                targets = Arrays.copyOf(targets, room);
            }
            times[spots] = time;
            prices[spots] = price;
            targets[spots] = target;
            row(spots++);
        }

        /** The same for one that lies where it lay in an entry before. */
        void spot(Page before, int row) {
            if (before == this) {
                row(row);
            } else {
                spot(before.times[row], before.prices[row], before.targets[row]);
            }
        }

        private void row(int row) {
            if (rows.length < numbers.length) {
                rows = Arrays.copyOf(rows, numbers.length);
            }
            rows[size - 1] = (short) row;
        }
    }
}
