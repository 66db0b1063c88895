package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;

/**
 * What all bars have in common that end by an event and not by the clock: the bar under construction and its way into
 * the series.
 *
 * <p>The series needs bars that open one after the other. Where several bars come out of one trade, or trades share a
 * time, each bar opens a microsecond after the one before. A bar closes at the time from which it is known to be
 * complete: the time of the trade that ends it, or the close of the finer bar it is read from.
 */
abstract class EventBars implements BarMaker {
    private final BarSeries series;
    private final TradingCalendar calendar;
    private boolean shown = true;
    private long lastOpenTime = Long.MIN_VALUE;

    /** True while a bar is under construction. */
    boolean begun;

    long openTime;
    double open;
    double high;
    double low;
    double close;
    double volume;
    /** Last moment of the session the bar began in; far away without a calendar. */
    long sessionEnd = Long.MAX_VALUE;
    /** From when on the piece being taken in is known. */
    long knownAt;
    /** What is noted beside the bar's prices; NaN for nothing. */
    double detail = Double.NaN;

    /** @param calendar whose sessions no bar reaches across; null when sessions do not matter */
    EventBars(BarSeries series, TradingCalendar calendar) {
        this.series = series;
        this.calendar = calendar;
    }

    @Override
    public final BarSeries series() {
        if (!shown) {
            shown = true;
            if (begun) {
                series.form(openTime, Math.max(knownAt, openTime), open, high, low, close, volume);
                series.noteFormingDetail(detail);
            } else {
                series.dropForming();
            }
        }
        return series;
    }

    /**
     * Shows the forming bar with a piece added that is not complete yet; it stays until the next piece is taken in.
     */
    void preview(
            long time, double pieceOpen, double pieceHigh, double pieceLow, double pieceClose, double pieceVolume) {
        shown = true;
        if (begun) {
            series.form(
                    openTime,
                    Math.max(time, openTime),
                    open,
                    Math.max(high, pieceHigh),
                    Math.min(low, pieceLow),
                    pieceClose,
                    volume + pieceVolume);
        } else {
            long opens = Math.max(time, lastOpenTime + 1);
            series.form(opens, opens, pieceOpen, pieceHigh, pieceLow, pieceClose, pieceVolume);
        }
    }

    /** Begins a bar with its first price. */
    final void begin(long time, double price, double size) {
        begun = true;
        openTime = Math.max(time, lastOpenTime + 1);
        open = price;
        high = price;
        low = price;
        close = price;
        volume = size;
        if (calendar != null) {
            LocalDate session = calendar.sessionAt(time);
            long end = calendar.close(session);
            sessionEnd = time <= end ? end : calendar.open(calendar.next(session)) - 1;
        }
        shown = false;
    }

    /** Adds a trade to the bar under construction. */
    final void extend(double price, double size) {
        high = Math.max(high, price);
        low = Math.min(low, price);
        close = price;
        volume += size;
        shown = false;
    }

    /** Completes the bar under construction. */
    final void finish(long closeTime) {
        series.dropForming();
        series.append(openTime, Math.max(closeTime, openTime), open, high, low, close, volume);
        if (!Double.isNaN(detail)) {
            series.noteDetail(detail);
        }
        lastOpenTime = openTime;
        begun = false;
        shown = true;
    }

    /** Tells that the bar under construction was changed by hand. */
    final void changed() {
        shown = false;
    }

    @Override
    public void advanceTo(long time) {
        if (begun && time > sessionEnd) {
            finish(sessionEnd);
            sessionEnded();
        }
    }

    /** The session of the last bar is over. */
    void sessionEnded() {}
}
