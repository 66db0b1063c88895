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
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/** What is done to the instrument on the chart: choosing, alerts, the plan, stance and note. Each change is a step of undo. */
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
            room.drawings().show();
            chart.setAlerts(books().alerts(id));
            chart.setPlan(books().plan(id).orElse(null));
            if (chart.selection() instanceof Selection.Plan && chart.plan().isEmpty()) {
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
        room.drawings().draw(figure, anchors, Map.of());
    }

    @Override
    public Map<String, String> usual(String figure) {
        return room.drawings().looks().usual(figure);
    }

    @Override
    public void change(List<Drawing> after) {
        room.drawings().move(after);
    }

    /** Deletes what is chosen: a drawing with its waiting alerts, an indicator, the plan. */
    public void deleteChosen() {
        if (chart.selection() instanceof Selection.Indicator of) {
            room.indicators().remove(of.id());
        } else if (chart.selection() instanceof Selection.Plan) {
            removePlan();
        } else {
            room.drawings().deleteChosen();
        }
    }

    /** Sets an alert on the chosen drawing; says so, or says what is missing. */
    public void setAlert(Alert.Trigger trigger) {
        Drawing drawing = room.drawings().chosen().orElse(null);
        if (drawing == null || chart.bars().isEmpty()) {
            desk.tell("Choose a level or line first: an alert waits on a drawing.");
            return;
        }
        InstrumentId id = id().orElseThrow();
        long now = desk.clock().now();
        double last = chart.bars().close(chart.bars().size() - 1);
        double level = books().drawings(id).stream()
                .filter(each -> each.id().equals(drawing.id()))
                .findFirst()
                .map(kept -> desk.valueNow(chart.instrument().orElseThrow(), kept))
                .orElse(Double.NaN);
        if (Double.isNaN(level)) {
            desk.tell(drawing.title() + " has no price an alert could wait for; choose a level, a line or a zone.");
            return;
        }
        boolean already = books().alerts().stream()
                .anyMatch(alert ->
                        !alert.hasFired() && alert.drawing().equals(drawing.id()) && alert.trigger() == trigger);
        if (already) {
            desk.tell("This alert is set already.");
            return;
        }
        Alert alert = new Alert(
                UUID.randomUUID().toString().substring(0, 8),
                id,
                drawing.id(),
                trigger,
                chart.timeframe(),
                last > level,
                now,
                0,
                0);
        List<Alert> before = books().alerts();
        List<Alert> after = new ArrayList<>(before);
        after.add(alert);
        desk.undo()
                .execute(Command.of("set an alert", () -> books().setAlerts(after), () -> books().setAlerts(before)));
        desk.tell("Alert set on " + chart.instrument().orElseThrow().code() + ": when " + trigger.words() + ", at "
                + chart.instrument().orElseThrow().format().format(level) + ".");
    }

    /** Removes an alert, waiting or fired. */
    public void removeAlert(Alert alert) {
        List<Alert> before = books().alerts();
        List<Alert> after =
                before.stream().filter(each -> !each.id().equals(alert.id())).toList();
        desk.undo().execute(Command.of("remove an alert", () -> books().setAlerts(after), () -> books().setAlerts(
                        before)));
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
                desk.tell(instrument.code() + " (" + instrument.kind().word()
                        + ") cannot be bought, so there is nothing to plan.");
                return;
            }
            TradePlan plan = new TradePlan(
                    UUID.randomUUID().toString().substring(0, 8),
                    id,
                    chart.timeframe(),
                    desk.clock().now(),
                    instrument.format().round(entry),
                    instrument.format().round(stop),
                    instrument.format().round(target),
                    account,
                    riskPercent);
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
        desk.undo()
                .execute(Command.of(label, stem, () -> books().setPlan(id, after), () -> books().setPlan(id, before)));
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
        putStance(
                "stance " + kind.word(),
                books().stance(instrument).withKind(kind, reason, desk.clock().now()));
    }

    /** Writes the note on the instrument on the chart; an empty one removes it. */
    public void writeNote(String note) {
        id().ifPresent(id -> putStance(
                "note", books().stance(id).withNote(note.strip(), desk.clock().now())));
    }

    private void putStance(String label, Stance after) {
        Stance before = books().stance(after.instrument());
        if (!before.equals(after)) {
            desk.undo().execute(Command.of(label, () -> books().setStance(after), () -> books().setStance(before)));
        }
    }
}
