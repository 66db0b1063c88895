package dev.yardarm.core.structure;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * Something that reads structure from bars: what it is called, what can be chosen, what kinds of things it finds and what they
 * mean, said in the constructor with one call a line; and how it goes through the bars, in {@link #begin}. Stateless.
 *
 * <pre>{@code
 * Detector swings = Detectors.named("pivots").orElseThrow();
 * ColumnGraph graph = new ColumnGraph();
 * Detected found = Detected.in(graph, swings, swings.settings(Map.of("reversal", "3%")), null);
 * graph.update(bars);
 * found.log().asOf(bar);
 * }</pre>
 */
public abstract class Detector {
    /** The setting that says which one of several is meant, counted from the newest. */
    public static final String NTH = "nth";

    /** The setting by which a chart shows one of several {@linkplain #reading rival readings} alone: its rank from 1 on, 0 for all. */
    public static final String ALONE = "reading";

    /** What has ended stays in view. */
    public static final int ALWAYS = Integer.MAX_VALUE;

    /** The setting of a column read beside the bars. */
    public static final String SOURCE = "source";

    /** Begins the names of columns that have what may still be taken back. */
    public static final String PROVISIONAL = "provisional_";

    private final String name;
    private final String title;
    private final List<String> synonyms = new ArrayList<>();
    private final List<Setting> settings = new ArrayList<>();
    private final List<Kind> kinds = new ArrayList<>();
    private final List<Told> told = new ArrayList<>();
    private Indicator.Help help;

    /**
     * A kind of finding.
     *
     * @param name in files, lower case
     * @param title for people
     */
    public record Kind(String name, String title) {}

    /**
     * A column or cue that is read from the findings, by this name in formulas.
     *
     * @param cue true for a yes or no
     * @param counted true when the setting {@code nth} says which one from the newest is meant
     * @param reader makes what reads it; of what is counted with the setting {@code nth}
     */
    public record Told(String name, String label, boolean cue, boolean counted, Function<Settings, Reader> reader) {}

    protected Detector(String name, String title) {
        this.name = name;
        this.title = title;
    }

    /** Other words people look for it by. */
    protected final void also(String... words) {
        synonyms.addAll(List.of(words));
    }

    protected final void whole(String settingName, String label, int standard, int least, int most) {
        settings.add(new Setting.WholeNumber(settingName, label, standard, least, most));
    }

    protected final void number(String settingName, String label, double standard, double least, double most) {
        settings.add(new Setting.Number(settingName, label, standard, least, most));
    }

    protected final void kind(String kindName, String kindTitle) {
        kinds.add(new Kind(kindName, kindTitle));
    }

    /** One of several words; the first is the standard. */
    protected final void choice(String settingName, String label, String... words) {
        settings.add(new Setting.Choice(settingName, label, List.of(words)));
    }

    /** Any column that is read beside the bars, given in formulas as the first argument. */
    protected final void source() {
        settings.add(new Setting.Source(SOURCE, "Source", Field.CLOSE));
    }

    /** A column with what is settled, and one with what may still be taken back in front of it. */
    protected final void column(String columnName, String label, Function<Boolean, Reader> provisional) {
        told.add(new Told(columnName, label, false, false, chosen -> provisional.apply(false)));
        told.add(new Told(
                PROVISIONAL + columnName,
                label + ", provisional too",
                false,
                false,
                chosen -> provisional.apply(true)));
    }

    /** The same of one of several, counted from the newest. */
    protected final void counted(String columnName, String label, BiFunction<Integer, Boolean, Reader> nth) {
        told.add(new Told(columnName, label, false, true, chosen -> nth.apply(chosen.whole(NTH), false)));
        told.add(new Told(
                PROVISIONAL + columnName,
                label + ", provisional too",
                false,
                true,
                chosen -> nth.apply(chosen.whole(NTH), true)));
    }

    /** A yes or no. */
    protected final void cue(String cueName, String label, Function<Settings, Reader> reader) {
        told.add(new Told(cueName, label, true, false, reader));
    }

    protected final void help(String summary, String method, String reading, String weakness, String origin) {
        help = new Indicator.Help(summary, method, reading, weakness, origin);
    }

    /** Name in files and on the command line. */
    public final String name() {
        return name;
    }

    /** Name for people. */
    public final String title() {
        return title;
    }

    public final List<String> synonyms() {
        return List.copyOf(synonyms);
    }

    public final List<Setting> settings() {
        return List.copyOf(settings);
    }

    /** What it may find. */
    public final List<Kind> kinds() {
        return List.copyOf(kinds);
    }

    /** The columns and cues that are read from what it finds. */
    public final List<Told> told() {
        return List.copyOf(told);
    }

    /** The word it is called by in formulas: {@code pivots}, {@code order_blocks}. */
    public String word() {
        return name.replace('-', '_');
    }

    /** True when it reads a column beside the bars. */
    public final boolean readsSource() {
        return settings.stream().anyMatch(each -> each instanceof Setting.Source);
    }

    /** The column it reads beside the bars when none is given; null for one that reads bars alone. */
    protected ColumnGraph.Node source(ColumnGraph graph, Settings chosen) {
        return null;
    }

    /** What is painted of a finding, and what it becomes when it is kept; a line through its points unless told otherwise. */
    public Figured figure(Sight sight) {
        Finding finding = sight.finding();
        Anchor[] points = finding.points().stream()
                .map(each -> new Anchor(each.time(), each.price()))
                .toArray(Anchor[]::new);
        return points.length == 1
                ? new Figured("level_ray", List.of(points), Map.of(), words(finding), true)
                : Figured.line(words(finding), true, points);
    }

    /** All that is painted of a finding, the first part with its name. */
    public List<Figured> figures(Sight sight) {
        return List.of(figure(sight));
    }

    /** Whether a finding goes on where another one ended, as a swing does. */
    public boolean follows(Finding before, Finding finding) {
        return false;
    }

    /**
     * For how many bars what has ended stays in view: {@link #ALWAYS} for a pattern that reached its target, 0 for a gap that is
     * filled.
     */
    public int staysFor() {
        return 0;
    }

    /** What a kind of finding is called; the kind itself when it is none of its own. */
    public final String words(Finding finding) {
        return kinds.stream()
                .filter(each -> each.name().equals(finding.kind()))
                .map(each -> each.title().toLowerCase(Locale.ROOT))
                .findFirst()
                .orElse(finding.kind());
    }

    /** What a finding is called among {@linkplain Rivals rival readings} of the same prices; empty where findings do not exclude each other. */
    public String reading(Finding finding) {
        return "";
    }

    /** What it finds, how, how it is read, where it misleads and where the rule is from. */
    public final Indicator.Help help() {
        return help;
    }

    /**
     * Checked values for its settings, the standard ones where none is given.
     *
     * @throws IllegalArgumentException for an unknown setting or a bad value, with what would be good
     */
    public final Settings settings(Map<String, String> given) {
        Settings checked = Settings.of(name, settings, given);
        check(checked);
        return checked;
    }

    /**
     * Checks settings whose values are good one by one but may not go together.
     *
     * @throws IllegalArgumentException with what would be good
     */
    protected void check(Settings checked) {}

    /** The detectors whose findings it reads, with their standard settings. */
    public List<Detector> restsOn() {
        return List.of();
    }

    /**
     * Begins before the first bar.
     *
     * @param given what it reads beside the bars
     */
    public abstract Detection begin(Settings chosen, Given given);
}
