package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWords;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.market.Directory;
import java.time.ZoneOffset;
import java.util.Optional;

/** How alerts are said: prices as the instrument writes them, drawings by their names, days in its zone. */
public final class AlertNames {
    private AlertNames() {}

    /** Words for the alerts of an instrument; also for one that is not there now. */
    public static AlertWords words(Books books, Directory directory, InstrumentId id) {
        Optional<Instrument> instrument = directory.find(id);
        PriceFormat format = instrument.map(Instrument::format).orElse(PriceFormat.ofDecimals(2));
        return new AlertWords(
                format::format,
                drawing -> books.drawings(id).stream()
                        .filter(each -> each.id().equals(drawing))
                        .findFirst()
                        .map(Drawing::title)
                        .orElse("deleted drawing"),
                instrument.map(each -> directory.calendar(each).zone()).orElse(ZoneOffset.UTC));
    }

    /** An alert as it would be typed. */
    public static String line(Books books, Directory directory, Alert alert) {
        return words(books, directory, alert.instrument()).line(alert);
    }
}
