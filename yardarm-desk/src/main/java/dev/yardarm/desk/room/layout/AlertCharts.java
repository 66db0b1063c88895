package dev.yardarm.desk.room.layout;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.room.chart.ChartKeeper;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Keeps how the chart was made up on which an alert was set that brings up its chart, and shows it so again when it fires. Used by the interface's
 * thread.
 */
public final class AlertCharts implements AutoCloseable {
    /** Charts of alerts that are gone are kept as long as there are no more than this, for undo. */
    private static final int MOST = 200;

    private final Layouts layouts;
    private final Books books;
    private final Listening heard;
    private final Set<String> seen;

    public AlertCharts(Layouts layouts) {
        this.layouts = layouts;
        books = layouts.desk().books();
        seen = books.alerts().stream().map(Alert::id).collect(Collectors.toCollection(HashSet::new));
        heard = books.alertShelf().listen(this::set);
    }

    private void set(Set<String> ids) {
        for (String id : ids) {
            Alert alert = books.alertShelf().get(id).orElse(null);
            // One that undo brings back was seen before, and was set on another chart than the one in hand now.
            if (alert != null
                    && seen.add(id)
                    && alert.acts().chart()
                    && books.alertChartShelf().get(id).isEmpty()) {
                ChartRoom room = layouts.active();
                if (room.instrument()
                        .filter(shown -> shown.id().equals(alert.instrument()))
                        .isPresent()) {
                    tidy();
                    books.alertChartShelf().put(new Documents.AlertChart(id, ChartKeeper.makeUp(room)));
                }
            }
        }
    }

    private void tidy() {
        List<Documents.AlertChart> all = books.alertChartShelf().all();
        if (all.size() >= MOST) {
            books.alertChartShelf()
                    .replace(all.stream()
                            .filter(each -> books.alertShelf().get(each.alert()).isPresent())
                            .toList());
        }
    }

    /** Shows the chart of a firing on the chart in hand, with that moment at the right edge: made up as when it was set, else of its bars. */
    public void show(Firing firing, Instrument instrument) {
        books.alertChartShelf()
                .get(firing.alert())
                .ifPresentOrElse(
                        kept -> ChartKeeper.restoreAt(kept.chart(), layouts.active(), instrument, firing.at()),
                        () -> layouts.active().restore(instrument, firing.request(), firing.at(), null, false));
    }

    @Override
    public void close() {
        heard.close();
    }
}
