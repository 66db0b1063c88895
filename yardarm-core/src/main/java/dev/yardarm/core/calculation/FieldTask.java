package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;

/** A field of the bars; a stored one shares the array of the series. */
final class FieldTask extends Task {
    private final Field field;
    private final Column column;

    FieldTask(Field field, Column column) {
        this.field = field;
        this.column = column;
    }

    @Override
    void restart() {
        if (!field.isStored()) {
            column.share(new double[0], 0);
        }
        column.resize(0);
    }

    @Override
    void update(Bars bars, int from, int to) {
        if (field.isStored()) {
            column.share(bars.column(field), to);
        } else {
            double[] values = column.room(to);
            for (int bar = from; bar < to; bar++) {
                values[bar] = bars.value(field, bar);
            }
            column.resize(to);
        }
        column.setForming(bars.formingValue(field));
    }
}
