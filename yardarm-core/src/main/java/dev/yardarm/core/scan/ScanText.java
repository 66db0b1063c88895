package dev.yardarm.core.scan;

import dev.yardarm.core.bars.Timeframe;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Scans as text, to be kept in files and passed on: a word at the beginning of each line, and what it says behind it. A line that begins
 * with a blank goes on with the one before; {@code //} begins a remark.
 *
 * <pre>
 * scan "Fresh high on volume"
 * purpose Breakouts
 * note Closes above the highest high of twenty bars on half as much volume again as usual.
 * over All companies
 * on D
 * when close crosses above highest(high, 20) back 1
 * when volume > 1.5 * sma(volume, 20)
 * order volume / sma(volume, 20)
 * show rsi(14)
 * </pre>
 *
 * <p>{@code over}, {@code members} (with a number behind it for so many of the heaviest), {@code sector}, {@code tier} and
 * {@code without} say which instruments are looked at; several {@code when} must all hold. A text without {@code scan} is the condition
 * of a scan without a name.
 */
public final class ScanText {
    private ScanText() {}

    /**
     * Reads all scans of a text.
     *
     * @throws IllegalArgumentException with the line and what was expected
     */
    public static List<Scan> read(String text) {
        List<Scan> scans = new ArrayList<>();
        List<Line> lines = lines(text);
        if (lines.isEmpty()) {
            throw new IllegalArgumentException("there is no scan in it");
        }
        if (lines.stream().noneMatch(line -> line.word().equals("scan"))) {
            return List.of(new Scan("", "", "", Universe.ALL, Timeframe.DAY, text.strip(), "", List.of()));
        }
        Made made = null;
        for (Line line : lines) {
            if (line.word().equals("scan")) {
                if (made != null) {
                    scans.add(made.scan());
                }
                made = new Made(unquoted(line));
            } else if (made == null) {
                throw line.fault("a scan begins with scan \"its name\"");
            } else {
                made.take(line);
            }
        }
        scans.add(made.scan());
        return scans;
    }

    /** Writes a scan; reading it gives the same. */
    public static String write(Scan scan) {
        StringBuilder text = new StringBuilder("scan \"" + scan.name() + "\"\n");
        line(text, "purpose", scan.purpose());
        line(text, "note", scan.note().replaceAll("\\s+", " "));
        Universe universe = scan.universe();
        universe.lists().forEach(each -> line(text, "over", each));
        universe.indices()
                .forEach(each ->
                        line(text, "members", each + (universe.heaviest() == 0 ? "" : " " + universe.heaviest())));
        universe.sectors().forEach(each -> line(text, "sector", each));
        universe.tiers().forEach(each -> line(text, "tier", each));
        universe.without().forEach(each -> line(text, "without", each));
        line(text, "on", scan.timeframe().toString());
        line(text, "when", scan.condition().replaceAll("\\s+", " "));
        line(text, "order", scan.rank());
        scan.columns().forEach(each -> line(text, "show", each));
        return text.toString();
    }

    private static void line(StringBuilder text, String word, String said) {
        if (!said.isBlank()) {
            text.append(word).append(' ').append(said.strip()).append('\n');
        }
    }

    /** @param number of the line it begins in, from 1 */
    private record Line(int number, String word, String said) {
        IllegalArgumentException fault(String problem) {
            return new IllegalArgumentException("line " + number + ": " + problem);
        }
    }

    private static List<Line> lines(String text) {
        List<Line> lines = new ArrayList<>();
        int number = 0;
        for (String raw : text.split("\\R")) {
            number++;
            String line = raw.replaceFirst("(^|\\s)//.*$", "");
            if (line.isBlank()) {
                continue;
            }
            if (Character.isWhitespace(line.charAt(0)) && !lines.isEmpty()) {
                Line before = lines.remove(lines.size() - 1);
                lines.add(new Line(before.number(), before.word(), before.said() + " " + line.strip()));
                continue;
            }
            String[] parts = line.strip().split("\\s+", 2);
            lines.add(new Line(number, parts[0].toLowerCase(Locale.ROOT), parts.length < 2 ? "" : parts[1].strip()));
        }
        return lines;
    }

    private static String unquoted(Line line) {
        String said = line.said();
        if (said.length() < 3 || !said.startsWith("\"") || !said.endsWith("\"")) {
            throw line.fault("the name of a scan stands in quotation marks: scan \"Fresh high\"");
        }
        return said.substring(1, said.length() - 1);
    }

    /** A scan while its lines are read. */
    private static final class Made {
        private final String name;
        private String purpose = "";
        private String note = "";
        private String rank = "";
        private Timeframe timeframe = Timeframe.DAY;
        private int heaviest;
        private final List<String> lists = new ArrayList<>();
        private final List<String> indices = new ArrayList<>();
        private final List<String> sectors = new ArrayList<>();
        private final List<String> tiers = new ArrayList<>();
        private final List<String> without = new ArrayList<>();
        private final List<String> conditions = new ArrayList<>();
        private final List<String> columns = new ArrayList<>();

        Made(String name) {
            this.name = name;
        }

        void take(Line line) {
            if (line.said().isEmpty()) {
                throw line.fault("something is wanted behind '" + line.word() + "'");
            }
            switch (line.word()) {
                case "purpose" -> purpose = line.said();
                case "note" -> note = note.isEmpty() ? line.said() : note + " " + line.said();
                case "over" -> lists.add(line.said());
                case "members" -> members(line);
                case "sector" -> sectors.add(line.said());
                case "tier" -> tiers.add(line.said());
                case "without" -> without.add(line.said());
                case "on" ->
                    timeframe = Timeframe.parse(line.said())
                            .orElseThrow(() ->
                                    line.fault("'" + line.said() + "' is not a timeframe; write D, W, 1h or 15m"));
                case "when" -> conditions.add(line.said());
                case "order" -> rank = line.said();
                case "show" -> columns.add(line.said());
                default ->
                    throw line.fault(
                            "'" + line.word() + "' is no word of a scan; it has purpose, note, over, members, sector, "
                                    + "tier, without, on, when, order and show");
            }
        }

        private void members(Line line) {
            String[] parts = line.said().split("\\s+");
            indices.add(parts[0]);
            if (parts.length > 1) {
                try {
                    heaviest = Integer.parseInt(parts[1]);
                } catch (NumberFormatException bad) {
                    throw line.fault("a number of members is wanted, as in members PV60 10");
                }
            }
        }

        Scan scan() {
            if (conditions.isEmpty()) {
                throw new IllegalArgumentException(
                        "the scan \"" + name + "\" has no condition; write one, such as when close > sma(close, 50)");
            }
            String condition = conditions.size() == 1 ? conditions.get(0) : Scan.all(conditions);
            Universe universe = new Universe(lists, indices, heaviest, sectors, tiers, without);
            return new Scan(name, purpose, note, universe, timeframe, condition, rank, columns);
        }
    }
}
