package dev.yardarm.core.formula;

import java.util.List;
import java.util.stream.Collectors;

/**
 * A condition as it is built without writing: statements of what, how, against what and since when, in groups. A rule and the text
 * of a formula say the same; each is made from the other.
 *
 * <pre>{@code
 * Rule.Group rule = Rule.read("close > sma(close, 50) and (rsi(14) < 30 seen in 5 or volume > 2 * sma(volume, 20))", language);
 * rule.rules();                  // a statement, and a group of two of which one must hold
 * rule.text();                   // the formula again
 * }</pre>
 *
 * <p>What is no statement of these parts stands as a whole in {@code what}, with {@link How#HOLDS}. Immutable.
 */
public sealed interface Rule {
    /** The same as a formula; one that is not finished gives a text that is none. */
    String text();

    /** How the rules of a group are joined. */
    enum Joined {
        /** Each must hold. */
        ALL("all of these"),
        /** One or more must hold. */
        ANY("any of these"),
        /** Not one may hold. */
        NONE("none of these"),
        /** So many must hold. */
        AT_LEAST("at least");

        private final String words;

        Joined(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What is said of a value. */
    enum How {
        /** What stands there is a condition by itself: a cue, or something written out. */
        HOLDS("holds", ""),
        /** Larger. */
        ABOVE("is above", ">"),
        /** As large or larger. */
        AT_LEAST("is at least", ">="),
        /** Smaller. */
        BELOW("is below", "<"),
        /** As small or smaller. */
        AT_MOST("is at most", "<="),
        /** The same. */
        EQUAL("equals", "="),
        /** Another. */
        OTHER("is not", "<>"),
        /** At or below on the bar before, above now. */
        CROSSES_ABOVE("crosses above", "crosses above"),
        /** At or above on the bar before, below now. */
        CROSSES_BELOW("crosses below", "crosses below"),
        /** Either of them. */
        CROSSES("crosses", "crosses"),
        /** Higher than on the bar before; against a number, on each of so many bars. */
        RISING("is rising", "is rising"),
        /** Lower than on the bar before; against a number, on each of so many bars. */
        FALLING("is falling", "is falling"),
        /** No further apart than an amount: {@code 5% of sma(close, 30)}. */
        WITHIN("is within", "is within"),
        /** Between two: {@code 20 and 80}. */
        BETWEEN("is between", "is between");

        private final String words;
        private final String sign;

        How(String words, String sign) {
            this.words = words;
            this.sign = sign;
        }

        /** What it is called. */
        public String words() {
            return words;
        }

        /** How it is written in a formula; empty when the condition stands by itself. */
        public String sign() {
            return sign;
        }

        /** True when nothing need stand at its right. */
        public boolean isComplete() {
            return this == HOLDS || isTendency();
        }

        boolean isTendency() {
            return this == RISING || this == FALLING;
        }
    }

    /** Since when it must hold. */
    enum Since {
        /** At this bar. */
        NOW("now"),
        /** At this bar and not at the one before. */
        JUST("just"),
        /** At each of the last bars. */
        HELD("held for"),
        /** At one or more of the last bars. */
        SEEN("within");

        private final String words;

        Since(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** True when it counts bars. */
        public boolean counts() {
            return this == HELD || this == SEEN;
        }
    }

    /**
     * One statement.
     *
     * @param what a value, or a condition with {@link How#HOLDS}
     * @param against a value, an amount {@code 5% of ...}, two values {@code a and b}, a number of bars; empty where none is needed
     * @param bars how many bars {@code since} counts; at least 1
     */
    record Statement(String what, How how, String against, Since since, int bars) implements Rule {
        /** A condition as it stands. */
        public static Statement of(String condition) {
            return new Statement(condition, How.HOLDS, "", Since.NOW, 1);
        }

        @Override
        public String text() {
            String said = said();
            boolean whole = how == How.HOLDS;
            return switch (since) {
                case NOW -> said;
                case JUST -> "just (" + said + ")";
                case HELD -> (whole ? "(" + said + ")" : said) + " held for " + bars;
                case SEEN -> (whole ? "(" + said + ")" : said) + " seen in " + bars;
            };
        }

        private String said() {
            String right = against.strip();
            if (how.isTendency() && !right.isEmpty()) {
                return what.strip() + " " + how.sign() + " for " + right;
            }
            return how == How.HOLDS
                    ? what.strip()
                    : what.strip() + " " + how.sign() + (right.isEmpty() ? "" : " " + right);
        }
    }

    /**
     * Rules that belong together.
     *
     * @param least how many must hold, with {@link Joined#AT_LEAST}; else of no meaning
     */
    record Group(Joined joined, int least, List<Rule> rules) implements Rule {
        public Group {
            rules = List.copyOf(rules);
        }

        /** All of them. */
        public static Group all(List<Rule> rules) {
            return new Group(Joined.ALL, 0, rules);
        }

        @Override
        public String text() {
            List<String> texts = rules.stream()
                    .map(Rule::text)
                    .filter(each -> !each.isBlank())
                    .toList();
            return switch (joined) {
                case ALL -> join(texts, " and ");
                case ANY -> join(texts, " or ");
                case NONE -> texts.isEmpty() ? "" : "not (" + join(texts, " or ") + ")";
                case AT_LEAST ->
                    texts.stream().map(each -> "if(" + each + ", 1, 0)").collect(Collectors.joining(" + "))
                            + (texts.isEmpty() ? "" : " >= " + least);
            };
        }

        private static String join(List<String> texts, String word) {
            return texts.size() == 1
                    ? texts.get(0)
                    : texts.stream().map(each -> "(" + each + ")").collect(Collectors.joining(word));
        }
    }

    /**
     * Reads the rule that a text means; what stands outermost is always a group.
     *
     * @throws FormulaException when the text is no condition, with position and the likely word
     */
    static Group read(String text, Language language) {
        return RuleReader.read(text, language);
    }

    /** All statements, in the order of the text. */
    default List<Statement> statements() {
        return this instanceof Statement one
                ? List.of(one)
                : ((Group) this)
                        .rules().stream()
                                .flatMap(each -> each.statements().stream())
                                .toList();
    }
}
