package dev.yardarm.core.structure;

import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Something that reads structure from bars: what it is called, what can be chosen, what kinds of things it finds and what they
 * mean, said in the constructor with one call a line; and how it goes through the bars, in {@link #begin}. Stateless.
 *
 * <pre>{@code
 * Detector swings = Detectors.named("pivots").orElseThrow();
 * Detecting detecting = new Detecting(swings, swings.settings(Map.of("reversal", "3%")));
 * detecting.update(bars);
 * detecting.log().asOf(bar);
 * }</pre>
 */
public abstract class Detector {
    private final String name;
    private final String title;
    private final List<String> synonyms = new ArrayList<>();
    private final List<Setting> settings = new ArrayList<>();
    private final List<Kind> kinds = new ArrayList<>();
    private Indicator.Help help;

    /**
     * A kind of finding.
     *
     * @param name in files, lower case
     * @param title for people
     */
    public record Kind(String name, String title) {}

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

    /** Begins before the first bar. */
    public abstract Detection begin(Settings chosen);
}
