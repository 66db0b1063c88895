package dev.yardarm.data.document;

import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.series.Times;

/** Something that became of a call, as it is written in a file. */
public record CallEventEntry(String call, CallEvent.Kind kind, long at, double price, long bar) {
    public static CallEventEntry of(CallEvent event) {
        // One that expires before anything was traded has no price.
        double price = Double.isNaN(event.price()) ? 0 : event.price();
        return new CallEventEntry(event.call(), event.kind(), event.at(), price, event.bar());
    }

    /** @throws RuntimeException when something is missing */
    public CallEvent event() {
        return new CallEvent(
                call,
                kind,
                Times.checked("its 'at'", at),
                price == 0 ? Double.NaN : price,
                Times.checked("its 'bar'", bar));
    }
}
