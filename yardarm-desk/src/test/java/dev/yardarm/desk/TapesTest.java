package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.calculation.TradeTape;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.source.Trades;
import dev.yardarm.desk.market.Tapes;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Trades are read once for all charts of an instrument, only what is missing is read later, and what failed is tried again. */
class TapesTest {
    private static final InstrumentId ID = new InstrumentId("s", "X");

    private final List<String> asked = new ArrayList<>();
    private boolean fails;

    /** A trade at each full hundred. */
    private final Trades source = new Trades() {
        @Override
        public long ticksFrom(InstrumentId id, long upTo) {
            return 0;
        }

        @Override
        public TickSeries ticks(InstrumentId id, long from, long upTo) throws IOException {
            asked.add(from + "-" + upTo);
            if (fails) {
                throw new IOException("away");
            }
            TickSeries ticks = new TickSeries(16);
            for (long time = Math.floorDiv(from + 99, 100) * 100; time <= upTo; time += 100) {
                ticks.append(time, 10, 1, TickSeries.ASK);
            }
            return ticks;
        }
    };

    private final Tapes tapes = new Tapes();

    @Test
    void whatIsThereIsNotReadAgain() throws IOException {
        TradeTape first = tapes.of(source, ID, 500, 2000);
        assertThat(tapes.of(source, ID, 500, 2000)).isSameAs(first);
        assertThat(tapes.of(source, ID, 700, 1500)).isSameAs(first);
        assertThat(asked).containsExactly("500-2000");
        assertThat(tapes.of(source, ID, 500, 3000)).isSameAs(first);
        assertThat(asked).containsExactly("500-2000", "2001-3000");
        assertThat(first.size()).isEqualTo(26);
        assertThat(tapes.of(source, ID, 600, 1000).between(600, 1000).size()).isEqualTo(5);
        assertThat(tapes.of(source, new InstrumentId("s", "Y"), 500, 600)).isNotSameAs(first);
    }

    @Test
    void whatIsMissingBeforeIsReadAnew() throws IOException {
        TradeTape late = tapes.of(source, ID, 1500, 2000);
        TradeTape whole = tapes.of(source, ID, 500, 2000);
        assertThat(whole).isNotSameAs(late);
        assertThat(whole.size()).isEqualTo(16);
    }

    @Test
    void aSourceThatIsAwayIsAskedAgain() throws IOException {
        fails = true;
        assertThatThrownBy(() -> tapes.of(source, ID, 500, 2000)).hasMessage("away");
        fails = false;
        TradeTape tape = tapes.of(source, ID, 500, 2000);
        assertThat(tape.size()).isEqualTo(16);
        fails = true;
        assertThatThrownBy(() -> tapes.of(source, ID, 500, 2500)).hasMessage("away");
        assertThat(tape.knownUpTo()).as("what failed is not taken for known").isEqualTo(2000);
    }
}
