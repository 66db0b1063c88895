package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Definition;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The lines of a definition while sentences change them; what they do not touch stays as it was written. */
final class Draft {
    private static final Pattern SHOWN = Pattern.compile("^(tint|cue|marker|line|bars|dots|area)\\b.*");
    private static final Pattern LET = Pattern.compile("^let\\s+(\\w+)\\s*=\\s*(.*)$");

    private final List<String> lines = new ArrayList<>();

    Draft(String text) {
        text.lines().map(String::stripTrailing).forEach(lines::add);
        while (!lines.isEmpty() && lines.get(lines.size() - 1).isBlank()) {
            lines.remove(lines.size() - 1);
        }
    }

    boolean isEmpty() {
        return lines.stream().allMatch(String::isBlank);
    }

    String text() {
        return lines.isEmpty() ? "" : String.join("\n", lines) + "\n";
    }

    /** Begins a definition when there is none. */
    void begin(String title, boolean inPrice) {
        if (lines.stream().noneMatch(line -> line.strip().startsWith("define"))) {
            lines.removeIf(String::isBlank);
            lines.add(0, "define \"" + title + "\" in " + (inPrice ? "price" : "pane"));
        }
    }

    /** Takes away lets that nothing uses and that were not there before: of readings that came to nothing. */
    void prune(List<String> before) {
        for (String name : lets()) {
            Pattern use = Pattern.compile("\\b" + name + "\\b");
            boolean used = lines.stream()
                    .filter(line -> !line.strip().startsWith("let " + name + " "))
                    .anyMatch(line -> use.matcher(line).find());
            if (!used && !before.contains(name)) {
                lines.removeIf(line -> line.strip().startsWith("let " + name + " "));
            }
        }
    }

    /** True when a line other than the first has this label. */
    boolean hasLabel(String label) {
        return lines.stream().filter(line -> !line.strip().startsWith("define")).anyMatch(line -> line.toLowerCase(
                        java.util.Locale.ROOT)
                .contains("\"" + label.toLowerCase(java.util.Locale.ROOT) + "\""));
    }

    /** The name a value has; a let is made for it when it has none. */
    String named(String name, String value) {
        String free = name;
        for (String line : lines) {
            Matcher let = LET.matcher(line.strip());
            if (let.matches() && let.group(2).strip().equals(value)) {
                return let.group(1);
            }
        }
        for (int number = 2; value(free) != null || setting(free) != null; number++) {
            free = name + "_" + number;
        }
        insert("let " + free + " = " + value, "let", "setting", "define", "note", "level");
        return free;
    }

    /** What a let says; null when there is none of the name. */
    String value(String name) {
        for (String line : lines) {
            Matcher let = LET.matcher(line.strip());
            if (let.matches() && let.group(1).equals(name)) {
                return let.group(2).strip();
            }
        }
        return null;
    }

    /** Lets a name mean something else. */
    void setValue(String name, String value) {
        for (int at = 0; at < lines.size(); at++) {
            Matcher let = LET.matcher(lines.get(at).strip());
            if (let.matches() && let.group(1).equals(name)) {
                lines.set(at, "let " + name + " = " + value);
            }
        }
    }

    /** The names of the lets, in their order. */
    List<String> lets() {
        List<String> names = new ArrayList<>();
        for (String line : lines) {
            Matcher let = LET.matcher(line.strip());
            if (let.matches()) {
                names.add(let.group(1));
            }
        }
        return names;
    }

    String setting(String name) {
        return lines.stream()
                .map(String::strip)
                .filter(line -> line.matches("setting\\s+" + name + "\\s*=.*"))
                .findFirst()
                .orElse(null);
    }

    void addSetting(String line) {
        insert(line, "setting", "define", "note", "level");
    }

    void replaceSetting(String name, String line) {
        for (int at = 0; at < lines.size(); at++) {
            if (lines.get(at).strip().matches("setting\\s+" + name + "\\s*=.*")) {
                lines.set(at, line);
            }
        }
    }

    /** Puts a line behind the last of those that begin with one of these words. */
    private void insert(String line, String... after) {
        int place = 0;
        for (int at = 0; at < lines.size(); at++) {
            String word = lines.get(at).strip().split("\\s", 2)[0];
            if (List.of(after).contains(word)) {
                place = at + 1;
            }
        }
        lines.add(place, line);
    }

    void add(String line) {
        lines.add(line);
    }

    /** The number of the last line that shows something of these kinds; -1 when there is none. */
    int last(String... kinds) {
        for (int at = lines.size() - 1; at >= 0; at--) {
            String line = lines.get(at).strip();
            if (SHOWN.matcher(line).matches()
                    && (kinds.length == 0 || List.of(kinds).contains(line.split("\\s", 2)[0]))) {
                return at;
            }
        }
        return -1;
    }

    /** The line that sentences speak of: the last tint, cue or marker that is not just the beginning of another. */
    int subject() {
        for (int at = lines.size() - 1; at >= 0; at--) {
            String line = lines.get(at).strip();
            boolean begins = line.matches("cue \"[^\"]* begins\" when just \\w+");
            if (!begins && line.matches("(tint|cue|marker)\\b.*")) {
                return at;
            }
        }
        return -1;
    }

    String line(int at) {
        return lines.get(at);
    }

    void set(int at, String line) {
        lines.set(at, line);
    }

    void remove(int at) {
        lines.remove(at);
    }

    List<String> lines() {
        return lines;
    }

    void rename(String title) {
        String old = Definition.titleOf(text());
        for (int at = 0; at < lines.size(); at++) {
            if (lines.get(at).strip().startsWith("define") && old != null) {
                lines.set(at, lines.get(at).replace("\"" + old + "\"", "\"" + title + "\""));
            }
        }
    }

    /** Replaces what stands in every line but the first that matches. */
    void replaceEverywhere(Pattern pattern, String by) {
        for (int at = 0; at < lines.size(); at++) {
            lines.set(at, pattern.matcher(lines.get(at)).replaceAll(by));
        }
    }
}
