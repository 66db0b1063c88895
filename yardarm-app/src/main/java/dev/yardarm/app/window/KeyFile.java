package dev.yardarm.app.window;

import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.Actions;
import dev.yardarm.desk.book.KeyChoices;
import java.util.Locale;

/**
 * The keys the trader changed, kept in the open file {@code documents/keys.json}; read at the start. Names that actions had
 * before are understood and written as they are now with the next change.
 */
final class KeyFile {
    /** How the groups are reached. */
    enum Leader {
        /** With Space. */
        SPACE,
        /** With Space, or with Alt and the letter of the group. */
        ALT
    }

    private final Desk desk;
    private final Actions actions;
    private final KeyChoices chosen;
    private Leader leader;

    KeyFile(Desk desk, Actions actions) {
        this.desk = desk;
        this.actions = actions;
        chosen = new KeyChoices(desk.saver());
        // Files from before letters typed say plain or off: both are Space now.
        leader = chosen.leader().equalsIgnoreCase("alt") ? Leader.ALT : Leader.SPACE;
        chosen.keys().forEach((id, key) -> {
            try {
                actions.change(id, key);
            } catch (IllegalArgumentException bad) {
                desk.tell("The key file: " + bad.getMessage() + ".");
            }
        });
    }

    Leader leader() {
        return leader;
    }

    /** Gives an action another key and keeps that. */
    void change(String id, String key) {
        if (id.equalsIgnoreCase("leader")) {
            changeLeader(key.strip());
            return;
        }
        try {
            String name = actions.change(id, key);
            chosen.setKey(name, key.strip());
            desk.tell(actions.find(name)
                    .map(action -> "The keys of " + action.label() + " are " + actions.keys(action) + " now.")
                    .orElseGet(() -> "The group " + name + " is on " + Actions.LEADER + " "
                            + key.strip().toUpperCase(Locale.ROOT) + " now."));
        } catch (IllegalArgumentException bad) {
            desk.tell("The key was not changed: " + bad.getMessage() + ".");
        }
    }

    private void changeLeader(String word) {
        for (Leader each : Leader.values()) {
            if (each.name().equalsIgnoreCase(word)) {
                leader = each;
                chosen.setLeader(word.toLowerCase(Locale.ROOT));
                desk.tell(
                        each == Leader.ALT
                                ? "Space leads, and Alt with the letter of a group too."
                                : "Space leads, then the letter of a group.");
                return;
            }
        }
        desk.tell("The leader is space or alt, not '" + word + "': key leader space.");
    }
}
