package dev.yardarm.desk.scenario;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scenario.Scenario;
import dev.yardarm.core.scenario.ScenarioSentence;
import dev.yardarm.core.scenario.ScenarioStep;
import dev.yardarm.core.scenario.Scenarios;
import dev.yardarm.desk.alert.AlertWork;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.market.Directory;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.Supplier;

/**
 * Makes scenarios, weighs them, strikes them out and takes that back; each a step of undo that touches nothing that happened meanwhile. What
 * cannot be done is told. Used by the interface's thread.
 */
public final class ScenarioWork {
    private final Books books;
    private final Directory directory;
    private final UndoStack undo;
    private final LongSupplier now;
    private final AlertWork alerts;
    private final Supplier<Language> language;
    private final Consumer<String> tell;

    /** @param now what time it is in the market */
    public ScenarioWork(
            Books books,
            Directory directory,
            UndoStack undo,
            LongSupplier now,
            AlertWork alerts,
            Supplier<Language> language,
            Consumer<String> tell) {
        this.books = books;
        this.directory = directory;
        this.undo = undo;
        this.now = now;
        this.alerts = alerts;
        this.language = language;
        this.tell = tell;
    }

    /** The scenarios of an instrument as they stand. */
    public Scenarios of(InstrumentId instrument) {
        return books.scenarios(instrument);
    }

    private static String newId() {
        return UUID.randomUUID().toString().substring(0, 8);
    }

    /**
     * Makes a scenario of a sentence; says so, or what is wrong with it. Without a share it takes what is left of a hundred, else an equal part.
     *
     * @param last where price stands; NaN when that is not known
     * @return true when it was made
     */
    public boolean make(Instrument instrument, String sentence, double last) {
        try {
            ScenarioSentence said = ScenarioSentence.parse(sentence, directory.calendar(instrument), now.getAsLong());
            if (said.title().replaceAll("[\"\u201c\u201d\\s]", "").isEmpty()) {
                throw new IllegalArgumentException(
                        "it needs a name, such as scenario \"fifth wave up\" 60% to 112, wrong below 99");
            }
            Scenarios there = of(instrument.id());
            String parent = said.parent().isEmpty() ? "" : named(there, said.parent());
            if (find(there, said.title()).isPresent()) {
                throw new IllegalArgumentException("there is one called '" + said.title() + "' already");
            }
            Scenario made = said.scenario(newId(), instrument.id(), parent, now.getAsLong());
            if (made.isInvalidatedBy(last)) {
                throw new IllegalArgumentException(
                        "price stands at " + instrument.format().format(last) + ", which proves it wrong already");
            }
            long beside = there.within(parent).stream()
                    .filter(each -> there.struck(each.id()).isEmpty())
                    .count();
            double left = there.unsaid(parent);
            double usual = beside > 0 && left > 0.5 ? left : 100.0 / (beside + 1);
            double share = Double.isNaN(said.percent()) ? usual : said.percent();
            add("add a scenario", ScenarioStep.added(newId(), made, share));
            tell.accept("Scenario '" + made.title() + "' on " + instrument.code() + ": "
                    + Math.round(of(instrument.id()).total(made.id())) + " %.");
            return true;
        } catch (IllegalArgumentException bad) {
            tell.accept("The scenario was not made: " + bad.getMessage() + ".");
            return false;
        }
    }

    private static Optional<Scenario> find(Scenarios there, String title) {
        return there.all().stream()
                .filter(each -> each.title().equalsIgnoreCase(title.strip()))
                .findFirst();
    }

    private static String named(Scenarios there, String title) {
        return find(there, title)
                .map(Scenario::id)
                .orElseThrow(() -> new IllegalArgumentException("there is no scenario '" + title + "'"
                        + (there.all().isEmpty()
                                ? ""
                                : "; there are "
                                        + String.join(
                                                ", ",
                                                there.all().stream()
                                                        .map(Scenario::title)
                                                        .toList()))));
    }

    private void add(String label, ScenarioStep step) {
        undo.execute(books.scenarioShelf().change(label, all -> {
            List<ScenarioStep> more = new ArrayList<>(all);
            more.add(step);
            return more;
        }));
    }

    /** Gives a scenario another share of its level; the others keep their proportion. */
    public boolean share(InstrumentId instrument, String id, double percent) {
        return told(() -> weigh(instrument, id, percent));
    }

