package dev.yardarm.desk;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Layouts;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** A desk with one chart of days of KTRL, without a window, as many tests need it. */
abstract class OnAChart {
    @TempDir
    Path home;

    final Front front = new Front();
    final List<String> notices = new CopyOnWriteArrayList<>();
    Desk desk;
    Layouts layouts;
    ChartRoom room;

    @BeforeEach
    void open() throws IOException {
        desk = new Desk(new Desk.Options(home.resolve("home"), true, 1, true), front);
        front.run(() -> {
            desk.onNotice(notices::add);
            layouts = new Layouts(desk);
            room = layouts.active();
            room.open(instrument("KTRL"), Timeframe.DAY);
        });
        front.await("bars", () -> !room.chart().bars().isEmpty());
    }

    @AfterEach
    void close() {
        front.run(layouts::close);
        desk.close();
        front.close();
    }

    Instrument instrument(String code) {
        return desk.directory().byCode(code).orElseThrow();
    }

    static Indicator indicator(String name) {
        return Catalogue.builtIn().find(name).orElseThrow();
    }

    IndicatorLayer layer(int number) {
        return room.chart().indicators().get(number);
    }

    /** The newest value of the first output of a layer; NaN while it is not computed. */
    double last(IndicatorLayer layer) {
        var lines = room.chart().data().of(layer);
        return lines.isEmpty() ? Double.NaN : lines.get(0).column().last();
    }
}
