package dev.yardarm.desk;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.util.List;

/** The simulated market as a source. */
class SimulatedSourceTest extends SourceContract {
    private static final SimulatedMarket MARKET = new SimulatedMarket(World.halcyon(), 1);

    @Override
    BarSource source() {
        return MARKET;
    }

    /** One of each kind. */
    static List<Instrument> oneOfEach(BarSource source) {
        return source.instruments().stream()
                .filter(each -> List.of("KTRL", "PV60", "VRTQ-U26", "AULBRN", "GY10", "HPRC", "EMBRA")
                        .contains(each.code()))
                .toList();
    }

    /** Fridays before, evenings, nights, the minute of an open. */
    static List<Long> moments(long present) {
        return List.of(
                present - 8 * Times.DAY,
                present - 7 * Times.DAY + 11 * Times.HOUR,
                present - 3 * Times.DAY + 13 * Times.SECOND,
                present - 20 * Times.HOUR,
                present,
                present + 3 * Times.HOUR,
                present + 4 * Times.DAY);
    }

    @Override
    List<Instrument> instruments() {
        return oneOfEach(MARKET);
    }

    @Override
    List<Long> moments() {
        return moments(MARKET.world().presentTime());
    }
}
