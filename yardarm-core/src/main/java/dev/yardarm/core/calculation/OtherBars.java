package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Field;
import java.util.function.Supplier;

/** A field of another instrument's bars, put beside the bars computed on by {@link OtherPlace}. */
final class OtherBars implements BarValue {
    private final Supplier<Bars> others;
    private final Field field;
    private final OtherPlace place = new OtherPlace();

    OtherBars(Supplier<Bars> others, Field field) {
        this.others = others;
        this.field = field;
    }

    @Override
    public double at(Bars bars, int bar) {
        Bars other = others.get();
        int beside = place.at(bars, bar, other);
        return beside == Beside.NOWHERE ? Double.NaN : other.value(field, beside);
    }
}
