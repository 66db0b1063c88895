package dev.yardarm.core.bars;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * By which rule bars are made: by time, by what was traded, or by how far price went. Its text form is a word with its
 * measure, {@code range:10}, {@code point-figure:10x3}; the timeframe it is made from may follow, {@code brick:20@D}.
 */
public sealed interface BarRule {
    /** Bars of time; the text form is {@code time:5m}. */
    record Time(Timeframe timeframe) implements BarRule {
        @Override
        public String toString() {
            return "time:" + timeframe;
        }

        @Override
        public Optional<Timeframe> basis() {
            return Optional.of(timeframe);
        }

        @Override
        public String words() {
            return timeframe.words();
        }
    }

    /** Bars of so many trades. */
    record Ticks(int count) implements BarRule {
        public Ticks {
            require(count >= 1, "a bar needs at least 1 tick, not " + count);
        }

        @Override
        public String toString() {
            return "ticks:" + count;
        }

        @Override
        public String words() {
            return count + " ticks";
        }
    }

    /** Bars that close with the trade that brings them to so much volume. */
    record Volume(double amount) implements BarRule {
        public Volume {
            require(amount > 0 && !Double.isInfinite(amount), "a bar needs a volume above zero, not " + amount);
        }

        @Override
        public String toString() {
            return "volume:" + plain(amount);
        }

        @Override
        public String words() {
            return plain(amount) + " volume";
        }
    }

    /** Bars no higher than so many ticks. */
    record Range(double ticks) implements BarRule {
        public Range {
            require(ticks > 0, "a range must be above zero ticks, not " + plain(ticks));
        }

        @Override
        public String toString() {
            return "range:" + plain(ticks);
        }

        @Override
        public String words() {
            return "range of " + plain(ticks) + " ticks";
        }
    }

    /** Bars that close when price has come back so many ticks from their extreme. */
    record Reversal(double ticks) implements BarRule {
        public Reversal {
            require(ticks > 0, "a reversal must be above zero ticks, not " + plain(ticks));
        }

        @Override
        public String toString() {
            return "reversal:" + plain(ticks);
        }

        @Override
        public String words() {
            return "reversal of " + plain(ticks) + " ticks";
        }
    }

    /** Bricks (renko). */
    record Brick(BoxSize size, Optional<Timeframe> basis) implements BarRule {
        @Override
        public String toString() {
            return "brick:" + size + from(basis);
        }

        @Override
        public String words() {
            return "bricks of " + size + (size instanceof BoxSize.Fixed ? " ticks" : "");
        }
    }

    /** Line break: a line turns when price closes beyond the last {@code lines} lines. */
    record LineBreak(int lines, Optional<Timeframe> basis) implements BarRule {
        public LineBreak {
            require(lines >= 1 && lines <= 50, "a line break needs 1 to 50 lines, not " + lines);
        }

        @Override
        public String toString() {
            return "line-break:" + lines + from(basis);
        }

        @Override
        public String words() {
            return lines + "-line break";
        }
    }

    /** Point and figure: columns of boxes that turn after {@code reversal} boxes. */
    record PointFigure(BoxSize box, int reversal, Reading reading, Optional<Timeframe> basis) implements BarRule {
        /** Which prices count. */
        public enum Reading {
            /** Every price the columns are fed with: each trade, or each bar's close. */
            CLOSE,
            /** A bar's high while it goes up and its low while it goes down; the other end when it does not go on. */
            HIGH_LOW
        }

        public PointFigure {
            require(reversal >= 1 && reversal <= 20, "point and figure turns after 1 to 20 boxes, not " + reversal);
        }

        @Override
        public String toString() {
            return "point-figure:" + box + "x" + reversal + (reading == Reading.HIGH_LOW ? ":hl" : "") + from(basis);
        }

        @Override
        public String words() {
            return "point and figure " + box + " x " + reversal
                    + (reading == Reading.HIGH_LOW ? " by high and low" : "");
        }
    }

    /** Averaged candles (heikin-ashi) as bars of their own. */
    record Averaged(Optional<Timeframe> basis) implements BarRule {
        @Override
        public String toString() {
            return "heikin-ashi" + from(basis);
        }

        @Override
        public String words() {
            return "averaged candles";
        }
    }

    /** The timeframe whose bars it is made from; empty for the finest there is. */
    default Optional<Timeframe> basis() {
        return Optional.empty();
    }

