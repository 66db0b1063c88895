package dev.yardarm.app;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.Map;

/** Charts of who traded where, made up for pictures. */
final class OrderFlowShots {
    private OrderFlowShots() {}

    private static void put(ChartRoom room, String name, Map<String, String> settings) {
        Indicator indicator = room.desk().language().catalogue().find(name).orElseThrow();
        room.indicators().add(indicator, Settings.of(indicator, settings));
    }

    /** Footprints with numbers, figures of the bars and large trades. */
    static void footprint(ChartRoom room, Instrument future) {
        room.showLayers(java.util.List.of());
        room.open(future, BarRequest.of(Timeframe.parse("15m").orElseThrow()));
        room.setVolumeShown(false);
        put(room, "footprint", Map.of());
        put(room, "bar_figures", Map.of("rows", "delta delta_high delta_low volume trades"));
        put(room, "big_trades", Map.of("share", "0.2", "widest", "26"));
        room.chart().setBarWidth(80);
    }

    /** Profiles of sessions, bought and sold told apart, with what is untouched; time at price beside them. */
    static void profiles(ChartRoom room, Instrument future) {
        room.showLayers(java.util.List.of());
        room.open(future, BarRequest.of(Timeframe.parse("30m").orElseThrow()).withPart(SessionPart.WHOLE));
        room.setVolumeShown(false);
        put(room, "profile", Map.of("split", "bought and sold", "wide", "60"));
        room.chart().setBarWidth(5);
    }
}
