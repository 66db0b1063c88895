package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.Comparator;
import java.util.PriorityQueue;

/**
 * Price zones that wait on one side of the market: a bar that comes into one makes it retested, one that goes through it ends it.
 * Zones below the market are asked with the low and the close of a bar; those above it with all prices negated, so there is one rule.
 *
 * <p>Those that wait are kept by the edge that is come to first, those that were come into by the far edge: a bar costs one comparison
 * and the logarithm of their number for each that it changes.
 */
final class OpenZones {
    private final PriorityQueue<Zone> waiting;
    private final PriorityQueue<Zone> entered;

    /** @param near the edge that is come to first, above the far one */
    private record Zone(int number, double near, double far) {}

    OpenZones() {
        waiting = new PriorityQueue<>(Comparator.comparingDouble(zone -> -zone.near()));
        entered = new PriorityQueue<>(Comparator.comparingDouble(zone -> -zone.far()));
    }

    private OpenZones(OpenZones other) {
        waiting = new PriorityQueue<>(other.waiting);
        entered = new PriorityQueue<>(other.entered);
    }

    OpenZones copy() {
        return new OpenZones(this);
    }

    void add(int number, double near, double far) {
        waiting.add(new Zone(number, near, far));
    }

    /**
     * A bar has closed.
     *
     * @param reach how far it came
     * @param through below this far edges are gone through; at it they are not
     * @param end what becomes of those
     */
    void take(double reach, double through, Finding.State end, FindingLog log, int bar) {
        while (!waiting.isEmpty() && reach < waiting.peek().near()) {
            Zone zone = waiting.poll();
            if (through < zone.far()) {
                log.become(zone.number(), end, bar);
            } else {
                log.become(zone.number(), Finding.State.RETESTED, bar);
                entered.add(zone);
            }
        }
        while (!entered.isEmpty() && through < entered.peek().far()) {
            log.become(entered.poll().number(), end, bar);
        }
    }
}
