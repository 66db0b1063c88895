package dev.yardarm.desk.market;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.ContinuousFuture;
import dev.yardarm.core.source.Contracts;
import java.io.IOException;
import java.util.List;

/** Continuous futures: whose turn it was when, and what is traded for them. Keeps nothing; may be used by any thread. */
final class Futures {
    private final Directory directory;

    Futures(Directory directory) {
        this.directory = directory;
    }

    static boolean isJoined(Instrument instrument) {
        return instrument.kind() == Instrument.Kind.CONTINUOUS;
    }

    /**
     * The turns of the contracts of a continuous future up to a moment.
     *
     * @throws IOException when it has none, or their days cannot be read
     */
    List<ContinuousFuture.Turn> turns(BarSource source, Instrument instrument, BarRequest request, long moment)
            throws IOException {
        List<Contracts.Contract> contracts = source.offers(Contracts.class)
                .map(each -> each.contracts(instrument.id()))
                .orElse(List.of());
        if (contracts.isEmpty()) {
            throw new IOException(instrument.code() + " has no contracts");
        }
        return ContinuousFuture.turns(
                contracts,
                request.roll(),
                source.calendar(instrument),
                (contract, from) -> source.history(contract.id(), Timeframe.DAY, from, moment)
                        .snapshot(),
                moment);
    }

    /**
     * The instrument that is traded for another at a moment: the current contract of a continuous future, else itself. A contract
     * that has long expired is not among the instruments and is traded no more; then it is the continuous one itself.
     */
    Instrument traded(BarSource source, Instrument instrument, BarRequest request, long moment) throws IOException {
        if (!isJoined(instrument)) {
            return instrument;
        }
        List<ContinuousFuture.Turn> turns = turns(source, instrument, request, moment);
        InstrumentId current = turns.get(turns.size() - 1).contract().id();
        return directory.find(current).orElse(instrument);
    }
}
