package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;

/**
 * An alert as it is written in a file.
 *
 * @param drawing id of what it waits on; empty when that is something else
 * @param condition what it waits on; null when that is something else
 * @param size from which a trade is large, when it waits on one; else null
 * @param together microseconds within which prints are one trade then; else null
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record AlertEntry(
        String id,
        InstrumentId instrument,
        String drawing,
        String condition,
        Double size,
        Long together,
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
                alert.on() instanceof Alert.On.Traded traded ? traded.size() : null,
                alert.on() instanceof Alert.On.Traded traded ? traded.together() : null,
                alert.trigger(),
                alert.timeframe(),
                alert.above(),
                alert.setAt());
    }

    /** @throws RuntimeException when something is missing */
    public Alert alert() {
        Alert.On on = condition != null
                ? new Alert.On.Condition(condition)
                : size != null
                        ? new Alert.On.Traded(size, together == null ? 0 : together)
                        : new Alert.On.Drawn(drawing);
        return new Alert(id, instrument, on, trigger, timeframe, above, Times.checked("its 'setAt'", setAt));
    }
}
