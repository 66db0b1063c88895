package dev.yardarm.core.formula;

import dev.yardarm.core.formula.Expression.Span;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.antlr.v4.runtime.Token;

/** What is at fault in a text, gathered while it is read, so that all of it can be told at once. */
final class Faults {
    /** More are not told: the first ones are worth reading. */
    private static final int MOST = 20;

    private final String text;
    private final List<Fault> faults = new ArrayList<>();

    Faults(String text) {
        this.text = text;
    }

    String text() {
        return text;
    }

    /** Notes a fault; one at a place that has one already is not told twice. */
    Expression add(Span span, String problem) {
        boolean known = faults.stream().anyMatch(each -> each.position() == span.start());
        if (!known && faults.size() < MOST) {
            faults.add(new Fault(span.start(), span.length(), problem));
        }
        return new Expression.Wrong(span);
    }

    Expression add(Token token, String problem) {
        return add(new Span(token.getStartIndex(), token.getText().length()), problem);
    }

    boolean isEmpty() {
        return faults.isEmpty();
    }

    /** In the order of the text. */
    List<Fault> all() {
        return faults.stream().sorted(Comparator.comparingInt(Fault::position)).toList();
    }

    /** @throws FormulaException when there are any */
    void check() {
        if (!faults.isEmpty()) {
            throw new FormulaException(text, all());
        }
    }
}
