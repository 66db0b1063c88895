package dev.yardarm.desk.room.layout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * How the charts of a layout share its space: one chart, or parts side by side or one above the other, each of them an
 * arrangement again. Written {@code row(0,col(1,2))} with the numbers of the charts and, where a part has not an equal
 * share, its weight behind it: {@code row(0*0.6,1*0.4)}. Immutable.
 */
public sealed interface Arrangement {
    /** Most charts of a layout. */
    int MOST = 12;

    /** One chart, told by its number. */
    record Single(int chart) implements Arrangement {
        @Override
        public String toString() {
            return String.valueOf(chart);
        }
    }

    /**
     * Several parts.
     *
     * @param sideBySide true in a row, false one above the other
     * @param weights the share of each part; they sum up to 1
     */
    record Parts(boolean sideBySide, List<Arrangement> parts, List<Double> weights) implements Arrangement {
        public Parts {
            if (parts.size() < 2 || parts.size() != weights.size()) {
                throw new IllegalArgumentException("a split needs at least two parts and a weight for each");
            }
            double sum = weights.stream().mapToDouble(Double::doubleValue).sum();
            parts = List.copyOf(parts);
            weights = weights.stream().map(weight -> weight / sum).toList();
        }

        /** Parts of equal share. */
        static Parts equal(boolean sideBySide, List<Arrangement> parts) {
            return new Parts(sideBySide, parts, parts.stream().map(part -> 1.0).toList());
        }

        @Override
        public String toString() {
            StringBuilder text = new StringBuilder(sideBySide ? "row(" : "col(");
            for (int at = 0; at < parts.size(); at++) {
                text.append(at == 0 ? "" : ",")
                        .append(parts.get(at))
                        .append(String.format(Locale.ROOT, "*%.4f", weights.get(at)));
            }
            return text.append(')').toString();
        }
    }

    /** A grid of so many rows and columns, its charts numbered along the rows. */
    static Arrangement grid(int rows, int columns) {
        if (rows < 1 || columns < 1 || rows * columns > MOST) {
            throw new IllegalArgumentException("a layout has 1 to " + MOST + " charts, not " + rows + " x " + columns);
        }
        List<Arrangement> lines = new ArrayList<>();
        int next = 0;
        for (int row = 0; row < rows; row++) {
            List<Arrangement> cells = new ArrayList<>();
            for (int column = 0; column < columns; column++) {
                cells.add(new Single(next++));
            }
            lines.add(columns == 1 ? cells.get(0) : Parts.equal(true, cells));
        }
        return rows == 1 ? lines.get(0) : Parts.equal(false, lines);
    }

    /**
     * Reads the text form, or rows by columns: {@code 2x2}, {@code 3} for three side by side.
     *
     * @throws IllegalArgumentException with what was expected
     */
    static Arrangement parse(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        if (word.matches("\\d{1,2}x\\d{1,2}")) {
            String[] sides = word.split("x");
            return grid(Integer.parseInt(sides[0]), Integer.parseInt(sides[1]));
        }
        if (word.matches("[1-9]\\d?")) {
            int count = Integer.parseInt(word);
            return count <= 3 ? grid(1, count) : grid(2, (count + 1) / 2).first(count);
        }
        return read(word);
    }

    /**
     * Reads the text form alone, in which a bare number is the chart of that number.
     *
     * @throws IllegalArgumentException with what was expected
     */
    static Arrangement read(String text) {
        return new ArrangementReader(text.strip().toLowerCase(Locale.ROOT)).whole();
    }

    /** The numbers of the charts, in the order they are read. */
    default List<Integer> charts() {
        List<Integer> numbers = new ArrayList<>();
        collect(this, numbers);
        return numbers;
    }

    private static void collect(Arrangement of, List<Integer> numbers) {
        if (of instanceof Single single) {
            numbers.add(single.chart());
        } else if (of instanceof Parts parts) {
            parts.parts().forEach(part -> collect(part, numbers));
        }
    }

    /** Only the first so many charts of it. */
    private Arrangement first(int count) {
        Arrangement kept = this;
        for (int number : charts()) {
            if (number >= count) {
                kept = kept.without(number);
            }
        }
        return kept;
    }

    /** The arrangement with one chart split in two, the new one behind or below it. */
    default Arrangement split(int chart, int added, boolean sideBySide) {
        if (this instanceof Single single) {
            return single.chart() == chart ? Parts.equal(sideBySide, List.of(single, new Single(added))) : this;
        }
        Parts all = (Parts) this;
        int at = all.parts().indexOf(new Single(chart));
        if (at >= 0 && all.sideBySide() == sideBySide) {
            List<Arrangement> parts = new ArrayList<>(all.parts());
            List<Double> weights = new ArrayList<>(all.weights());
            double half = weights.get(at) / 2;
            weights.set(at, half);
            parts.add(at + 1, new Single(added));
            weights.add(at + 1, half);
            return new Parts(sideBySide, parts, weights);
        }
        return new Parts(
                all.sideBySide(),
                all.parts().stream()
                        .map(part -> part.split(chart, added, sideBySide))
                        .toList(),
                all.weights());
    }

    /** The arrangement without a chart; its neighbours take the space. Null when it was the only one. */
    default Arrangement without(int chart) {
        if (this instanceof Single single) {
            return single.chart() == chart ? null : this;
        }
        Parts all = (Parts) this;
        List<Arrangement> parts = new ArrayList<>();
        List<Double> weights = new ArrayList<>();
        for (int at = 0; at < all.parts().size(); at++) {
            Arrangement rest = all.parts().get(at).without(chart);
            if (rest != null) {
                parts.add(rest);
                weights.add(all.weights().get(at));
            }
        }
        return parts.isEmpty() ? null : parts.size() == 1 ? parts.get(0) : new Parts(all.sideBySide(), parts, weights);
    }

    /** The same parts with other weights, the one at a path of positions. */
    default Arrangement weighted(List<Integer> path, List<Double> weights) {
        Parts all = (Parts) this;
        if (path.isEmpty()) {
            return new Parts(all.sideBySide(), all.parts(), weights);
        }
        List<Arrangement> parts = new ArrayList<>(all.parts());
        int at = path.get(0);
        parts.set(at, parts.get(at).weighted(path.subList(1, path.size()), weights));
        return new Parts(all.sideBySide(), parts, all.weights());
    }

    /** The same with its charts in the opposite order. */
    default Arrangement reversed() {
        List<Integer> backward = new ArrayList<>(charts());
        java.util.Collections.reverse(backward);
        return numbered(backward);
    }

    /** The same places with other charts, in the order they are read. */
    default Arrangement numbered(List<Integer> numbers) {
        return renumbered(charts(), numbers);
    }

    private Arrangement renumbered(List<Integer> from, List<Integer> to) {
        if (this instanceof Single single) {
            return new Single(to.get(from.indexOf(single.chart())));
        }
        Parts all = (Parts) this;
        return new Parts(
                all.sideBySide(),
                all.parts().stream().map(part -> part.renumbered(from, to)).toList(),
                all.weights());
    }
}
