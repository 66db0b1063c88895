package dev.yardarm.desk.evidence;

import dev.yardarm.chart.plot.Plot;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.evidence.Evidence;
import dev.yardarm.core.evidence.Excursion;
import dev.yardarm.core.evidence.Figures;
import dev.yardarm.core.evidence.Inquiry;
import dev.yardarm.core.evidence.Occurrence;
import dev.yardarm.core.evidence.Part;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.core.evidence.Study;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Shelf;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.table.Subject;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * The state of evidence: what is asked, how it is counted, and what came of it. The newest fifth of the history is held back until it is
 * opened on purpose; how many variants were tried on the same instruments is counted and told. Used by the interface's thread.
 */
public final class EvidenceDesk implements AutoCloseable {
    /** The part of the history that is held back until it is opened. */
    public static final double HELD_BACK = 0.2;

    /** How many bars after a case its chart shows. */
    private static final int AFTER = 20;

    /** From so many variants on they are told. */
    private static final int MANY = 5;

    /** How much of what was asked is kept. */
    private static final int KEPT = 500;

    private final Desk desk;
    private final Rows<Case> cases;
    private final Listeners<EvidenceDesk> listeners = new Listeners<>();
    private Universe universe = Universe.ALL;
    private long moment;
    private Recipe recipe;
    private EvidenceRunner.Result result;
    private String problem = "";
    private String summary = "";
    private int horizonAt = 1;
    private double cost;
    private double slippage;
    private boolean apart = true;
    private int decimals = 2;

    /** An occurrence with its instrument. */
    public record Case(Instrument instrument, Occurrence occurrence) {}

    public EvidenceDesk(Desk desk) {
        this.desk = desk;
        cases = new Rows<>(
                columns(),
                List.of("code", "time", "entry", "return", "worst", "best"),
                row -> row.instrument().id() + " " + row.occurrence().time(),
                desk.habits().table("evidence"),
                line -> desk.habits().setTable("evidence", line));
    }

    private List<RowColumn<Case>> columns() {
        return List.of(
                RowColumn.words("code", "Code", 52, row -> row.instrument().code()),
                RowColumn.number(
                        "time",
                        "Bar",
                        122,
                        row -> time(row.occurrence().time(), row.instrument()),
                        row -> row.occurrence().time()),
                RowColumn.number(
                        "entry",
                        "Entry",
                        62,
                        row -> Double.isNaN(row.occurrence().entry())
                                ? ""
                                : row.instrument()
                                        .format()
                                        .format(row.occurrence().entry()),
                        row -> row.occurrence().entry()),
                RowColumn.change(
                        "return", "Return", 72, row -> ofCase(came(row.occurrence())), row -> came(row.occurrence())),
                RowColumn.change(
                        "worst", "Worst", 72, row -> ofCase(row.occurrence().worst()), row -> row.occurrence()
                                .worst()),
                RowColumn.change(
                        "best", "Best", 72, row -> ofCase(row.occurrence().best()), row -> row.occurrence()
                                .best()),
                RowColumn.words("regime", "Market", 110, row -> row.occurrence()
                        .regime()
                        .words()),
                RowColumn.words("sector", "Sector", 110, row -> row.instrument().sector()));
    }

    private double came(Occurrence occurrence) {
        double[] returns = occurrence.returns();
        return horizonAt < returns.length ? returns[horizonAt] : Double.NaN;
    }

    /** A figure of many cases; empty for none. */
    private String percent(double share) {
        return Double.isNaN(share) ? "" : Readout.percent(share, decimals);
    }

    /** What came after one case, which is larger than what differs on average; empty for none. */
    private String ofCase(double share) {
        return Double.isNaN(share) ? "" : Readout.percent(share, Math.max(2, decimals - 1));
    }

