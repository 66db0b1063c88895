package dev.yardarm.core.plain;

import java.util.List;
import java.util.Map;

/** One thing that is asked for, as far as it has been read, and the words that everything asked for has in common. */
abstract class Asked {
    static final Map<String, String> COLOURS = Map.ofEntries(
            Map.entry("blue", "rise"),
            Map.entry("orange", "fall"),
            Map.entry("red", "rose"),
            Map.entry("green", "fern"),
            Map.entry("grey", "soft"),
            Map.entry("gray", "soft"),
            Map.entry("black", "ink"),
            Map.entry("purple", "plum"),
            Map.entry("violet", "plum"),
            Map.entry("brown", "umber"),
            Map.entry("turquoise", "teal"),
            Map.entry("rise", "rise"),
            Map.entry("fall", "fall"),
            Map.entry("soft", "soft"),
            Map.entry("ink", "ink"),
            Map.entry("plum", "plum"),
            Map.entry("teal", "teal"),
            Map.entry("rose", "rose"),
            Map.entry("moss", "moss"),
            Map.entry("indigo", "indigo"),
            Map.entry("umber", "umber"),
            Map.entry("fern", "fern"),
            Map.entry("slate", "slate"));
    static final String[] COLOUR_WORDS = COLOURS.keySet().toArray(String[]::new);

    final Words words;
    final Draft draft;
    final Phrases phrases;
    private final List<String> understood;

    Asked(Words words, Draft draft, Phrases phrases, List<String> understood) {
        this.words = words;
        this.draft = draft;
        this.phrases = phrases;
        this.understood = understood;
    }

    /** Notes what was understood. */
    void say(String what) {
        understood.add(what);
    }

    /** Goes back to a place; what was tried there is not what was asked for. */
    boolean fail(int place) {
        words.back(place);
        return false;
    }

    /** A colour, if one comes; else null. */
    String colour() {
        int place = words.place();
        words.take("in", "as", "to");
        String word = words.take(COLOUR_WORDS);
        if (word == null) {
            words.back(place);
            return null;
        }
        return COLOURS.get(word);
    }

    /** A label that no other line has. */
    String free(String label) {
        String name = label;
        for (int number = 2; draft.hasLabel(name); number++) {
            name = label + " " + number;
        }
        return name;
    }

    /** What something is to be called, if that comes; else null. */
    String label() {
        int place = words.place();
        if (words.take("called", "named", "as", "and call them", "and call it", "and name them") != null) {
            String name = name();
            if (name != null) {
                return name;
            }
        }
        words.back(place);
        return null;
    }

    /** The name that comes; null at the end. */
    String name() {
        String written = words.writtenNext();
        if (written.isEmpty()) {
            return null;
        }
        words.next();
        if (written.startsWith("\"")) {
            return written.substring(1, written.length() - 1);
        }
        StringBuilder name = new StringBuilder(Character.toUpperCase(written.charAt(0)) + written.substring(1));
        while (!words.atEnd() && !words.has("and", "in", "with", "when")) {
            name.append(' ').append(words.writtenNext());
            words.next();
        }
        return name.toString();
    }

    /** Gives what was spoken of last another colour. */
    boolean recoloured(String colour) {
        int at = draft.last("tint", "marker", "line", "dots", "area", "bars");
        if (at < 0) {
            return false;
        }
        String line = draft.line(at);
        String names = "\\b(" + String.join("|", COLOURS.values()) + ")\\b";
        if (line.startsWith("tint")) {
            line = line.replaceFirst("(\"[^\"]*\") " + names, "$1 " + colour);
        } else if (line.startsWith("marker")) {
            line = line.contains(" when ")
                            && line.substring(0, line.indexOf(" when ")).matches(".*" + names)
                    ? line.replaceFirst(names, colour)
                    : line.replaceFirst(" when ", " " + colour + " when ");
        } else {
            line = line.matches(".*" + names + "$") ? line.replaceFirst(names + "$", colour) : line + " " + colour;
        }
        draft.set(at, line);
        say("in " + colour);
        return true;
    }
}
