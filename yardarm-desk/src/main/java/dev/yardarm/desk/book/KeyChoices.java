package dev.yardarm.desk.book;

import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import java.util.LinkedHashMap;
import java.util.Map;

/** Which keys the trader chose: how groups of actions are reached, and keys other than the usual ones by the id of their action. */
public final class KeyChoices {
    private final DocumentSaver saver;
    private final Map<String, String> keys = new LinkedHashMap<>();
    private String leader = "space";

    public KeyChoices(DocumentSaver saver) {
        this.saver = saver;
        saver.read(DocumentKind.KEYS, "keys").ifPresent(saved -> {
            leader = saved.leader() == null ? leader : saved.leader();
            keys.putAll(saved.keys());
        });
        saver.store().takeNotices().forEach(saver::tell);
    }

    /** How groups of actions are reached, in lower case. */
    public String leader() {
        return leader;
    }

    /** Keys by the id of their action. */
    public Map<String, String> keys() {
        return Map.copyOf(keys);
    }

    /** Chooses how groups of actions are reached. */
    public void setLeader(String word) {
        leader = word;
        save();
    }

    /** Gives an action another key. */
    public void setKey(String id, String key) {
        keys.put(id, key);
        save();
    }

    private void save() {
        saver.save(DocumentKind.KEYS, "keys", new Documents.Keys(leader, Map.copyOf(keys)));
    }
}
