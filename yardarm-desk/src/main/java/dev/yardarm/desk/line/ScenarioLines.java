package dev.yardarm.desk.line;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scenario.ScenarioSentence;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.scenario.ScenarioWork;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Lines about scenarios: {@code scenario "fifth wave up" 60% to 112, 118, wrong below 99}, {@code share "fifth wave up" 40%}, {@code strike "fifth
 * wave up"}, {@code take back "fifth wave up"}, {@code remove scenario "fifth wave up"}.
 */
public final class ScenarioLines {
    private static final Pattern MADE = Pattern.compile("(?i)scenario\\s+(.+)");
    private static final Pattern SHARE = Pattern.compile("(?i)share\\s+(?:of\\s+)?(.+?)\\s*([0-9.]+)\\s*%");
    private static final Pattern OTHER =
            Pattern.compile("(?i)(strike(?:\\s+out)?|take\\s+back|remove\\s+scenario)\\s+(.+)");

    private ScenarioLines() {}

    /** What is done with a scenario that is there. */
    public enum Verb {
        STRIKE,
        TAKE_BACK,
        REMOVE
    }

    /** What the line means; nothing when it is not about scenarios. */
    static List<Proposal> read(String text, Directory directory) {
        if (text.strip().equalsIgnoreCase("scenario")) {
            return List.of(new Proposal(
                    "scenario", "scenario ", "and what it leads to: " + ScenarioSentence.EXAMPLE.substring(9), null));
        }
        Matcher made = MADE.matcher(text);
        if (made.matches()) {
            Optional<OnCode> other = OnCode.of(made.group(1), directory);
            String sentence = other.map(OnCode::rest).orElseGet(() -> made.group(1));
            String code = other.map(each -> each.instrument().code()).orElse("");
            try {
                ScenarioSentence said = ScenarioSentence.parse(sentence, TradingCalendar.ROUND_THE_CLOCK, 0);
                return List.of(new Proposal(
                        "scenario",
                        text,
                        "a reading of its own: " + said.title()
                                + (said.parent().isEmpty() ? "" : ", in " + said.parent())
                                + (code.isEmpty() ? "" : ", on " + code),
                        new Make(sentence, code)));
            } catch (IllegalArgumentException bad) {
                return List.of(new Proposal("scenario", text, bad.getMessage(), null));
            }
        }
        Matcher share = SHARE.matcher(text);
        if (share.matches()) {
            String title = plain(share.group(1));
            return List.of(new Proposal(
                    "scenario",
                    text,
                    "its share; the others keep their proportion",
                    new Share(title, Double.parseDouble(share.group(2).replaceAll("\\.$|(?<=\\..*)\\.", "")))));
        }
        Matcher other = OTHER.matcher(text);
        if (other.matches()) {
            String word = other.group(1).toLowerCase(java.util.Locale.ROOT);
            Verb verb =
                    word.startsWith("strike") ? Verb.STRIKE : word.startsWith("take") ? Verb.TAKE_BACK : Verb.REMOVE;
            String meaning =
                    switch (verb) {
                        case STRIKE -> "the scenario is out; its share goes to the others";
                        case TAKE_BACK -> "the scenario stands again with the share it had";
                        case REMOVE -> "the scenario and those within it are removed";
                    };
            return List.of(new Proposal("scenario", text, meaning, new Change(verb, plain(other.group(2)))));
        }
        return List.of();
    }

    private static String plain(String title) {
        return title.strip().replaceAll("^[\"\u201c]|[\"\u201d]$", "");
    }

    /**
     * Makes a scenario.
     *
     * @param code of its instrument; empty for the one in hand
     */
    public record Make(String sentence, String code) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            Instrument on = code.isEmpty()
                    ? ScenarioLines.instrument(hands)
                    : hands.desk().directory().byCode(code).orElse(null);
            if (on != null) {
                hands.desk().scenarioWork().make(on, sentence, hands.lastPrice(on));
            }
        }
    }

    /** Gives a scenario another share. */
    public record Share(String title, double percent) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            Instrument on = ScenarioLines.instrument(hands);
            if (on != null) {
                hands.desk().scenarioWork().shareOf(on.id(), title, percent);
            }
        }
    }

    /** Strikes a scenario out, takes it back or removes it. */
    public record Change(Verb verb, String title) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            Instrument on = ScenarioLines.instrument(hands);
            if (on == null) {
                return;
            }
            ScenarioWork work = hands.desk().scenarioWork();
            switch (verb) {
                case STRIKE -> work.strike(on.id(), title);
                case TAKE_BACK -> work.takeBack(on.id(), title);
                case REMOVE -> work.remove(on.id(), title);
            }
        }
    }

    private static Instrument instrument(Hands hands) {
        Instrument on = hands.inHand().orElse(null);
        if (on == null) {
            hands.desk().tell("Open a chart first: scenarios belong to an instrument.");
        }
        return on;
    }
}
