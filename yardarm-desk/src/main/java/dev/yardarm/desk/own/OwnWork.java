package dev.yardarm.desk.own;

import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.own.OwnIndicator;
import dev.yardarm.core.own.OwnLanguage;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.RestsOn;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.language.LivingLanguage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The indicators of the trader's own: saving them in versions, taking them in and out as text. Each change is a step of undo, and
 * becomes the {@link LivingLanguage} at once. Used by the interface's thread.
 */
public final class OwnWork {
    private final Books books;
    private final UndoStack undo;
    private final LivingLanguage language;
    private final LongSupplier time;
    private final Consumer<String> tell;
    private OwnLanguage state;

    /** @param time what time it is where the trader sits, microseconds UTC */
    public OwnWork(Books books, UndoStack undo, LivingLanguage language, LongSupplier time, Consumer<String> tell) {
        this.books = books;
        this.undo = undo;
        this.language = language;
        this.time = time;
        this.tell = tell;
        state = new OwnLanguage(language.now(), Map.of(), Map.of());
        if (!all().isEmpty()) {
            take();
            state.faults()
                    .forEach((name, fault) -> tell.accept("Your indicator '" + name + "' cannot be used as it is: "
                            + fault.getMessage().lines().findFirst().orElse("")
                            + (state.definitions().containsKey(name)
                                    ? ". Its last good version is used."
                                    : ". It is kept.")));
        }
        books.listen(subject -> {
            if (subject == Books.Subject.OWN_INDICATORS) {
                take();
            }
        });
    }

    private void take() {
        state = OwnLanguage.of(all(), Language.builtIn());
        language.set(state.language());
    }

    /** All of them, in the order they were made. */
    public List<OwnIndicator> all() {
        return books.ownIndicatorShelf().all();
    }

    /** The one of a name. */
    public Optional<OwnIndicator> find(String name) {
        return books.ownIndicatorShelf().get(name);
    }

    /** The one a text is a version of, by its title; empty for a new one. */
    public Optional<OwnIndicator> named(String text) {
        return find(nameOf(text));
    }

    /** The language they make, and what is at fault. */
    public OwnLanguage state() {
        return state;
    }

    /**
     * What a text would be as an indicator of one's own, beside the others.
     *
     * @param name of the one it takes the place of; empty for a new one
     * @throws FormulaException with all that is at fault
     */
    public Definition read(String text, String name) {
        List<OwnIndicator> others = all().stream()
                .filter(each -> !each.name().equals(name) && !each.name().equals(nameOf(text)))
                .toList();
        Language beside = others.size() == all().size()
                ? state.language()
                : OwnLanguage.of(others, Language.builtIn()).language();
        return Definition.parse(text, beside);
    }

    private static String nameOf(String text) {
        String title = Definition.titleOf(text);
        return title == null ? "" : Definition.word(title);
    }

    /**
     * Saves a text as a version of the indicator its title names; one at fault too, which charts do not use.
     *
     * @return its name
     * @throws IllegalArgumentException when it names none, or one that ships with the application
     */
    public String save(String text, String note) {
        String name = nameOf(text);
        if (name.isEmpty()) {
            throw new IllegalArgumentException("it has no name yet; the first line is define \"A name\" in price");
        }
        if (shipsWithUs(name)) {
            throw new IllegalArgumentException("'" + name + "' ships with Yardarm; give yours another name");
        }
        OwnIndicator before = find(name).orElse(null);
        if (before != null && before.newest().text().equals(text)) {
            return name;
        }
        OwnIndicator.Version version = new OwnIndicator.Version(time.getAsLong(), note.strip(), text);
        OwnIndicator after = before == null ? new OwnIndicator(name, List.of(version)) : before.with(version);
        undo.execute(books.ownIndicatorShelf().change("save " + after.title(), all -> {
            List<OwnIndicator> changed = new ArrayList<>(all);
            changed.removeIf(each -> each.name().equals(name));
            changed.add(before == null ? changed.size() : all.indexOf(before), after);
            return changed;
        }));
        return name;
    }

    /** Takes an indicator away; charts that show it keep its place. */
    public void delete(String name) {
        String rests = new RestsOn(books).indicator(name);
        undo.execute(books.ownIndicatorShelf().change("delete " + name, all -> all.stream()
                .filter(each -> !each.name().equals(name))
                .toList()));
        RestsOn.tell(rests, tell);
    }

    /**
     * What came of taking texts in.
     *
     * @param added names of new ones
     * @param same names of those that were there already, word for word
     * @param renamed names of those that were called like another and got a number
     * @param faulty names of those that cannot be used as they are
     */
    public record Taken(List<String> added, List<String> same, List<String> renamed, List<String> faulty) {
        /** In words. */
        public String words() {
            List<String> parts = new ArrayList<>();
            say(parts, added, " taken in: ");
            say(parts, renamed, " called like one you have, kept beside it as ");
            say(parts, same, " there already: ");
            say(parts, faulty, " cannot be used as written: ");
            return parts.isEmpty() ? "There is no definition in it." : String.join("; ", parts) + ".";
        }

        private static void say(List<String> parts, List<String> names, String words) {
            if (!names.isEmpty()) {
                parts.add(names.size() + words + String.join(", ", names));
            }
        }
    }

    /** Takes a text with definitions in, as a file others gave; one step of undo. */
    public Taken takeIn(String given) {
        String text = given.replace("\r\n", "\n").replace('\r', '\n');
        Taken taken = new Taken(new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        List<OwnIndicator> after = new ArrayList<>(all());
        for (Definition.Part part : Definition.parts(text)) {
            String own = text.substring(part.from(), part.to()).strip() + "\n";
            String title = Definition.titleOf(own);
            if (title == null || nameOf(own).isEmpty()) {
                continue;
            }
            String name = nameOf(own);
            OwnIndicator known = named(after, name);
            if (known != null && known.newest().text().equals(own)) {
                taken.same().add(title);
                continue;
            }
            boolean clash = isTaken(after, name);
            if (clash) {
                int number = 2;
                while (isTaken(after, Definition.word(title + " " + number))) {
                    number++;
                }
                own = own.replaceFirst(Pattern.quote(title), Matcher.quoteReplacement(title + " " + number));
                name = nameOf(own);
            }
            after.add(new OwnIndicator(name, List.of(new OwnIndicator.Version(time.getAsLong(), "taken in", own))));
            (clash ? taken.renamed() : taken.added()).add(Definition.titleOf(own));
        }
        if (after.size() > all().size()) {
            undo.execute(books.ownIndicatorShelf().change("take indicators in", all -> after));
            after.stream()
                    .filter(each -> state.faults().containsKey(each.name()))
                    .filter(each -> taken.added().contains(each.title())
                            || taken.renamed().contains(each.title()))
                    .forEach(each -> taken.faulty().add(each.title()));
        }
        tell.accept(taken.words());
        return taken;
    }

    private static boolean isTaken(List<OwnIndicator> all, String name) {
        return named(all, name) != null || shipsWithUs(name);
    }

    private static boolean shipsWithUs(String name) {
        return Language.builtIn().catalogue().find(name).isPresent();
    }

    private static OwnIndicator named(List<OwnIndicator> all, String name) {
        return all.stream().filter(each -> each.name().equals(name)).findFirst().orElse(null);
    }
}
