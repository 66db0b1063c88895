package dev.yardarm.core.indicator;

import dev.yardarm.core.series.Field;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** One thing about an indicator that its user may choose. */
public sealed interface Setting {
    /** Name in formulas and files: one lower-case word. */
    String name();

    /** Name for people. */
    String label();

    /** The value it has unless told otherwise, as text. */
    String standard();

    /** The text in its plain form when it is a good value; otherwise an error that says what would be. */
    String checked(String text);

    /** A whole number between two bounds, both allowed. */
    record WholeNumber(String name, String label, int standardValue, int least, int most) implements Setting {
        @Override
        public String standard() {
            return String.valueOf(standardValue);
        }

        @Override
        public String checked(String text) {
            int value;
            try {
                value = Integer.parseInt(text.trim());
            } catch (NumberFormatException notANumber) {
                throw new IllegalArgumentException(
                        name + " must be a whole number from " + least + " to " + most + ", not '" + text + "'");
            }
            if (value < least || value > most) {
                throw new IllegalArgumentException(name + " must be from " + least + " to " + most + ", not " + value);
            }
            return String.valueOf(value);
        }
    }

    /** The field of the bar that is read; on a chart also an output of another indicator there. */
    record Source(String name, String label, Field standardField) implements Setting {
        @Override
        public String standard() {
            return standardField.word();
        }

        /**
         * An output of another indicator on the chart, written {@code layer-1:rsi.value}.
         *
         * @param layer id of the layer
         * @param indicator its name, for people
         */
        public record Reference(String layer, String indicator, String output) {
            private static final Pattern FORM = Pattern.compile("([A-Za-z0-9-]+):([a-z0-9_]+)\\.([a-z0-9_]+)");

            /** The reference a text is; empty for anything else. */
            public static Optional<Reference> parse(String text) {
                Matcher found = FORM.matcher(text.trim());
                return found.matches()
                        ? Optional.of(new Reference(found.group(1), found.group(2), found.group(3)))
                        : Optional.empty();
            }

            @Override
            public String toString() {
                return layer + ":" + indicator + "." + output;
            }
        }

        @Override
        public String checked(String text) {
            if (Reference.parse(text).isPresent()) {
                return text.trim();
            }
            return Field.named(text.trim())
                    .orElseThrow(() -> new IllegalArgumentException(
                            name + " must be a field of the bar such as close or high, not '" + text + "'"))
                    .word();
        }
    }

    /** Numbers in any order, separated by blanks or commas; kept with single blanks. */
    record Numbers(String name, String label, String standard) implements Setting {
        private static final int MOST = 40;

