package dev.yardarm.desk.own;

import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.formula.BlendFormula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.RestsOn;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.market.BlendSource;
import dev.yardarm.desk.market.Directory;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Making and changing blends; each change is a step of undo. Used by the interface's thread. */
public final class BlendWork {
    private final Books books;
    private final UndoStack undo;
    private final Consumer<String> tell;
    private final Directory directory;
    private final BlendSource source;

    public BlendWork(Books books, UndoStack undo, Directory directory, BlendSource source, Consumer<String> tell) {
        this.tell = tell;
        this.books = books;
        this.undo = undo;
        this.directory = directory;
        this.source = source;
        take();
        books.listen(subject -> {
            if (subject == Books.Subject.BLENDS) {
                take();
            }
        });
    }

    private void take() {
        source.set(all(), Language.builtIn());
        directory.add(source);
    }

    /** All of them, in the order they were made. */
    public List<Blend> all() {
        return books.blendShelf().all();
    }

    /** The blend an instrument is; empty for any other. */
    public Optional<Blend> of(InstrumentId id) {
        return source.blend(id);
    }

    /** The instrument a blend is. */
    public Instrument instrument(Blend blend) {
        return directory.findOrAbsent(BlendSource.id(blend));
    }

    /**
     * Makes a blend, or changes the one of a code; what was drawn on it stays.
     *
     * @param code its own; empty for one made of its parts' codes
     * @param name for people; empty to keep the one there is, or for the formula
     * @throws IllegalArgumentException when it cannot be, with what would
     */
    public Blend make(String code, String name, String formula) {
        BlendFormula read = checked(formula);
        checkValue(read);
        String wanted = code.strip().replaceFirst("^#", "").toUpperCase(Locale.ROOT);
        if (wanted.isEmpty()) {
            wanted = free(read.parts().stream()
                    .map(each -> each.substring(each.indexOf(':') + 1))
                    .limit(3)
                    .collect(Collectors.joining("_")));
        }
        Blend before = find(wanted).orElse(null);
        checkCode(wanted, before);
        Blend after = new Blend(
                before == null ? key(wanted) : before.key(),
                wanted,
                name.isBlank() && before != null && !before.name().equals(before.formula()) ? before.name() : name,
                read.canonical());
        checkCircle(after);
        put(before == null ? "make the blend " + wanted : "change the blend " + wanted, after);
        return after;
    }

    /** One that has no value whatever its parts are worth, such as anything over 0, would be an empty chart for good. */
    private static void checkValue(BlendFormula read) {
        double[] parts = new double[read.parts().size()];
        for (double worth : new double[] {1, 2, 7.5, 100, 1234.5}) {
            for (int part = 0; part < parts.length; part++) {
                parts[part] = worth * (1 + 0.37 * part);
            }
            if (!Double.isNaN(read.of(parts))) {
                return;
            }
        }
        throw new IllegalArgumentException(
                "'" + read.canonical() + "' has no value whatever its parts are worth; look at what it is divided by");
    }

    /**
     * Gives a blend another code, name and formula; its identity, and so what was drawn on it, stays.
     *
     * @throws IllegalArgumentException when it cannot be, with what would
     */
    public Blend change(Blend before, String code, String name, String formula) {
        BlendFormula read = checked(formula);
        String wanted = code.strip().replaceFirst("^#", "").toUpperCase(Locale.ROOT);
        checkCode(wanted, before);
        Blend after = new Blend(before.key(), wanted, name, read.canonical());
        checkCircle(after);
        put("change the blend " + before.code(), after);
        return after;
    }

    private static BlendFormula checked(String formula) {
        return BlendFormula.parse(formula, Language.builtIn());
    }

