package dev.yardarm.desk.line;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.Action;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.plan.PlanWork;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartComparisons;
import dev.yardarm.desk.room.chart.ChartIndicators;
import dev.yardarm.desk.room.chart.Spans;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;

/** What a line asks for. Each carries itself out. */
public interface LineCommand {
    /** Does it; what it needs is there. */
    void run(Hands hands);

    /** Whether it is done to a chart, which then has to be open and comes to the front. */
    default boolean onChart() {
        return true;
    }

    /** Does it, or tells what is missing. */
    default void carryOut(Hands hands) {
        if (onChart()) {
            if (hands.room().instrument().isEmpty()) {
                hands.desk().tell("Open a chart first: type the code of an instrument.");
                return;
            }
            hands.go(View.CHART);
        }
        run(hands);
    }

    /** @param timeframe null to keep the one there is */
    record Open(Instrument instrument, Timeframe timeframe) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            if (timeframe == null) {
                hands.room().open(instrument, hands.room().chart().request());
            } else {
                hands.room().open(instrument, timeframe);
            }
            hands.go(View.CHART);
        }
    }

    record SetTimeframe(Timeframe timeframe) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setTimeframe(timeframe);
        }
    }

    record SetForm(BarForm form) implements LineCommand {
        @Override
        public void run(Hands hands) {
            if (!hands.room().chart().request().isTime()) {
                hands.room().setRule(new BarRule.Time(hands.room().chart().timeframe()));
            }
            hands.room().setForm(form);
        }
    }

    /** Bars of another kind. */
    record SetRule(BarRule rule) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setRule(rule);
        }
    }

    /** Other bars of the same instrument: session, days, adjustment, contracts. */
    record ChangeRequest(String label, UnaryOperator<BarRequest> change) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setRequest(label, change.apply(hands.room().chart().request()));
        }
    }

    record ChangeScale(String label, UnaryOperator<ScaleChoice> change) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setScale(label, change.apply(hands.room().chart().scale()));
        }
    }

    /** @param zone null for that of the exchange */
    record SetZone(ZoneId zone) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setZone(zone);
        }
    }

    /** A span of time counted back from the newest bar. */
    record ShowSpan(String span) implements LineCommand {
        @Override
        public void run(Hands hands) {
            Spans.show(hands.room().chart(), span);
            hands.room().tell(Aspect.VIEW);
        }
    }

    /** A date to go to; or the next or last event. */
    record GoTo(LocalDate date, int events) implements LineCommand {
        @Override
        public void run(Hands hands) {
            if (date != null) {
                Going.toDate(hands.room(), date);
            } else {
                Going.toEvent(hands.room(), events);
            }
        }
    }

    record ChangeSource(String source) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().changeSource(source);
        }
    }

    /** @param settings null for those new ones come up with */
    /**
     * An indicator or a detector.
     *
     * @param settings null for those new ones come up with
     * @param higher the timeframe it is computed on; null for the chart's
     */
    record AddIndicator(Indicator indicator, Settings settings, IndicatorLayer.Higher higher) implements LineCommand {
        AddIndicator(Indicator indicator, Settings settings) {
            this(indicator, settings, null);
        }

        @Override
        public void run(Hands hands) {
            ChartIndicators indicators = hands.room().indicators();
            indicators.add(indicator, settings == null ? indicators.standard(indicator) : settings, higher);
        }
    }

    record Compare(List<Instrument> others, ChartComparisons.Look look) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().comparisons().add(others, look);
        }
    }

    /** @param length bars of changes; 0 for the usual number */
    record Correlate(Instrument one, Instrument other, int length) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().comparisons().correlate(one, other, length);
        }
    }

    /** A figure through exact points. */
    record Draw(String figure, List<DrawnPoint> points, Map<String, String> options) implements LineCommand {
        @Override
        public void run(Hands hands) {
            ExactDrawing.draw(hands.room(), this);
        }
    }

    /**
     * A point of a figure.
     *
     * @param moment by the clock of the exchange; null for the newest bar
     * @param price missing for the last close
     */
    record DrawnPoint(LocalDateTime moment, double price) {}

    record TakeTool(Tool tool) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().studies().take(tool);
        }
    }

    record MakePlan(double entry, double stop, double target) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().studies().makePlan(entry, stop, target);
        }
    }

    /** Changes one part of the plan on the chart in hand, and what new plans start from. */
    record ChangePlan(String part, double value) implements LineCommand {
        @Override
        public boolean onChart() {
            return !part.equals("account") && !part.equals("risk");
        }

        @Override
        public void run(Hands hands) {
            PlanWork work = hands.desk().planWork();
            if (!onChart()) {
                boolean taken = part.equals("account")
                        ? work.setSizing(value, work.riskPercent())
                        : work.setSizing(work.account(), value);
                if (taken) {
                    hands.desk()
                            .tell(String.format(
                                    Locale.ROOT,
                                    "New plans start from an account of %,.2f and put %s %% of it at risk.",
                                    work.account(),
                                    dev.yardarm.core.indicator.Setting.Number.plain(work.riskPercent())));
                }
                return;
            }
            TradePlan plan = hands.room().chart().plan().orElse(null);
            if (plan == null) {
                hands.desk()
                        .tell(
                                "There is no plan on this chart. Type plan with entry, stop and target, such as plan 104.20 102.80 107.");
                return;
            }
            hands.room()
                    .studies()
                    .change(
                            plan,
                            plan.withPrices(
                                    part.equals("entry") ? value : plan.entry(),
                                    part.equals("stop") ? value : plan.stop(),
                                    part.equals("target") ? value : plan.target()));
        }
    }

    record TakeStance(Stance.Kind kind, String reason) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.instrument().ifPresent(each -> hands.desk().stanceWork().take(each.id(), kind, reason));
        }
    }

    record WriteNote(String note) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.instrument().ifPresent(each -> hands.desk().stanceWork().write(each.id(), note));
        }
    }

    record SetAlert(Alert.Trigger trigger) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().studies().setAlert(trigger);
        }
    }

    /**
     * An alert as a sentence says, on the instrument in hand: that of the row where there are rows.
     *
     * @param code of another instrument; empty for the one in hand
     * @param list name of a list, to set it on each of it; empty for one instrument
     */
    record AlertLine(String sentence, String code, String list) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            Desk desk = hands.desk();
            List<Instrument> on = code.isEmpty()
                    ? hands.inHand().stream().toList()
                    : desk.directory().byCode(code).stream().toList();
            if (!list.isEmpty()) {
                NamedList named = desk.books().lists().stream()
                        .filter(each -> each.name().equalsIgnoreCase(list))
                        .findFirst()
                        .orElse(null);
                if (named == null) {
                    desk.tell("There is no list " + list + ".");
                    return;
                }
                on = named.instruments().stream()
                        .flatMap(id -> desk.directory().find(id).stream())
                        .toList();
            }
            desk.alertWork().set(on, sentence, hands.bars(), desk.language().now(), hands::lastPrice);
        }
    }

    /**
     * A call as a sentence says.
     *
     * @param code of the instrument; empty for the one in hand
     */
    record MakeCall(String sentence, String code) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            (code.isEmpty() ? hands.inHand() : hands.desk().directory().byCode(code))
                    .ifPresentOrElse(
                            each -> hands.desk().callWork().make(each, sentence, hands.bars()),
                            () -> hands.desk().tell("There is no instrument to make a call on."));
        }
    }

    record ScanFor(String condition) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.scanFor(condition);
        }
    }

    /** What came after a condition. */
    record EvidenceOf(String condition) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.evidenceOf(condition);
        }
    }

    /** A command without anything more to say. */
    record Plain(Action action) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            action.run(hands.desk()::tell);
        }
    }
}
