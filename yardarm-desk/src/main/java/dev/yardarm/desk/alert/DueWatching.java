package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.Diary;
import dev.yardarm.core.source.PriceBasis;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * Watches an alert that goes off so long before an entry of the calendar. What is due is asked of the source's diary once for a year, and again
 * when that is over; a moment that passed while nothing ran is told as such. Cost: a comparison a trade and a beat.
 */
final class DueWatching extends FollowedWatching {
    private static final long AHEAD = 370 * Times.DAY;

    private final Awaited.Due due;
    private TradingCalendar calendar;
    private List<Diary.Entry> coming = List.of();
    private int next;
    private long askedUpTo;
    private double last;

    DueWatching(Alert alert, Instrument instrument, AlertRunner.Around around, Teller teller) {
        super(alert, instrument, around, teller);
        this.due = (Awaited.Due) alert.first().on();
        this.last = Double.isFinite(alert.price()) ? alert.price() : 0;
    }

    @Override
    public double level(long moment) {
        return Double.NaN;
    }

    @Override
    public boolean isUpToDate(Drawn drawn) {
        return true;
    }

    @Override
    public void begin(long now) {
        follow(Math.max(alert().setAt(), now - Times.HOUR), Math.max(now, alert().setAt()));
    }

    @Override
    public void begin(PriceBasis basis, TradingCalendar hours) {
        calendar = hours;
        askedUpTo = alert().setAt();
        ask();
    }

    private void ask() {
        long from = askedUpTo;
        askedUpTo += AHEAD;
        next = 0;
        if (due.isOfSession()) {
            coming = sessions(from, askedUpTo);
            return;
        }
        coming = around()
                .following()
                .directory()
                .source(instrument())
                .flatMap(source -> source.offers(Diary.class))
                .map(diary -> diary.entries(instrument().id(), from, askedUpTo))
                .orElse(List.of())
                .stream()
                .filter(each -> due.is(each) && each.time() - alert().first().early() >= alert().setAt())
                .sorted((one, other) -> Long.compare(one.time(), other.time()))
                .toList();
    }

    private List<Diary.Entry> sessions(long from, long upTo) {
        boolean close = due.words().equals(Awaited.Due.CLOSE);
        List<Diary.Entry> found = new ArrayList<>();
        LocalDate session = calendar.sessionAt(from);
        for (; calendar.open(session) <= upTo; session = calendar.next(session)) {
            long time = close ? calendar.close(session) : calendar.open(session);
            if (time > from && time <= upTo && time - alert().first().early() >= alert().setAt()) {
                found.add(new Diary.Entry(time, Diary.Entry.Kind.RELEASE, due.words(), 0));
            }
        }
        return found;
    }

    @Override
    public void trade(long time, double price, double size, byte side, boolean away) {
        time(time, away);
        last = price;
    }

    @Override
    public void time(long now, boolean away) {
        while (!isDone()) {
            if (next >= coming.size()) {
                if (now + alert().first().early() < askedUpTo) {
                    break;
                }
                ask();
                continue;
            }
            Diary.Entry entry = coming.get(next);
            long moment = entry.time() - alert().first().early();
            if (moment > now) {
                break;
            }
            next++;
            if (moment >= alert().terms().until()) {
                break;
            }
            if (alert().terms().lookAt(moment, calendar.zone())) {
                Firing firing = Firing.of(alert(), "", moment, last, 0);
                String said = entry.title();
                String note = alert().note().isEmpty() ? said : said + ": " + alert().note();
                tell(firing.in("", note), away);
                if (alert().terms().repeat() == Terms.Repeat.ONCE) {
                    end(false);
                }
            }
        }
        if (now >= alert().terms().until()) {
            end(true);
        }
    }
}
