package dev.yardarm.desk.market;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.ContinuousFuture;
import dev.yardarm.core.source.Contracts;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.Diary;
import dev.yardarm.core.source.EventMark;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** What happened and what is due at an instrument: dividends, splits, rolls, expiry, entries of the calendar. */
public final class EventMarks {
    /** How far ahead the calendar is looked through. */
    private static final long AHEAD = 45 * Times.DAY;

    private EventMarks() {}

    /**
     * The marks of an instrument, in the order of their time: on daily bars only the most important entries of the
     * calendar, on longer ones none. Dividends and splits count once they are known; entries of
     * the calendar are known ahead.
     *
     * @param from where to begin
     */
    public static List<EventMark> of(
            Histories histories, Instrument instrument, BarRequest request, long from, long now) throws IOException {
        BarSource source = histories.source(instrument);
        List<EventMark> marks = new ArrayList<>();
        CorporateActions actions = source.offers(CorporateActions.class).orElse(null);
        for (CorporateActions.Dividend paid :
                actions == null ? List.<CorporateActions.Dividend>of() : actions.dividends(instrument.id())) {
            if (paid.time() <= now) {
                marks.add(new EventMark(
                        paid.time(),
                        EventMark.Kind.DIVIDEND,
                        String.format(Locale.ROOT, "Ex-dividend %.2f", paid.amount())));
            }
        }
        for (CorporateActions.Split split :
                actions == null ? List.<CorporateActions.Split>of() : actions.splits(instrument.id())) {
            if (split.time() <= now) {
                marks.add(new EventMark(
                        split.time(),
                        EventMark.Kind.SPLIT,
                        String.format(
                                Locale.ROOT,
                                "Split, %.0f new for 1 old; earlier prices are %s",
                                split.ratio(),
                                request.splits() ? "shown in the new shares" : "as they were traded")));
            }
        }
        if (instrument.kind() == Instrument.Kind.CONTINUOUS) {
            List<ContinuousFuture.Turn> turns = histories.turns(instrument, request, now);
            for (int turn = 0; turn + 1 < turns.size(); turn++) {
                ContinuousFuture.Turn of = turns.get(turn);
                marks.add(new EventMark(
                        of.until(),
                        EventMark.Kind.ROLL,
                        "Roll from " + of.contract().id().code() + " to "
                                + turns.get(turn + 1).contract().id().code() + " (" + request.roll() + "), difference "
                                + instrument.format().format(of.difference()) + ", joined "
                                + request.joint().words()));
            }
            Contracts.Contract current = turns.get(turns.size() - 1).contract();
            marks.add(expiry(current));
        }
        if (instrument.kind() == Instrument.Kind.FUTURE) {
            int dash = instrument.code().indexOf('-');
            String root = dash < 0 ? instrument.code() : instrument.code().substring(0, dash);
            source
                    .offers(Contracts.class)
                    .map(each -> each.contracts(new InstrumentId(instrument.id().source(), root)))
                    .orElse(List.of())
                    .stream()
                    .filter(each -> each.id().equals(instrument.id()))
                    .forEach(each -> marks.add(expiry(each)));
        }
        Diary diary = source.offers(Diary.class).orElse(null);
        int least = request.isTime() && !request.timeframe().isIntraday() ? 3 : 1;
        boolean longer = request.isTime()
                ? request.timeframe().isHigherThan(Timeframe.DAY)
                : request.rule().basis().filter(basis -> !basis.isIntraday()).isPresent();
        for (Diary.Entry entry :
                longer || diary == null ? List.<Diary.Entry>of() : diary.entries(instrument.id(), from, now + AHEAD)) {
            if (entry.importance() < least) {
                continue;
            }
            marks.add(new EventMark(
                    entry.time(),
                    EventMark.Kind.ENTRY,
                    entry.title() + " (" + "importance " + entry.importance() + " of 3)"));
        }
        marks.removeIf(mark -> mark.time() < from);
        Collections.sort(marks);
        return marks;
    }

    private static EventMark expiry(Contracts.Contract contract) {
        return new EventMark(
                contract.expiry() - 1, EventMark.Kind.EXPIRY, contract.id().code() + " expires");
    }
}
