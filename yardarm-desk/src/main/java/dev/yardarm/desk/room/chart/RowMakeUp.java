package dev.yardarm.desk.room.chart;

import dev.yardarm.core.bars.Timeframe;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** How the charts beside a table show the row in hand. Written as one line and kept by whoever shows it. */
public sealed interface RowMakeUp {
    /** One chart, in the bars the row is about. */
    RowMakeUp AS_THE_ROW = new AsTheRow();

    record AsTheRow() implements RowMakeUp {
        @Override
        public String text() {
            return "";
        }

        @Override
        public String words() {
            return "as the row";
        }
    }

    /** One chart in a preset; as the row once there is none of that name. */
    record InPreset(String name) implements RowMakeUp {
        @Override
        public String text() {
            return PRESET + name;
        }

        @Override
        public String words() {
            return name;
        }
    }

    /** Two or three charts side by side, from the higher timeframe to the lower, each in the standard preset of its timeframe. */
    record StepDown(List<Timeframe> timeframes) implements RowMakeUp {
        public StepDown {
            timeframes = timeframes.stream()
                    .distinct()
                    .sorted((one, other) -> other.compareTo(one))
                    .toList();
            if (timeframes.size() < 2 || timeframes.size() > 3) {
                throw new IllegalArgumentException("a step-down layout has two or three timeframes");
            }
        }

        @Override
        public String text() {
            return STEP_DOWN + joined();
        }

        @Override
        public String words() {
            return "step-down " + joined();
        }

        private String joined() {
            return timeframes.stream().map(Timeframe::toString).collect(Collectors.joining(" "));
        }
    }

    String PRESET = "preset ";
    String STEP_DOWN = "step-down ";

    /** The line it is written as. */
    String text();

    /** What it is called in menus. */
    String words();

    /** Reads a line back; what is not understood is a chart as the row. */
    static RowMakeUp read(String text) {
        if (text.startsWith(PRESET)) {
            return new InPreset(text.substring(PRESET.length()));
        }
        if (text.startsWith(STEP_DOWN)) {
            try {
                return new StepDown(
                        Arrays.stream(text.substring(STEP_DOWN.length()).split(" "))
                                .map(Timeframe::parse)
                                .flatMap(Optional::stream)
                                .toList());
            } catch (IllegalArgumentException unread) {
                return AS_THE_ROW;
            }
        }
        return AS_THE_ROW;
    }
}
