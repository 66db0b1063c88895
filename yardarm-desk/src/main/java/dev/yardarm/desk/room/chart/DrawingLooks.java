package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.data.document.DrawingLook;
import dev.yardarm.desk.Desk;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Looks of drawings and sets of ratios kept under names, and how new drawings of a figure come up. */
public final class DrawingLooks {
    /** The option ratio figures have their ratios in. */
    private static final String RATIOS = "ratios";
    /** The figure that reads out R, from the plan of the instrument. */
    private static final String MEASURE = "measure";

    private final Desk desk;
    private final ChartModel chart;
    private final ChartDrawings drawings;

    DrawingLooks(Desk desk, ChartModel chart, ChartDrawings drawings) {
        this.desk = desk;
        this.chart = chart;
        this.drawings = drawings;
    }

    /** The options new drawings of a figure come up with. */
    public Map<String, String> usual(String figure) {
        Map<String, String> options = new LinkedHashMap<>(
                desk.habits().ofFigure(figure).map(DrawingLook::options).orElse(Map.of()));
        if (figure.equals(MEASURE)) {
            chart.plan()
                    .ifPresent(plan -> options.put(
                            "risk",
                            chart.instrument()
                                    .map(each -> each.format().format(plan.risk()))
                                    .orElse("0")));
        }
        return options;
    }

    /** A new drawing as the trader wants new ones of its figure; as it is when he said nothing. */
    Drawing onNew(Drawing plain) {
        return desk.habits().ofFigure(plain.kind()).map(look -> look.on(plain)).orElse(plain);
    }

    /** Lets new drawings of the figure come up like the chosen one. */
    public void makeUsual() {
        drawings.chosen()
                .ifPresentOrElse(
                        drawing -> {
                            desk.habits().setOfFigure(drawing.kind(), DrawingLook.of(drawing));
                            desk.tell("The default for new ones is now: "
                                    + drawing.figure().title().toLowerCase(Locale.ROOT) + ".");
                        },
                        () -> desk.tell(ChartDrawings.CHOOSE));
    }

    /** Lets new drawings of a figure come up as it is declared. */
    public void forgetUsual(String figure) {
        desk.habits().setOfFigure(figure, null);
    }

    /** Keeps the look of the chosen drawing under a name. */
    public void keepLook(String name) {
        drawings.chosen()
                .ifPresentOrElse(
                        drawing -> {
                            desk.habits().setDrawingLook(name, DrawingLook.of(drawing));
                            desk.tell("The style is saved as '" + name + "'.");
                        },
                        () -> desk.tell("Select one drawing to save its style."));
    }

    /** Gives the chosen drawings the look kept under a name. */
    public void takeLook(String name) {
        DrawingLook look = desk.habits().drawingLooks().get(name);
        if (look == null) {
            desk.tell("There is no style '" + name + "' of drawings. Save one with: style save " + name);
        } else {
            drawings.changeChosen("style of", look::on);
        }
    }

    public void forgetLook(String name) {
        desk.habits().setDrawingLook(name, null);
    }

    /** Keeps the ratios of the chosen drawing under a name. */
    public void keepRatios(String name) {
        String numbers =
                drawings.chosen().map(drawing -> drawing.options().get(RATIOS)).orElse(null);
        if (numbers == null) {
            desk.tell("Select one drawing with ratios, such as a retracement, to keep its set.");
        } else {
            desk.habits().setRatioSet(name, numbers);
            desk.tell("The ratios " + numbers + " are kept as '" + name + "'.");
        }
    }

    /** Gives the chosen drawings that have ratios a kept set. */
    public void takeRatios(String name) {
        String numbers = desk.habits().ratioSets().get(name);
        if (numbers == null) {
            desk.tell("There is no set of ratios '" + name + "'. Keep one with: ratios save " + name);
            return;
        }
        drawings.changeChosen("ratios of", drawing -> {
            if (!drawing.options().containsKey(RATIOS)) {
                return drawing;
            }
            Map<String, String> options = new LinkedHashMap<>(drawing.options());
            options.put(RATIOS, numbers);
            return drawing.withOptions(options);
        });
    }

    public void forgetRatios(String name) {
        desk.habits().setRatioSet(name, null);
    }
}
