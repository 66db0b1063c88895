package dev.yardarm.core.scenario;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The scenarios of one instrument with their shares. Scenarios within the same larger one, and the largest among themselves, share a hundred
 * per cent; what was struck out has none. Immutable: every change gives new scenarios, and {@link #history} keeps the shares of before.
 *
 * <p><b>Nested</b>: the weight of a scenario that has none within it is the product of the shares on the way to it. When price strikes one out,
 * its weight is gone and all that is left is scaled to one again, so a small-scale event moves the larger scenarios just as much as it
 * should: the rule of conditional probability (Thomas Bayes, An Essay towards solving a Problem in the Doctrine of Chances, 1763). In which
 * order scenarios are struck out does not matter. Cost: linear in their number.
 */
public final class Scenarios {
    /** None. */
    public static final Scenarios NONE = new Scenarios(List.of(), Map.of(), Map.of(), Map.of(), List.of());

    private final List<Scenario> all;
    private final Map<String, Double> shares;
    /** The shares as they were given; while those of a level add up to less than a hundred they are its proportions. */
    private final Map<String, Double> said;

    private final Map<String, Strike> struck;
    private final List<Change> history;

    /**
     * What struck a scenario out.
     *
     * @param at when, microseconds UTC
     * @param price that proved it wrong; NaN when the trader did
     */
    public record Strike(long at, double price) {}

    /**
     * Shares as they stood from a moment on.
     *
     * @param why in words
     * @param shares in per cent by id, each within its larger scenario
     */
    public record Change(long at, String why, Map<String, Double> shares) {
        public Change {
            shares = Map.copyOf(shares);
        }
    }

    /**
     * What steps amount to.
     *
     * @param steps of one instrument, oldest first; one that has nothing to act on any more, because what it rests on was taken back, is left out
     */
    public static Scenarios of(List<ScenarioStep> steps) {
        Scenarios made = NONE;
        for (ScenarioStep step : steps) {
            made = made.after(step);
        }
        return made;
    }

    private Scenarios after(ScenarioStep step) {
        boolean there = get(step.scenario()).isPresent();
        boolean stands = there && struck(step.scenario()).isEmpty();
        return switch (step.kind()) {
            case ADDED -> {
                boolean place = step.made().parent().isEmpty()
                        || get(step.made().parent()).isPresent()
                                && struck(step.made().parent()).isEmpty();
                yield there || !place ? this : with(step.made(), step.percent(), step.at());
            }
            case REMOVED -> there ? without(step.scenario(), step.at()) : this;
            case SHARE -> stands ? withShare(step.scenario(), step.percent(), step.at()) : this;
            case STRUCK -> !stands || step.backAt() != 0 ? this : strike(step.scenario(), step.at(), step.price());
        };
    }

    private Scenarios(
            List<Scenario> all,
            Map<String, Double> shares,
            Map<String, Double> said,
            Map<String, Strike> struck,
            List<Change> history) {
        this.all = List.copyOf(all);
        this.shares = Map.copyOf(shares);
        this.said = Map.copyOf(said);
        this.struck = Map.copyOf(struck);
        this.history = List.copyOf(history);
    }

    /** The scenarios, in the order they were made. */
    public List<Scenario> all() {
        return all;
    }

    /** Those within a larger one, or the largest for an empty id. */
    public List<Scenario> within(String parent) {
        return all.stream().filter(each -> each.parent().equals(parent)).toList();
    }

    /** The scenario of an id. */
    public Optional<Scenario> get(String id) {
        return all.stream().filter(each -> each.id().equals(id)).findFirst();
    }

    /** The one a scenario lies within; null for none. A larger one was there before it, so the way ends. */
    private Scenario larger(Scenario of) {
        return of.parent().isEmpty() ? null : get(of.parent()).orElse(null);
    }

    /** The share of a scenario within its larger one, in per cent from 0 to 100. */
    public double share(String id) {
        return shares.getOrDefault(id, 0.0);
    }

    /** The share of a scenario among all, in per cent: the product of the shares on the way to it. */
    public double total(String id) {
        double product = 100;
        for (Scenario each = get(id).orElse(null); each != null; each = larger(each)) {
            product *= share(each.id()) / 100;
        }
        return product;
    }

    /** What struck a scenario out, or one that it lies within; empty while it stands. */
    public Optional<Strike> struck(String id) {
        for (Scenario each = get(id).orElse(null); each != null; each = larger(each)) {
            if (struck.containsKey(each.id())) {
                return Optional.of(struck.get(each.id()));
            }
        }
        return Optional.empty();
    }

    /** The shares over time, oldest first. */
    public List<Change> history() {
        return history;
    }

    /**
     * With one more scenario. While the shares that were given on its level add up to no more than a hundred, they are its proportions: 60 alone is
     * all, 60 and 25 are 71 and 29, and with 15 more they are what was said. Beyond that the share comes from the others in their proportion.
     *
     * @param percent from 0 to 100
     * @throws IllegalArgumentException when the id is taken, the larger scenario is not there, or the share is none
     */
    public Scenarios with(Scenario scenario, double percent, long at) {
        if (get(scenario.id()).isPresent()) {
            throw new IllegalArgumentException("there is a scenario " + scenario.id() + " already");
        }
        if (!scenario.parent().isEmpty() && get(scenario.parent()).isEmpty()) {
            throw new IllegalArgumentException("the larger scenario of " + scenario.title() + " is not there");
        }
        List<Scenario> more = new ArrayList<>(all);
        more.add(scenario);
        if (!(percent >= 0 && percent <= 100)) {
            throw new IllegalArgumentException("a probability is from 0 to 100 per cent, not " + percent);
        }
        Map<String, Double> changed = new HashMap<>(shares);
        changed.put(scenario.id(), 0.0);
        String why = scenario.title() + " was added";
        List<Scenario> others = standing(scenario.parent());
        double given = others.stream().mapToDouble(each -> said(each.id())).sum();
        if (given + percent > 100 + 1e-9 || given + percent <= 0) {
            return new Scenarios(more, changed, said, struck, history).withShare(scenario.id(), percent, at, why);
        }
        Map<String, Double> told = new HashMap<>(said);
        told.put(scenario.id(), percent);
        others.forEach(each -> changed.put(each.id(), said(each.id()) / (given + percent) * 100));
        changed.put(scenario.id(), percent / (given + percent) * 100);
        List<Change> longer = new ArrayList<>(history);
        longer.add(new Change(at, why, changed));
        return new Scenarios(more, changed, told, struck, longer);
    }

    private List<Scenario> standing(String parent) {
        return within(parent).stream()
                .filter(each -> struck(each.id()).isEmpty())
                .toList();
    }

    private double said(String id) {
        return said.getOrDefault(id, share(id));
    }

    /** What is left of a hundred when all shares that were given on a level are taken off; 0 when they amount to that or more. */
    public double unsaid(String parent) {
        return Math.max(
                0,
                100
                        - standing(parent).stream()
                                .mapToDouble(each -> said(each.id()))
                                .sum());
    }

    /** Without a scenario and those within it; its share goes to the others of its level. */
    public Scenarios without(String id, long at) {
        Scenario gone = get(id).orElse(null);
        if (gone == null) {
            return this;
        }
        Set<String> ids = new HashSet<>(Set.of(id));
        boolean grows = true;
        while (grows) {
            grows = false;
            for (Scenario each : all) {
                grows |= ids.contains(each.parent()) && ids.add(each.id());
            }
        }
        List<Scenario> left =
                all.stream().filter(each -> !ids.contains(each.id())).toList();
        Map<String, Double> changed = new HashMap<>(shares);
        Map<String, Strike> strikes = new HashMap<>(struck);
        ids.forEach(each -> {
            changed.remove(each);
            strikes.remove(each);
        });
        Scenarios rest = new Scenarios(left, changed, Map.of(), strikes, history);
        return rest.written(at, gone.title() + " was removed", rest.levelled(gone.parent()));
    }

    /**
     * With another share of a scenario; the others of its level keep their proportion and take what is left.
     *
     * @throws IllegalArgumentException when it is no share, or the scenario was struck out
     */
    public Scenarios withShare(String id, double percent, long at) {
        return withShare(
                id, percent, at, get(id).map(Scenario::title).orElse(id) + " is " + Math.round(percent) + " %");
    }

    private Scenarios withShare(String id, double percent, long at, String why) {
        if (!(percent >= 0 && percent <= 100)) {
            throw new IllegalArgumentException("a probability is from 0 to 100 per cent, not " + percent);
        }
        if (struck(id).isPresent()) {
            throw new IllegalArgumentException("this scenario was struck out; take that back first");
        }
        Scenario changed = get(id).orElseThrow(() -> new IllegalArgumentException("there is no scenario " + id));
        List<Scenario> others = within(changed.parent()).stream()
                .filter(each -> !each.id().equals(id) && struck(each.id()).isEmpty())
                .toList();
        Map<String, Double> after = new HashMap<>(shares);
        double mine = others.isEmpty() ? 100 : percent;
        double before = others.stream().mapToDouble(each -> share(each.id())).sum();
        after.put(id, mine);
        for (Scenario each : others) {
            double part = before > 0 ? share(each.id()) / before : 1.0 / others.size();
            after.put(each.id(), part * (100 - mine));
        }
        return written(at, why, after);
    }

    /** Shares of a level, scaled to a hundred again. */
    private Map<String, Double> levelled(String parent) {
        Map<String, Double> after = new HashMap<>(shares);
        double sum =
                within(parent).stream().mapToDouble(each -> share(each.id())).sum();
        if (sum > 0) {
            within(parent).forEach(each -> after.put(each.id(), share(each.id()) / sum * 100));
        }
        return after;
    }

    /**
     * With a scenario struck out: what weight it had goes to all that stand, in their proportion, at every level.
     *
     * @param price that proved it wrong; NaN when the trader did
     */
    public Scenarios strike(String id, long at, double price) {
        if (get(id).isEmpty() || struck(id).isPresent()) {
            return this;
        }
        Map<String, Strike> strikes = new LinkedHashMap<>(struck);
        strikes.put(id, new Strike(at, price));
        Scenarios after = new Scenarios(all, shares, said, strikes, history);
        Map<String, Double> weights = new HashMap<>();
        for (Scenario each : all) {
            if (within(each.id()).isEmpty()) {
                weights.put(each.id(), after.struck(each.id()).isPresent() ? 0 : total(each.id()));
            }
        }
        Map<String, Double> changed = new HashMap<>();
        after.share("", weights, changed);
        return after.written(at, get(id).orElseThrow().title() + " was struck out", changed);
    }

    /** The weight of all within a scenario; writes down the shares of each level. */
    private double share(String parent, Map<String, Double> weights, Map<String, Double> into) {
        double sum = 0;
        Map<String, Double> level = new HashMap<>();
        for (Scenario each : within(parent)) {
            double weight = within(each.id()).isEmpty() ? weights.get(each.id()) : share(each.id(), weights, into);
            level.put(each.id(), weight);
            sum += weight;
        }
        double whole = sum;
        level.forEach((id, weight) -> into.put(id, whole > 0 ? weight / whole * 100 : 0));
        return sum;
    }

    private Scenarios written(long at, String why, Map<String, Double> changed) {
        List<Change> more = new ArrayList<>(history);
        more.add(new Change(at, why, changed));
        return new Scenarios(all, changed, changed, struck, more);
    }

    /** Those that stand and that a price proves wrong. */
    public List<Scenario> invalidatedBy(double price) {
        return all.stream()
                .filter(each -> struck(each.id()).isEmpty() && each.isInvalidatedBy(price))
                .toList();
    }

    /** The shares of a level as whole per cents that add up to a hundred: the largest remainders are rounded up. */
    public Map<String, Integer> rounded(String parent) {
        List<Scenario> level = within(parent);
        Map<String, Integer> whole = new LinkedHashMap<>();
        int sum = 0;
        for (Scenario each : level) {
            int floor = (int) Math.floor(share(each.id()) + 1e-9);
            whole.put(each.id(), floor);
            sum += floor;
        }
        double shared = level.stream().mapToDouble(each -> share(each.id())).sum();
        List<Scenario> byRest = new ArrayList<>(level);
        byRest.sort((one, other) -> Double.compare(rest(other), rest(one)));
        for (int at = 0; shared > 99 && sum < 100 && at < byRest.size(); at++, sum++) {
            whole.merge(byRest.get(at).id(), 1, Integer::sum);
        }
        return whole;
    }

    private double rest(Scenario scenario) {
        double share = share(scenario.id());
        return share - Math.floor(share + 1e-9);
    }

    /**
     * A price at which something is decided between the scenarios that stand.
     *
     * @param strikes titles of those it proves wrong
     * @param reaches titles of those whose next target it is
     * @param line the alert that waits for it, as it would be typed, with the price in {@code %s}
     */
    public record Decision(double price, List<String> strikes, List<String> reaches, String line) {
        public Decision {
            strikes = List.copyOf(strikes);
            reaches = List.copyOf(reaches);
        }
    }

    /**
     * What would decide between the scenarios: prices that prove some wrong and not all, and their targets; the nearest first.
     *
     * @param last where price stands
     */
    public List<Decision> decisions(double last) {
        List<Scenario> standing =
                all.stream().filter(each -> struck(each.id()).isEmpty()).toList();
        Map<Double, Decision> found = new LinkedHashMap<>();
        for (Scenario each : standing) {
            String side = each.way() > 0 ? "below" : "above";
            add(found, each.invalidation(), each.title(), true, "goes " + side + " %s");
            each.targets().stream()
                    .filter(target -> each.way() * (target.price() - last) > 0)
                    .findFirst()
                    .ifPresent(target -> add(found, target.price(), each.title(), false, "reaches %s"));
        }
        return found.values().stream()
                .filter(each -> each.strikes().size() < standing.size() || standing.size() == 1)
                .sorted((one, other) -> Double.compare(Math.abs(one.price() - last), Math.abs(other.price() - last)))
                .toList();
    }

    private static void add(Map<Double, Decision> found, double price, String title, boolean strikes, String line) {
        Decision there = found.getOrDefault(price, new Decision(price, List.of(), List.of(), line));
        List<String> struck = new ArrayList<>(there.strikes());
        List<String> reached = new ArrayList<>(there.reaches());
        (strikes ? struck : reached).add(title);
        found.put(price, new Decision(price, struck, reached, strikes ? line : there.line()));
    }
}