    /** True for bars of time. */
    default boolean isTime() {
        return this instanceof Time;
    }

    /** What it is, for people. */
    String words();

    private static void require(boolean holds, String otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise);
        }
    }

    private static String from(Optional<Timeframe> basis) {
        return basis.map(timeframe -> "@" + timeframe).orElse("");
    }

    private static String plain(double number) {
        return number == Math.rint(number) && Math.abs(number) < 1e15
                ? String.valueOf((long) number)
                : String.valueOf(number);
    }

    /** The kinds there are, each with an example, for messages and completion. */
    List<String> EXAMPLES = List.of(
            "time:5m",
            "ticks:500",
            "volume:1000",
            "range:10",
            "reversal:10",
            "brick:20",
            "line-break:3",
            "point-figure:10x3",
            "heikin-ashi");

    /**
     * Reads the text form.
     *
     * @throws IllegalArgumentException with what was expected
     */
    static BarRule parse(String text) {
        String whole = text.strip();
        int at = whole.indexOf('@');
        Optional<Timeframe> basis = at < 0 ? Optional.empty() : Optional.of(timeframe(whole.substring(at + 1)));
        String front = at < 0 ? whole : whole.substring(0, at);
        int colon = front.indexOf(':');
        String word = (colon < 0 ? front : front.substring(0, colon)).toLowerCase(Locale.ROOT);
        String measure = colon < 0 ? "" : front.substring(colon + 1);
        boolean takesBasis =
                List.of("brick", "line-break", "point-figure", "heikin-ashi").contains(word);
        require(
                basis.isEmpty() || takesBasis,
                word + " bars are made from the finest trades or bars there are; leave " + "out '@"
                        + basis.map(Timeframe::toString).orElse("") + "'");
        return switch (word) {
            case "time" -> new Time(timeframe(measure));
            case "ticks" -> new Ticks(whole(measure, word));
            case "volume" -> new Volume(number(measure, word));
            case "range" -> new Range(number(measure, word));
            case "reversal" -> new Reversal(number(measure, word));
            case "brick" -> new Brick(BoxSize.parse(measure), basis);
            case "line-break" -> new LineBreak(measure.isEmpty() ? 3 : whole(measure, word), basis);
            case "point-figure" -> pointFigure(measure, basis);
            case "heikin-ashi" -> {
                require(measure.isEmpty(), "heikin-ashi takes no measure; leave out ':" + measure + "'");
                yield new Averaged(basis);
            }
            default ->
                throw new IllegalArgumentException(
                        "there is no kind of bar '" + word + "'; the kinds are " + String.join(", ", EXAMPLES));
        };
    }

    private static PointFigure pointFigure(String measure, Optional<Timeframe> basis) {
        String rest = measure.toLowerCase(Locale.ROOT);
        PointFigure.Reading reading = PointFigure.Reading.CLOSE;
        if (rest.endsWith(":hl") || rest.endsWith(":close")) {
            reading = rest.endsWith(":hl") ? PointFigure.Reading.HIGH_LOW : PointFigure.Reading.CLOSE;
            rest = rest.substring(0, rest.lastIndexOf(':'));
        }
        int cross = rest.lastIndexOf('x');
        String box = cross < 0 ? rest : rest.substring(0, cross);
        return new PointFigure(
                BoxSize.parse(box), cross < 0 ? 3 : whole(rest.substring(cross + 1), "point-figure"), reading, basis);
    }

    private static Timeframe timeframe(String text) {
        return Timeframe.parse(text)
                .orElseThrow(() -> new IllegalArgumentException(
                        "'" + text + "' is not a timeframe; write it as 5m, 2h, D, 3D, W, M, Q or Y"));
    }

    private static int whole(String text, String word) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException notANumber) {
            throw new IllegalArgumentException(
                    word + " needs a whole number, as in " + example(word) + ", not '" + text + "'");
        }
    }

    private static double number(String text, String word) {
        try {
            double value = Double.parseDouble(text.strip());
            require(!Double.isNaN(value) && !Double.isInfinite(value), word + " needs a number, not '" + text + "'");
            return value;
        } catch (NumberFormatException notANumber) {
            throw new IllegalArgumentException(
                    word + " needs a number, as in " + example(word) + ", not '" + text + "'");
        }
    }

    private static String example(String word) {
        return EXAMPLES.stream()
                .filter(each -> each.startsWith(word))
                .findFirst()
                .orElse(word);
    }
}
