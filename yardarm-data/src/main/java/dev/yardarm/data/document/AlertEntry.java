package dev.yardarm.data.document;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;

/** An alert as it is written in a file. */
public record AlertEntry(
        String id,
        InstrumentId instrument,
        String drawing,
        Alert.Trigger trigger,
        Timeframe timeframe,
        boolean above,
        long setAt) {
    public static AlertEntry of(Alert alert) {
        return new AlertEntry(
                alert.id(),
                alert.instrument(),
                alert.drawing(),
                alert.trigger(),
                alert.timeframe(),
                alert.above(),
                alert.setAt());
    }

    /** @throws RuntimeException when something is missing */
    public Alert alert() {
        return new Alert(id, instrument, drawing, trigger, timeframe, above, Times.checked("its 'setAt'", setAt));
    }
}
