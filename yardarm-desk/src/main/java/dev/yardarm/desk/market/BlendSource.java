package dev.yardarm.desk.market;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.blend.BlendedBars;
import dev.yardarm.core.formula.BlendFormula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.ClosesOnly;
import dev.yardarm.core.source.LiveSource;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The blends as a source: instruments made of those of other sources, used anywhere an instrument is, live too.
 *
 * <p>Parts are looked up by code when they are needed, in prices adjusted for splits as of the moment asked about, so a split of a
 * part leaves no step; a continuous future is joined by difference. Daily bars of parts meet by the day of each one's own calendar,
 * bars within a day by their opening time ({@link BlendedBars}). Live, each trade of a part is a trade of the blend at the last prices
 * of the others, of size 0. A blend follows the calendar of its first part.
 *
 * <p>What cannot be read, goes round in a circle or names what is not there is kept and told when it is asked for. May be used by any
 * thread: blends are one immutable table, the last prices are guarded.
 */
public final class BlendSource implements LiveSource, ClosesOnly {
    /** The first part of the identity of blends. */
    public static final String NAME = "blend";

    /** Last prices that are remembered, of so many blends and moments. */
    private static final int REMEMBERED = 64;

    private final Directory directory;
    private final Histories histories;
    private final Map<Known, double[]> lastPrices = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Known, double[]> eldest) {
            return size() > REMEMBERED;
        }
    };
    private volatile Map<InstrumentId, Made> made = Map.of();

    /** A blend as far as its last prices are known. */
    private record Known(InstrumentId id, long upTo, String formula) {}

    /**
     * A blend that was read.
     *
     * @param problem why it cannot be used; empty when it can
     */
    private record Made(Blend blend, BlendFormula formula, Instrument instrument, String problem) {}

    public BlendSource(Directory directory, Histories histories) {
        this.directory = directory;
        this.histories = histories;
    }

    /** The identity of a blend. */
    public static InstrumentId id(Blend blend) {
        return new InstrumentId(NAME, blend.key());
    }

    /** Takes these blends in the place of those there were. */
    public void set(List<Blend> blends, Language language) {
        Map<InstrumentId, Made> read = new LinkedHashMap<>();
        Map<String, BlendFormula> byCode = new HashMap<>();
        Map<Blend, String> problems = new HashMap<>();
        for (Blend blend : blends) {
            try {
                byCode.put(blend.code(), BlendFormula.parse(blend.formula(), language));
            } catch (FormulaException fault) {
                problems.put(blend, fault.getMessage());
            }
        }
        for (Blend blend : blends) {
            try {
                BlendFormula.inOrder(reached(blend.code(), byCode));
            } catch (IllegalArgumentException circle) {
                problems.put(blend, circle.getMessage());
            }
        }
        for (Blend blend : blends) {
            BlendFormula formula = byCode.get(blend.code());
            read.put(id(blend), new Made(blend, formula, instrument(blend, formula), problems.getOrDefault(blend, "")));
        }
        Set<InstrumentId> changed = new LinkedHashSet<>(made.keySet());
        changed.addAll(read.keySet());
        made = Map.copyOf(read);
        synchronized (lastPrices) {
            lastPrices.clear();
        }
        changed.forEach(histories::forget);
    }

    /** A blend and those it rests on. */
    private static Map<String, BlendFormula> reached(String code, Map<String, BlendFormula> all) {
        Map<String, BlendFormula> reached = new LinkedHashMap<>();
        List<String> open = new ArrayList<>(List.of(code));
        while (!open.isEmpty()) {
            String next = open.remove(0);
            BlendFormula formula = all.get(next);
            if (formula != null && reached.put(next, formula) == null) {
                open.addAll(formula.parts());
            }
        }
        return reached;
    }

    private Instrument instrument(Blend blend, BlendFormula formula) {
        Instrument first = formula == null ? null : part(formula.parts().get(0)).orElse(null);
        PriceFormat format = first != null && formula.isFieldByField() ? first.format() : PriceFormat.ofDecimals(4);
        return new Instrument(
                        id(blend),
                        blend.name(),
                        first == null ? "" : first.market(),
                        Instrument.Kind.BLEND,
                        "",
                        "",
                        format,
                        1)
                .called(blend.code());
    }

    private Optional<Instrument> part(String code) {
        int colon = code.indexOf(':');
        return colon > 0
                ? directory.find(
                        new InstrumentId(code.substring(0, colon).toLowerCase(Locale.ROOT), code.substring(colon + 1)))
                : directory.byCode(code);
    }

    private Made of(InstrumentId id) throws IOException {
        Made found = made.get(id);
        if (found == null) {
            throw new IOException("there is no blend " + id.code() + " any more");
        }
        if (!found.problem().isEmpty()) {
            throw new IOException("the blend " + found.blend().code() + " cannot be made: " + found.problem());
        }
        return found;
    }

    private List<Instrument> parts(Made blend) throws IOException {
        List<Instrument> parts = new ArrayList<>();
        for (String code : blend.formula().parts()) {
            parts.add(part(code)
                    .orElseThrow(() -> new IOException(
                            "the blend " + blend.blend().code() + " is made of " + code + ", which is not there now")));
        }
        return parts;
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public List<Instrument> instruments() {
        return made.values().stream().map(Made::instrument).toList();
    }

    /** The blend an instrument is; empty for any other. */
    public Optional<Blend> blend(InstrumentId id) {
        return Optional.ofNullable(made.get(id)).map(Made::blend);
    }

    @Override
    public boolean isOfCloses(InstrumentId id) {
        Made blend = made.get(id);
        if (blend == null || blend.formula() == null || !blend.problem().isEmpty()) {
            return false;
        }
        return !blend.formula().isFieldByField()
                || part(blend.formula().parts().get(0))
                        .filter(only -> isOfCloses(only.id()))
                        .isPresent();
    }

    @Override
    public Optional<String> problem(InstrumentId id) {
        try {
            for (Instrument part : parts(of(id))) {
                Optional<String> ofPart = histories.source(part).problem(part.id());
                if (ofPart.isPresent()) {
                    return ofPart;
                }
            }
            return stored(id).isEmpty()
                    ? Optional.of("the parts of " + of(id).blend().code() + " have no timeframe in common")
                    : Optional.empty();
        } catch (IOException why) {
            return Optional.ofNullable(why.getMessage());
        }
    }

    @Override
    public TradingCalendar calendar(Instrument instrument) {
        Made blend = made.get(instrument.id());
        return blend == null || blend.formula() == null || !blend.problem().isEmpty()
                ? TradingCalendar.ROUND_THE_CLOCK
                : part(blend.formula().parts().get(0)).map(directory::calendar).orElse(TradingCalendar.ROUND_THE_CLOCK);
    }

    /** The timeframes that every part has, or that can be built of finer ones it has. */
    @Override
    public List<Timeframe> stored(InstrumentId id) {
        try {
            Set<Timeframe> all = new LinkedHashSet<>();
            List<List<Timeframe>> ofParts = new ArrayList<>();
            for (Instrument part : parts(of(id))) {
                List<Timeframe> kept = histories.source(part).stored(part.id());
                ofParts.add(kept);
                all.addAll(kept);
            }
            return all.stream()
                    .filter(each -> ofParts.stream().allMatch(kept -> canBuild(each, kept)))
                    .sorted()
                    .toList();
        } catch (IOException notThere) {
            return List.of();
        }
    }

    private static boolean canBuild(Timeframe wanted, List<Timeframe> kept) {
        return kept.stream()
                .anyMatch(each -> each.equals(wanted)
                        || each.isIntraday() && (!wanted.isIntraday() || wanted.span() % each.span() == 0));
    }

    @Override
    public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) throws IOException {
        Made blend = of(id);
        List<BlendedBars.Part> parts = new ArrayList<>();
        for (Instrument part : parts(blend)) {
            Bars bars = histories
                    .load(part, BarRequest.of(timeframe), upTo)
                    .series()
                    .snapshot();
            TradingCalendar calendar = histories.calendar(part);
            parts.add(
                    timeframe.isIntraday()
                            ? BlendedBars.Part.byTime(bars)
                            : new BlendedBars.Part(bars, (each, bar) -> calendar.sessionAt(each.openTime(bar))
                                    .toEpochDay()));
        }
        BarSeries all = BlendedBars.of(blend.formula(), parts);
        return from == Long.MIN_VALUE ? all : since(all.snapshot(), from);
    }

    private static BarSeries since(Bars bars, long from) {
        BarSeries series = new BarSeries(bars.size());
        for (int bar = Math.max(0, bars.barAt(from - 1) + 1); bar < bars.size(); bar++) {
            if (bar < bars.closed()) {
                series.append(bars, bar);
            } else {
                series.form(bars, bar);
            }
        }
        return series;
    }

    @Override
    public void trades(InstrumentId id, long after, long upTo, TickSeries into) throws IOException {
        Made blend = of(id);
        List<Instrument> parts = parts(blend);
        List<TickSeries> trades = new ArrayList<>();
        boolean any = false;
        for (Instrument part : parts) {
            TickSeries ofPart = new TickSeries(16);
            BarSource source = histories.source(part);
            if (source instanceof LiveSource live) {
                live.trades(histories.traded(part, upTo).id(), after, upTo, ofPart);
            }
            any |= ofPart.size() > 0;
            trades.add(ofPart);
        }
        Known before = new Known(id, after, blend.formula().text());
        double[] prices;
        synchronized (lastPrices) {
            prices = lastPrices.get(before);
        }
        if (prices == null) {
            if (!any) {
                return;
            }
            prices = prices(parts, after);
        }
        double[] now = join(blend.formula(), prices.clone(), trades, into);
        synchronized (lastPrices) {
            lastPrices.put(new Known(id, upTo, blend.formula().text()), now);
        }
    }

    /** What the parts were last worth at a moment. */
    private double[] prices(List<Instrument> parts, long moment) throws IOException {
        double[] prices = new double[parts.size()];
        for (int part = 0; part < prices.length; part++) {
            prices[part] = histories
                    .load(parts.get(part), BarRequest.of(Timeframe.DAY), moment)
                    .maker()
                    .lastPrice();
        }
        return prices;
    }

    /** Appends what the blend is worth at each trade of a part, in the order of time; the last prices after them. */
    private static double[] join(BlendFormula formula, double[] prices, List<TickSeries> trades, TickSeries into) {
        BlendedBars.LastPrices last = new BlendedBars.LastPrices(formula);
        for (int part = 0; part < prices.length; part++) {
            last.take(part, prices[part]);
        }
        int[] at = new int[prices.length];
        while (true) {
            int next = -1;
            for (int part = 0; part < at.length; part++) {
                boolean has = at[part] < trades.get(part).size();
                if (has
                        && (next < 0
                                || trades.get(part).time(at[part])
                                        < trades.get(next).time(at[next]))) {
                    next = part;
                }
            }
            if (next < 0) {
                return prices;
            }
            TickSeries of = trades.get(next);
            prices[next] = of.price(at[next]);
            double value = last.take(next, prices[next]);
            if (!Double.isNaN(value)) {
                into.append(of.time(at[next]), value, 0, TickSeries.UNKNOWN);
            }
            at[next]++;
        }
    }
}