    /** Refuses the code of something else. */
    private void checkCode(String code, Blend own) {
        boolean taken = directory.all().stream()
                .anyMatch(each -> each.code().equalsIgnoreCase(code)
                        && (own == null || !each.id().equals(BlendSource.id(own))));
        if (taken) {
            throw new IllegalArgumentException(
                    "there is an instrument " + code + " already; give the blend another code");
        }
        if (!code.matches("[A-Z0-9_.]{1,20}")) {
            throw new IllegalArgumentException(
                    "a code has up to 20 letters, digits, points and underscores, not '" + code + "'");
        }
    }

    private void checkCircle(Blend changed) {
        Map<String, BlendFormula> byCode = new HashMap<>();
        for (Blend each : all()) {
            if (!each.key().equals(changed.key())) {
                try {
                    byCode.put(each.code(), checked(each.formula()));
                } catch (FormulaException faulty) {
                    // It is kept as it is and rests on nothing.
                }
            }
        }
        byCode.put(changed.code(), checked(changed.formula()));
        BlendFormula.inOrder(byCode);
    }

    /** The blend of a code. */
    public Optional<Blend> find(String code) {
        return all().stream().filter(each -> each.code().equalsIgnoreCase(code)).findFirst();
    }

    private String key(String code) {
        String key = code;
        for (int number = 2; books.blendShelf().get(key).isPresent(); number++) {
            key = code + "-" + number;
        }
        return key;
    }

    private String free(String code) {
        String start = code.replaceAll("[^A-Z0-9_.]", "_");
        start = start.substring(0, Math.min(start.length(), 16));
        String free = start;
        for (int number = 2; directory.byCode(free).isPresent(); number++) {
            free = start + "_" + number;
        }
        return free;
    }

    private void put(String label, Blend blend) {
        undo.execute(books.blendShelf().change(label, all -> {
            List<Blend> changed = new ArrayList<>(all);
            for (int at = 0; at < changed.size(); at++) {
                if (changed.get(at).key().equals(blend.key())) {
                    changed.set(at, blend);
                    return changed;
                }
            }
            changed.add(blend);
            return changed;
        }));
    }

    /** Takes a blend away; lists and charts that have it keep its place. */
    public void delete(Blend blend) {
        String rests = new RestsOn(books).instrument(BlendSource.id(blend), blend.code());
        undo.execute(books.blendShelf().change("delete the blend " + blend.code(), all -> all.stream()
                .filter(each -> !each.key().equals(blend.key()))
                .toList()));
        RestsOn.tell(rests, tell);
    }

    /** What can be made of chosen instruments. */
    public enum Form {
        /** The first over the second. */
        RATIO("ratio"),
        /** The first less the second. */
        SPREAD("spread"),
        /** Each with a weight, which adds up to one; equal to begin with. */
        BASKET("basket with weights");

        private final String words;

        Form(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * The formula of a form over instruments, in their order. The weights of a basket are hundredths that add up to one; what
     * does not divide evenly goes to the first.
     */
    public static String formula(Form form, List<Instrument> of) {
        List<String> codes = of.stream().map(each -> "#" + each.code()).toList();
        return switch (form) {
            case RATIO -> String.join(" / ", codes);
            case SPREAD -> String.join(" - ", codes);
            case BASKET -> weighted(codes);
        };
    }

    private static String weighted(List<String> codes) {
        int places = codes.size() <= 50 ? 2 : 4;
        BigDecimal whole = BigDecimal.ONE.setScale(places);
        BigDecimal each = whole.divide(BigDecimal.valueOf(codes.size()), places, RoundingMode.DOWN);
        BigDecimal first = whole.subtract(each.multiply(BigDecimal.valueOf(codes.size() - 1L)));
        StringBuilder formula = new StringBuilder();
        for (String code : codes) {
            BigDecimal weight = formula.isEmpty() ? first : each;
            formula.append(formula.isEmpty() ? "" : " + ")
                    .append(weight.stripTrailingZeros().toPlainString())
                    .append(" * ")
                    .append(code);
        }
        return formula.toString();
    }
}
