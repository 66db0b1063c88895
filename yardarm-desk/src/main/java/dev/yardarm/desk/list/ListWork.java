package dev.yardarm.desk.list;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.source.Members;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.RestsOn;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/** Makes and changes lists; each change is a step of undo. What cannot be done is told. */
public final class ListWork {
    /** Number of colours a list can have; they are numbered from 1. */
    public static final int COLOURS = 8;

    private final Books books;
    private final Directory directory;
    private final UndoStack undo;
    private final LongSupplier clock;
    private final Scheduler scheduler;
    private final Consumer<String> tell;

    public ListWork(
            Books books,
            Directory directory,
            UndoStack undo,
            LongSupplier clock,
            Scheduler scheduler,
            Consumer<String> tell) {
        this.books = books;
        this.directory = directory;
        this.undo = undo;
        this.clock = clock;
        this.scheduler = scheduler;
        this.tell = tell;
    }

    private void change(String label, List<NamedList> after) {
        if (!after.equals(books.lists())) {
            undo.execute(books.listShelf().change(label, "", after));
        }
    }

    private boolean edit(String label, String name, UnaryOperator<NamedList> edit) {
        if (books.list(name).isEmpty()) {
            tell.accept("There is no list '" + name + "'.");
            return false;
        }
        change(
                label,
                books.lists().stream()
                        .map(each -> each.name().equals(name) ? edit.apply(each) : each)
                        .toList());
        return true;
    }

    /** A name like this one that no list has yet. */
    private String free(String wanted) {
        String name = wanted.strip();
        for (int number = 2; books.list(name).isPresent(); number++) {
            name = wanted.strip() + " " + number;
        }
        return name;
    }

    /** Makes a list; returns its name, which has a number behind it when the name was taken. */
    public String make(String name, List<InstrumentId> members) {
        String made = free(name.isBlank() ? "List" : name);
        List<NamedList> after = new ArrayList<>(books.lists());
        after.add(new NamedList(made, members));
        change("make the list " + made, after);
        return made;
    }

    /** Renames a list; false when the new name is empty or taken. */
    public boolean rename(String name, String newName) {
        if (newName.isBlank() || books.list(newName.strip()).isPresent()) {
            tell.accept(newName.isBlank() ? "A list needs a name." : "There is a list '" + newName + "' already.");
            return false;
        }
        String wanted = newName.strip();
        // Scans name the list they run over: they go along, in the same step.
        undo.together("rename a list", () -> {
            edit("rename a list", name, list -> new NamedList(wanted, list.instruments(), list.colour()));
            undo.execute(books.scanShelf().change("rename a list", all -> all.stream()
                    .map(scan -> scan.over(scan.universe().renamed(name, wanted)))
                    .toList()));
        });
        return true;
    }

    public void delete(String name) {
        if (books.lists().size() < 2) {
            tell.accept("The only list cannot be deleted. Make another first: list new NAME.");
            return;
        }
        String rests = new RestsOn(books).list(name);
        change(
                "delete the list " + name,
                books.lists().stream().filter(each -> !each.name().equals(name)).toList());
        RestsOn.tell(rests, tell);
    }

    public void add(String name, InstrumentId instrument) {
        edit("add " + instrument.code() + " to " + name, name, list -> {
            Set<InstrumentId> members = new LinkedHashSet<>(list.instruments());
            members.add(instrument);
            return new NamedList(list.name(), List.copyOf(members), list.colour());
        });
    }

    public void remove(String name, InstrumentId instrument) {
        edit(
                "take " + instrument.code() + " out of " + name,
                name,
                list -> new NamedList(
                        list.name(),
                        list.instruments().stream()
                                .filter(each -> !each.equals(instrument))
                                .toList(),
                        list.colour()));
    }

    /** Moves a member up or down; above zero toward the end. */
    public void move(String name, InstrumentId instrument, int places) {
        edit("move " + instrument.code(), name, list -> {
            List<InstrumentId> members = new ArrayList<>(list.instruments());
            int at = members.indexOf(instrument);
            if (at >= 0) {
                members.add(Math.max(0, Math.min(members.size() - 1, at + places)), members.remove(at));
            }
            return new NamedList(list.name(), members, list.colour());
        });
    }

    /** Sorts by {@code code}, {@code name} or {@code sector}; false for anything else. */
    public boolean sort(String name, String by) {
        Comparator<Instrument> order =
                switch (by) {
                    case "code", "" -> Comparator.comparing(Instrument::code);
                    case "name" -> Comparator.comparing(Instrument::name);
                    case "sector" -> Comparator.comparing(Instrument::sector).thenComparing(Instrument::code);
                    default -> null;
                };
        if (order == null) {
            tell.accept("A list is sorted by code, name or sector, not by '" + by + "'.");
            return false;
        }
        return edit("sort " + name + " by " + by, name, list -> {
            List<InstrumentId> sorted = new ArrayList<>(list.instruments().stream()
                    .map(directory::find)
                    .flatMap(Optional::stream)
                    .sorted(order)
                    .map(Instrument::id)
                    .toList());
            list.instruments().stream().filter(each -> !sorted.contains(each)).forEach(sorted::add);
            return new NamedList(list.name(), sorted, list.colour());
        });
    }

    public void colour(String name, int colour) {
        edit(
                "colour of " + name,
                name,
                list -> new NamedList(list.name(), list.instruments(), Math.max(0, Math.min(COLOURS, colour))));
    }

