package dev.yardarm.desk.line;

import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Field;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Reads the words behind an indicator's name in the command line: {@code 12 26 9}, {@code 20 high}, {@code weighted 50},
 * {@code 60 VRTQ}, {@code period:week}. Numbers go to the settings that take numbers in their order, a field is the
 * source, words go to the setting that knows them.
 */
final class IndicatorWords {
    private IndicatorWords() {}

    /**
     * The settings that words give.
     *
     * @throws IllegalArgumentException for a word that fits no setting
     */
    static Map<String, String> read(Indicator indicator, List<String> words) {
        Map<String, String> values = new LinkedHashMap<>();
        for (String word : words) {
            int colon = word.indexOf(':');
            if (colon > 0
                    && indicator.settings().stream()
                            .anyMatch(each -> each.name().equals(name(word, colon)))) {
                values.put(name(word, colon), word.substring(colon + 1));
            } else {
                values.put(settingFor(indicator, word, values), word.startsWith("#") ? word.substring(1) : word);
            }
        }
        return values;
    }

    private static String name(String word, int colon) {
        return word.substring(0, colon).toLowerCase(Locale.ROOT);
    }

    private static String settingFor(Indicator indicator, String word, Map<String, String> taken) {
        boolean part = word.matches("[-+−]?[0-9.]+%");
        boolean number = part || word.matches("[-+−]?[0-9.]+");
        for (Setting setting : indicator.settings()) {
            boolean fits =
                    setting instanceof Setting.Source && Field.named(word).isPresent()
                            || setting instanceof Setting.Choice choice
                                    && choice.words().stream().anyMatch(word::equalsIgnoreCase)
                            || setting instanceof Setting.Moment && word.matches("[0-9]{4}-[0-9]{2}-[0-9]{2}.*|start")
                            || number && !part && setting instanceof Setting.WholeNumber
                            || number && setting instanceof Setting.Number;
            if (fits && !taken.containsKey(setting.name())) {
                return setting.name();
            }
        }
        return indicator.settings().stream()
                .filter(each -> each instanceof Setting.Other && !number && !taken.containsKey(each.name()))
                .map(Setting::name)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + word + "' is not a setting of " + indicator.name()
                        + "; it has "
                        + String.join(
                                ", ",
                                indicator.settings().stream().map(Setting::name).toList())));
    }
}
