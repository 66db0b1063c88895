package dev.yardarm.desk.room.chart;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Documents.Preset;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Numbering;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.listening.Listening;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Saved chart set-ups, that can be put on any instrument: timeframe and kind of bars, visible span, form, layers,
 * panes and scale. One of them may be the standard of a timeframe.
 */
public final class Presets {
    private final Desk desk;

    /** Presets kept in the books of a desk. */
    public Presets(Desk desk) {
        this.desk = desk;
    }

    /** Tells when they have changed. */
    public Listening listen(Runnable listener) {
        return desk.books().presetShelf().listen(keys -> listener.run());
    }

    /** All of them, in the order they are offered in. */
    public List<Preset> all() {
        return desk.books().presetShelf().all();
    }

    /** A preset as it is offered. */
    public record Offered(String name, Timeframe timeframe, boolean standard) {
        /** Its name, timeframe, and whether it is the standard there. */
        public String words() {
            return name + "   " + timeframe + (standard ? "   standard" : "");
        }
    }

    /** What is offered, in its order. */
    public List<Offered> offered() {
        return all().stream().map(Presets::offered).toList();
    }

    /** The one of a name. */
    public Optional<Offered> offered(String name) {
        return named(name).map(Presets::offered);
    }

    private static Offered offered(Preset preset) {
        return new Offered(preset.name(), preset.makeUp().timeframe(), preset.standard());
    }

    public Optional<Preset> named(String name) {
        return all().stream()
                .filter(each -> each.name().equalsIgnoreCase(name.strip()))
                .findFirst();
    }

    private void change(String label, List<Preset> after) {
        desk.undo().execute(desk.books().presetShelf().change(label, "", after));
    }

    /** Saves the make-up of a chart under a name; one of that name is replaced. */
    public void save(String name, ChartRoom chart) {
        if (name.isBlank()) {
            desk.tell("A preset needs a name: preset save NAME");
            return;
        }
        boolean standard = named(name).map(Preset::standard).orElse(false);
        Preset made = new Preset(name.strip(), ChartKeeper.makeUp(chart), standard);
        List<Preset> after = new ArrayList<>(all());
        int at = after.indexOf(named(name).orElse(null));
        if (at >= 0) {
            after.set(at, made);
        } else {
            after.add(made);
        }
        change("save the preset " + made.name(), after);
        desk.tell((at >= 0 ? "Preset replaced: " : "Preset saved: ") + made.name() + " ("
                + made.makeUp().timeframe() + ").");
    }

    /** The same by name; nothing when there is none. */
    public void apply(String name, ChartRoom chart) {
        named(name).ifPresent(preset -> apply(preset, chart));
    }

    /** Puts a preset on a chart, whatever instrument it shows; a step of undo. */
    public void apply(Preset preset, ChartRoom chart) {
        Documents.Chart before = ChartKeeper.makeUp(chart);
        desk.undo()
                .execute(Command.of(
                        "preset " + preset.name(),
                        () -> ChartKeeper.putOn(chart, preset.makeUp()),
                        () -> ChartKeeper.putOn(chart, before)));
    }

    /** Makes a chart up like a preset, without a step of undo: for charts that follow something else. */
    public void putOn(Preset preset, ChartRoom chart) {
        ChartKeeper.putOn(chart, preset.makeUp());
    }

    /** The same by name; nothing when there is none. */
    public void delete(String name) {
        named(name).ifPresent(this::delete);
    }

    public void delete(Preset preset) {
        change(
                "delete the preset " + preset.name(),
                all().stream().filter(each -> !each.equals(preset)).toList());
    }

    /** The same by name; nothing when there is none. */
    public void move(String name, int places) {
        named(name).ifPresent(preset -> move(preset, places));
    }

    /** Moves a preset up or down in the order they are offered in. */
    public void move(Preset preset, int places) {
        List<Preset> after = new ArrayList<>(all());
        int at = after.indexOf(preset);
        int to = Math.max(0, Math.min(after.size() - 1, at + places));
        if (at >= 0 && to != at) {
            after.add(to, after.remove(at));
            change("move the preset " + preset.name(), after);
        }
    }

    /** The same by name; nothing when there is none. */
    public void toggleStandard(String name) {
        named(name).ifPresent(this::toggleStandard);
    }

    /** Makes a preset the standard of its timeframe, or takes that from it. */
    public void toggleStandard(Preset preset) {
        boolean on = !preset.standard();
        change(
                (on ? "standard for " : "no standard for ") + preset.makeUp().timeframe(),
                all().stream()
                        .map(each -> each.equals(preset)
                                ? new Preset(each.name(), each.makeUp(), on)
                                : on
                                                && each.makeUp()
                                                        .timeframe()
                                                        .equals(preset.makeUp().timeframe())
                                        ? new Preset(each.name(), each.makeUp(), false)
                                        : each)
                        .toList());
    }

    /** The standard of a timeframe. */
    public Optional<Preset> standard(Timeframe timeframe) {
        return all().stream()
                .filter(each -> each.standard() && each.makeUp().timeframe().equals(timeframe))
                .findFirst();
    }

    /** Adds presets of another workspace; those of a name that is there get a number behind it. */
    public void addAll(List<Preset> more) {
        List<Preset> after = new ArrayList<>(all());
        Set<Preset> known = new HashSet<>(after);
        Numbering names = new Numbering(after.stream().map(Preset::name).toList(), " ");
        for (Preset preset : more) {
            if (known.add(preset)) {
                after.add(new Preset(names.free(preset.name()), preset.makeUp(), false));
            }
        }
        desk.books().presetShelf().replace(after);
    }
}
