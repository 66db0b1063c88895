package dev.yardarm.desk.live;

import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.market.Histories;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/**
 * What a chart's indicators need besides its own bars: other instruments on the same timeframe, carried on by their own
 * trades, and the sides of single trades. Loaded on one thread, then used by the hub's alone.
 */
final class Companions implements AutoCloseable {
    private final Map<String, Companion> byCode = new LinkedHashMap<>();
    private final Set<String> wanted;

    /** One other instrument. */
    private static final class Companion implements LiveHub.Listener {
        private final BarMaker maker;
        private final Instrument traded;
        private final long knownUpTo;
        private Bars current;
        private LiveHub.Subscription subscription;

        Companion(Histories.Loaded loaded) {
            maker = loaded.maker();
            traded = loaded.traded();
            knownUpTo = loaded.knownUpTo();
            current = loaded.series().snapshot();
        }

        @Override
        public void trade(long time, double price, double size) {
            maker.addTick(time, price, size);
        }

        @Override
        public void beat(long now) {
            maker.advanceTo(now);
        }
    }

    private final boolean withSides;
    private SideFeed sides;

    private Companions(Set<String> wanted, boolean withSides) {
        this.wanted = wanted;
        this.withSides = withSides;
    }

    /** The codes that indicators are told to compare with. */
    static Set<String> codes(List<IndicatorLayer> layers) {
        Set<String> codes = new LinkedHashSet<>();
        for (IndicatorLayer layer : layers) {
            layer.style().outputs().values().stream()
                    .map(OutputStyle::tint)
                    .filter(Objects::nonNull)
                    .forEach(
                            tint -> codes.addAll(Formula.parse(tint.condition()).instruments()));
            for (Setting setting : layer.indicator().settings()) {
                if (setting instanceof Setting.Other) {
                    codes.add(layer.settings().word(setting.name()));
                }
            }
        }
        return codes;
    }

    /** Loads what the layers compare with; what cannot be had is told, and its values are missing. */
    static Companions load(
            Histories histories,
            Instrument instrument,
            BarRequest request,
            List<IndicatorLayer> layers,
            long now,
            Consumer<String> tell) {
        Companions companions = new Companions(codes(layers), ChartDataBuilder.readsTrades(layers));
        if (companions.withSides) {
            try {
                companions.sides = SideFeed.open(histories, instrument, request, now);
            } catch (IOException failed) {
                tell.accept("The trades of " + instrument.code() + " cannot be read: " + failed.getMessage());
            }
        }
        for (String code : companions.wanted) {
            Instrument other = histories.comparable(instrument, code).orElse(null);
            if (other == null) {
                tell.accept("There is no instrument " + code + " to compare with.");
            } else if (!request.isTime()) {
                tell.accept("Other instruments are compared on bars of time only.");
            } else {
                try {
                    companions.byCode.put(code, new Companion(histories.load(other, request, now)));
                } catch (IOException | IllegalArgumentException failed) {
                    tell.accept(other.code() + " cannot be compared with: " + failed.getMessage());
                }
            }
        }
        return companions;
    }

    /** True when these layers compare with nothing else. */
    boolean serve(List<IndicatorLayer> layers) {
        return wanted.containsAll(codes(layers)) && (withSides || !ChartDataBuilder.readsTrades(layers));
    }

    boolean isEmpty() {
        return byCode.isEmpty();
    }

    /** What computations of the chart may know. */
    Surroundings surroundings(TradingCalendar calendar) {
        return new Surroundings(
                calendar,
                code -> Optional.ofNullable(byCode.get(code)).map(companion -> () -> companion.current),
                sides == null ? Surroundings.NONE.sides() : sides.sides());
    }

    /** Goes on with the trades of all. */
    void begin(LiveHub hub) {
        byCode.values().forEach(each -> each.subscription = hub.subscribe(each.traded, each.knownUpTo, each));
    }

    /** Takes the bars of all as they are now, and the trades up to a moment. */
    void refresh(long now) {
        if (sides != null) {
            sides.goOn(now);
        }
        byCode.values().forEach(each -> each.current = each.maker.series().snapshot());
    }

    /** Grows when any of them changes. */
    long version() {
        long version = 0;
        for (Companion each : byCode.values()) {
            version += each.maker.series().version();
        }
        return version;
    }

    @Override
    public void close() {
        byCode.values().forEach(each -> {
            if (each.subscription != null) {
                each.subscription.close();
            }
        });
    }
}