        @Override
        public String checked(String text) {
            StringBuilder plain = new StringBuilder();
            String[] words =
                    text.strip().isEmpty() ? new String[0] : text.strip().split("[\\s,;]+");
            for (String word : words) {
                double value;
                try {
                    value = Double.parseDouble(word.replace('−', '-'));
                } catch (NumberFormatException notANumber) {
                    value = Double.NaN;
                }
                if (!Double.isFinite(value) || Math.abs(value) > 1000 || words.length > MOST) {
                    throw new IllegalArgumentException(
                            name + " must be up to " + MOST + " numbers from -1000 to 1000 with "
                                    + "blanks between, such as " + standard + ", not '" + text + "'");
                }
                plain.append(plain.isEmpty() ? "" : " ")
                        .append(value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value));
            }
            return plain.toString();
        }
    }

    /** Free words. */
    record Words(String name, String label, String standard) implements Setting {
        private static final int MOST = 2000;

        @Override
        public String checked(String text) {
            if (text.length() > MOST) {
                throw new IllegalArgumentException(name + " may have " + MOST + " characters at most");
            }
            return text;
        }
    }

    /** A number between two bounds, both allowed; a per cent is read as a share. */
    record Number(String name, String label, double standardValue, double least, double most) implements Setting {
        @Override
        public String standard() {
            return plain(standardValue);
        }

        @Override
        public String checked(String text) {
            String plain = text.trim();
            boolean percent = plain.endsWith("%");
            double value;
            try {
                value = Double.parseDouble(percent ? plain.substring(0, plain.length() - 1) : plain);
            } catch (NumberFormatException notANumber) {
                value = Double.NaN;
            }
            value = percent ? value / 100 : value;
            if (!(value >= least && value <= most)) {
                throw new IllegalArgumentException(name + " must be a number from " + plain(least) + " to "
                        + plain(most) + ", not '" + text.trim() + "'");
            }
            return plain(value);
        }

        /** As formulas write it, without exponent and without a fraction of nothing: {@code 2}, {@code 0.618}. */
        public static String plain(double value) {
            return Double.isFinite(value)
                    ? java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString()
                    : String.valueOf(value);
        }
    }

    /** One of several words; the first is the one it has unless told otherwise. */
    record Choice(String name, String label, List<String> words) implements Setting {
        @Override
        public String standard() {
            return words.get(0);
        }

        @Override
        public String checked(String text) {
            return words.stream()
                    .filter(text.trim()::equalsIgnoreCase)
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException(
                            name + " must be one of " + String.join(", ", words) + ", not '" + text.trim() + "'"));
        }
    }

    /**
     * Some of several words in an order, with spaces between.
     *
     * @param standard those it has unless told otherwise
     */
    record Ordered(String name, String label, String standard, List<String> words) implements Setting {
        @Override
        public String checked(String text) {
            List<String> chosen = new ArrayList<>();
            for (String word : text.strip().toLowerCase(Locale.ROOT).split("[\\s,;]+")) {
                if (!words.contains(word)) {
                    throw new IllegalArgumentException(
                            name + " must be some of " + String.join(", ", words) + ", not '" + word + "'");
                }
                if (!chosen.contains(word)) {
                    chosen.add(word);
                }
            }
            return String.join(" ", chosen);
        }

        /** The words of a checked text, in its order. */
        public static List<String> in(String text) {
            return List.of(text.split(" "));
        }

        /** A checked text with a word moved by so many places, as far as there are any. */
        public static String moved(String text, String word, int places) {
            List<String> order = new ArrayList<>(in(text));
            int at = order.indexOf(word);
            if (at >= 0) {
                order.remove(at);
                order.add(Math.max(0, Math.min(order.size(), at + places)), word);
            }
            return String.join(" ", order);
        }

        /** A checked text without a word, or with it at its end; the last one stays. */
        public static String toggled(String text, String word) {
            List<String> order = new ArrayList<>(in(text));
            if (!order.contains(word)) {
                order.add(word);
            } else if (order.size() > 1) {
                order.remove(word);
            }
            return String.join(" ", order);
        }
    }

    /**
     * Another instrument, by its code or by its part in the market.
     *
     * @param standard the one it is unless told otherwise
     */
    record Other(String name, String label, String standard) implements Setting {
        /** Stands for the benchmark of the market. */
        public static final String BENCHMARK = "benchmark";
        /** Stands for the index of the sector an instrument belongs to. */
        public static final String SECTOR = "sector";

        /** The benchmark unless told otherwise. */
        public Other(String name, String label) {
            this(name, label, BENCHMARK);
        }

        @Override
        public String checked(String text) {
            String code = text.trim();
            if (code.equalsIgnoreCase(BENCHMARK) || code.equalsIgnoreCase(SECTOR)) {
                return code.toLowerCase(Locale.ROOT);
            }
            if (!code.matches("[A-Za-z0-9_.:-]{1,40}")) {
                throw new IllegalArgumentException(name + " must be the code of an instrument, not '" + code + "'");
            }
            return code.toUpperCase(Locale.ROOT);
        }
    }

    /**
     * A moment: a date, a date with time of day, or a word for the beginning or the end of all.
     *
     * @param open {@code start} for the first bar there is, {@code end} for no end
     */
    record Moment(String name, String label, String open) implements Setting {
        /** From the first bar on. */
        public static final String START = "start";
        /** Up to whatever comes. */
        public static final String END = "end";

        public Moment(String name, String label) {
            this(name, label, START);
        }

        @Override
        public String standard() {
            return open;
        }

        @Override
        public String checked(String text) {
            String plain = text.trim();
            if (plain.equalsIgnoreCase(open)) {
                return open;
            }
            try {
                return plain.length() > 10
                        ? LocalDateTime.parse(plain.replace(' ', 'T')).toString()
                        : LocalDate.parse(plain).toString();
            } catch (DateTimeParseException noDate) {
                throw new IllegalArgumentException(name + " must be a date such as 2026-03-02, with a time of day if "
                        + "wanted (2026-03-02T10:30), or " + open + ", not '" + plain + "'");
            }
        }

        /** What a checked text means, in microseconds by the clock of a calendar; the open of the session for a date alone. */
        public static double micros(String text, TradingCalendar calendar) {
            if (text.equals(START) || text.equals(END)) {
                return text.equals(START) ? Double.NEGATIVE_INFINITY : Double.POSITIVE_INFINITY;
            }
            return text.length() > 10
                    ? Times.micros(LocalDateTime.parse(text).atZone(calendar.zone()))
                    : calendar.open(calendar.sameOrNext(LocalDate.parse(text)));
        }
    }

    /** Dates, with spaces between; none unless told otherwise. */
    record Dates(String name, String label) implements Setting {
        private static final int MOST = 200;

        @Override
        public String standard() {
            return "";
        }

        @Override
        public String checked(String text) {
            String plain = text.strip();
            if (plain.isEmpty()) {
                return "";
            }
            TreeSet<LocalDate> dates = new TreeSet<>();
            for (String word : plain.split("[\\s,;]+")) {
                try {
                    dates.add(LocalDate.parse(word));
                } catch (DateTimeParseException noDate) {
                    throw new IllegalArgumentException(
                            name + " must be dates such as 2026-03-02 2026-03-04, not '" + word + "'");
                }
            }
            if (dates.size() > MOST) {
                throw new IllegalArgumentException(name + " may be " + MOST + " dates at most");
            }
            return dates.stream().map(LocalDate::toString).collect(Collectors.joining(" "));
        }
    }
}
