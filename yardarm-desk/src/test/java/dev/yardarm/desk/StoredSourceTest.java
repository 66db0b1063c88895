package dev.yardarm.desk;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.market.StoredMarket;
import dev.yardarm.desk.work.Job;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;

/** The simulated market with its history kept: what is kept was made later than some moments it is asked about. */
class StoredSourceTest extends SourceContract {
    private static final SimulatedMarket MARKET = new SimulatedMarket(World.halcyon(), 1);
    private static ParquetBarStore store;
    private static StoredMarket stored;

    @BeforeAll
    static void pack(@TempDir Path folder) throws IOException {
        store = new ParquetBarStore(folder);
        stored = new StoredMarket(MARKET, () -> Optional.of(store));
        stored.pack(Job.unattended(), MARKET.world().presentTime() - 2 * Times.DAY);
    }

    @AfterAll
    static void close() {
        store.close();
    }

    @Override
    BarSource source() {
        return stored;
    }

    @Override
    List<Instrument> instruments() {
        return SimulatedSourceTest.oneOfEach(stored);
    }

    @Override
    List<Long> moments() {
        return SimulatedSourceTest.moments(MARKET.world().presentTime());
    }
}
