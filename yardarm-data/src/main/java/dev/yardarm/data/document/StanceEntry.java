package dev.yardarm.data.document;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.stance.Stance;

/** A stance as it is written in a file. */
public record StanceEntry(InstrumentId instrument, Stance.Kind kind, String reason, String note, long at) {
    public static StanceEntry of(Stance stance) {
        return new StanceEntry(stance.instrument(), stance.kind(), stance.reason(), stance.note(), stance.at());
    }

    /** @throws RuntimeException when something is missing */
    public Stance stance() {
        return new Stance(instrument, kind, reason, note, Times.checked("its 'at'", at));
    }
}