    /**
     * How many decimals of per cent the figures need: two digits of the narrowest interval, at least two decimals and at most four.
     * All figures have the same, so that they stand under each other.
     */
    private static int decimals(Evidence evidence) {
        double narrow = Double.POSITIVE_INFINITY;
        for (Figures each : evidence.figures()) {
            double wide = Double.isNaN(each.low()) ? Math.abs(each.difference()) : each.high() - each.low();
            narrow = wide > 0 ? Math.min(narrow, 100 * wide) : narrow;
        }
        return Double.isInfinite(narrow) ? 2 : Math.max(2, Math.min(4, 1 - (int) Math.floor(Math.log10(narrow))));
    }

    /** When a bar opened; with a time of day the day of the week gives way, so that all of it is read in the column. */
    private String time(long moment, Instrument instrument) {
        Timeframe timeframe = recipe == null ? Timeframe.DAY : recipe.timeframe();
        String text = Readout.time(moment, timeframe, desk.calendar(instrument).zone());
        return timeframe.isIntraday() ? text.substring(text.indexOf(' ') + 1) : text;
    }

    /** Tells when anything but the table of cases has changed. */
    public Listening listen(Consumer<EvidenceDesk> listener) {
        return listeners.add(listener);
    }

    /** Asks what came after a condition; what is newest is held back. */
    public void ask(String condition, Universe among, Timeframe timeframe) {
        universe = among;
        moment = Desk.NOW;
        start(condition, timeframe, HELD_BACK);
    }

    /** Whether it shows, or is looking for, what came after a condition among these. */
    public boolean isOf(String condition, Universe among, Timeframe timeframe) {
        return recipe != null
                && problem.isEmpty()
                && recipe.condition().equals(canonical(condition))
                && universe.equals(among)
                && recipe.timeframe().equals(timeframe);
    }

    private String canonical(String condition) {
        try {
            return Formula.parseCondition(condition, desk.language().now()).canonical();
        } catch (FormulaException bad) {
            return condition;
        }
    }

    /** What was asked before, the newest first. */
    public List<Inquiry> asked() {
        List<Inquiry> all = new ArrayList<>(desk.books().inquiryShelf().all());
        Collections.reverse(all);
        return all;
    }

    /** What was asked, in a line. */
    public String words(Inquiry inquiry) {
        return inquiry.condition() + ", " + inquiry.universe().words() + ", " + inquiry.timeframe() + ": "
                + inquiry.found() + (inquiry.heldBack() == 0 ? ", whole history" : "");
    }

    /** Asks the same once more, from the moment it was asked: the figures are the same. */
    public void ask(Inquiry before) {
        universe = before.universe();
        moment = before.moment();
        cost = before.question().cost();
        slippage = before.question().slippage();
        apart = before.question().apart();
        start(new Recipe(before.condition(), before.timeframe(), before.question(), before.heldBack()));
    }

    /** Looks at what was held back too. */
    public void openHeldBack() {
        if (recipe != null) {
            start(recipe.condition(), recipe.timeframe(), 0);
        }
    }

    /** What is taken off every return, as a share. */
    public double cost() {
        return cost;
    }

    /** What is taken off every return besides, in average true ranges. */
    public double slippage() {
        return slippage;
    }

    /** True when occurrences of an instrument that overlap count once. */
    public boolean isApart() {
        return apart;
    }

    /**
     * Counts anew with another cost, slippage and overlap.
     *
     * @param newCost as a share
     * @param newSlippage in average true ranges
     */
    public void count(double newCost, double newSlippage, boolean once) {
        if (newCost != cost || newSlippage != slippage || once != apart) {
            cost = newCost;
            slippage = newSlippage;
            apart = once;
            if (recipe != null) {
                start(recipe.condition(), recipe.timeframe(), recipe.heldBack());
            }
        }
    }

    /** The horizon that plots and cases show, as its place among all. */
    public int horizonAt() {
        return horizonAt;
    }

    /** Shows another horizon. */
    public void setHorizon(int place) {
        horizonAt = place;
        cases.setColumns(columns());
        listeners.tell(this);
    }

