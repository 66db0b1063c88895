package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.Reading;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;

/**
 * A call as it is written in a file.
 *
 * @param rival null for none
 * @param until null for never
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record CallEntry(
        String id,
        InstrumentId instrument,
        ReadingEntry main,
        ReadingEntry rival,
        String bars,
        Long until,
        String note,
        String origin,
        long setAt) {
    /** A reading as it is written. */
    public record ReadingEntry(
            double trigger, double target, double wrong, boolean triggerAtClose, boolean wrongAtClose) {
        static ReadingEntry of(Reading reading) {
            return reading == null
                    ? null
                    : new ReadingEntry(
                            reading.trigger(),
                            reading.target(),
                            reading.wrong(),
                            reading.triggerAtClose(),
                            reading.wrongAtClose());
        }

        Reading reading() {
            return new Reading(trigger, target, wrong, triggerAtClose, wrongAtClose);
        }
    }

    public static CallEntry of(Call call) {
        return new CallEntry(
                call.id(),
                call.instrument(),
                ReadingEntry.of(call.main()),
                ReadingEntry.of(call.rival()),
                call.bars().toString(),
                call.until() == Long.MAX_VALUE ? null : call.until(),
                call.note().isEmpty() ? null : call.note(),
                call.origin().isEmpty() ? null : call.origin(),
                call.setAt());
    }

    /** @throws RuntimeException when something is missing */
    public Call call() {
        return new Call(
                id,
                instrument,
                main.reading(),
                rival == null ? null : rival.reading(),
                BarRule.parse(bars),
                until == null ? Long.MAX_VALUE : Times.checked("its 'until'", until),
                note == null ? "" : note,
                origin == null ? "" : origin,
                Times.checked("its 'setAt'", setAt));
    }
}
