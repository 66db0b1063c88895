package dev.yardarm.app.chart;

import dev.yardarm.app.theme.Themes;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.render.AxisText;
import dev.yardarm.chart.render.Legend;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.desk.room.chart.LinkedPointer;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;

/**
 * What follows the pointer: hairlines with a gap around it, tags on the axes, and the readout of the bar under it. Small nodes whose
 * changed areas do not touch, so that moving the pointer does not draw the chart again. Without a pointer the readout
 * is that of the last bar.
 */
final class CrosshairLayer extends javafx.scene.layout.Pane {
    /** Free space around the pointer: it shows what is there, and keeps the four lines' changed areas apart. */
    private static final double GAP = 12;
    /** Where the readouts end and the upright line begins. */
    private static final double LEGEND = 36;
    /** From the middle of a line of small type down to its foot. */
    private static final double BASELINE = 4;

    private final ChartModel chart;
    private final Region above = hairline();
    private final Region below = hairline();
    private final Region before = hairline();
    private final Region behind = hairline();
    private final Label priceTag = new Label();
    private final Label timeTag = new Label();
    private final List<Region> parts = List.of(above, below, before, behind, priceTag, timeTag);
    private final Text readout = new Text();
    private final List<Text> legends = new ArrayList<>();
    private final Legend legend;
    private double pointerX = -1;
    private double pointerY = -1;
    private LinkedPointer linked = LinkedPointer.NONE;

    /** @param legend laid out by who paints the chart */
    CrosshairLayer(ChartModel chart, Legend legend) {
        this.chart = chart;
        this.legend = legend;
        setMouseTransparent(true);
        // Nothing in here takes part in the layout, so a new readout does not lay out the window.
        setManaged(false);
        priceTag.getStyleClass().add("axis-tag");
        timeTag.getStyleClass().add("axis-tag");
        readout.getStyleClass().add("readout");
        readout.setManaged(false);
        readout.setX(8);
        readout.setY(15);
        parts.forEach(part -> {
            part.setManaged(false);
            part.setVisible(false);
        });
        sceneProperty().addListener((observed, gone, now) -> {
            if (now != null) {
                // What was written before it had its styles was measured in another type. Later, when all above have
                // theirs.
                Platform.runLater(() -> {
                    applyCss();
                    update();
                });
            }
        });
        getChildren().addAll(above, below, before, behind, readout, priceTag, timeTag);
    }

    private static Region hairline() {
        Region line = new Region();
        line.getStyleClass().add("hairline");
        return line;
    }

    /** Where the pointer is; x below 0 when it is elsewhere. */
    void setPointer(double x, double y) {
        pointerX = x;
        pointerY = y;
        update();
    }

    /** Shows the pointer of a linked chart while there is no own one. */
    void setLinked(LinkedPointer pointer) {
        linked = pointer;
        update();
    }

    double pointerX() {
        return pointerX;
    }

    double pointerY() {
        return pointerY;
    }

    boolean hasPointer() {
        return pointerX >= 0 && pointerX <= chart.plotRight() && pointerY >= 0 && pointerY < chart.plotBottom();
    }

    /** Puts everything where it belongs for the chart as it is now. */
    void update() {
        boolean own = hasPointer() && !chart.bars().isEmpty();
        boolean shown = own || linked.isShown() && !chart.bars().isEmpty();
        int newest = chart.bars().size() - 1;
        int bar = chart.time().newestVisible(newest + 1);
        int under = bar;
        if (shown) {
            under = own ? chart.time().bar(pointerX) : chart.axis().bar(linked.time());
            double y = own ? pointerY : chart.price().y(linked.price());
            boolean hasPrice =
                    own || y > chart.price().top() && y < chart.price().bottom();
            bar = Math.max(0, Math.min(under, newest));
            place(Math.rint(chart.time().middle(under)), Math.rint(hasPrice ? y : -GAP), under, hasPrice);
        } else {
            parts.forEach(part -> part.setVisible(false));
        }
        readout.setText(chart.bars().isEmpty() ? "" : Readout.bar(chart, bar, Legend.letters(chart)));
        updateLegends(bar, under);
    }

    private void place(double x, double y, int bar, boolean hasPrice) {
        boolean inView = x >= 0 && x <= chart.plotRight();
        above.setVisible(inView);
        below.setVisible(inView);
        timeTag.setVisible(inView);
        before.setVisible(hasPrice);
        behind.setVisible(hasPrice);
        priceTag.setVisible(hasPrice);
        above.resizeRelocate(x, LEGEND, 1, Math.max(0, y - GAP - LEGEND));
        double from = hasPrice ? Math.max(LEGEND, y + GAP) : LEGEND;
        below.resizeRelocate(x, from, 1, Math.max(0, chart.plotBottom() - from));
        before.resizeRelocate(0, y, Math.max(0, x - GAP), 1);
        behind.resizeRelocate(x + GAP, y, Math.max(0, chart.plotRight() - x - GAP), 1);
        Pane pane = chart.paneAt(y).orElse(chart.pricePane());
        placeTag(
                priceTag,
                AxisText.of(chart, pane, pane.scale().price(y)),
                chart.plotRight() + 2,
                y - 8,
                chart.width() - chart.plotRight() - 4);
        timeTag.setText(Readout.time(chart, chart.axis().openTime(bar)));
        double width = timeTag.prefWidth(-1);
        timeTag.resizeRelocate(
                Math.max(0, Math.min(chart.plotRight() - width, x - width / 2)), chart.plotBottom() + 3, width, 18);
    }

    private static void placeTag(Label tag, String text, double x, double y, double width) {
        tag.setText(text);
        tag.resizeRelocate(x, y, width, 16);
    }

    /** The legends, with the values of a bar. */
    private void updateLegends(int bar, int under) {
        List<Legend.Part> parts = chart.bars().isEmpty() ? List.of() : legend.parts();
        for (int number = 0; number < parts.size(); number++) {
            Legend.Part part = parts.get(number);
            Text text = legend(number);
            place(text, part.at(bar, under), part.x(), part.y() + BASELINE);
            paint(text, part.colour());
        }
        for (int rest = parts.size(); rest < legends.size(); rest++) {
            legends.get(rest).setVisible(false);
        }
    }

    /** As a style of its own, so that no style sheet takes it back. */
    private static void paint(Text text, int colour) {
        if (!(text.getUserData() instanceof Integer painted) || painted != colour) {
            text.setUserData(colour);
            text.setStyle("-fx-fill: " + Themes.web(colour) + ";");
        }
    }

    private Text legend(int number) {
        while (legends.size() <= number) {
            Text text = new Text();
            text.getStyleClass().add("legend");
            text.setManaged(false);
            legends.add(text);
            getChildren().add(text);
        }
        return legends.get(number);
    }

    private static void place(Text text, String content, double x, double y) {
        text.setVisible(true);
        if (!text.getText().equals(content)) {
            text.setText(content);
        }
        text.setX(x);
        text.setY(y);
    }
}
