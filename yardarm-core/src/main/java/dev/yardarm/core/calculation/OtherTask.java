package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import java.util.function.Supplier;

/** Columns over the bars of another instrument, put beside the bars of this graph by {@link OtherPlace}. */
final class OtherTask extends Beside {
    private final Supplier<Bars> others;
    private OtherPlace place = new OtherPlace();
    private long epoch = Long.MIN_VALUE;

    OtherTask(ColumnGraph outer, String code) {
        // What is bought, sold and drawn is known of the instrument computed on alone.
        super(outer.over(outer.surroundings()
                .seenBy(outer.surroundings().others(), Surroundings.NONE.sides(), Surroundings.NONE.drawings())));
        others = outer.surroundings().others().find(code).orElse(null);
    }

    @Override
    void restart() {
        super.restart();
        place = new OtherPlace();
    }

    @Override
    void advance(Bars bars, int from, int to) {
        Bars other = current();
        for (int bar = from; bar < to; bar++) {
            write(bar, other == null ? NOWHERE : place.at(bars, bar, other));
        }
        end(to);
    }

    @Override
    void finish(Bars bars, int closed) {
        Bars other = bars.hasForming() ? current() : null;
        form(other == null ? NOWHERE : place.at(bars, closed, other));
    }

    private Bars current() {
        if (others == null) {
            return null;
        }
        Bars other = others.get();
        if (other.epoch() != epoch) {
            epoch = other.epoch();
            place = new OtherPlace();
        }
        inner().update(other);
        return other;
    }
}
