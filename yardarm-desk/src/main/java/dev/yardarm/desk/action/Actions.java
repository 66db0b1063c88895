package dev.yardarm.desk.action;

import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * All that can be done, in groups. The leader key, a group's letter and an action's letter do an action; its words do it from the
 * command line. Confined to the interface's thread; finding an action costs a look into a map.
 */
public final class Actions {
    /** The key that leads. */
    public static final String LEADER = "Space";

    private final Map<Character, ActionGroup> groups = new LinkedHashMap<>();
    private final Map<String, Action> byId = new LinkedHashMap<>();
    private final Listeners<Actions> listeners = new Listeners<>();

    /**
     * Opens a group that acts in every view.
     *
     * @throws IllegalArgumentException when the letter opens another
     */
    public ActionGroup group(char letter, String id, String title) {
        return open(new ActionGroup(this, letter, id, title, Optional.empty()));
    }

    /** Opens a group that acts in one view alone. */
    public ActionGroup group(char letter, String id, String title, View view) {
        return open(new ActionGroup(this, letter, id, title, Optional.of(view)));
    }

    private ActionGroup open(ActionGroup group) {
        if (groups.putIfAbsent(group.letter(), group) != null) {
            throw new IllegalArgumentException("the letter " + group.letter() + " opens a group already");
        }
        return group;
    }

    Action declare(String id, String label, Optional<View> view, Runnable work) {
        Action action = new Action(id, label, view, work);
        if (byId.putIfAbsent(id, action) != null) {
            throw new IllegalArgumentException("there is an action " + id + " already");
        }
        return action;
    }

    public Collection<ActionGroup> groups() {
        return List.copyOf(groups.values());
    }

    /** The groups in which something can be done while a view is in front. */
    public List<ActionGroup> groups(View front) {
        return groups.values().stream()
                .filter(group -> !group.actions(front).isEmpty())
                .toList();
    }

    /** The group of a typed letter, in either case. */
    public Optional<ActionGroup> group(char typed) {
        return Optional.ofNullable(groups.get(Character.toUpperCase(typed)));
    }

    public Collection<Action> all() {
        return List.copyOf(byId.values());
    }

    /**
     * An action by its name, or by one it had before.
     *
     * @return empty for a name that nothing ever had
     */
    public Optional<Action> find(String id) {
        String name = id.strip().toLowerCase(Locale.ROOT);
        Action action = byId.get(name);
        return action != null
                ? Optional.of(action)
                : byId.values().stream()
                        .filter(each -> each.former().contains(name))
                        .findFirst();
    }

    /**
     * An action the program itself asks for.
     *
     * @throws IllegalArgumentException when there is none
     */
    public Action get(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("there is no action " + id));
    }

    /** The keys of an action as they are set: {@code Space L S}; empty when it has none. */
    public String keys(Action action) {
        for (ActionGroup group : groups.values()) {
            Optional<Character> key = group.keyOf(action);
            if (key.isPresent()) {
                return LEADER + " " + group.letter() + " " + key.get();
            }
        }
        return "";
    }

    /** What an action does and its keys, for a tooltip: {@code A copy of the chart to its right (Space L S)}. */
    public String tip(Action action) {
        String meaning = action.meaning();
        String sentence = meaning.isEmpty() ? "" : Character.toUpperCase(meaning.charAt(0)) + meaning.substring(1);
        String keys = keys(action);
        return keys.isEmpty()
                ? action.word().isEmpty() ? sentence : sentence + " (type: " + action.word() + ")"
                : sentence + " (" + keys + ")";
    }

    /**
     * Gives an action or a group another key. Where the key is taken, the two change places.
     *
     * @param id an action as {@code layout.split-right}, or a group as {@code layout}
     * @return the name it goes by now
     * @throws IllegalArgumentException when there is no such action or the key is no single letter or digit
     */
    public String change(String id, String key) {
        String wanted = key.strip();
        if (wanted.length() != 1 || wanted.charAt(0) <= ' ') {
            throw new IllegalArgumentException("a key is a single letter or digit, not '" + key + "'");
        }
        char letter = Character.toUpperCase(wanted.charAt(0));
        String name = id.strip().toLowerCase(Locale.ROOT);
        Optional<ActionGroup> whole =
                groups.values().stream().filter(each -> each.id().equals(name)).findFirst();
        if (whole.isPresent()) {
            swap(whole.get(), letter);
            listeners.tell(this);
            return name;
        }
        Action action =
                find(name).orElseThrow(() -> new IllegalArgumentException("there is no action called '" + id + "'"));
        String of = action.id().substring(0, action.id().indexOf('.'));
        groups.values().stream()
                .filter(each -> each.id().equals(of))
                .findFirst()
                .ifPresent(group -> group.move(action, letter));
        listeners.tell(this);
        return action.id();
    }

    private void swap(ActionGroup group, char letter) {
        char before = group.letter();
        List<ActionGroup> all = new ArrayList<>(groups.values());
        all.stream().filter(each -> each.letter() == letter).forEach(each -> each.setLetter(before));
        group.setLetter(letter);
        groups.clear();
        all.forEach(each -> groups.put(each.letter(), each));
    }

    /** Is told whenever a key has changed. */
    public Listening listen(Consumer<? super Actions> listener) {
        return listeners.add(listener);
    }
}
