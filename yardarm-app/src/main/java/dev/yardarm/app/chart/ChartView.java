package dev.yardarm.app.chart;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.ChartGestures;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.LargeTradePlaces;
import dev.yardarm.chart.render.FoundText;
import dev.yardarm.chart.render.LargeTradeLines;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.LinkedPointer;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;

/** The main chart as a control: shows the room's chart and turns mouse and arrow keys into gestures on it. */
public final class ChartView extends Region {
    private static final PseudoClass BOX = PseudoClass.getPseudoClass("box");
    private static final PseudoClass OVER = PseudoClass.getPseudoClass("over");

    private final ChartRoom room;
    private final Workbench bench;
    private final MeasureLayer measure;
    private final Region span = new Region();
    /** Where the tag of a level is dropped for an alert. */
    private final Label bell = new Label("Drop for an alert\nwhen price is there");

    private final Label markText = new Label();
    private final PaneGrip grip;
    private final Listening heard;
    private final ChartModel chart;
    private final ChartGestures gestures;
    private final ChartCanvas canvas;
    private final CrosshairLayer crosshair;
    private final DrawingPreview preview = new DrawingPreview();
    private final ToolHint hint;
    private final Label message = new Label();
    private final Region focusFrame = new Region();
    private final ChartMenu menus;
    private ContextMenu menu;

    private boolean crosshairOut;

