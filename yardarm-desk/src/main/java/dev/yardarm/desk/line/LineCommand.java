package dev.yardarm.desk.line;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.room.chart.ChartComparisons;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.LinkRules;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** What a line asks for. */
public sealed interface LineCommand {
    /** @param timeframe null to keep the one there is */
    record Open(Instrument instrument, Timeframe timeframe) implements LineCommand {}

    record SetTimeframe(Timeframe timeframe) implements LineCommand {}

    record SetForm(BarForm form) implements LineCommand {}

    /** Bars of another kind. */
    record SetRule(BarRule rule) implements LineCommand {}

    /** Other bars of the same instrument: session, days, adjustment, contracts. */
    record ChangeRequest(String label, UnaryOperator<BarRequest> change) implements LineCommand {}

    record ChangeScale(String label, UnaryOperator<ScaleChoice> change) implements LineCommand {}

    /** @param zone null for that of the exchange */
    record SetZone(ZoneId zone) implements LineCommand {}

    /** A span of time counted back from the newest bar. */
    record ShowSpan(String span) implements LineCommand {}

    /** A date to go to; or the next or last event. */
    record GoTo(LocalDate date, int events) implements LineCommand {}

    record Arrange(Arrangement arrangement) implements LineCommand {}

    record NewLayout(String title, Arrangement arrangement) implements LineCommand {}

    record NameLayout(String title) implements LineCommand {}

    record StepDown(List<Timeframe> timeframes) implements LineCommand {}

    /** @param shared null to leave what the colour shares as it is */
    record SetLink(int colour, Set<LinkRules.Shared> shared) implements LineCommand {}

    /** Something done with a preset: apply, save, delete, standard, up, down. */
    record OfPreset(String verb, String name) implements LineCommand {}

    /** Something done with a kept look of the chosen indicator or drawings: apply, save, delete. */
    record OfLook(String verb, String name) implements LineCommand {}

    /** Something done with a kept set of ratios: apply, save, delete. */
    record OfRatios(String verb, String name) implements LineCommand {}

    /** Something done with a tracing: use, show, hide, move. */
    record OfTracing(String verb, String name) implements LineCommand {}

    /** Export or import of the drawings of the instrument. */
    record OfDrawings(boolean export, Path file) implements LineCommand {}

    /** Something done with a list: show, new, name, add, remove, delete, sort, paste, sector, tier, weight, source. */
    record OfList(String verb, String rest) implements LineCommand {}

    record SetTitle(String title) implements LineCommand {}

    /** Bars or trades of a file; without one it is asked for. */
    record ImportFile(Optional<Path> file) implements LineCommand {}

    /** A picture or the visible data of the chart in hand, by the ending of the file. */
    record SaveChart(Path file) implements LineCommand {}

    /** Export or import of the whole workspace. */
    record OfWorkspace(boolean export, Path file) implements LineCommand {}

    /** The timeframes offered; none for the usual ones. */
    record OfferTimeframes(List<Timeframe> timeframes) implements LineCommand {}

    /** Another key for an action; {@code leader} for how the first letter is pressed. */
    record ChangeKey(String action, String key) implements LineCommand {}

    record ChangeSource(String source) implements LineCommand {}

    /** @param settings null for those new ones come up with */
    record AddIndicator(Indicator indicator, Settings settings) implements LineCommand {}

    record Compare(List<Instrument> others, ChartComparisons.Look look) implements LineCommand {}

    /** @param length bars of changes; 0 for the usual number */
    record Correlate(Instrument one, Instrument other, int length) implements LineCommand {}

    /** A figure through exact points. */
    record Draw(String figure, List<DrawnPoint> points, Map<String, String> options) implements LineCommand {}

    /**
     * A point of a figure.
     *
     * @param moment by the clock of the exchange; null for the newest bar
     * @param price missing for the last close
     */
    record DrawnPoint(LocalDateTime moment, double price) {}

    record TakeTool(Tool tool) implements LineCommand {}

    record MakePlan(double entry, double stop, double target) implements LineCommand {}

    record TakeStance(Stance.Kind kind, String reason) implements LineCommand {}

    record WriteNote(String note) implements LineCommand {}

    record SetAlert(Alert.Trigger trigger) implements LineCommand {}

    record ScanFor(String condition) implements LineCommand {}

    /** A command without anything more to say. */
    record Plain(Word word) implements LineCommand {}

