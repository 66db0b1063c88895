package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;

/** A firing as it is written in a file. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record FiringEntry(
        String alert,
        long setAt,
        InstrumentId instrument,
        String drawing,
        String on,
        String note,
        String bars,
        long at,
        double price,
        long bar) {
    public static FiringEntry of(Firing firing) {
        return new FiringEntry(
                firing.alert(),
                firing.setAt(),
                firing.instrument(),
                firing.drawing(),
                firing.on(),
                firing.note().isEmpty() ? null : firing.note(),
                firing.bars().toString(),
                firing.at(),
                firing.price(),
                firing.bar());
    }

    /** Tells entries apart. */
    String key() {
        return alert + " " + setAt + " " + at;
    }

    /** @throws RuntimeException when something is missing */
    public Firing firing() {
        return new Firing(
                alert,
                Times.checked("its 'setAt'", setAt),
                instrument,
                drawing,
                on == null ? "" : on,
                note == null ? "" : note,
                BarRule.parse(bars),
                Times.checked("its 'at'", at),
                price,
                Times.checked("its 'bar'", bar));
    }
}
