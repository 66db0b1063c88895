package dev.yardarm.desk.room;

import dev.yardarm.chart.gesture.ChartEdits;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.Command;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;

/** What is done to the instrument on the chart: drawings, alerts, the plan, stance and note. Each is a step of undo. */
public final class Studies implements ChartEdits {
    /** Reward of a new plan, in R. */
    private static final double FIRST_REWARD = 2;

    private final Desk desk;
    private final ChartRoom room;
    private final ChartModel chart;
    private double account = 25_000;
    private double riskPercent = 1;

    Studies(Desk desk, ChartRoom room) {
        this.desk = desk;
        this.room = room;
        this.chart = room.chart();
    }

    private Books books() {
        return desk.books();
    }

    private Optional<InstrumentId> id() {
        return chart.instrument().map(Instrument::id);
    }

    /** Puts what the books hold for the instrument on the chart. */
    void show() {
        id().ifPresent(id -> {
            Books.Sheets sheets = books().sheets(id);
            chart.setDrawings(books().drawings(id).stream().filter(each -> sheets.shows(each.place().tracing())).toList());
            room.drawingsChanged(books().drawings(id));
            chart.setAlerts(books().alerts(id));
            chart.setPlan(books().plan(id).orElse(null));
            boolean gone = chart.selection() instanceof Selection.Drawing of && chart.drawing(of.id()).isEmpty()
                    || chart.selection() instanceof Selection.Plan && chart.plan().isEmpty();
            if (gone) {
                chart.select(Selection.NONE);
                room.tell(Aspect.SELECTION);
            }
            room.tell(Aspect.LAYERS);
        });
    }

    @Override
    public void select(Selection selection) {
        if (!selection.equals(chart.selection())) {
            chart.select(selection);
            room.tell(Aspect.SELECTION);
        }
    }

    /** The tool in hand; {@link Tool#NONE} to put it down. */
    public void take(Tool tool) {
        room.gestures().setTool(tool);
        room.tell(Aspect.TOOL);
    }

    @Override
    public void toolDone() {
        room.tell(Aspect.TOOL);
    }

    @Override
    public void refuse(String reason) {
        desk.tell(reason);
    }

    @Override
    public void draw(String figure, List<Anchor> anchors) {
        draw(figure, anchors, Map.of());
    }

    /** Puts a drawing on the instrument, in a colour not in use, and chooses it. */
    public void draw(String figure, List<Anchor> anchors, Map<String, String> options) {
        id().ifPresent(id -> {
            Drawing drawing = new Drawing(UUID.randomUUID().toString().substring(0, 8), figure, chart.timeframe(), anchors,
                    chart.isLogarithmic(), options, Drawing.Style.of(room.indicators().freeColour()),
                    Drawing.Place.STANDARD.withTracing(books().sheets(id).current()));
            List<Drawing> before = books().drawings(id);
            List<Drawing> after = new ArrayList<>(before);
            after.add(drawing);
            changeDrawings(id, "draw " + drawing.title().toLowerCase(Locale.ROOT), "", before, after);
            select(new Selection.Drawing(drawing.id()));
        });
    }

    @Override
    public void change(Drawing before, Drawing after) {
        id().ifPresent(id -> {
            List<Drawing> drawings = books().drawings(id);
            List<Drawing> changed = drawings.stream().map(each -> each.id().equals(after.id()) ? after : each)
                    .toList();
            if (changed.equals(drawings)) {
                show();
                return;
            }
            changeDrawings(id, "change " + after.title().toLowerCase(Locale.ROOT),
                    "drawing " + after.id() + aspect(before, after), drawings, changed);
        });
    }

    /** What of a drawing changed: changes of one kind in a row are one step of undo, as while a slider moves. */
    private static String aspect(Drawing before, Drawing after) {
        return !before.anchors().equals(after.anchors()) ? " points" : !before.options().equals(after.options())
                ? " options" : !before.style().equals(after.style()) ? " style" : " place";
    }

    /** Changes the chosen drawing. */
    public void changeChosen(UnaryOperator<Drawing> change) {
        chosenDrawing().ifPresent(drawing -> change(drawing, change.apply(drawing)));
    }

    public Optional<Drawing> chosenDrawing() {
        return chart.selection() instanceof Selection.Drawing of ? chart.drawing(of.id()) : Optional.empty();
    }

    private void changeDrawings(InstrumentId id, String label, String stem, List<Drawing> before,
                                List<Drawing> after) {
        desk.undo().execute(Command.of(label, stem, () -> putDrawings(id, before, after),
                () -> putDrawings(id, after, before)));
    }

    private void putDrawings(InstrumentId id, List<Drawing> before, List<Drawing> after) {
        books().setDrawings(id, after);
        for (Drawing drawing : after) {
            Optional<Drawing> old = before.stream().filter(each -> each.id().equals(drawing.id())).findFirst();
            boolean moved = old.isPresent() && !old.get().anchors().equals(drawing.anchors());
            if (moved && !chart.bars().isEmpty()) {
                desk.rearm(id, drawing, chart.bars().close(chart.bars().size() - 1));
            }
        }
    }

