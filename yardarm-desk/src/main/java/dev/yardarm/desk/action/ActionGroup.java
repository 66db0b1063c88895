package dev.yardarm.desk.action;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Actions behind one letter. A letter is matched as it was typed, whatever key it is on, in either case. */
public final class ActionGroup {
    private final Actions all;
    private final String id;
    private final String title;
    private final Optional<View> view;
    private final Map<Character, Action> byKey = new LinkedHashMap<>();
    private char letter;

    ActionGroup(Actions all, char letter, String id, String title, Optional<View> view) {
        this.all = all;
        this.letter = letter;
        this.id = id;
        this.title = title;
        this.view = view;
    }

    /**
     * Declares an action on a key.
     *
     * @param label a few words; they name it in the key file too
     * @throws IllegalArgumentException when the key or the name is taken
     */
    public Action on(char key, String label, Runnable work) {
        Action action = all.declare(id + "." + slug(label), label, view, work);
        if (byKey.putIfAbsent(Character.toUpperCase(key), action) != null) {
            throw new IllegalArgumentException("the key " + letter + " " + key + " is taken");
        }
        return action;
    }

    /** Declares an action that has words only, until the trader gives it a key. */
    public Action word(String words, String meaning, Runnable work, String... synonyms) {
        return all.declare(id + "." + slug(words), words, view, work).says(words, meaning, synonyms);
    }

    static String slug(String words) {
        return words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    }

    /** Its name in the key file. */
    public String id() {
        return id;
    }

    public String title() {
        return title;
    }

    public char letter() {
        return letter;
    }

    void setLetter(char now) {
        letter = now;
    }

    /** The actions by their keys, in the order they were declared. */
    public Map<Character, Action> actions() {
        return java.util.Collections.unmodifiableMap(byKey);
    }

    /** Those that act while a view is in front. */
    public Map<Character, Action> actions(View front) {
        Map<Character, Action> found = new LinkedHashMap<>(byKey);
        found.values().removeIf(action -> !action.actsIn(front));
        return found;
    }

    /** The action of a typed letter that acts while a view is in front. */
    public Optional<Action> find(char typed, View front) {
        return Optional.ofNullable(byKey.get(Character.toUpperCase(typed))).filter(action -> action.actsIn(front));
    }

    Optional<Character> keyOf(Action action) {
        return byKey.entrySet().stream()
                .filter(entry -> entry.getValue() == action)
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** Puts an action on a key; one that has the key already takes the other's place, or none. */
    void move(Action action, char key) {
        List<Map.Entry<Character, Action>> entries = new ArrayList<>(byKey.entrySet());
        Optional<Character> before = keyOf(action);
        Action displaced = byKey.get(key);
        byKey.clear();
        for (Map.Entry<Character, Action> entry : entries) {
            if (entry.getValue() == action) {
                byKey.put(key, action);
            } else if (entry.getValue() != displaced) {
                byKey.put(entry.getKey(), entry.getValue());
            } else if (before.isPresent()) {
                byKey.put(before.get(), displaced);
            }
        }
        byKey.put(key, action);
    }
}
