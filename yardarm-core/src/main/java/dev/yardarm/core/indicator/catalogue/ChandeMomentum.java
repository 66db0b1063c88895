package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Chande momentum oscillator. cmo = 100 * (sum of rises - sum of falls) / (sum of rises + sum of falls), 0 without any
 * movement. O(1) a bar.
 */
public final class ChandeMomentum extends Declared {
    public ChandeMomentum() {
        super(Family.MOMENTUM, "cmo", "Chande momentum oscillator");
        also("momentum", "overbought", "oversold");
        length(14);
        source(Field.CLOSE);
        bounded(-100, 100, -50.0, 0.0, 50.0);
        line();
        help(
                "Rises less falls in proportion to all movement of n bars, unsmoothed.",
                "cmo = 100 * (sum of rises - sum of falls) / (sum of rises + sum of falls), 0 without any "
                        + "movement.",
                "Beyond +-50 the move is one-sided; its absolute value measures the trend.",
                "Unsmoothed: it moves as much by what leaves the window as by what comes.",
                "Tushar S. Chande and Stanley Kroll, The New Technical Trader (1994).");
    }

    @Override
    public void build(Recipe r) {
        Node change = r.change(r.source(), 1);
        r.out(r.zip(
                "value",
                r.sum(r.map("rise", change, value -> Math.max(value, 0)), r.length()),
                r.sum(r.map("fall", change, value -> Math.max(-value, 0)), r.length()),
                (up, down) -> up + down == 0 ? 0 : 100 * (up - down) / (up + down)));
    }
}
