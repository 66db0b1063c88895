package dev.yardarm.desk.line;

import dev.yardarm.core.indicator.Setting;
import dev.yardarm.data.text.BoundedFile;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.market.feed.FeedFault;
import dev.yardarm.market.feed.FeedScript;
import dev.yardarm.market.feed.SimulatedFeed;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Lines that make faults of the simulated line: {@code feed cut for 5m}, {@code feed delay 20s}, {@code feed lose for 2m}, {@code feed fill},
 * {@code feed well}, {@code feed script FILE}; and how fast the simulated market runs: {@code speed 60}.
 */
public final class FeedLines {
    private static final Pattern SAID = Pattern.compile("(?i)feed\\s+(.+)");
    private static final int MOST_TIMES = 3600;
    private static final Pattern SPEED = Pattern.compile("(?i)(?:feed\\s+)?speed(?:\\s+([-\\d.,x×\\s]*))?");
    private static final String EXAMPLE =
            "cut for 5m, delay 20s, double, reorder 3s, lose for 2m, fill, well, script FILE";

    private FeedLines() {}

    /** What the line means; nothing when it is not about the feed. */
    static List<Proposal> read(String text) {
        if (text.strip().equalsIgnoreCase("feed")) {
            return List.of(new Proposal("feed", "feed ", "and a fault of the simulated line: " + EXAMPLE, null));
        }
        Matcher speed = SPEED.matcher(text);
        if (speed.matches()) {
            return List.of(speed(text, speed.group(1)));
        }
        Matcher said = SAID.matcher(text);
        if (!said.matches()) {
            return List.of();
        }
        String rest = said.group(1).strip();
        String word = rest.toLowerCase(java.util.Locale.ROOT);
        if (word.equals("fill")) {
            return List.of(new Proposal("feed", text, "what was lost is filled in", new Act("fill")));
        }
        if (word.equals("well") || word.equals("ok") || word.equals("end")) {
            return List.of(new Proposal("feed", text, "all faults of the simulated line end", new Act("well")));
        }
        if (word.startsWith("script ")) {
            return List.of(new Proposal(
                    "feed",
                    text,
                    "faults one after the other",
                    new Script(Path.of(rest.substring(7).strip()))));
        }
        try {
            FeedFault fault = FeedFault.parse(rest, 0);
            return List.of(new Proposal("feed", text, "simulated: " + fault.words(), new Fault(rest)));
        } catch (IllegalArgumentException bad) {
            return List.of(new Proposal("feed", text, bad.getMessage(), null));
        }
    }

    private static Proposal speed(String text, String said) {
        String number = said == null ? "" : said.replaceAll("[x×\\s]", "");
        if (number.isEmpty()) {
            return new Proposal("feed", "speed ", "and how many times as fast as real time: 1, 10, 60; 0 pauses", null);
        }
        double times;
        try {
            times = Double.parseDouble(number);
        } catch (NumberFormatException none) {
            times = Double.NaN;
        }
        return times >= 0 && times <= MOST_TIMES
                ? new Proposal(
                        "feed",
                        text,
                        times == 0
                                ? "the simulated market pauses"
                                : "the simulated market runs " + number + " times as fast",
                        new Speed(times))
                : new Proposal("feed", text, "a speed is a number from 0, which pauses, to " + MOST_TIMES, null);
    }

    private static SimulatedFeed feed(Hands hands) {
        SimulatedFeed feed = hands.desk().feed().orElse(null);
        if (feed == null) {
            hands.desk().tell("There is no simulated market here.");
        }
        return feed;
    }

    private static long now(Hands hands) {
        return hands.desk().feedServices().now().getAsLong();
    }

    /** Lets the simulated market run so many times as fast as real time; 0 pauses it. */
    public record Speed(double times) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            if (feed(hands) == null) {
                return;
            }
            if (times > 0) {
                hands.desk().clock().setSpeed(times);
            }
            hands.desk().clock().setRunning(times > 0);
            hands.desk()
                    .tell(
                            times == 0
                                    ? "Market paused. It goes on with: speed 1."
                                    : times == 1
                                            ? "The market runs in real time."
                                            : "The market runs " + Setting.Number.plain(times)
                                                    + " times as fast as real time.");
        }
    }

    /** Begins a fault now. */
    public record Fault(String words) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            SimulatedFeed feed = feed(hands);
            if (feed != null) {
                FeedFault fault = FeedFault.parse(words, now(hands));
                feed.add(List.of(fault), now(hands));
                hands.desk().tell("Simulated fault: " + fault.words() + ". Type feed well to end it.");
            }
        }
    }

    /** Fills in, or ends all faults. */
    public record Act(String word) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            SimulatedFeed feed = feed(hands);
            if (feed == null) {
                return;
            }
            if (word.equals("fill")) {
                feed.fill(now(hands));
                hands.desk().tell("What was lost is filled in.");
            } else {
                feed.end(now(hands));
                hands.desk().tell("The simulated line is well again. What was lost is filled in with: feed fill.");
            }
        }
    }

    /** Begins the faults of a file now. */
    public record Script(Path file) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            SimulatedFeed feed = feed(hands);
            if (feed == null) {
                return;
            }
            hands.desk()
                    .scheduler()
                    .start(
                            Lane.NOW,
                            "feed script",
                            "",
                            job -> FeedScript.parse(BoundedFile.text(file, BoundedFile.TEXT), now(hands)),
                            faults -> {
                                feed.add(faults, now(hands));
                                hands.desk()
                                        .tell(faults.size() + " faults of the simulated line come from " + file + ".");
                            },
                            failed -> hands.desk()
                                    .tell(file + " cannot be used: "
                                            + (failed instanceof NoSuchFileException
                                                    ? "it is not there"
                                                    : failed.getMessage())));
        }
    }
}
