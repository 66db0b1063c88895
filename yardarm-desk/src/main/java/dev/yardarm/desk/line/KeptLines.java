package dev.yardarm.desk.line;

import dev.yardarm.chart.model.Selection;
import dev.yardarm.desk.room.chart.Presets;
import java.nio.file.Path;

/** Lines about what is kept under a name: presets, styles, sets of ratios, tracings. */
public final class KeptLines {
    private KeptLines() {}

    /** What is done to something that is kept under a name. */
    public enum Kept {
        APPLY,
        SAVE,
        DELETE
    }

    /** What is done with a preset. */
    public enum PresetVerb {
        APPLY,
        SAVE,
        DELETE,
        STANDARD,
        UP,
        DOWN
    }

    /** Something done with a preset. */
    public record OfPreset(PresetVerb verb, String name) implements LineCommand {
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
    public record OfLook(Kept verb, String name) implements LineCommand {
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
    public record OfRatios(Kept verb, String name) implements LineCommand {
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
    public enum TracingVerb {
        USE,
        SHOW,
        HIDE,
        MOVE
    }

    /** Something done with a tracing. */
    public record OfTracing(TracingVerb verb, String name) implements LineCommand {
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
    public record OfDrawings(boolean export, Path file) implements LineCommand {
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
}
