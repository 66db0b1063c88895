package dev.yardarm.desk.plan;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.UndoStack;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.UnaryOperator;

/**
 * Makes plans and changes them; each change is a step of undo. An instrument has one plan that stands at a time; the ones before
 * it are kept. Account and risk that new plans start from are those used last, for all charts. Used by the interface's thread.
 */
public final class PlanWork {
    /** Reward of a new plan, in R. */
    private static final double FIRST_REWARD = 2;

    private final Books books;
    private final UndoStack undo;
    private final UnaryOperator<Instrument> counting;
    private final LongSupplier now;
    private final Consumer<String> tell;
    private final Listeners<PlanWork> sized = new Listeners<>();
    private double account = 25_000;
    private double riskPercent = 1;

    /** @param now what time it is in the market */
    public PlanWork(Books books, UndoStack undo, LongSupplier now, Consumer<String> tell) {
        this(books, undo, now, instrument -> instrument, tell);
    }

    /** @param counting the contract that counts of a continuous future; any other instrument itself */
    public PlanWork(
            Books books, UndoStack undo, LongSupplier now, UnaryOperator<Instrument> counting, Consumer<String> tell) {
        this.counting = counting;
        this.books = books;
        this.undo = undo;
        this.now = now;
        this.tell = tell;
    }

    /** The account new plans start from. */
    public double account() {
        return account;
    }

    /** The part of it new plans put at risk, in percent. */
    public double riskPercent() {
        return riskPercent;
    }

    /**
     * The account and risk that the next plan starts from; says so when they are no good.
     *
     * @return true when they were taken
     */
    public boolean setSizing(double newAccount, double newRiskPercent) {
        if (!(newAccount > 0) || !Double.isFinite(newAccount) || !(newRiskPercent > 0 && newRiskPercent <= 100)) {
            tell.accept("The account must be above zero and the risk above 0 and at most 100 per cent.");
            return false;
        }
        if (account != newAccount || riskPercent != newRiskPercent) {
            account = newAccount;
            riskPercent = newRiskPercent;
            sized.tell(this);
        }
        return true;
    }

    /** Tells when the account or risk of new plans changes. */
    public Listening onSizing(Consumer<PlanWork> listener) {
        return sized.add(listener);
    }

    /** Makes a plan with the usual reward; see the one with a target. */
    public boolean make(Instrument instrument, Timeframe timeframe, double entry, double stop) {
        return make(instrument, timeframe, entry, stop, entry + FIRST_REWARD * (entry - stop));
    }

    /**
     * Makes the plan of an instrument; the one that stood before ends. What is wrong is told.
     *
     * @return true when it was made
     */
    public boolean make(Instrument given, Timeframe timeframe, double entry, double stop, double target) {
        Instrument instrument = counting.apply(given);
        if (!instrument.isTradable()) {
            tell.accept(instrument.code() + " (" + instrument.kind().word()
                    + ") cannot be bought, so there is nothing to plan.");
            return false;
        }
        TradePlan plan = new TradePlan(
                UUID.randomUUID().toString().substring(0, 8),
                instrument.id(),
                timeframe,
                now.getAsLong(),
                instrument.format().round(entry),
                instrument.format().round(stop),
                instrument.format().round(target),
                account,
                riskPercent);
        Optional<String> problem = plan.problem();
        if (problem.isPresent()) {
            tell.accept("No plan was made: " + problem.get() + ".");
            return false;
        }
        Optional<TradePlan> before = books.plan(instrument.id());
        undo.execute(books.planShelf().change("plan a trade", all -> {
            List<TradePlan> after = new ArrayList<>();
            all.forEach(each -> after.add(
                    each.instrument().equals(instrument.id()) && each.stands() ? each.ended(plan.madeAt()) : each));
            after.add(plan);
            return after;
        }));
        if (!instrument.equals(given)) {
            tell.accept(given.code() + " is a series of contracts; the plan is for " + instrument.code()
                    + ", the one that counts now.");
        }
        before.ifPresent(old -> tell.accept("The plan for " + instrument.code() + " with its entry at "
                + instrument.format().format(old.entry()) + " has ended with this one; undo brings it back."));
        return true;
    }

    /** The plan that stands for an instrument, of a continuous future that of the contract that counts. */
    public Optional<TradePlan> of(Instrument instrument) {
        return books.plan(instrument.id())
                .or(() -> books.plan(counting.apply(instrument).id()));
    }

    /**
     * Changes a plan; what is wrong is told.
     *
     * @return true when it is as wanted now
     */
    public boolean change(TradePlan after) {
        Optional<String> problem = after.problem();
        if (problem.isPresent()) {
            tell.accept("The plan stays as it was: " + problem.get() + ".");
            return false;
        }
        setSizing(after.account(), after.riskPercent());
        if (!books.planShelf().get(after.id()).filter(after::equals).isPresent()) {
            undo.execute(books.planShelf()
                    .change(
                            "change the plan",
                            "plan " + after.id(),
                            books.planShelf().all().stream()
                                    .map(each -> each.id().equals(after.id()) ? after : each)
                                    .toList()));
        }
        return true;
    }

    /** Takes the plan of an instrument that stands away. */
    public void remove(InstrumentId instrument) {
        books.plan(instrument)
                .ifPresent(plan -> undo.execute(
                        books.planShelf().change("remove the plan of " + instrument.code(), all -> all.stream()
                                .filter(each -> !each.id().equals(plan.id()))
                                .toList())));
    }
}
