package dev.yardarm.data.document;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;

/** A firing as it is written in a file. */
public record FiringEntry(
        String alert,
        long setAt,
        InstrumentId instrument,
        String drawing,
        String on,
        Alert.Trigger trigger,
        Timeframe timeframe,
        boolean above,
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
                firing.trigger(),
                firing.timeframe(),
                firing.above(),
                firing.at(),
                firing.price(),
                firing.bar());
    }

    String key() {
        return alert + " " + setAt;
    }

    /** @throws RuntimeException when something is missing */
    public Firing firing() {
        Times.checked("its 'at'", at);
        Times.checked("its 'bar'", bar);
        return new Firing(
                alert,
                Times.checked("its 'setAt'", setAt),
                instrument,
                drawing,
                on == null ? "" : on,
                trigger,
                timeframe,
                above,
                at,
                price,
                bar);
    }
}
