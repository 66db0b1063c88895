package dev.yardarm.app.window;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
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
        private char letter;
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

        /** Its name in the key file. */
        public String id() {
            return slug(title);
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
        /** Its name in the key file, behind that of its group. */
        public String id() {
            return slug(label);
        }
    }

    private static String slug(String words) {
        return words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    }

    /**
     * Gives an action another key. An entry is named by its group and itself, {@code layout.split-beside}; a group by
     * itself. Where the key is taken, the two change places.
     *
     * @throws IllegalArgumentException when there is no such action or the key is no single character
     */
    public void change(String id, String key) {
        String wanted = key.strip();
        if (wanted.length() != 1 || wanted.charAt(0) <= ' ') {
            throw new IllegalArgumentException("a key is a single letter or digit, not '" + key + "'");
        }
        char letter = Character.toUpperCase(wanted.charAt(0));
        String[] parts = id.strip().toLowerCase(Locale.ROOT).split("\\.", 2);
        Group group = groups.values().stream()
                .filter(each -> each.id().equals(parts[0]))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there are no keys called '" + parts[0] + "'"));
        if (parts.length == 1) {
            swapGroups(group, letter);
            return;
        }
        Entry entry = group.entries.values().stream()
                .filter(each -> each.id().equals(parts[1]))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no key is called '" + id + "'"));
        List<Entry> all = new ArrayList<>(group.entries.values());
        all.replaceAll(each -> each == entry
                ? new Entry(letter, each.label(), each.action())
                : each.key() == letter ? new Entry(entry.key(), each.label(), each.action()) : each);
        group.entries.clear();
        all.forEach(each -> group.entries.put(each.key(), each));
    }

    private void swapGroups(Group group, char letter) {
        char before = group.letter;
        List<Group> all = new ArrayList<>(groups.values());
        for (Group each : all) {
            if (each.letter == letter) {
                each.letter = before;
            }
        }
        group.letter = letter;
        groups.clear();
        all.forEach(each -> groups.put(each.letter, each));
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
