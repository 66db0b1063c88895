package dev.yardarm.core.plain;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The words of a sentence with a place in them: what was written in quotes stays together, filling words are left out. */
final class Words {
    private static final Pattern WORD = Pattern.compile(
            "[\"“”']([^\"“”']+)[\"“”']|#[A-Za-z0-9_:.]*[A-Za-z0-9_]|\\d+(?:\\.\\d+)?|[A-Za-z_]+|>=|<=|[><=%×*/+]");
    private static final Set<String> FILLING = Set.of(
            "the",
            "a",
            "an",
            "their",
            "all",
            "any",
            "please",
            "that",
            "those",
            "these",
            "which",
            "own",
            "then",
            "has",
            "have",
            "value",
            "values",
            "trading",
            "still",
            "already",
            "currently",
            "now",
            "us",
            "they");
    private static final Map<String, String> NUMBERS = Map.ofEntries(
            Map.entry("one", "1"),
            Map.entry("two", "2"),
            Map.entry("three", "3"),
            Map.entry("four", "4"),
            Map.entry("five", "5"),
            Map.entry("six", "6"),
            Map.entry("seven", "7"),
            Map.entry("eight", "8"),
            Map.entry("nine", "9"),
            Map.entry("ten", "10"),
            Map.entry("twelve", "12"),
            Map.entry("fifteen", "15"),
            Map.entry("twenty", "20"),
            Map.entry("thirty", "30"),
            Map.entry("forty", "40"),
            Map.entry("fifty", "50"),
            Map.entry("sixty", "60"),
            Map.entry("hundred", "100"));

    private final List<String> words = new ArrayList<>();
    /** As they were written. */
    private final List<String> written = new ArrayList<>();

    private int at;

    Words(String sentence) {
        Matcher found =
                WORD.matcher(sentence.replace("'s ", " ").replace("’s ", " ").replaceAll("(?i)\\bper ?cent\\b", "%"));
        while (found.find()) {
            String text = found.group(1) != null ? "\"" + found.group(1).strip() + "\"" : found.group();
            String lower = text.startsWith("\"") || text.startsWith("#") ? text : text.toLowerCase(Locale.ROOT);
            if (!FILLING.contains(lower)) {
                words.add(NUMBERS.getOrDefault(lower, lower));
                written.add(text);
            }
        }
    }

    int place() {
        return at;
    }

    void back(int place) {
        at = place;
    }

    boolean atEnd() {
        return at >= words.size();
    }

    String peek() {
        return peek(0);
    }

    String peek(int ahead) {
        return at + ahead < words.size() ? words.get(at + ahead) : "";
    }

    /** The next word as it was written. */
    String writtenNext() {
        return atEnd() ? "" : written.get(at);
    }

    String next() {
        return atEnd() ? "" : words.get(at++);
    }

    /** Takes one of several phrases, the longest that fits; null when none does. */
    String take(String... phrases) {
        String best = null;
        int length = 0;
        for (String phrase : phrases) {
            String[] parts = phrase.split(" ");
            boolean fits = parts.length > length;
            for (int part = 0; fits && part < parts.length; part++) {
                fits = peek(part).equals(parts[part]);
            }
            if (fits) {
                best = phrase;
                length = parts.length;
            }
        }
        at += length;
        return best;
    }

    boolean has(String... phrases) {
        int place = at;
        boolean found = take(phrases) != null;
        at = place;
        return found;
    }

    /** Takes a number; null when none stands here. */
    String number() {
        return peek().matches("\\d+(\\.\\d+)?") ? next() : null;
    }

    /** The words from here on, as one text. */
    String rest() {
        return String.join(" ", written.subList(Math.min(at, written.size()), written.size()));
    }

    /** The words from a place to here. */
    String since(int place) {
        return String.join(" ", written.subList(place, Math.min(at, written.size())));
    }
}
