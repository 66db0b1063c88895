package dev.yardarm.core.drawing;

import dev.yardarm.core.indicator.Setting;
import java.util.ArrayList;
import java.util.List;

/** The base of the figures: what they declare is said in the constructor, one call a line, what they draw in {@link #draw}. */
public abstract class Declared implements Figure {
    private final String name;
    private final String title;
    private final Family family;
    private final List<String> synonyms = new ArrayList<>();
    private final List<Setting> options = new ArrayList<>();
    private List<String> points = List.of();
    private int most;
    private int least;
    private String help = "";

    protected Declared(Family family, String name, String title) {
        this.family = family;
        this.name = name;
        this.title = title;
    }

    /** Other words people look for it by. */
    protected final void also(String... words) {
        synonyms.addAll(List.of(words));
    }

    /** What each point is. */
    protected final void through(String... each) {
        points = List.of(each);
        most = each.length;
        least = each.length;
    }

    /** It can be ended before all points are placed. */
    protected final void atLeast(int number) {
        least = number;
    }

    /** More points than are named may follow. */
    protected final void upTo(int number) {
        most = number;
    }

    protected final void help(String text) {
        help = text;
    }

    /** How far its lines go; the first word is the standard. */
    protected final void goesOn(String... words) {
        options.add(new Setting.Choice("extend", "Extend", List.of(words)));
    }

    /** Yes or no; the first is the standard. */
    protected final void choice(String setting, String label, String... words) {
        options.add(new Setting.Choice(setting, label, List.of(words)));
    }

    protected final void number(String setting, String label, double standard, double least, double greatest) {
        options.add(new Setting.Number(setting, label, standard, least, greatest));
    }

    protected final void whole(String setting, String label, int standard, int least, int greatest) {
        options.add(new Setting.WholeNumber(setting, label, standard, least, greatest));
    }

    /** A set of ratios. */
    protected final void ratios(String standard) {
        options.add(new Setting.Numbers("ratios", "Ratios", standard));
    }

    protected final void words(String setting, String label, String standard) {
        options.add(new Setting.Words(setting, label, standard));
    }

    @Override
    public final String name() {
        return name;
    }

    @Override
    public final String title() {
        return title;
    }

    @Override
    public final Family family() {
        return family;
    }

    @Override
    public final List<String> synonyms() {
        return List.copyOf(synonyms);
    }

    @Override
    public final List<String> points() {
        return points;
    }

    @Override
    public final int least() {
        return least;
    }

    @Override
    public final int most() {
        return most;
    }

    @Override
    public final List<Setting> options() {
        return List.copyOf(options);
    }

    @Override
    public final String help() {
        return help;
    }
}
