package dev.yardarm.app.window;

import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.Desk;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

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
    private final Map<String, String> changed = new LinkedHashMap<>();
    private Leader leader = Leader.PLAIN;

    KeyFile(Desk desk, LeaderKeys keys) {
        this.desk = desk;
        this.keys = keys;
        desk.saver().store().read(DocumentKind.KEYS, "keys").ifPresent(this::apply);
        desk.saver().store().takeNotices().forEach(desk::tell);
    }

    private void apply(Documents.Keys saved) {
        leader = leaderNamed(saved.leader() == null ? "plain" : saved.leader());
        saved.keys().forEach((id, key) -> {
            try {
                keys.change(id, key);
                changed.put(id, key);
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
                desk.tell("Leader keys: " + key + ".");
            } else {
                keys.change(id, key);
                changed.put(id.toLowerCase(Locale.ROOT), key);
                desk.tell(id + " is on " + key.toUpperCase(Locale.ROOT) + " now.");
            }
            desk.saver()
                    .save(
                            DocumentKind.KEYS,
                            "keys",
                            new Documents.Keys(leader.name().toLowerCase(Locale.ROOT), Map.copyOf(changed)));
        } catch (IllegalArgumentException bad) {
            desk.tell(
                    id.equals("leader")
                            ? "Leader keys are plain, alt or off, not '" + key + "'."
                            : "The key was not " + "changed: " + bad.getMessage() + ".");
        }
    }
}
