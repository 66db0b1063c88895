package dev.yardarm.desk.action;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * One thing the trader can do. Declared once, when the window is made; only its key changes later, through
 * {@link Actions#change}. Confined to the interface's thread.
 *
 * <pre>{@code
 * actions.group('L', "layout", "Layout")
 *         .on('S', "split right", () -> layouts.split(true))
 *         .says("split right", "a copy of the chart to its right")
 *         .formerly("layout.split-beside");
 * }</pre>
 */
public final class Action {
    private final String id;
    private final String label;
    private final Runnable work;
    private String word = "";
    private String meaning;
    private List<String> synonyms = List.of();
    private List<String> former = List.of();
    private Optional<View> view;
    private Supplier<Optional<String>> obstacle = Optional::empty;

    Action(String id, String label, Optional<View> view, Runnable work) {
        this.id = id;
        this.label = label;
        this.meaning = label;
        this.view = view;
        this.work = work;
    }

    /** Gives it words on the command line, what it does in a sentence, and other words for the same. */
    public Action says(String words, String sentence, String... others) {
        word = words;
        meaning = sentence;
        synonyms = List.of(others);
        return this;
    }

    /** What it does, in a sentence without a full stop; the label until this is said. */
    public Action means(String sentence) {
        meaning = sentence;
        return this;
    }

    /** Names it had in key files written before. */
    public Action formerly(String... ids) {
        former = List.of(ids);
        return this;
    }

    /** Can be done whichever view is in front. */
    public Action everywhere() {
        view = Optional.empty();
        return this;
    }

    /** Needs something: what to do first where that is missing, else nothing. */
    public Action unless(Supplier<Optional<String>> missing) {
        obstacle = missing;
        return this;
    }

    /** Its name in the key file: {@code layout.split-right}. */
    public String id() {
        return id;
    }

    /** A few words for the hint panel, menus and buttons. */
    public String label() {
        return label;
    }

    /** What is typed on the command line for it; empty for what has keys only. */
    public String word() {
        return word;
    }

    /** Other words that mean it on the command line. */
    public List<String> synonyms() {
        return synonyms;
    }

    /** What it does, in a sentence without a full stop. */
    public String meaning() {
        return meaning;
    }

    List<String> former() {
        return former;
    }

    /** The view its keys act in; empty when they act everywhere. */
    public Optional<View> view() {
        return view;
    }

    /** Whether its keys act while this view is in front. */
    public boolean actsIn(View front) {
        return view.isEmpty() || view.get() == front;
    }

    /** What to do first; empty when it can be done now. */
    public Optional<String> obstacle() {
        return obstacle.get();
    }

    /** Does it, or tells what to do first. */
    public void run(Consumer<String> tell) {
        Optional<String> missing = obstacle.get();
        if (missing.isPresent()) {
            tell.accept(missing.get());
        } else {
            work.run();
        }
    }

    @Override
    public String toString() {
        return id;
    }
}
