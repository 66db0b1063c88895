package dev.yardarm.core.indicator;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Finds indicators by what people call them or want of them: all words of a text must be found, in the name, the title,
 * a synonym, the family, or at last in what the help says it is for. Names come before titles, beginnings before middles.
 */
public final class IndicatorSearch {
    private IndicatorSearch() {}

    /** The indicators that fit, the best first; all of them in the order of their titles for an empty text. */
    public static List<Indicator> find(String text, Catalogue catalogue) {
        String[] words = text.strip().toLowerCase(Locale.ROOT).split("\\s+");
        record Found(Indicator indicator, int rank) {}
        List<Found> found = new ArrayList<>();
        for (Indicator indicator : catalogue.all()) {
            int worst = 0;
            for (String word : words) {
                worst = Math.max(worst, rank(indicator, word));
            }
            if (worst < NONE) {
                found.add(new Found(indicator, worst));
            }
        }
        found.sort(Comparator.comparingInt(Found::rank)
                .thenComparing(each -> each.indicator().title(), String.CASE_INSENSITIVE_ORDER));
        return found.stream().map(Found::indicator).toList();
    }

    private static final int NONE = 9;

    private static int rank(Indicator indicator, String word) {
        if (word.isEmpty()) {
            return 0;
        }
        String name = indicator.name();
        if (name.equals(word)) {
            return 1;
        }
        if (name.startsWith(word)) {
            return 2;
        }
        String title = indicator.title().toLowerCase(Locale.ROOT);
        if (title.startsWith(word) || title.contains(" " + word)) {
            return 3;
        }
        if (indicator.synonyms().stream().anyMatch(each -> each.startsWith(word) || each.contains(" " + word))) {
            return 4;
        }
        if (title.contains(word)
                || name.contains(word)
                || indicator.family().title().toLowerCase(Locale.ROOT).contains(word)) {
            return 5;
        }
        String help = (indicator.help().summary() + " " + indicator.help().reading()).toLowerCase(Locale.ROOT);
        return word.length() > 2 && help.contains(word) ? 6 : NONE;
    }
}
