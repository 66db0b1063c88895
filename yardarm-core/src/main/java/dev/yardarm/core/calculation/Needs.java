package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.Timeframe;
import java.util.LinkedHashSet;
import java.util.Set;

/**
 * What a term reads beyond the bars it is computed on. The nodes of a {@link ColumnGraph} declare it when they are added, so it
 * is known as soon as a term is compiled, before there are any bars:
 *
 * <pre>{@code
 * ColumnGraph graph = new ColumnGraph();
 * formula.in(graph);
 * graph.needs().instruments();       // the codes it compares with
 * }</pre>
 *
 * @param instruments codes of other instruments; {@code benchmark} for the benchmark
 * @param timeframes the higher timeframes it reads
 * @param sides true when it reads on which side single trades were struck
 * @param drawings names of drawings
 * @param bars how many bars before the first one of interest its values rest on
 */
public record Needs(Set<String> instruments, Set<Timeframe> timeframes, boolean sides, Set<String> drawings, int bars) {
    /** Nothing but the bars themselves. */
    public static final Needs NONE = new Needs(Set.of(), Set.of(), false, Set.of());

    /** The sides of single trades. */
    public static final Needs SIDES = new Needs(Set.of(), Set.of(), true, Set.of());

    /** Without bars before the first one. */
    public Needs(Set<String> instruments, Set<Timeframe> timeframes, boolean sides, Set<String> drawings) {
        this(instruments, timeframes, sides, drawings, 0);
    }

    public Needs {
        instruments = Set.copyOf(instruments);
        timeframes = Set.copyOf(timeframes);
        drawings = Set.copyOf(drawings);
    }

    /** The bars of another instrument. */
    public static Needs instrument(String code) {
        return new Needs(Set.of(code), Set.of(), false, Set.of());
    }

    /** A higher timeframe. */
    public static Needs timeframe(Timeframe timeframe) {
        return new Needs(Set.of(), Set.of(timeframe), false, Set.of());
    }

    /** A drawing. */
    public static Needs drawing(String name) {
        return new Needs(Set.of(), Set.of(), false, Set.of(name));
    }

    /** The same with so many bars before the first one of interest. */
    public Needs withBars(int before) {
        return new Needs(instruments, timeframes, sides, drawings, before);
    }

    /** All of these and all of those. */
    public Needs and(Needs more) {
        if (more.equals(NONE) || more.equals(this)) {
            return this;
        }
        return new Needs(
                joined(instruments, more.instruments),
                joined(timeframes, more.timeframes),
                sides || more.sides,
                joined(drawings, more.drawings),
                Math.max(bars, more.bars));
    }

    private static <T> Set<T> joined(Set<T> some, Set<T> others) {
        Set<T> all = new LinkedHashSet<>(some);
        all.addAll(others);
        return all;
    }

    /** True when a term that needs those finds all of it among these. */
    public boolean cover(Needs those) {
        return and(those).equals(this);
    }
}
