package dev.yardarm.desk.scan;

import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.scan.ScanOutcome;
import dev.yardarm.core.scan.ScanTerms;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Says why an instrument fits a scan or misses it: what each statement came to, which one decided, and by how much. Numbers have five
 * digits that count, without zeros at the end.
 */
public final class Reasons {
    private Reasons() {}

    /** The statement that decided, as it is written; empty when that was not asked for. */
    public static String decided(ScanTerms terms, ScanOutcome outcome) {
        return outcome.decisive() < 0
                ? ""
                : terms.rule().statements().get(outcome.decisive()).text();
    }

    /** By how much it holds or misses: {@code +3.1 %} of what it is compared with, else in its own units; in words where there is none. */
    public static String byHowMuch(ScanOutcome outcome) {
        if (outcome.decisive() < 0) {
            return "";
        }
        ScanOutcome.Reading reading = outcome.readings().get(outcome.decisive());
        if (!(Math.abs(reading.margin()) < Double.POSITIVE_INFINITY)) {
            return reading.holds() == 1 ? "yes" : reading.holds() == 0 ? "no" : "not known yet";
        }
        String sign = reading.margin() > 0 ? "+" : reading.margin() < 0 ? "\u2212" : "";
        double share = Math.abs(reading.margin() / reading.against());
        return sign
                + (share < 10
                        ? String.format(Locale.ROOT, "%.1f %%", 100 * share)
                        : number(Math.abs(reading.margin())));
    }

    /** What every statement came to, a line each, in the order of the text. */
    public static List<String> all(ScanTerms terms, ScanOutcome outcome) {
        List<String> lines = new ArrayList<>();
        List<Rule.Statement> statements = terms.rule().statements();
        for (int at = 0; at < outcome.readings().size(); at++) {
            lines.add(said(statements.get(at), outcome.readings().get(at))
                    + (at == outcome.decisive() ? "; it decides" : ""));
        }
        return lines;
    }

    private static String said(Rule.Statement statement, ScanOutcome.Reading reading) {
        String state = reading.holds() == 1 ? "holds" : reading.holds() == 0 ? "does not hold" : "cannot be told yet";
        StringBuilder text = new StringBuilder(statement.text()).append(": ").append(state);
        if (Double.isFinite(reading.value())) {
            text.append(", ").append(number(reading.value()));
            if (Double.isFinite(reading.against())) {
                text.append(" against ").append(number(reading.against()));
            }
        }
        double bars = Math.abs(reading.margin() / reading.usual());
        if (bars < 1000) {
            text.append(String.format(
                    Locale.ROOT, ", %.1f usual changes %s", bars, reading.holds() == 1 ? "to spare" : "short"));
        }
        return text.toString();
    }

    /** A number with five digits that count. */
    public static String number(double value) {
        if (!Double.isFinite(value)) {
            return "";
        }
        BigDecimal rounded = new BigDecimal(value).round(new MathContext(5, RoundingMode.HALF_EVEN));
        return (rounded.signum() == 0 ? BigDecimal.ZERO : rounded.stripTrailingZeros()).toPlainString();
    }
}
