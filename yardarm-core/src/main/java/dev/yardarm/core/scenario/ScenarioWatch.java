package dev.yardarm.core.scenario;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Finds the trades that prove scenarios wrong. A scenario whose strike the trader took back keeps standing while price stays beyond its
 * invalidation, and is struck out again only after price has come back inside. O(scenarios) for each trade.
 */
public final class ScenarioWatch {
    private final List<Scenario> standing;
    private final Map<String, Long> backAt;
    /** Those of which price has been inside since they were taken back. */
    private final Set<String> inside = new HashSet<>();

    private final Set<String> struck = new HashSet<>();

    /** A trade that proves a scenario wrong. */
    public record Found(Scenario scenario, long at, double price) {}

    /**
     * Watches those that stand.
     *
     * @param standing in prices of now
     * @param backAt by id when the last strike was taken back; none for those that never were struck
     */
    public ScenarioWatch(List<Scenario> standing, Map<String, Long> backAt) {
        this.standing = List.copyOf(standing);
        this.backAt = new HashMap<>(backAt);
    }

    /** Takes in a trade; gives those it proves wrong, each once. */
    public List<Found> onTrade(long time, double price) {
        List<Found> found = List.of();
        for (Scenario each : standing) {
            if (time <= each.madeAt() || struck.contains(each.id())) {
                continue;
            }
            Long back = backAt.get(each.id());
            boolean beyond = each.isInvalidatedBy(price);
            if (back != null && time <= back) {
                continue;
            }
            if (!beyond) {
                inside.add(each.id());
            } else if (back == null || inside.contains(each.id())) {
                struck.add(each.id());
                found = new ArrayList<>(found);
                found.add(new Found(each, time, price));
            }
        }
        return found;
    }

    /** True when nothing is left to watch. */
    public boolean isDone() {
        return struck.size() == standing.size();
    }
}
