package dev.yardarm.core.indicator;

import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.List;

/**
 * The base of the indicators of the catalogue: what they declare is said in the constructor, one call a line, and what
 * they compute in {@link #build}.
 */
public abstract class Declared implements Indicator {
    /** The longest length, in bars. */
    public static final int MOST = 5000;

    private final String name;
    private final String title;
    private final Family family;
    private final List<String> synonyms = new ArrayList<>();
    private final List<Setting> settings = new ArrayList<>();
    private final List<Output> outputs = new ArrayList<>();
    private final List<Fill> fills = new ArrayList<>();
    private Place place = Place.PRICE;
    private Help help;

    protected Declared(Family family, String name, String title) {
        this.family = family;
        this.name = name;
        this.title = title;
    }

    /** Other words people look for it by. */
    protected final void also(String... words) {
        synonyms.addAll(List.of(words));
    }

    /** The field it reads, as a setting called {@code source}. */
    protected final void source(Field standard) {
        settings.add(new Setting.Source("source", "Source", standard));
    }

    /** The number of bars, as a setting called {@code length}. */
    protected final void length(int standard) {
        length("length", "Period", standard);
    }

    protected final void length(String settingName, String label, int standard) {
        whole(settingName, label, standard, 1, MOST);
    }

    protected final void whole(String settingName, String label, int standard, int least, int most) {
        settings.add(new Setting.WholeNumber(settingName, label, standard, least, most));
    }

    protected final void number(String settingName, String label, double standard, double least, double most) {
        settings.add(new Setting.Number(settingName, label, standard, least, most));
    }

    /** Any setting, as something else declares it. */
    protected final void setting(Setting setting) {
        settings.add(setting);
    }

    /** One of several words; the first is the standard. */
    protected final void choice(String settingName, String label, String... words) {
        settings.add(new Setting.Choice(settingName, label, List.of(words)));
    }

    /** Another instrument, by its code; the benchmark unless told otherwise. */
    protected final void other(String settingName, String label) {
        settings.add(new Setting.Other(settingName, label));
    }

    /** A date, or a date with time of day; from the first bar unless told otherwise. */
    protected final void moment(String settingName, String label) {
        settings.add(new Setting.Moment(settingName, label));
    }

    /** A single output drawn as a line. */
    protected final void line() {
        line("value", title);
    }

    protected final void line(String outputName, String label) {
        output(outputName, label, Form.LINE);
    }

    protected final void output(String outputName, String label, Form form) {
        outputs.add(new Output(outputName, label, form, false));
    }

    /** A yes or no. */
    protected final void cue(String outputName, String label) {
        outputs.add(new Output(outputName, label, Form.NONE, true));
    }

    /** A yes or no that is marked at the pane's foot. */
    protected final void mark(String outputName, String label) {
        outputs.add(new Output(outputName, label, Form.DOTS, true));
    }

    /** A yes or no that is an arrow below the bar. */
    protected final void up(String outputName, String label) {
        outputs.add(new Output(outputName, label, Form.UP, true));
    }

    /** A yes or no that is an arrow above the bar. */
    protected final void down(String outputName, String label) {
        outputs.add(new Output(outputName, label, Form.DOWN, true));
    }

    /** Fills the area between two outputs named before. */
    protected final void fill(String one, String other) {
        fills.add(new Fill(output(one), output(other)));
    }

    /** A pane of its own with fixed bounds and level lines. */
    protected final void bounded(double least, double most, Double... levels) {
        place = Place.bounded(least, most, levels);
    }

    /** A pane of its own that fits itself, with level lines. */
    protected final void fitted(Double... levels) {
        place = Place.fitted(levels);
    }

    protected final void help(String summary, String formula, String reading, String weakness, String origin) {
        help = new Help(summary, formula, reading, weakness, origin);
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
    public final List<Setting> settings() {
        return List.copyOf(settings);
    }

    @Override
    public final List<Output> outputs() {
        return List.copyOf(outputs);
    }

    @Override
    public final List<Fill> fills() {
        return List.copyOf(fills);
    }

    @Override
    public final Place place() {
        return place;
    }

    @Override
    public final Help help() {
        return help;
    }
}
