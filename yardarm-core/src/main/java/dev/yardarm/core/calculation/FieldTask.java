package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;

/** A field that bars store: it shares the array of the series. */
final class FieldTask extends Task {
    private final Field field;
    private final Column column;

    FieldTask(Field field, Column column) {
        this.field = field;
        this.column = column;
    }

    @Override
    void restart() {
        column.resize(0);
    }

    @Override
    void room(int closed) {
        // The array of the series is shared.
    }

    @Override
    void advance(Bars bars, int from, int to) {
        column.share(bars.column(field), to);
    }

    @Override
    void finish(Bars bars, int closed) {
        column.share(bars.column(field), closed);
        column.setForming(bars.formingValue(field));
    }
}