    private void start(String condition, Timeframe timeframe, double heldBack) {
        Language language = desk.language().now();
        try {
            String canonical = Formula.parseCondition(condition, language).canonical();
            Question usual = Question.USUAL;
            start(new Recipe(
                    canonical,
                    timeframe,
                    new Question(usual.horizons(), cost, slippage, usual.from(), usual.to(), apart, usual.seed()),
                    heldBack));
        } catch (FormulaException bad) {
            problem = bad.getMessage();
            listeners.tell(this);
        }
    }

    private void start(Recipe wanted) {
        recipe = wanted;
        problem = "";
        summary = "Looking through the past ...";
        listeners.tell(this);
        desk.gather(recipe, universe, moment, this::show, failed -> {
            summary = "";
            problem = "The past cannot be looked through: " + failed.getMessage() + ".";
            listeners.tell(this);
        });
    }

    private void show(EvidenceRunner.Result came) {
        result = came;
        decimals = decimals(came.evidence());
        int variants = keep(came);
        Evidence evidence = came.evidence();
        StringBuilder text = new StringBuilder();
        text.append(evidence.found())
                .append(evidence.found() == 1 ? " occurrence" : " occurrences")
                .append(" in ")
                .append(Readout.quantity(evidence.looked()))
                .append(" bars of ")
                .append(came.instruments().size())
                .append(came.instruments().size() == 1 ? " instrument, " : " instruments, ")
                .append(came.recipe().timeframe())
                .append(", ")
                .append(date(came.from(), came))
                .append(" to ")
                .append(date(came.to() - 1, came))
                .append('.');
        if (came.recipe().heldBack() > 0) {
            text.append(" What came after that is held back, to be looked at once, at the end.");
        }
        if (!evidence.hasContrast()) {
            text.append(" It holds at nearly all bars: there are no other times to compare with.");
        }
        if (variants >= MANY) {
            text.append(" ")
                    .append(variants)
                    .append(
                            " variants were tried on these instruments: one of ten that mean nothing looks good by chance.");
        }
        if (!came.missing().isEmpty()) {
            text.append(" Skipped: ").append(String.join("; ", came.missing())).append('.');
        }
        summary = text.toString();
        cases.setColumns(columns());
        List<Case> rows = new ArrayList<>();
        List<Study> studies = evidence.studies();
        for (int at = 0; at < studies.size(); at++) {
            for (Occurrence each : studies.get(at).occurrences()) {
                rows.add(new Case(came.instruments().get(at), each));
            }
        }
        cases.set(rows);
        cases.take(0);
        listeners.tell(this);
    }

    /** Keeps what was asked, over the end too; how many conditions were tried on these instruments and bars. */
    private int keep(EvidenceRunner.Result came) {
        Shelf<String, Inquiry> shelf = desk.books().inquiryShelf();
        Recipe of = came.recipe();
        shelf.put(new Inquiry(
                of.condition(),
                universe,
                of.timeframe(),
                of.question(),
                of.heldBack(),
                came.moment(),
                Desk.VERSION,
                came.evidence().found()));
        List<Inquiry> all = shelf.all();
        for (int at = 0; at < all.size() - KEPT; at++) {
            shelf.remove(all.get(at).key());
        }
        return (int) shelf.all().stream()
                .filter(each -> each.isVariantOf(universe, of.timeframe()))
                .map(Inquiry::condition)
                .distinct()
                .count();
    }

    private static String date(long moment, EvidenceRunner.Result of) {
        return Times.at(moment, of.zone()).toLocalDate().toString();
    }

    /** The condition that was asked; empty before any was. */
    public String condition() {
        return recipe == null ? "" : recipe.condition();
    }

    /** What is wrong; empty when nothing is. */
    public String problem() {
        return problem;
    }

    /** What was looked at, in words. */
    public String summary() {
        return summary;
    }

    /** True while something is held back that can be opened. */
    public boolean isHeldBack() {
        return result != null && result.recipe().heldBack() > 0;
    }

    /** What came; empty before anything was asked. */
    public Optional<EvidenceRunner.Result> result() {
        return Optional.ofNullable(result);
    }

    /** All occurrences. */
    public Rows<Case> cases() {
        return cases;
    }

