package dev.yardarm.desk.line;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.stance.Stance;
import java.time.LocalDate;

/** What a line asks for. */
public sealed interface LineCommand {
    /** @param timeframe null to keep the one there is */
    record Open(Instrument instrument, Timeframe timeframe) implements LineCommand {
    }

    record SetTimeframe(Timeframe timeframe) implements LineCommand {
    }

    record SetForm(BarForm form) implements LineCommand {
    }

    record AddIndicator(Indicator indicator, Settings settings) implements LineCommand {
    }

    record DrawLevel(double price) implements LineCommand {
    }

    record DrawLine(LocalDate from, double fromPrice, LocalDate to, double toPrice) implements LineCommand {
    }

    record TakeTool(Tool tool) implements LineCommand {
    }

    record MakePlan(double entry, double stop, double target) implements LineCommand {
    }

    record TakeStance(Stance.Kind kind, String reason) implements LineCommand {
    }

    record WriteNote(String note) implements LineCommand {
    }

    record SetAlert(Alert.Trigger trigger) implements LineCommand {
    }

    record ScanFor(String condition) implements LineCommand {
    }

    /** A command without anything more to say. */
    record Plain(Word word) implements LineCommand {
    }

    /** The plain commands. */
    enum Word {
        CHART("chart", "go to Chart"), SCAN("scan", "go to Scan"), WATCH("watch", "go to Watch"),
        PLAN_VIEW("plans", "go to Plan"), LOGARITHMIC("log", "logarithmic price scale"),
        LINEAR("linear", "straight price scale"), FIT("fit", "fit the price scale"),
        VOLUME("volume", "show or hide volume"), DAYLIGHT("daylight", "theme Daylight"),
        NIGHT_WATCH("night watch", "theme Night watch"), UNDO("undo", "take back the last change"),
        REDO("redo", "do it again"), NEXT("next", "next instrument of the list"),
        PREVIOUS("previous", "previous instrument of the list"), DELETE("delete", "delete what is chosen"),
        NEWEST("newest", "show the newest bars"), ALL("all", "show all bars"),
        CLEAR_INDICATORS("clear indicators", "remove all indicators"),
        CLEAR_DRAWINGS("clear drawings", "remove all drawings of the instrument"),
        PAUSE("pause", "stop or go on with the simulated market"), HELP("help", "keys and commands");

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