    /** Deletes what is chosen: a drawing with its waiting alerts, an indicator, the plan. */
    public void deleteChosen() {
        if (chart.selection() instanceof Selection.Indicator of) {
            room.indicators().remove(of.id());
        } else if (chart.selection() instanceof Selection.Plan) {
            removePlan();
        } else {
            chosenDrawing().ifPresent(this::deleteDrawing);
        }
    }

    private void deleteDrawing(Drawing drawing) {
        id().ifPresent(id -> {
            List<Drawing> drawings = books().drawings(id);
            List<Drawing> rest = drawings.stream().filter(each -> !each.id().equals(drawing.id())).toList();
            List<Alert> alerts = books().alerts();
            List<Alert> otherAlerts = alerts.stream().filter(alert -> alert.hasFired()
                    || !alert.drawing().equals(drawing.id())).toList();
            desk.undo().execute(Command.of("delete " + drawing.title().toLowerCase(Locale.ROOT),
                    () -> {
                        books().setAlerts(otherAlerts);
                        books().setDrawings(id, rest);
                    }, () -> {
                        books().setDrawings(id, drawings);
                        books().setAlerts(alerts);
                    }));
            select(Selection.NONE);
        });
    }

    /** Puts a second one like the chosen drawing beside it, three bars to the right, and chooses it. */
    public void cloneChosen() {
        chosenDrawing().ifPresent(drawing -> id().ifPresent(id -> {
            Drawing copy = drawing.withId(UUID.randomUUID().toString().substring(0, 8)).withAnchors(drawing.anchors().stream()
                    .map(anchor -> new Anchor(chart.axis().openTime(chart.axis().bar(anchor.time()) + 3), anchor.price()))
                    .toList()).withPlace(drawing.place().withName("").withLocked(false));
            List<Drawing> before = books().drawings(id);
            List<Drawing> after = new ArrayList<>(before);
            after.add(copy);
            changeDrawings(id, "clone " + drawing.title().toLowerCase(Locale.ROOT), "", before, after);
            select(new Selection.Drawing(copy.id()));
        }));
    }

    /** Hides all drawings of the instrument, or shows them again when all are hidden; a step of undo. */
    public void toggleDrawings() {
        id().ifPresent(id -> {
            List<Drawing> drawings = books().drawings(id);
            boolean anyShown = drawings.stream().anyMatch(Drawing::visible);
            if (!drawings.isEmpty()) {
                changeDrawings(id, anyShown ? "hide all drawings" : "show all drawings", "", drawings, drawings.stream()
                        .map(each -> each.withVisible(!anyShown)).toList());
            }
        });
    }

    /** Removes all drawings of the instrument. */
    public void clearDrawings() {
        id().ifPresent(id -> {
            List<Drawing> drawings = books().drawings(id);
            if (!drawings.isEmpty()) {
                changeDrawings(id, "remove all drawings", "", drawings, List.of());
                select(Selection.NONE);
            }
        });
    }

    /** Moves the chosen drawing by steps: up and down by ticks of the price. */
    public void nudge(int ticks) {
        double tick = chart.instrument().map(each -> each.format().tick()).orElse(0.01);
        changeChosen(drawing -> drawing.place().locked() ? drawing : drawing.withAnchors(drawing.anchors().stream().map(
                anchor -> anchor.withPrice(
                chart.instrument().orElseThrow().format().round(anchor.price() + ticks * tick))).toList()));
    }

    /** Moves the chosen drawing sideways by bars of the chart; a level stays where it is. */
    public void nudgeBars(int bars) {
        changeChosen(drawing -> drawing.is(Drawing.LEVEL) || drawing.place().locked() ? drawing
                : drawing.withAnchors(drawing.anchors().stream().map(anchor -> new Anchor(chart.axis().openTime(
                chart.axis().bar(anchor.time()) + bars), anchor.price())).toList()));
    }

    /** Puts a drawing of any instrument on this one, as it is, and chooses it. */
    public void paste(Drawing copied) {
        id().ifPresent(id -> {
            Drawing copy = copied.withId(UUID.randomUUID().toString().substring(0, 8)).withPlace(copied.place()
                    .withTracing(books().sheets(id).current()).withLocked(false));
            List<Drawing> before = books().drawings(id);
            List<Drawing> after = new ArrayList<>(before);
            after.add(copy);
            changeDrawings(id, "paste " + copy.title().toLowerCase(Locale.ROOT), "", before, after);
            select(new Selection.Drawing(copy.id()));
        });
    }

