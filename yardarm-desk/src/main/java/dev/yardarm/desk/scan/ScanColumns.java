package dev.yardarm.desk.scan;

import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.table.RowColumn;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.Supplier;

/** The columns of what a scan found. */
final class ScanColumns {
    private final Desk desk;
    private final Supplier<ScanRunner.Result> result;
    private final Predicate<InstrumentId> fresh;

    /**
     * @param result what was found; null before anything was
     * @param fresh whether an instrument was not found by the run before
     */
    ScanColumns(Desk desk, Supplier<ScanRunner.Result> result, Predicate<InstrumentId> fresh) {
        this.desk = desk;
        this.result = result;
        this.fresh = fresh;
    }

    /** All there are: those of every scan, and the formulas of this one. */
    List<RowColumn<ScanRunner.Found>> all() {
        List<RowColumn<ScanRunner.Found>> columns = new ArrayList<>(List.of(
                RowColumn.words("code", "Code", 64, row -> row.instrument().code()),
                RowColumn.words(ScanDesk.CHART, "Last 90 bars", 170, row -> ""),
                RowColumn.words("name", "Name", 128, row -> row.instrument().name()),
                RowColumn.words("sector", "Sector", 120, row -> row.instrument().sector()),
                RowColumn.words("stance", "Stance", 64, row -> stance(row.instrument())),
                RowColumn.words("note", "Note", 150, row -> desk.books()
                        .stance(row.instrument().id())
                        .note()),
                RowColumn.number(
                        "last",
                        "Last",
                        72,
                        row -> row.instrument().format().format(last(row.bars())),
                        row -> last(row.bars())),
                RowColumn.change(
                        "change",
                        "Change",
                        70,
                        row -> Double.isNaN(change(row.bars())) ? "" : Readout.percent(change(row.bars())),
                        row -> change(row.bars())),
                RowColumn.number(
                        "volume",
                        "Volume",
                        76,
                        row -> Readout.quantity(row.bars().volume(row.bars().size() - 1)),
                        row -> row.bars().volume(row.bars().size() - 1)),
                RowColumn.words("bar", "Bar", 62, row -> switch (row.match()) {
                    case YES -> "closed";
                    case PROVISIONAL -> "forming";
                    case NO -> "misses";
                }),
                RowColumn.words(
                        "new", "New", 44, row -> fresh.test(row.instrument().id()) ? "new" : ""),
                RowColumn.number(
                        "rank", "Order", 70, row -> Reasons.number(row.outcome().rank()), row -> row.outcome()
                                .rank()),
                RowColumn.number("by", "By", 60, row -> Reasons.byHowMuch(row.outcome()), row -> row.outcome()
                        .score()),
                RowColumn.words(
                        "decided",
                        "Decided by",
                        170,
                        row -> result.get() == null
                                ? ""
                                : Reasons.decided(result.get().terms(), row.outcome()))));
        List<String> formulas =
                result.get() == null ? List.of() : result.get().scan().columns();
        for (int number = 0; number < formulas.size(); number++) {
            int at = number;
            columns.add(RowColumn.number(
                    "formula-" + (at + 1),
                    formulas.get(at),
                    90,
                    row -> Reasons.number(row.outcome().columns()[at]),
                    row -> row.outcome().columns()[at]));
        }
        return columns;
    }

    private String stance(Instrument of) {
        Stance taken = desk.books().stance(of.id());
        return taken.kind() == Stance.Kind.NONE ? "" : taken.kind().word();
    }

    private static double last(Bars bars) {
        return bars.close(bars.size() - 1);
    }

    private static double change(Bars bars) {
        int last = bars.size() - 1;
        return last < 1 ? Double.NaN : bars.close(last) / bars.close(last - 1) - 1;
    }
}
