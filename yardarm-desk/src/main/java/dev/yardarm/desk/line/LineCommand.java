package dev.yardarm.desk.line;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.action.Action;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartComparisons;
import dev.yardarm.desk.room.chart.Presets;
import dev.yardarm.desk.room.chart.Spans;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.LinkRules;
import dev.yardarm.desk.room.layout.WorkspaceFile;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** What a line asks for. Each carries itself out. */
public sealed interface LineCommand {
    /** Does it; what it needs is there. */
    void run(Hands hands);

    /** Whether it is done to a chart, which then has to be open and comes to the front. */
    default boolean onChart() {
        return true;
    }

    /** Does it, or tells what is missing. */
    default void carryOut(Hands hands) {
        if (onChart()) {
            if (hands.room().instrument().isEmpty()) {
                hands.desk().tell("Open a chart first: type the code of an instrument.");
                return;
            }
            hands.go(View.CHART);
        }
        run(hands);
    }

    /** What is done to something that is kept under a name. */
    enum Kept {
        APPLY,
        SAVE,
        DELETE
    }

    /** @param percent of the usual size */
    record TextSize(int percent) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.setTextSize(percent);
        }
    }

    /** @param timeframe null to keep the one there is */
    record Open(Instrument instrument, Timeframe timeframe) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            if (timeframe == null) {
                hands.room().open(instrument, hands.room().chart().request());
            } else {
                hands.room().open(instrument, timeframe);
            }
            hands.go(View.CHART);
        }
    }

    record SetTimeframe(Timeframe timeframe) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setTimeframe(timeframe);
        }
    }

    record SetForm(BarForm form) implements LineCommand {
        @Override
        public void run(Hands hands) {
            if (!hands.room().chart().request().isTime()) {
                hands.room().setRule(new BarRule.Time(hands.room().chart().timeframe()));
            }
            hands.room().setForm(form);
        }
    }

    /** Bars of another kind. */
    record SetRule(BarRule rule) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setRule(rule);
        }
    }

    /** Other bars of the same instrument: session, days, adjustment, contracts. */
    record ChangeRequest(String label, UnaryOperator<BarRequest> change) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setRequest(label, change.apply(hands.room().chart().request()));
        }
    }

    record ChangeScale(String label, UnaryOperator<ScaleChoice> change) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setScale(label, change.apply(hands.room().chart().scale()));
        }
    }

    /** @param zone null for that of the exchange */
    record SetZone(ZoneId zone) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setZone(zone);
        }
    }

    /** A span of time counted back from the newest bar. */
    record ShowSpan(String span) implements LineCommand {
        @Override
        public void run(Hands hands) {
            Spans.show(hands.room().chart(), span);
            hands.room().tell(Aspect.VIEW);
        }
    }

    /** A date to go to; or the next or last event. */
    record GoTo(LocalDate date, int events) implements LineCommand {
        @Override
        public void run(Hands hands) {
            if (date != null) {
                Going.toDate(hands.room(), date);
            } else {
                Going.toEvent(hands.room(), events);
            }
        }
    }

    record Arrange(Arrangement arrangement) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.layouts().arrange(arrangement);
        }
    }

    record NewLayout(String title, Arrangement arrangement) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.layouts().add(title, arrangement);
        }
    }

    record NameLayout(String title) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.layouts().rename(hands.layouts().focused(), title);
        }
    }

    record StepDown(List<Timeframe> timeframes) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.layouts().stepDown(timeframes);
        }
    }

    /** @param shared null to leave what the colour shares as it is */
    record SetLink(int colour, Set<LinkRules.Shared> shared) implements LineCommand {
        @Override
        public void run(Hands hands) {
            if (shared != null) {
                hands.layouts().setLinks(colour, shared);
            }
            hands.room().setLink(colour);
        }
    }

    /** What is done with a preset. */
    enum PresetVerb {
        APPLY,
        SAVE,
        DELETE,
        STANDARD,
        UP,
        DOWN
    }

    /** Something done with a preset. */
    record OfPreset(PresetVerb verb, String name) implements LineCommand {
        @Override
        public void run(Hands hands) {
            Presets presets = hands.layouts().presets();
            if (verb != PresetVerb.SAVE && presets.offered(name).isEmpty()) {
                hands.desk().tell("There is no preset '" + name + "'. Save one with: preset save " + name);
                return;
            }
            switch (verb) {
                case APPLY -> presets.apply(name, hands.room());
                case SAVE -> presets.save(name, hands.room());
                case DELETE -> presets.delete(name);
                case STANDARD -> presets.toggleStandard(name);
                case UP -> presets.move(name, -1);
                case DOWN -> presets.move(name, 1);
            }
        }
    }

    /** Something done with a kept look of the selected indicator or drawings. */
    record OfLook(Kept verb, String name) implements LineCommand {
        @Override
        public void run(Hands hands) {
            if (!hands.room().chart().selection().drawings().isEmpty()) {
                switch (verb) {
                    case APPLY -> hands.room().drawings().looks().takeLook(name);
                    case SAVE -> hands.room().drawings().looks().keepLook(name);
                    case DELETE -> hands.room().drawings().looks().forgetLook(name);
                }
            } else if (hands.room().chart().selection() instanceof Selection.Layer selected
                    && hands.room().chart().indicator(selected.id()).isPresent()) {
                switch (verb) {
                    case APPLY -> hands.room().indicators().takeLook(selected.id(), name);
                    case SAVE -> hands.room().indicators().keepLook(selected.id(), name);
                    case DELETE -> hands.room().indicators().forgetLook(selected.id(), name);
                }
            } else {
                hands.desk().tell("Select an indicator or a drawing first: click it on the chart or in Layers.");
            }
        }
    }

    /** Something done with a kept set of ratios. */
    record OfRatios(Kept verb, String name) implements LineCommand {
        @Override
        public void run(Hands hands) {
            switch (verb) {
                case APPLY -> hands.room().drawings().looks().takeRatios(name);
                case SAVE -> hands.room().drawings().looks().keepRatios(name);
                case DELETE -> hands.room().drawings().looks().forgetRatios(name);
            }
        }
    }

    /** What is done with a tracing. */
    enum TracingVerb {
        USE,
        SHOW,
        HIDE,
        MOVE
    }

    /** Something done with a tracing. */
    record OfTracing(TracingVerb verb, String name) implements LineCommand {
        @Override
        public void run(Hands hands) {
            switch (verb) {
                case USE -> hands.room().tracings().use(name);
                case SHOW -> hands.room().tracings().show(name, true);
                case HIDE -> hands.room().tracings().show(name, false);
                case MOVE -> hands.room().tracings().move(name);
            }
        }
    }

    /** Export or import of the drawings of the instrument. */
    record OfDrawings(boolean export, Path file) implements LineCommand {
        @Override
        public void run(Hands hands) {
            Path whole = file.toAbsolutePath();
            if (!export) {
                hands.room().tracings().importFrom(whole);
            } else if (hands.mayWrite(whole)) {
                hands.room().tracings().export(whole);
            }
        }
    }

    /** What is done with a list. */
    enum ListVerb {
        SHOW,
        NEW,
        NAME,
        ADD,
        REMOVE,
        DELETE,
        SORT,
        PASTE,
        SECTOR,
        TIER,
        WEIGHT,
        COLOUR,
        MOVE
    }

    /** Something done with a list. */
    record OfList(ListVerb verb, String rest) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            ListLine.run(this, hands);
        }
    }

    record SetTitle(String title) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setTitle(title);
        }
    }

    /** Bars or trades of a file; without one it is asked for. */
    record ImportFile(Optional<Path> file) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.intake(file.map(each -> List.of(each.toAbsolutePath())).orElse(List.of()));
        }
    }

    /** A picture or the visible data of the active chart, by the ending of the file. */
    record SaveChart(Path file) implements LineCommand {
        @Override
        public void run(Hands hands) {
            Path whole = file.toAbsolutePath();
            if (hands.mayWrite(whole)) {
                hands.saveChart(whole);
            }
        }
    }

    /** Export or import of the whole workspace. */
    record OfWorkspace(boolean export, Path file) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            Path whole = file.toAbsolutePath();
            if (!export) {
                WorkspaceFile.importBeside(whole, hands.layouts());
            } else if (hands.mayWrite(whole)) {
                hands.exportWorkspace(whole);
            }
        }
    }

    /** The timeframes offered; none for the usual ones. */
    record OfferTimeframes(List<Timeframe> timeframes) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.desk().habits().setTimeframes(timeframes);
            List<String> offered =
                    hands.desk().timeframes().stream().map(Timeframe::toString).toList();
            hands.desk()
                    .tell("Timeframes in menus: " + String.join(" ", offered)
                            + ". The strip follows at the next start.");
        }
    }

    /** Another key for an action; {@code leader} for how groups are reached. */
    record ChangeKey(String action, String key) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.changeKey(action, key);
        }
    }

    record ChangeSource(String source) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().changeSource(source);
        }
    }

    /** @param settings null for those new ones come up with */
    record AddIndicator(Indicator indicator, Settings settings) implements LineCommand {
        @Override
        public void run(Hands hands) {
            if (settings == null) {
                hands.room().indicators().add(indicator);
            } else {
                hands.room().indicators().add(indicator, settings);
            }
        }
    }

    record Compare(List<Instrument> others, ChartComparisons.Look look) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().comparisons().add(others, look);
        }
    }

    /** @param length bars of changes; 0 for the usual number */
    record Correlate(Instrument one, Instrument other, int length) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().comparisons().correlate(one, other, length);
        }
    }

    /** A figure through exact points. */
    record Draw(String figure, List<DrawnPoint> points, Map<String, String> options) implements LineCommand {
        @Override
        public void run(Hands hands) {
            ExactDrawing.draw(hands.room(), this);
        }
    }

    /**
     * A point of a figure.
     *
     * @param moment by the clock of the exchange; null for the newest bar
     * @param price missing for the last close
     */
    record DrawnPoint(LocalDateTime moment, double price) {}

    record TakeTool(Tool tool) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().studies().take(tool);
        }
    }

    record MakePlan(double entry, double stop, double target) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().studies().makePlan(entry, stop, target);
        }
    }

    record TakeStance(Stance.Kind kind, String reason) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().studies().takeStance(kind, reason);
        }
    }

    record WriteNote(String note) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().studies().writeNote(note);
        }
    }

    record SetAlert(Alert.Trigger trigger) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().studies().setAlert(trigger);
        }
    }

    record ScanFor(String condition) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.scanFor(condition);
        }
    }

    /** A command without anything more to say. */
    record Plain(Action action) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            action.run(hands.desk()::tell);
        }
    }
}
