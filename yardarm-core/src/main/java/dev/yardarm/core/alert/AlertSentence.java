package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.TradingCalendar;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * An alert as a trader says it, in one line:
 *
 * <pre>{@code
 * closes above 104.20 on 30m for 5 days "retest of the breakout"
 * turns back at "Neckline" by 0.5 atr until Friday
 * first closes above 104.20 then reaches 104.20 within 5 bars each time
 * rsi(14) < 30 on 4h once a bar between 09:00 and 11:30
 * }</pre>
 *
 * <p>How price meets something comes first, then a price, the name of a drawing in quotation marks or a formula, then the terms in any
 * order. A line that begins otherwise is a condition in the language of formulas. {@link AlertWords} writes the same line.
 *
 * @param waits what is waited for, in order
 * @param bars the alert's bars
 * @param terms how often and when
 * @param note the trader's words; empty for none
 * @param acts what happens besides
 */
public record AlertSentence(List<Wait> waits, BarRule bars, Terms terms, String note, Acts acts) {
    /**
     * What a line is read in.
     *
     * @param language formulas are written in
     * @param calendar of the instrument, for days and hours
     * @param bars the alert's bars when the line says nothing of them
     * @param now from which moment days are seen
     * @param drawings finds the id of a drawing by the name the trader gave it
     */
    public record Context(
            Language language,
            TradingCalendar calendar,
            BarRule bars,
            long now,
            Function<String, Optional<String>> drawings) {}

    /**
     * Reads a line.
     *
     * @throws IllegalArgumentException with what is wrong and how it would be right
     */
    public static AlertSentence parse(String line, Context context) {
        return new SentenceReader(line, context).read();
    }

    /** The alert of it. */
    public Alert alert(String id, InstrumentId instrument, long setAt, double price) {
        return new Alert(id, instrument, waits, bars, terms, note, acts, setAt, price);
    }
}