    /** A list of everything of a sector, or of a tier, by a word of its name; empty when there is none. */
    public Optional<String> bySectorOrTier(String word) {
        String wanted = word.strip().toLowerCase(Locale.ROOT);
        Predicate<Instrument> fits = each -> each.kind() == Instrument.Kind.SHARE
                && (each.sector().toLowerCase(Locale.ROOT).contains(wanted)
                        || each.tier().toLowerCase(Locale.ROOT).equals(wanted));
        List<Instrument> members = wanted.isEmpty()
                ? List.of()
                : directory.all().stream().filter(fits).toList();
        if (members.isEmpty()) {
            tell.accept("No sector or tier is called '" + word + "'; there are "
                    + String.join(
                            ", ",
                            directory.all().stream()
                                    .filter(each -> each.kind() == Instrument.Kind.SHARE)
                                    .map(Instrument::sector)
                                    .distinct()
                                    .sorted()
                                    .toList())
                    + ".");
            return Optional.empty();
        }
        boolean byTier = members.get(0).tier().toLowerCase(Locale.ROOT).equals(wanted);
        return Optional.of(make(
                byTier ? "Tier " + wanted : members.get(0).sector(),
                members.stream().map(Instrument::id).toList()));
    }

    /**
     * Makes a list of the heaviest members of an index: as many as make up a part of it. The weights are worked out in
     * the background.
     *
     * @param part from 0 to 1; the last member taken is the one that reaches it
     * @param made takes the name of the list, when there is one
     */
    public void byWeight(String indexCode, double part, Consumer<String> made) {
        Instrument index = directory.byCode(indexCode.strip()).orElse(null);
        if (index == null) {
            tell.accept("There is no instrument '" + indexCode + "'.");
            return;
        }
        long now = clock.getAsLong();
        scheduler.start(
                Lane.SOON,
                "weights",
                "Reading the weights of " + index.code(),
                job -> directory
                        .source(index)
                        .flatMap(source -> source.offers(Members.class))
                        .map(each -> each.members(index.id(), now))
                        .orElse(List.<Members.Member>of()),
                members -> {
                    if (members.isEmpty()) {
                        tell.accept("'" + indexCode + "' is not an index with members here.");
                    } else {
                        made.accept(heaviest(index, members, part));
                    }
                },
                failed -> tell.accept("The members of " + index.code() + " cannot be weighed: " + failed.getMessage()));
    }

    private String heaviest(Instrument index, List<Members.Member> members, double part) {
        List<InstrumentId> taken = new ArrayList<>();
        double sum = 0;
        for (Members.Member member : members) {
            if (sum >= part) {
                break;
            }
            taken.add(member.id());
            sum += member.weight();
        }
        tell.accept(String.format(
                Locale.ROOT,
                "%d of %d members make up %.0f %% of %s.",
                taken.size(),
                members.size(),
                100 * sum,
                index.code()));
        return make(index.code() + String.format(Locale.ROOT, " top %.0f %%", 100 * part), taken);
    }

    /** What a pasted text holds. */
    public record Pasted(List<InstrumentId> found, List<String> missing) {}

    /**
     * Finds the instruments of a pasted text or of spreadsheet cells: codes separated by blanks, commas, semicolons,
     * tabs or lines. A code with a source and a colon keeps it.
     *
     * @param source where to look; empty for every source, the first that has it wins
     * @param prefix put before every code
     * @param suffix put behind every code
     */
    public Pasted read(String text, String source, String prefix, String suffix) {
        Set<InstrumentId> found = new LinkedHashSet<>();
        Set<String> missing = new LinkedHashSet<>();
        for (String cell : text.split("[\\s,;|\"']+")) {
            if (cell.isBlank()) {
                continue;
            }
            Optional<Instrument> instrument =
                    cell.indexOf(':') > 0 ? named(cell) : find(prefix + cell + suffix, source);
            instrument.ifPresentOrElse(each -> found.add(each.id()), () -> missing.add(cell));
        }
        return new Pasted(List.copyOf(found), List.copyOf(missing));
    }

    private Optional<Instrument> named(String cell) {
        int colon = cell.indexOf(':');
        return colon + 1 >= cell.length()
                ? Optional.empty()
                : find(cell.substring(colon + 1), cell.substring(0, colon));
    }

    private Optional<Instrument> find(String code, String source) {
        return directory.all().stream()
                .filter(each -> each.code().equalsIgnoreCase(code)
                        && (source.isBlank() || each.id().source().equals(source)))
                .findFirst();
    }

    /** Adds pasted instruments to a list and tells what was not found. */
    public void paste(String name, Pasted pasted) {
        if (!pasted.found().isEmpty()) {
            edit("paste into " + name, name, list -> {
                Set<InstrumentId> members = new LinkedHashSet<>(list.instruments());
                members.addAll(pasted.found());
                return new NamedList(list.name(), List.copyOf(members), list.colour());
            });
        }
        tell.accept(pasted.found().size() + " found"
                + (pasted.missing().isEmpty() ? "." : "; not found: " + String.join(", ", pasted.missing()) + "."));
    }

    /** Takes the same codes from another source; those it has not stay and are told. */
    public void moveToSource(String name, String source) {
        NamedList list = books.list(name).orElse(null);
        if (list == null) {
            tell.accept("There is no list '" + name + "'.");
            return;
        }
        List<String> missing = new ArrayList<>();
        List<InstrumentId> moved = new ArrayList<>();
        for (InstrumentId each : list.instruments()) {
            InstrumentId other = new InstrumentId(source, each.code());
            boolean known = directory.find(other).isPresent();
            moved.add(known ? other : each);
            if (!known) {
                missing.add(each.code());
            }
        }
        edit("move " + name + " to " + source, name, before -> new NamedList(name, moved, before.colour()));
        tell.accept(
                missing.isEmpty()
                        ? name + " is taken from " + source + " now."
                        : source + " has no " + String.join(", ", missing) + "; these stay where they were.");
    }
}