    private void weigh(InstrumentId instrument, String id, double percent) {
        Scenarios there = of(instrument);
        Scenario of = there.get(id).orElseThrow(() -> new IllegalArgumentException("it is not there any more"));
        if (there.within(of.parent()).stream()
                        .filter(each -> there.struck(each.id()).isEmpty())
                        .count()
                < 2) {
            throw new IllegalArgumentException("'" + of.title() + "' is alone and has all of it");
        }
        // What cannot be done is said before it is written down.
        there.withShare(id, percent, now.getAsLong());
        ScenarioStep step = ScenarioStep.share(newId(), of, percent, now.getAsLong());
        List<ScenarioStep> more = new ArrayList<>(books.scenarioShelf().all());
        more.add(step);
        undo.execute(books.scenarioShelf().change("share of a scenario", "", more));
    }

    /** The same by the title of a scenario. */
    public boolean shareOf(InstrumentId instrument, String title, double percent) {
        return told(() -> weigh(instrument, named(of(instrument), title), percent));
    }

    /** The trader strikes a scenario out. */
    public boolean strike(InstrumentId instrument, String title) {
        return told(() -> {
            Scenarios there = of(instrument);
            Scenario of = there.get(named(there, title)).orElseThrow();
            if (there.struck(of.id()).isPresent()) {
                throw new IllegalArgumentException("'" + of.title() + "' is struck out already");
            }
            strike(of, Double.NaN, now.getAsLong());
            tell.accept("Scenario '" + of.title() + "' was struck out.");
        });
    }

    /**
     * Strikes a scenario out; undone, it is taken back.
     *
     * @param price that proves it wrong; NaN when the trader does it
     */
    void strike(Scenario of, double price, long at) {
        ScenarioStep step = ScenarioStep.struck(newId(), of, price, at);
        undo.execute(Command.of(
                "strike out '" + of.title() + "'", () -> books.scenarioShelf().put(step), () -> books.scenarioShelf()
                        .get(step.id())
                        .ifPresent(there -> books.scenarioShelf().put(there.back(moment(there))))));
    }

    /** When a strike is taken back: never before it. */
    private long moment(ScenarioStep strike) {
        return Math.max(now.getAsLong(), strike.at());
    }

    /** Takes back what struck a scenario out; it is struck out again when price has come back inside and goes beyond anew. */
    public boolean takeBack(InstrumentId instrument, String title) {
        return told(() -> {
            Scenarios there = of(instrument);
            String id = named(there, title);
            ScenarioStep strike = strikeOf(instrument, there, id)
                    .orElseThrow(() -> new IllegalArgumentException("'" + title + "' stands; it was not struck out"));
            undo.execute(Command.of(
                    "take a scenario back",
                    () -> books.scenarioShelf().put(strike.back(moment(strike))),
                    () -> books.scenarioShelf().put(strike)));
        });
    }

    /** The strike of a scenario, or of the larger one that took it along. */
    private Optional<ScenarioStep> strikeOf(InstrumentId instrument, Scenarios there, String id) {
        for (Scenario each = there.get(id).orElse(null);
                each != null;
                each = there.get(each.parent()).orElse(null)) {
            String wanted = each.id();
            Optional<ScenarioStep> found = books.scenarioSteps(instrument).stream()
                    .filter(step -> step.kind() == ScenarioStep.Kind.STRUCK
                            && step.scenario().equals(wanted)
                            && step.backAt() == 0)
                    .reduce((first, second) -> second);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    /** Takes a scenario away with all within it. */
    public boolean remove(InstrumentId instrument, String title) {
        return told(() -> {
            Scenarios there = of(instrument);
            Scenario of = there.get(named(there, title)).orElseThrow();
            add("remove a scenario", ScenarioStep.removed(newId(), of, now.getAsLong()));
        });
    }

    /** Sets the alert that waits for what would decide between scenarios. */
    public void alert(Instrument instrument, Scenarios.Decision decision, BarRule bars) {
        String line = String.format(decision.line(), instrument.format().format(decision.price()));
        alerts.set(List.of(instrument), line, bars, language.get(), each -> Double.NaN);
    }

    private boolean told(Runnable work) {
        try {
            work.run();
            return true;
        } catch (IllegalArgumentException bad) {
            tell.accept("This cannot be done: " + bad.getMessage() + ".");
            return false;
        }
    }
}
