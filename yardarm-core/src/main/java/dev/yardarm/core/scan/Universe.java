package dev.yardarm.core.scan;

import java.util.ArrayList;
import java.util.List;

/**
 * Which instruments are looked at: those of any of the lists and indices (all there are when neither is named) that are of one of the
 * sectors and of one of the tiers, where those are named, without those of other lists.
 *
 * @param lists names of lists
 * @param indices codes of indices, whose members as of the moment are meant
 * @param heaviest how many of the members of each index, the heaviest first; 0 for all
 * @param sectors names of sectors; empty for any
 * @param tiers names of tiers; empty for any
 * @param without names of lists whose instruments are left out
 */
public record Universe(
        List<String> lists,
        List<String> indices,
        int heaviest,
        List<String> sectors,
        List<String> tiers,
        List<String> without) {
    /** Every instrument there is. */
    public static final Universe ALL = new Universe(List.of(), List.of(), 0, List.of(), List.of(), List.of());

    public Universe {
        lists = List.copyOf(lists);
        indices = List.copyOf(indices);
        sectors = List.copyOf(sectors);
        tiers = List.copyOf(tiers);
        without = List.copyOf(without);
        if (heaviest < 0) {
            throw new IllegalArgumentException("so many of the heaviest members: 0 or more, not " + heaviest);
        }
    }

    /** The instruments of one list. */
    public static Universe of(String list) {
        return list.isEmpty() ? ALL : new Universe(List.of(list), List.of(), 0, List.of(), List.of(), List.of());
    }

    /** The same with other lists. */
    public Universe withLists(List<String> others) {
        return new Universe(others, indices, heaviest, sectors, tiers, without);
    }

    /** The same with the members of other indices. */
    public Universe withIndices(List<String> others) {
        return new Universe(lists, others, heaviest, sectors, tiers, without);
    }

    /** The same with so many of the members of each index. */
    public Universe withHeaviest(int count) {
        return new Universe(lists, indices, count, sectors, tiers, without);
    }

    /** The same with other sectors. */
    public Universe withSectors(List<String> others) {
        return new Universe(lists, indices, heaviest, others, tiers, without);
    }

    /** The same with other tiers. */
    public Universe withTiers(List<String> others) {
        return new Universe(lists, indices, heaviest, sectors, others, without);
    }

    /** The same without the instruments of these lists. */
    public Universe leavingOut(List<String> others) {
        return new Universe(lists, indices, heaviest, sectors, tiers, others);
    }

    /** The same, when a list gets another name. */
    public Universe renamed(String list, String other) {
        return new Universe(
                lists.stream().map(each -> each.equals(list) ? other : each).toList(),
                indices,
                heaviest,
                sectors,
                tiers,
                without.stream().map(each -> each.equals(list) ? other : each).toList());
    }

    /** In words: {@code All companies, Tidal power, without Evening round}. */
    public String words() {
        List<String> words = new ArrayList<>();
        if (lists.isEmpty() && indices.isEmpty()) {
            words.add("all instruments");
        }
        if (!lists.isEmpty()) {
            words.add(String.join(" and ", lists));
        }
        if (!indices.isEmpty()) {
            words.add((heaviest == 0 ? "members of " : "the " + heaviest + " heaviest of ")
                    + String.join(" and ", indices));
        }
        if (!sectors.isEmpty()) {
            words.add(String.join(" or ", sectors));
        }
        if (!tiers.isEmpty()) {
            words.add(String.join(" or ", tiers));
        }
        if (!without.isEmpty()) {
            words.add("without " + String.join(" and ", without));
        }
        return String.join(", ", words);
    }
}
