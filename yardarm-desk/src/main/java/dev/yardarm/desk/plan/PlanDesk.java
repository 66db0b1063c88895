package dev.yardarm.desk.plan;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.plan.PositionSize;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.plan.TradeTerms;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.table.Subject;
import dev.yardarm.desk.work.Lane;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;

/**
 * The state of the view Plan: all plans with their risk and size, and what they come to together. Follows the plans until it
 * is closed. Used by the interface's thread.
 */
public final class PlanDesk implements AutoCloseable {
    private static final List<String> USUAL = List.of(
            "code", "side", "entry", "stop", "target", "stop-distance", "reward-r", "size", "cost", "risk", "size-by");

    private final Desk desk;
    private final Rows<TradePlan> rows;
    private final Listening heard;
    /** Plans as they are shown, by what is kept. */
    private Map<TradePlan, TradePlan> moved = Map.of();

    public PlanDesk(Desk desk) {
        this.desk = desk;
        rows = new Rows<>(columns(), USUAL, TradePlan::id, desk.habits().table("plans"), line -> desk.habits()
                .setTable("plans", line));
        heard = Listening.all(
                desk.books().listen(subject -> {
                    if (subject == Books.Subject.PLANS) {
                        read();
                    }
                }),
                desk.directory().listen(source -> desk.feedServices().front().execute(this::read)));
        read();
    }

    private List<RowColumn<TradePlan>> columns() {
        return List.of(
                RowColumn.words("code", "Code", 84, plan -> plan.instrument().code()),
                RowColumn.words("name", "Name", 150, plan -> instrument(plan)
                        .map(Instrument::name)
                        .orElse("not there any more")),
                RowColumn.words("side", "Side", 56, plan -> plan.isLong() ? "long" : "short"),
                RowColumn.words(
                        "timeframe", "Timeframe", 80, plan -> plan.timeframe().toString()),
                price("entry", "Entry", TradePlan::entry),
                price("stop", "Stop", TradePlan::stop),
                price("target", "Target", TradePlan::target),
                number("stop-distance", "Stop distance %", 106, TradePlan::riskInPercent),
                number("target-distance", "Target distance %", 116, TradePlan::rewardInPercent),
                number("reward-r", "Reward R", 76, TradePlan::rewardInR),
                sized(
                        "size",
                        "Size",
                        112,
                        (plan, size) -> Sizing.quantity(size.quantity())
                                + instrument(plan)
                                        .map(each -> " " + each.pieces(size.quantity()))
                                        .orElse(""),
                        PositionSize::quantity),
                money("cost", "Cost", PositionSize::cost),
                money("risk", "At risk", PositionSize::atRisk),
                money("reward", "To win", PositionSize::toWin),
                RowColumn.words("size-by", "Size set by", 220, this::limit));
    }

    private RowColumn<TradePlan> price(String id, String title, ToDoubleFunction<TradePlan> value) {
        return RowColumn.number(
                id,
                title,
                78,
                plan -> instrument(plan)
                        .map(each -> each.format().format(value.applyAsDouble(plan)))
                        // Of an instrument that is not there it is not known how its prices are written.
                        .orElseGet(() -> Readout.plain(value.applyAsDouble(plan))),
                value);
    }

    private static RowColumn<TradePlan> number(
            String id, String title, double width, ToDoubleFunction<TradePlan> value) {
        return RowColumn.number(
                id, title, width, plan -> String.format(Locale.ROOT, "%.2f", value.applyAsDouble(plan)), value);
    }

    private RowColumn<TradePlan> money(String id, String title, ToDoubleFunction<PositionSize> value) {
        return sized(
                id,
                title,
                124,
                (plan, size) -> String.format(Locale.ROOT, "%,.2f", value.applyAsDouble(size)) + currency(plan),
                value);
    }

    private RowColumn<TradePlan> sized(
            String id,
            String title,
            double width,
            BiFunction<TradePlan, PositionSize, String> text,
            ToDoubleFunction<PositionSize> value) {
        return RowColumn.number(
                id,
                title,
                width,
                plan -> size(plan).map(size -> text.apply(plan, size)).orElse(""),
                plan -> size(plan).map(value::applyAsDouble).orElse(Double.NaN));
    }