    /** Sets an alert on the chosen drawing; says so, or says what is missing. */
    public void setAlert(Alert.Trigger trigger) {
        Drawing drawing = chosenDrawing().orElse(null);
        if (drawing == null || chart.bars().isEmpty()) {
            desk.tell("Choose a level or line first: an alert waits on a drawing.");
            return;
        }
        InstrumentId id = id().orElseThrow();
        long now = desk.clock().now();
        double last = chart.bars().close(chart.bars().size() - 1);
        double level = drawing.path(desk.calendar(chart.instrument().orElseThrow())).priceAt(now);
        if (Double.isNaN(level)) {
            desk.tell(drawing.title() + " has no price an alert could wait for; choose a level, a line or a zone.");
            return;
        }
        boolean already = books().alerts().stream().anyMatch(alert -> !alert.hasFired()
                && alert.drawing().equals(drawing.id()) && alert.trigger() == trigger);
        if (already) {
            desk.tell("This alert is set already.");
            return;
        }
        Alert alert = new Alert(UUID.randomUUID().toString().substring(0, 8), id, drawing.id(), trigger,
                chart.timeframe(), last > level, now, 0, 0);
        List<Alert> before = books().alerts();
        List<Alert> after = new ArrayList<>(before);
        after.add(alert);
        desk.undo().execute(Command.of("set an alert", () -> books().setAlerts(after),
                () -> books().setAlerts(before)));
        desk.tell("Alert set on " + chart.instrument().orElseThrow().code() + ": when " + trigger.words() + ", at "
                + chart.instrument().orElseThrow().format().format(level) + ".");
    }

    /** Removes an alert, waiting or fired. */
    public void removeAlert(Alert alert) {
        List<Alert> before = books().alerts();
        List<Alert> after = before.stream().filter(each -> !each.id().equals(alert.id())).toList();
        desk.undo().execute(Command.of("remove an alert", () -> books().setAlerts(after),
                () -> books().setAlerts(before)));
    }

    @Override
    public void plan(double entry, double stop) {
        makePlan(entry, stop, entry + FIRST_REWARD * (entry - stop));
    }

    /** Makes the instrument's plan; its account and risk are those used last. */
    public void makePlan(double entry, double stop, double target) {
        id().ifPresent(id -> {
            Instrument instrument = chart.instrument().orElseThrow();
            if (!instrument.isTradable()) {
                desk.tell(instrument.code() + " (" + instrument.kind().word() + ") cannot be bought, so there is nothing to plan.");
                return;
            }
            TradePlan plan = new TradePlan(UUID.randomUUID().toString().substring(0, 8), id, chart.timeframe(),
                    desk.clock().now(), instrument.format().round(entry), instrument.format().round(stop),
                    instrument.format().round(target), account, riskPercent);
            Optional<String> problem = plan.problem();
            if (problem.isPresent()) {
                desk.tell("No plan was made: " + problem.get() + ".");
                return;
            }
            putPlan("plan a trade", "", id, books().plan(id).orElse(null), plan);
            select(new Selection.Plan());
        });
    }

    @Override
    public void change(TradePlan before, TradePlan after) {
        Optional<String> problem = after.problem();
        if (problem.isPresent()) {
            desk.tell("The plan stays as it was: " + problem.get() + ".");
            show();
            return;
        }
        account = after.account();
        riskPercent = after.riskPercent();
        TradePlan kept = books().plan(after.instrument()).orElse(null);
        if (!after.equals(kept)) {
            putPlan("change the plan", "plan " + after.id(), after.instrument(), kept, after);
        }
    }

    /** Removes the plan of the instrument on the chart. */
    public void removePlan() {
        id().ifPresent(id -> books().plan(id).ifPresent(plan -> {
            putPlan("remove the plan", "", id, plan, null);
            select(Selection.NONE);
        }));
    }

    private void putPlan(String label, String stem, InstrumentId id, TradePlan before, TradePlan after) {
        desk.undo().execute(Command.of(label, stem, () -> books().setPlan(id, after),
                () -> books().setPlan(id, before)));
    }

    public double account() {
        return account;
    }

    public double riskPercent() {
        return riskPercent;
    }

    /** The account and risk that the next plan starts from. */
    public void setSizing(double newAccount, double newRiskPercent) {
        account = newAccount;
        riskPercent = newRiskPercent;
    }

    /** Takes a stance on the instrument on the chart. */
    public void takeStance(Stance.Kind kind, String reason) {
        id().ifPresent(id -> takeStance(id, kind, reason));
    }

    /** Takes a stance on any instrument. */
    public void takeStance(InstrumentId instrument, Stance.Kind kind, String reason) {
        putStance("stance " + kind.word(), books().stance(instrument).withKind(kind, reason, desk.clock().now()));
    }

    /** Writes the note on the instrument on the chart; an empty one removes it. */
    public void writeNote(String note) {
        id().ifPresent(id -> putStance("note", books().stance(id).withNote(note.strip(), desk.clock().now())));
    }

    private void putStance(String label, Stance after) {
        Stance before = books().stance(after.instrument());
        if (!before.equals(after)) {
            desk.undo().execute(Command.of(label, () -> books().setStance(after), () -> books().setStance(before)));
        }
    }
}
