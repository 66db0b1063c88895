package dev.yardarm.app.window;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * The two-key commands: a first letter opens a group, the second does something. Letters are matched as typed, whatever
 * key they are on; a group may tell a small letter from its capital where it has both.
 */
public final class LeaderKeys {
    private final Map<Character, Group> groups = new LinkedHashMap<>();

    /** What a first letter opens. */
    public static final class Group {
        private final char letter;
        private final String title;
        private final Map<Character, Entry> entries = new LinkedHashMap<>();

        private Group(char letter, String title) {
            this.letter = letter;
            this.title = title;
        }

        public char letter() {
            return letter;
        }

        public String title() {
            return title;
        }

        public Iterable<Entry> entries() {
            return entries.values();
        }

        /** Adds a second key. */
        public Group add(char key, String label, Runnable action) {
            if (entries.putIfAbsent(key, new Entry(key, label, action)) != null) {
                throw new IllegalArgumentException("the key " + letter + " " + key + " is taken");
            }
            return this;
        }

        /** The entry of a typed letter: exactly, else in the other case. */
        public Optional<Entry> find(char typed) {
            Entry exact = entries.get(typed);
            if (exact != null) {
                return Optional.of(exact);
            }
            char other = Character.isUpperCase(typed) ? Character.toLowerCase(typed) : Character.toUpperCase(typed);
            return Optional.ofNullable(entries.get(other));
        }
    }

    /** A second key and what it does. */
    public record Entry(char key, String label, Runnable action) {
    }

    /** Opens a group for a first letter, a capital. */
    public Group group(char letter, String title) {
        Group group = new Group(letter, title);
        if (groups.putIfAbsent(letter, group) != null) {
            throw new IllegalArgumentException("the letter " + letter + " opens a group already");
        }
        return group;
    }

    /** The group of a typed letter, in either case. */
    public Optional<Group> find(char typed) {
        return Optional.ofNullable(groups.get(Character.toUpperCase(typed)));
    }

    public Iterable<Group> groups() {
        return groups.values();
    }
}