    private Optional<Instrument> instrument(TradePlan plan) {
        return desk.directory().find(plan.instrument());
    }

    private Optional<PositionSize> size(TradePlan plan) {
        return instrument(plan).flatMap(each -> desk.sizing().size(plan, each).size());
    }

    private String currency(TradePlan plan) {
        return instrument(plan).map(desk.sizing()::currency).orElse("");
    }

    /** What kept the size from being larger, or why there is none. */
    private String limit(TradePlan plan) {
        return instrument(plan)
                .map(each -> {
                    Sizing.Sized sized = desk.sizing().size(plan, each);
                    return sized.size()
                            .map(size -> marked(
                                    plan,
                                    Sizing.limit(size, TradeTerms.isHeld(each)).replace("size set by ", "")))
                            .orElse(sized.words());
                })
                .orElse("");
    }

    /** One that was sized for a larger account than there is now says so. */
    private String marked(TradePlan plan, String limit) {
        double now = desk.planWork().account();
        return now > 0 && plan.account() > now
                ? String.format(
                        Locale.ROOT, "%s; sized for an account of %,.0f, it is %,.0f now", limit, plan.account(), now)
                : limit;
    }

    /** The plans in prices of now: splits and rolls since they were made have moved them. What that takes is read in the background. */
    private void read() {
        List<TradePlan> kept = desk.books().plans();
        rows.set(kept.stream().map(plan -> moved.getOrDefault(plan, plan)).toList());
        long now = desk.feedServices().now().getAsLong();
        desk.scheduler()
                .start(
                        Lane.SOON,
                        "plans in prices of now " + System.identityHashCode(this),
                        "",
                        job -> {
                            Map<TradePlan, TradePlan> shown = new HashMap<>();
                            for (TradePlan plan : kept) {
                                Instrument each =
                                        desk.directory().find(plan.instrument()).orElse(null);
                                try {
                                    if (each != null) {
                                        shown.put(
                                                plan,
                                                plan.in(desk.vantages().at(now).basis(each)));
                                    }
                                } catch (IOException away) {
                                    // Its source is away: it stands as it was made until that answers.
                                }
                            }
                            return shown;
                        },
                        shown -> {
                            moved = shown;
                            if (kept.stream().anyMatch(plan -> !plan.equals(shown.getOrDefault(plan, plan)))) {
                                rows.set(kept.stream()
                                        .map(plan -> shown.getOrDefault(plan, plan))
                                        .toList());
                            }
                        },
                        unread -> {});
    }

    /** The plans. */
    public Rows<TradePlan> rows() {
        return rows;
    }

    /** What all plans come to together, in words; empty without any. */
    public String total() {
        if (rows.rows().isEmpty()) {
            return "";
        }
        double atRisk = 0;
        double cost = 0;
        for (TradePlan plan : rows.rows()) {
            PositionSize size = size(plan).orElse(null);
            atRisk += size == null ? 0 : size.atRisk();
            cost += size == null ? 0 : size.cost();
        }
        String money = currency(rows.rows().get(0));
        double account = desk.planWork().account();
        return String.format(
                Locale.ROOT,
                "%d %s, together %,.2f%s at risk%s, tying up %,.2f%s%s",
                rows.rows().size(),
                rows.rows().size() == 1 ? "plan" : "plans",
                atRisk,
                money,
                account > 0 ? String.format(Locale.ROOT, " (%.2f %% of the account)", 100 * atRisk / account) : "",
                cost,
                money,
                account > 0 && cost > account
                        ? String.format(
                                Locale.ROOT,
                                ", which is %,.2f%s more than the account: not all of them can be taken together",
                                cost - account,
                                money)
                        : "");
    }

    /** The money of the account; empty where it is not known. */
    public String money() {
        return desk.directory().all().stream()
                .findFirst()
                .map(desk.sizing()::currency)
                .orElse("")
                .strip();
    }

    /** The chart of the plan in hand. */
    public Optional<Subject> subject() {
        return rows.inHand()
                .flatMap(plan -> instrument(plan).map(each -> new Subject(each, BarRequest.of(plan.timeframe()), "")));
    }

    /** Removes a plan; a step of undo. */
    public void remove(TradePlan plan) {
        desk.planWork().remove(plan.instrument());
    }

    @Override
    public void close() {
        heard.close();
    }
}
