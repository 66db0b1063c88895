package dev.yardarm.core.formula;

import dev.yardarm.core.formula.Expression.Meaning;
import dev.yardarm.core.indicator.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The names a definition gives: its settings and what it calls intermediate results, tints and cues. Empty for a formula. */
final class Scope {
    /** A setting, and whether its numbers were written as per cents. */
    record Named(Setting setting, boolean percent) {}

    private final Map<String, Named> settings = new LinkedHashMap<>();
    private final Map<String, Meaning> meanings = new LinkedHashMap<>();

    void add(Setting setting, boolean percent) {
        settings.put(setting.name(), new Named(setting, percent));
    }

    void add(Meaning meaning) {
        meanings.put(meaning.name(), meaning);
    }

    Named setting(String word) {
        return settings.get(word.toLowerCase(Locale.ROOT));
    }

    Meaning meaning(String word) {
        return meanings.get(word.toLowerCase(Locale.ROOT));
    }

    boolean has(String word) {
        return setting(word) != null || meaning(word) != null;
    }

    List<Setting> settings() {
        return settings.values().stream().map(Named::setting).toList();
    }

    List<String> names() {
        List<String> names = new ArrayList<>(settings.keySet());
        names.addAll(meanings.keySet());
        return names;
    }
}