    /** The chart of the case in hand. */
    public Optional<Subject> subject() {
        if (result == null) {
            return Optional.empty();
        }
        Timeframe timeframe = result.recipe().timeframe();
        // What came after stands in the right half; nights and weekends take time too.
        long after = (long) (timeframe.span() * AFTER * (timeframe.isIntraday() ? 2 : 1.45));
        return cases.inHand()
                .map(row -> new Subject(
                        row.instrument(),
                        BarRequest.of(timeframe),
                        "",
                        Math.min(row.occurrence().time() + after, result.moment())));
    }

    /** Marks every occurrence on a chart; null before anything was asked. */
    public Indicator marks() {
        return result == null
                ? null
                : Definition.parse(
                                "define \"Occurrences\" in price\nmarker up \"occurrence\" when "
                                        + result.recipe().condition() + "\n",
                                desk.language().now())
                        .indicator();
    }

    /** A line of the table of figures: how long, how many, and what came against all times. */
    public List<String> line(Figures of) {
        boolean none = of.count() == 0;
        return List.of(
                of.horizon() + (of.horizon() == 1 ? " bar" : " bars"),
                of.count() + (of.isSmall() && !none ? " (few)" : ""),
                none ? "" : percent(of.mean()),
                none ? "" : percent(of.median()),
                none ? "" : share(of.gains()),
                percent(of.baseMean()),
                none ? "" : percent(of.difference()),
                Double.isNaN(of.low()) ? "too few days" : percent(of.low()) + " to " + percent(of.high()),
                none || Double.isNaN(of.notAbove()) ? "" : share(1 - of.notAbove()));
    }

    /** The heads of that table. */
    public static List<String> heads() {
        return List.of(
                "After", "Count", "Mean", "Middle", "Gains", "All times", "Difference", "Nine in ten", "Above random");
    }

    private static String share(double part) {
        return String.format(Locale.ROOT, "%.0f %%", 100 * part);
    }

    /** The pictures, for the horizon that is shown; none before anything was asked. */
    public List<Plot> plots() {
        if (result == null || result.evidence().found() == 0) {
            return List.of();
        }
        Evidence evidence = result.evidence();
        List<Part> years = evidence.by(
                each -> String.valueOf(Times.at(each.time(), result.zone()).getYear()));
        return List.of(
                EvidencePlots.spread(evidence, horizonAt),
                EvidencePlots.fan(evidence),
                EvidencePlots.parts("By year", years, horizonAt));
    }

    /** The figures in parts, for the horizon that is shown: a line for each, with its count, mean and share of gains. */
    public List<String> parts() {
        if (result == null) {
            return List.of();
        }
        Evidence evidence = result.evidence();
        List<Part> all = new ArrayList<>(evidence.by(each -> each.regime().words()));
        all.addAll(evidence.byGroup());
        if (recipe.timeframe().isIntraday()) {
            all.addAll(evidence.by(each -> Times.at(each.time(), result.zone()).getHour() + " h"));
        }
        return all.stream()
                .filter(each -> each.counts()[horizonAt] > 0)
                .map(each -> each.name() + ": " + each.counts()[horizonAt] + ", " + percent(each.means()[horizonAt])
                        + ", gains " + share(each.gains()[horizonAt]))
                .toList();
    }

    /** How far price went, in words; empty when nothing is known. */
    public String excursion() {
        if (result == null || result.evidence().excursion().count() == 0) {
            return "";
        }
        Excursion far = result.evidence().excursion();
        return "Within " + result.recipe().question().longest() + " bars, in the middle: worst "
                + ofCase(far.worst()) + ", best " + ofCase(far.best())
                + ". One average true range up first "
                + share(far.gainFirst()) + " (after " + bars(far.barsToGain()) + "), down first "
                + share(far.lossFirst())
                + " (after " + bars(far.barsToLoss()) + ").";
    }

    private static String bars(double count) {
        return Double.isNaN(count) ? "no bars" : String.format(Locale.ROOT, "%.0f bars", count);
    }

    @Override
    public void close() {
        result = null;
    }
}
