package dev.yardarm.desk.book;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Gives names that are not taken yet: the name itself, or the next one with a number behind it. Case does not tell names apart.
 * O(1) for each name, however many share their beginning.
 */
public final class Numbering {
    private final Set<String> taken = new HashSet<>();
    private final Map<String, Integer> next = new HashMap<>();
    private final String between;

    /**
     * @param names those that are taken
     * @param between stands between a name and its number
     */
    public Numbering(Collection<String> names, String between) {
        names.forEach(name -> taken.add(key(name)));
        this.between = between;
    }

    /** A name that is not taken, and is from now on. */
    public String free(String name) {
        if (taken.add(key(name))) {
            return name;
        }
        int number = next.getOrDefault(key(name), 2);
        while (!taken.add(key(name + between + number))) {
            number++;
        }
        next.put(key(name), number + 1);
        return name + between + number;
    }

    private static String key(String name) {
        return name.toLowerCase(Locale.ROOT);
    }
}