    /** The plain commands. */
    enum Word {
        CHART("chart", "go to Chart"),
        SCAN("scan", "go to Scan"),
        WATCH("watch", "go to Watch"),
        PLAN_VIEW("plans", "go to Plan"),
        LOGARITHMIC("log", "logarithmic price scale"),
        LINEAR("linear", "straight price scale"),
        FIT("fit", "fit the price scale"),
        VOLUME("volume", "show or hide volume"),
        DAYLIGHT("daylight", "theme Daylight"),
        NIGHT_WATCH("night watch", "theme Night watch"),
        UNDO("undo", "take back the last change"),
        REDO("redo", "do it again"),
        NEXT("next", "next instrument of the list"),
        PREVIOUS("previous", "previous instrument of the list"),
        DELETE("delete", "delete what is chosen"),
        NEWEST("newest", "show the newest bars"),
        ALL("all", "show all bars"),
        PICK_INDICATOR("indicators", "the catalogue to pick from"),
        PICK_COMPARISON("compare", "other instruments on the chart, picked from a list"),
        HIDE_INDICATORS("hide indicators", "hide all indicators of the chart, and show them again"),
        HIDE_DRAWINGS("hide drawings", "hide all drawings of the instrument, and show them again"),
        CLEAR_ANALYSIS("clear analysis", "remove all indicators and drawings"),
        COPY_DRAWING("copy drawing", "the chosen drawings to the clipboard"),
        PASTE_DRAWING("paste drawing", "put drawings of the clipboard on this instrument"),
        CLONE_DRAWING("clone drawing", "second ones beside the chosen drawings"),
        CHOOSE_DRAWINGS("choose all drawings", "choose all drawings of the chart"),
        GATHER("choose by box", "draw a box around drawings to choose them"),
        GROUP("group drawings", "choose and move the chosen drawings together"),
        UNGROUP("ungroup drawings", "take groups of the chosen drawings apart"),
        TO_FRONT("drawing to front", "draw the chosen drawings over all others"),
        TO_BACK("drawing to back", "draw the chosen drawings under all others"),
        LOCK("lock drawing", "the chosen drawings cannot be moved by hand, and back"),
        ON_THIS_CHART("drawing on this chart", "keep the chosen drawings on this chart alone, and back"),
        USUAL_DRAWING("usual drawing", "new ones of its figure come up like the chosen drawing"),
        COPY_INDICATORS("copy indicators", "remember the chart's indicators"),
        PASTE_INDICATORS("paste indicators", "put the remembered indicators on this chart"),
        CLEAR_INDICATORS("clear indicators", "remove all indicators"),
        CLEAR_DRAWINGS("clear drawings", "remove all drawings of the instrument"),
        SPLIT_RIGHT("split right", "a copy of the chart beside it"),
        SPLIT_BELOW("split below", "a copy of the chart below it"),
        CLOSE_CHART("close chart", "take it out of its layout"),
        MAXIMISE("maximise", "the chart has its layout to itself, and back"),
        OWN_WINDOW("own window", "the chart gets a window of its own"),
        REVERSE("reverse", "the charts of the layout in the opposite order"),
        NEXT_CHART("next chart", "take the next chart of the layout"),
        NEXT_LAYOUT("next layout", "the next tab"),
        REMOVE_LAYOUT("remove layout", "remove the layout in front"),
        TABLE("table", "the data as a table, and back"),
        MEASURE("measure", "measure from the pointer, and stop"),
        OVERVIEW("overview", "show or hide the overview strip"),
        CARD("card", "show or hide the instrument's card"),
        COPY_CHART("copy chart", "the picture to the clipboard"),
        PRINT("print", "the chart to a printer"),
        BREAKS("session lines", "show or hide lines between sessions"),
        NEXT_PANE("next pane", "take the next pane in hand"),
        PANE_UP("pane up", "move the pane in hand up"),
        PANE_DOWN("pane down", "move the pane in hand down"),
        PANE_FOLD("pane fold", "fold the pane in hand, and back"),
        PANE_WHOLE("pane whole", "the pane in hand has the chart, and back"),
        PANE_TALLER("pane taller", "a higher pane"),
        PANE_LOWER("pane lower", "a lower pane"),
        PAUSE("pause", "stop or go on with the simulated market"),
        HELP("help", "keys and commands");

        private final String text;
        private final String meaning;

        Word(String text, String meaning) {
            this.text = text;
            this.meaning = meaning;
        }

        public String text() {
            return text;
        }

        public String meaning() {
            return meaning;
        }
    }
}
