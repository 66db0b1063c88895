package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.gesture.ChartEdits;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.CallMark;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.ScenarioMark;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scenario.Scenarios;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is done on a chart: choosing, tools, and what the trader does to the instrument that is on it. Used by the interface's
 * thread alone.
 */
public final class Studies implements ChartEdits {
    /** An entry so many times the price is a slip. */
    private static final double FAR = 3;

    private final Desk desk;
    private final ChartRoom room;
    private final ChartModel chart;

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
            PriceBasis basis = room.drawings().basis();
            chart.setAlerts(books().alerts(id).stream()
                    .filter(alert -> books().waits(alert)
                            && alert.terms().until() > desk.feedServices().now().getAsLong())
                    .map(alert -> alert.in(basis))
                    .toList());
            chart.setCalls(books().calls().stream()
                    .filter(call -> call.instrument().equals(id) && !books().isOver(call))
                    .map(call -> mark(call.in(basis)))
                    .toList());
            chart.setScenarios(marks(id, basis));
            List<Firing> firings = books().firings(id);
            chart.setFirings(
                    basis.isAsTraded()
                            ? firings
                            : firings.stream().map(firing -> firing.in(basis)).toList());
            chart.setPlan(chart.instrument()
                    .flatMap(desk.planWork()::of)
                    .map(plan -> plan.in(basis))
                    .orElse(null));
            if (chart.selection().equals(Selection.PLAN) && chart.plan().isEmpty()) {
                chart.select(Selection.NONE);
                room.tell(Aspect.SELECTION);
            }
            room.tell(Aspect.LAYERS);
        });
    }

    private List<ScenarioMark> marks(InstrumentId id, PriceBasis basis) {
        Scenarios there = books().scenarios(id);
        return there.all().stream()
                .map(each -> new ScenarioMark(
                        each.in(basis),
                        there.total(each.id()),
                        there.struck(each.id()).isPresent(),
                        !there.within(each.id()).isEmpty()))
                .toList();
    }

    /** Removes the scenarios of the instrument; one step of undo. */
    void removeScenarios() {
        id().ifPresent(id -> desk.undo().together("remove the scenarios", () -> books().scenarios(id)
                .within("")
                .forEach(each -> desk.scenarioWork().remove(id, each.title()))));
        select(Selection.NONE);
    }

    private CallMark mark(Call call) {
        List<CallEvent.Kind> became = desk.callWork().judged(call).events().stream()
                .map(CallEvent::kind)
                .toList();
        boolean rival = became.contains(CallEvent.Kind.PROVED_WRONG);
        return new CallMark(
                call, became.contains(rival ? CallEvent.Kind.RIVAL_TRIGGERED : CallEvent.Kind.TRIGGERED), rival);
    }

    /** Makes a call of a sentence on the instrument; says so, or what is wrong. */
    public boolean call(String sentence) {
        return chart.instrument()
                .filter(each -> desk.callWork()
                        .make(
                                each,
                                sentence,
                                chart.request().byRule().orElseGet(() -> new BarRule.Time(chart.timeframe()))))
                .isPresent();
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
    public void alert(String drawing) {
        select(new Selection.Drawing(drawing));
        setAlert(Alert.Trigger.REACHES);
    }

    @Override
    public void change(List<Drawing> after) {
        room.drawings().move(after);
    }

    /** Takes away what is chosen: one layer, or several drawings with their waiting alerts. */
    public void deleteChosen() {
        chart.layer(chart.selection())
                .ifPresentOrElse(room.layers()::remove, () -> room.drawings().deleteChosen());
    }

    /** Sets an alert on the chosen drawing; says so, or says what is missing. */
    public void setAlert(Alert.Trigger trigger) {
        if (!room.onceLoaded(() -> setAlertOnBars(trigger))) {
            desk.tell("There are no bars, and so no price to wait from.");
        }
    }

    private void setAlertOnBars(Alert.Trigger trigger) {
        Drawing drawing = room.drawings().chosen().orElse(null);
        if (drawing == null) {
            desk.tell("Select a level or line first: an alert waits on a drawing.");
            return;
        }
        double last = chart.bars().close(chart.bars().size() - 1);
        desk.alertWork()
                .set(
                        chart.instrument().orElseThrow(),
                        drawing,
                        trigger,
                        chart.timeframe(),
                        room.drawings().worthNow(drawing),
                        last);
    }

    /** Sets an alert that goes off when a bar of the chart's timeframe closes on which a condition begins to hold. */
    public void setAlert(String condition) {
        List<Instrument> shown = chart.instrument().stream().toList();
        desk.alertWork()
                .setOn(shown, condition, chart.timeframe(), desk.language().now());
    }

    /**
     * Sets an alert on the next large trade of the instrument.
     *
     * @param together microseconds within which prints of one side are one
     */
    public void setAlertOnTrade(double size, long together) {
        chart.instrument().ifPresent(each -> desk.alertWork().setOnTrade(each, size, together, chart.timeframe()));
    }

    @Override
    public void plan(double entry, double stop) {
        chart.instrument().ifPresent(instrument -> {
            if (desk.planWork().make(instrument, chart.timeframe(), entry, stop)) {
                select(Selection.PLAN);
            }
        });
    }

    /** Makes the instrument's plan; its account and risk are those used last. */
    public void makePlan(double entry, double stop, double target) {
        chart.instrument().ifPresent(instrument -> {
            double last = chart.data().last();
            if (last > 0 && (entry > FAR * last || entry < last / FAR)) {
                desk.tell("No plan was made: an entry at " + instrument.format().format(entry)
                        + " is far from the price of "
                        + instrument.code() + ", " + instrument.format().format(last)
                        + ". Is it meant for another instrument?");
                return;
            }
            if (desk.planWork().make(instrument, chart.timeframe(), entry, stop, target)) {
                select(Selection.PLAN);
            }
        });
    }

    @Override
    public void change(TradePlan before, TradePlan after) {
        if (!desk.planWork().change(after.asMade(room.drawings().basis()))) {
            show();
        }
    }

    /** Removes the plan of the instrument on the chart. */
    public void removePlan() {
        id().ifPresent(id -> {
            InstrumentId planned = chart.plan().map(TradePlan::instrument).orElse(id);
            if (books().plan(planned).isPresent()) {
                desk.planWork().remove(planned);
                select(Selection.NONE);
            }
        });
    }

    /** Takes a stance on the instrument on the chart. */
    public void takeStance(Stance.Kind kind, String reason) {
        id().ifPresent(id -> desk.stanceWork().take(id, kind, reason));
    }

    /** Writes the note on the instrument on the chart; an empty one removes it. */
    public void writeNote(String note) {
        id().ifPresent(id -> desk.stanceWork().write(id, note));
    }
}
