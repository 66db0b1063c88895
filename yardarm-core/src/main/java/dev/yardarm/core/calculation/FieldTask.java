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
    void room(int closed) {
        if (!field.isStored()) {
            column.room(closed);
        }
    }

    @Override
    void advance(Bars bars, int from, int to) {
        if (field.isStored()) {
            column.share(bars.column(field), to);
            return;
        }
        double[] values = column.values();
        for (int bar = from; bar < to; bar++) {
            values[bar] = bars.value(field, bar);
        }
        column.resize(to);
    }

    @Override
    void finish(Bars bars, int closed) {
        if (field.isStored()) {
            column.share(bars.column(field), closed);
        }
        column.setForming(bars.formingValue(field));
    }
}
