package dev.yardarm.chart.model;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detected;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Figured;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Sight;
import java.util.ArrayList;
import java.util.List;

/**
 * Follows the findings of one detector layer: a list of all that stand or are still of interest, in the order they were found, made
 * anew only as far as entries came. One that has not changed stays the same object, so that what is painted of it is kept.
 *
 * <p>Cost of an update: the new entries of closed bars, those of the forming bar, and a copy of the list when there are any. Used by
 * the thread that computes; what it gives does not change.
 */
final class FoundList {
    private final String layer;
    private final Detected detected;
    private FindingLog log;
    private int place;
    private final List<Found> closed = new ArrayList<>();
    private List<Found> given = List.of();
    private boolean branched;
    /** So many closed bars there were. */
    private int seen;

    FoundList(String layer, Detected detected) {
        this.layer = layer;
        this.detected = detected;
    }

    /** All as they stand now, those that came to nothing left out. */
    List<Found> update() {
        boolean changed = branched;
        if (detected.log() != log) {
            log = detected.log();
            place = 0;
            closed.clear();
            changed = true;
        }
        for (; place < log.size(); place++) {
            take(log.entry(place), closed);
            changed = true;
        }
        int stays = detected.detector().staysFor();
        int bars = detected.bars().closed();
        changed |= stays > 0 && stays < Detector.ALWAYS && bars != seen;
        seen = bars;
        FindingLog now = detected.now();
        branched = now.size() > log.size();
        if (changed || branched) {
            List<Found> all = new ArrayList<>(closed);
            for (int at = log.size(); at < now.size(); at++) {
                take(now.entry(at), all);
            }
            long oldest = stays == 0 || bars == 0
                    ? Long.MAX_VALUE
                    : detected.bars().openTime(Math.max(0, bars - 1 - Math.min(stays, bars)));
            all.removeIf(
                    each -> each.state() == Finding.State.VOID || each.state().isEnd() && each.since() < oldest);
            given = List.copyOf(all);
        }
        return given;
    }

    private void take(FindingLog.Standing entry, List<Found> all) {
        Detector detector = detected.detector();
        Bars bars = detected.bars();
        long at = bars.openTime(entry.knownAt());
        List<Found.Step> steps = new ArrayList<>();
        boolean known = entry.number() < all.size();
        if (known) {
            steps.addAll(all.get(entry.number()).steps());
        }
        // A level may be broken, and touched again, more than once.
        boolean again = entry.state() == Finding.State.RETESTED || entry.state() == Finding.State.BROKEN;
        if (again || steps.isEmpty() || steps.get(steps.size() - 1).state() != entry.state()) {
            steps.add(new Found.Step(entry.state(), at));
        }
        int breaks = (int) steps.stream()
                .filter(each -> each.state() == Finding.State.BROKEN)
                .count();
        List<Figured> parts = detector.figures(new Sight(
                entry.finding(),
                before(detector, entry, all),
                entry.state(),
                breaks,
                entry.state().isEnd() ? at : Long.MAX_VALUE));
        Found found = new Found(
                layer,
                entry.number(),
                entry.finding(),
                detector.words(entry.finding()),
                detector.reading(entry.finding()),
                steps,
                parts);
        if (known) {
            all.set(entry.number(), found);
        } else {
            all.add(found);
        }
    }

    /** The finding noted last before one to which it belongs; looked for among the few noted last. */
    private static Finding before(Detector detector, FindingLog.Standing entry, List<Found> all) {
        for (int at = entry.number() - 1; at >= Math.max(0, entry.number() - 24); at--) {
            Found each = all.get(at);
            if (each.state() != Finding.State.VOID && detector.follows(each.finding(), entry.finding())) {
                return each.finding();
            }
        }
        return null;
    }
}
