package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;

/**
 * An alert as it is written in a file.
 *
 * @param drawing id of what it waits on; empty when that is a condition
 * @param condition what it waits on; null when that is a drawing
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record AlertEntry(
        String id,
        InstrumentId instrument,
        String drawing,
        String condition,
        Alert.Trigger trigger,
        Timeframe timeframe,
        boolean above,
        long setAt) {
    public static AlertEntry of(Alert alert) {
        return new AlertEntry(
                alert.id(),
                alert.instrument(),
                alert.drawing(),
                alert.condition().isEmpty() ? null : alert.condition(),
                alert.trigger(),
                alert.timeframe(),
                alert.above(),
                alert.setAt());
    }

    /** @throws RuntimeException when something is missing */
    public Alert alert() {
        Alert.On on = condition == null ? new Alert.On.Drawn(drawing) : new Alert.On.Condition(condition);
        return new Alert(id, instrument, on, trigger, timeframe, above, Times.checked("its 'setAt'", setAt));
    }
}
