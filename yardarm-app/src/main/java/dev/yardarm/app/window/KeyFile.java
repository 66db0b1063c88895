package dev.yardarm.app.window;

import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.KeyChoices;
import java.util.Locale;

/** The keys the trader changed, kept in the open file {@code documents/keys.json}; read at the start. */
final class KeyFile {
    /** How the first letter of a leader key is pressed. */
    enum Leader {
        /** The letter alone. */
        PLAIN,
        /** The letter with Alt held. */
        ALT,
        /** Leader keys are off. */
        OFF
    }

    private final Desk desk;
    private final LeaderKeys keys;
    private final KeyChoices chosen;
    private Leader leader;

    KeyFile(Desk desk, LeaderKeys keys) {
        this.desk = desk;
        this.keys = keys;
        chosen = new KeyChoices(desk.saver());
        leader = leaderNamed(chosen.leader());
        chosen.keys().forEach((id, key) -> {
            try {
                keys.change(id, key);
            } catch (IllegalArgumentException bad) {
                desk.tell("The key file: " + bad.getMessage() + ".");
            }
        });
    }

    private static Leader leaderNamed(String word) {
        try {
            return Leader.valueOf(word.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException unknown) {
            return Leader.PLAIN;
        }
    }

    Leader leader() {
        return leader;
    }

    /** Gives an action another key and keeps that. */
    void change(String id, String key) {
        try {
            if (id.equals("leader")) {
                leader = Leader.valueOf(key.toUpperCase(Locale.ROOT));
                chosen.setLeader(leader.name().toLowerCase(Locale.ROOT));
                desk.tell("Leader keys: " + key + ".");
            } else {
                keys.change(id, key);
                chosen.setKey(id.toLowerCase(Locale.ROOT), key);
                desk.tell(id + " is on " + key.toUpperCase(Locale.ROOT) + " now.");
            }
        } catch (IllegalArgumentException bad) {
            desk.tell(
                    id.equals("leader")
                            ? "Leader keys are plain, alt or off, not '" + key + "'."
                            : "The key was not changed: " + bad.getMessage() + ".");
        }
    }
}