    public ChartView(ChartRoom room, Workbench bench) {
        this.room = room;
        this.bench = bench;
        chart = room.chart();
        gestures = room.gestures();
        canvas = new ChartCanvas(chart);
        crosshair = new CrosshairLayer(chart, canvas.legend());
        menus = new ChartMenu(room, bench, this);
        measure = new MeasureLayer(chart);
        grip = new PaneGrip(room);
        getStyleClass().add("chart-view");
        setId("chart");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.NODE);
        setAccessibleText("Chart");
        hint = new ToolHint(gestures);
        message.getStyleClass().add("empty");
        message.setMouseTransparent(true);
        message.setWrapText(true);
        focusFrame.getStyleClass().add("focus-frame");
        focusFrame.setMouseTransparent(true);
        span.getStyleClass().add("span-frame");
        span.setMouseTransparent(true);
        span.setManaged(false);
        span.setVisible(false);
        bell.setId("bell-target");
        bell.getStyleClass().add("bell-target");
        bell.setMouseTransparent(true);
        bell.setManaged(false);
        bell.setVisible(false);
        markText.getStyleClass().add("mark-text");
        markText.setMouseTransparent(true);
        markText.setManaged(false);
        markText.setVisible(false);
        markText.setWrapText(true);
        getChildren()
                .addAll(canvas, preview, crosshair, grip, span, bell, measure, markText, hint, message, focusFrame);
        focusedProperty().addListener((observed, before, now) -> {
            if (now) {
                bench.layouts().activate(room);
            }
        });
        heard = room.listen(this::changed);
        wireMouse();
    }

    public ChartRoom room() {
        return room;
    }

    public ChartCanvas canvas() {
        return canvas;
    }

    /** Lets go of the chart; the view is not shown any more. */
    public void close() {
        heard.close();
    }

    private void changed(Aspect aspect) {
        if (aspect == Aspect.TOOL) {
            updatePreview();
            setCursor(gestures.tool() == Tool.NONE ? Cursor.DEFAULT : Cursor.CROSSHAIR);
        }
        if (aspect == Aspect.POINTER) {
            crosshair.setLinked(room.pointer());
        } else if (aspect != Aspect.LIST && aspect != Aspect.LINK && aspect != Aspect.LAYOUT) {
            refresh();
        }
    }

    /** Draws everything anew. */
    public void refresh() {
        boolean empty = chart.bars().isEmpty() || !room.problem().isEmpty();
        message.setVisible(empty);
        if (empty) {
            message.setText(
                    chart.instrument().isEmpty()
                            ? "No chart is open.\nPress Ctrl+K and type the code or a word of the name of an instrument,\n"
                                    + "or click one in the list at the left."
                            : room.problem().isEmpty()
                                    ? "Loading " + chart.instrument().get().code() + " ..."
                                    : room.problem());
        }
        canvas.redraw();
        requestLayout();
    }

    public void setPalette(Palette palette) {
        canvas.setPalette(palette);
        measure.setPalette(palette);
        preview.setColours(
                CanvasSurface.colour(palette.of(Palette.Role.SOFT)),
                CanvasSurface.colour(palette.of(Palette.Role.INK)));
    }

    @Override
    protected void layoutChildren() {
        canvas.resizeRelocate(0, 0, getWidth(), getHeight());
        crosshair.resizeRelocate(0, 0, getWidth(), getHeight());
        focusFrame.resizeRelocate(0, 0, getWidth(), getHeight());
        double width = Math.min(getWidth() - 20, 520);
        double height = message.prefHeight(width);
        message.resizeRelocate((getWidth() - width) / 2, (getHeight() - height) / 2, width, height);
        measure.resizeRelocate(0, 0, getWidth(), getHeight());
        hint.place(chart, crosshair.pointerX(), crosshair.pointerY());
        canvas.layout();
        grip.update();
        crosshair.update();
        measure.update();
        showSpan();
        updatePreview();
    }

    private void wireMouse() {
        setOnMousePressed(event -> {
            if (menu != null) {
                menu.hide();
            }
            if (event.getButton() == MouseButton.PRIMARY) {
                requestFocus();
                bench.layouts().activate(room);
                gestures.setSnapping(!event.isShiftDown());
                if (measure.isOn()) {
                    measure.from(event.getX(), event.getY(), !event.isShiftDown());
                } else {
                    gestures.press(
                            event.getX(),
                            event.getY(),
                            event.isShortcutDown()
                                    ? ChartGestures.Press.SPAN
                                    : event.isShiftDown() ? ChartGestures.Press.MORE : ChartGestures.Press.PLAIN);
                }
                refresh();
            } else if (event.getButton() == MouseButton.MIDDLE) {
                gestures.press(event.getX(), event.getY(), ChartGestures.Press.PAN);
            }
            event.consume();
        });
        setOnMouseDragged(event -> {
            point(event);
            if (event.getButton() == MouseButton.PRIMARY || event.getButton() == MouseButton.MIDDLE) {
                gestures.setSnapping(!event.isShiftDown());
                if (!measure.isOn()) {
                    gestures.drag(event.getX(), event.getY());
                    room.tell(Aspect.VIEW);
                }
            }
        });
        setOnMouseReleased(event -> {
            if (event.getButton() == MouseButton.PRIMARY) {
                gestures.release(event.getX(), event.getY());
                if (event.isStillSincePress() && grip.covers(event.getX(), event.getY())) {
                    grip.click(event.getClickCount());
                } else if (event.getClickCount() == 2) {
                    gestures.doubleClick(event.getX(), event.getY());
                }
                room.tell(Aspect.VIEW);
            } else if (event.getButton() == MouseButton.MIDDLE) {
                gestures.release(event.getX(), event.getY());
                room.tell(Aspect.VIEW);
            } else if (event.getButton() == MouseButton.SECONDARY) {
                showMenu(event.getX(), event.getY(), event.getScreenX(), event.getScreenY());
            }
        });
        setOnMouseMoved(this::point);
        setOnMouseExited(event -> {
            crosshair.setPointer(-1, -1);
            grip.point(-1, -1);
            room.pointTo(LinkedPointer.NONE);
            markText.setVisible(false);
            updatePreview();
        });
        setOnContextMenuRequested(event -> {
            if (event.isKeyboardTrigger()) {
                showMenu(chart.plotRight() / 2, chart.height() / 3, event.getScreenX(), event.getScreenY());
            }
            event.consume();
        });
        addEventHandler(ScrollEvent.SCROLL, event -> {
            boolean sideways = event.getDeltaX() != 0 && event.getDeltaY() == 0 || event.isShiftDown();
            double delta = event.getDeltaY() != 0 ? event.getDeltaY() : event.getDeltaX();
            double perNotch = event.getMultiplierY() > 0 ? event.getMultiplierY() : 40;
            gestures.wheel(event.getX(), event.getY(), delta / perNotch, sideways);
            room.tell(Aspect.VIEW);
            event.consume();
        });
    }

    private void showMenu(double x, double y, double screenX, double screenY) {
        menu = menus.at(x, y);
        if (!menu.getItems().isEmpty()) {
            menu.show(getScene().getWindow(), screenX, screenY);
        }
    }

    private void point(MouseEvent event) {
        gestures.setSnapping(!event.isShiftDown());
        gestures.placing().setHeld(event.isShortcutDown());
        crosshair.setPointer(event.getX(), event.getY());
        measure.to(event.getX(), event.getY(), !event.isShiftDown());
        grip.point(event.getX(), event.getY());
        updatePreview();
        showMark(event.getX(), event.getY());
        if (room.link() != 0 && !chart.bars().isEmpty() && crosshair.hasPointer()) {
            boolean inPrice = chart.pricePane().covers(event.getY());
            room.pointTo(new LinkedPointer(
                    chart.axis().openTime(chart.time().bar(event.getX())),
                    inPrice ? chart.price().price(event.getY()) : Double.NaN));
        }
    }

    /** What the events under the pointer say; and the cursor of the line between panes. */
    private void showMark(double x, double y) {
        Hit hit = chart.bars().isEmpty() ? new Hit.Nothing() : HitTest.at(chart, x, y);
        if (gestures.tool() == Tool.NONE) {
            setCursor(cursor(hit));
        }
        LargeMarks.Mark trade = large(hit, x, y);
        boolean onGrip = grip.covers(x, y) && !gestures.isDragging();
        markText.setVisible(hit instanceof Hit.OnMark
                || hit instanceof Hit.OnCount
                || hit instanceof Hit.OnAgreement
                || trade != null
                || onGrip);
        if (onGrip) {
            markText.setText(grip.words());
            placeMark(chart.plotRight() / 2, grip.getLayoutY(), grip.getLayoutY() + grip.getHeight());
            return;
        }
        if (hit instanceof Hit.OnCount on) {
            // What had no place of its own is read here.
            markText.setText(String.join("\n", on.words().counted()));
            var box = on.words().box();
            placeMark((box.left() + box.right()) / 2, box.top(), box.bottom());
        }
        if (trade != null) {
            markText.setText(LargeTradeLines.words(chart, trade.trade()));
            placeMark(x, y - 12, y + 12);
        }
        if (hit instanceof Hit.OnAgreement on) {
            markText.setText(FoundText.agreement(chart, on));
            placeMark(chart.agreementLeft() - 130, y - 4, y + 4);
        }
        if (hit instanceof Hit.OnMark on) {
            StringBuilder text = new StringBuilder();
            for (EventMark mark : on.place().marks()) {
                text.append(text.isEmpty() ? "" : "\n")
                        .append(Readout.time(mark.time(), Timeframe.MINUTE, chart.zone()))
                        .append("  ")
                        .append(mark.text());
            }
            markText.setText(text.toString());
            placeMark(on.place().x(), on.place().y(), on.place().y() + 16);
        }
    }

    /** The large trade whose mark is under the pointer; null for none. */
    private LargeMarks.Mark large(Hit hit, double x, double y) {
        return hit instanceof Hit.OnIndicator on
                ? chart.indicator(on.id())
                        .flatMap(layer -> LargeTradePlaces.of(chart, layer))
                        .flatMap(places -> chart.paneAt(y).flatMap(pane -> places.at(pane.scale(), x, y)))
                        .orElse(null)
                : null;
    }

    /** Above what it is about, or below where there is no room. */
    private void placeMark(double middle, double top, double bottom) {
        double width = Math.min(getWidth() - 20, markText.prefWidth(-1));
        double height = markText.prefHeight(width);
        markText.resizeRelocate(
                Math.max(4, Math.min(getWidth() - width - 4, middle - width / 2)),
                top - height - 6 > 0 ? top - height - 6 : bottom + 6,
                width,
                height);
    }

    /** The pointer tells what a press would take. */
    private Cursor cursor(Hit hit) {
        if (hit instanceof Hit.PaneEdge || hit instanceof Hit.OnBracket) {
            return Cursor.V_RESIZE;
        }
        if (hit instanceof Hit.OnAgreement on && on.zone() != null) {
            return Cursor.HAND;
        }
        if (hit instanceof Hit.OnTag) {
            return Cursor.HAND;
        }
        if (hit instanceof Hit.OnDrawing on && !gestures.isDragging()) {
            boolean locked = chart.drawing(on.id())
                    .map(drawing -> drawing.place().locked())
                    .orElse(true);
            return locked ? Cursor.DEFAULT : on.anchor() >= 0 ? Cursor.MOVE : Cursor.HAND;
        }
        return Cursor.DEFAULT;
    }

    /** The span of bars or the box around drawings that is being chosen. */
    private void showSpan() {
        double[] edges = gestures.span()
                .map(ends -> new double[] {ends[0], 0, ends[1], chart.plotBottom()})
                .or(gestures::box)
                .orElse(null);
        span.setVisible(edges != null);
        span.pseudoClassStateChanged(BOX, gestures.box().isPresent());
        if (edges != null) {
            span.resizeRelocate(edges[0], edges[1], edges[2] - edges[0], edges[3] - edges[1]);
        }
        double[] place = gestures.bell().orElse(null);
        bell.setVisible(place != null);
        bell.pseudoClassStateChanged(OVER, gestures.isOverBell());
        if (place != null) {
            bell.resizeRelocate(place[0], place[1], place[2] - place[0], place[3] - place[1]);
        }
    }

    /** Measures from the pointer on while it is on. */
    public void setMeasuring(boolean on) {
        if (on && !measure.isOn()) {
            measure.start(
                    crosshair.hasPointer() ? crosshair.pointerX() : chart.plotRight() / 2,
                    crosshair.hasPointer()
                            ? crosshair.pointerY()
                            : chart.price().top() + 80);
        } else if (!on) {
            measure.stop();
        }
    }

    /** Takes the crosshair out, to be moved by the arrows, or puts it away. */
    public void toggleCrosshair() {
        crosshairOut = !crosshairOut;
        if (crosshairOut) {
            movePointer(0, 0);
        } else {
            crosshair.setPointer(-1, -1);
        }
        requestFocus();
    }

    /** Whether the arrows move the crosshair. */
    public boolean isCrosshairOut() {
        return crosshairOut;
    }

    public boolean isMeasuring() {
        return measure.isOn();
    }

    /** Where the pointer is, in pixels; x below 0 when it is elsewhere. */
    double pointerX() {
        return crosshair.pointerX();
    }

    /** Code, timeframe and last price, and the bar under the crosshair; made only when somebody asks. */
    @Override
    public Object queryAccessibleAttribute(AccessibleAttribute attribute, Object... parameters) {
        return attribute == AccessibleAttribute.TEXT
                ? Readout.spoken(chart, crosshair.hasPointer() ? chart.time().bar(crosshair.pointerX()) : -1)
                : super.queryAccessibleAttribute(attribute, parameters);
    }

    private void updatePreview() {
        Drawing next = gestures.placing()
                .preview(crosshair.pointerX(), crosshair.pointerY())
                .orElse(null);
        preview.show(next, chart, crosshair.pointerX(), crosshair.pointerY());
        hint.show(next == null ? List.of() : chart.places().broken(next));
        hint.place(chart, crosshair.pointerX(), crosshair.pointerY());
    }

    /**
     * Arrow keys and Enter: they move the pointer and place points with a tool in hand, nudge what is chosen, or pan.
     *
     * @return true when the key meant something
     */
    public boolean key(KeyCode code, boolean fast) {
        int sideways = code == KeyCode.RIGHT ? 1 : code == KeyCode.LEFT ? -1 : 0;
        int upward = code == KeyCode.UP ? 1 : code == KeyCode.DOWN ? -1 : 0;
        if (gestures.tool() != Tool.NONE) {
            if (code == KeyCode.ENTER && fast) {
                gestures.placing().finish();
                refresh();
                return true;
            }
            if (code == KeyCode.ENTER) {
                gestures.placing()
                        .candidate(crosshair.pointerX(), crosshair.pointerY())
                        .ifPresent(gestures.placing()::put);
                refresh();
                return true;
            }
            if (code == KeyCode.BACK_SPACE && gestures.placing().takeBack()) {
                refresh();
                return true;
            }
            if (sideways != 0 || upward != 0) {
                movePointer(sideways * (fast ? 10 : 1), upward * (fast ? 10 : 1));
                return true;
            }
            return false;
        }
        if (code == KeyCode.ENTER) {
            toggleCrosshair();
            return true;
        }
        if (crosshairOut && (sideways != 0 || upward != 0)) {
            movePointer(sideways * (fast ? 10 : 1), upward * (fast ? 10 : 1));
            return true;
        }
        boolean chosen = !chart.selection().drawings().isEmpty();
        if (upward != 0 && chosen) {
            room.drawings().nudge(upward * (fast ? 10 : 1));
            return true;
        }
        if (sideways != 0 && chosen) {
            room.drawings().nudgeBars(sideways * (fast ? 10 : 1));
            return true;
        }
        if (sideways != 0) {
            gestures.pan(-sideways * (fast ? 0.5 : 0.08));
            room.tell(Aspect.VIEW);
            return true;
        }
        return false;
    }

    /** Moves the pointer by bars and by pixels of price, from the newest bar in view when it was elsewhere. */
    private void movePointer(int bars, int pixels) {
        double x = crosshair.pointerX();
        double y = crosshair.pointerY();
        if (!crosshair.hasPointer()) {
            int last = Math.max(0, chart.time().newestVisible(chart.bars().size()));
            x = chart.time().middle(last);
            y = chart.price().y(chart.bars().isEmpty() ? 0 : chart.bars().close(last));
        }
        x += bars * Math.max(1, chart.time().barWidth());
        y -= pixels * 2;
        crosshair.setPointer(
                Math.max(1, Math.min(chart.plotRight() - 1, x)),
                Math.max(1, Math.min(chart.pricePane().bottom() - 2, y)));
        updatePreview();
        notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
    }
}
