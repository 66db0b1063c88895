package dev.yardarm.chart.model;

import dev.yardarm.core.call.Call;
import java.util.Objects;

/**
 * A call that is open, as a chart shows it.
 *
 * @param call in the prices of the chart
 * @param triggered true once the reading that counts was triggered
 * @param rival true when the other reading counts
 */
public record CallMark(Call call, boolean triggered, boolean rival) {
    public CallMark {
        Objects.requireNonNull(call);
    }
}
