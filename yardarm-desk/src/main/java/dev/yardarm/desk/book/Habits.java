package dev.yardarm.desk.book;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What the trader set once for all charts: the timeframes offered, and the session each instrument is looked at in. */
public final class Habits {
    private final DocumentSaver saver;
    private final Map<String, String> sessions = new LinkedHashMap<>();
    private List<Timeframe> timeframes = List.of();

    public Habits(DocumentSaver saver) {
        this.saver = saver;
        saver.store().read(DocumentKind.HABITS, "habits").ifPresent(saved -> {
            timeframes = saved.timeframes();
            sessions.putAll(saved.sessions());
        });
    }

    /** The timeframes offered without asking, long to short. */
    public List<Timeframe> timeframes() {
        return timeframes.isEmpty() ? Timeframe.STANDARD : timeframes;
    }

    /** Offers other timeframes; none for the usual ones. */
    public void setTimeframes(List<Timeframe> chosen) {
        timeframes = chosen.stream().distinct().sorted((one, other) -> other.compareTo(one)).toList();
        save();
    }

    /** The part of the session an instrument is looked at in. */
    public SessionPart session(InstrumentId instrument) {
        String kept = sessions.get(instrument.toString());
        try {
            return kept == null ? SessionPart.WHOLE : SessionPart.parse(kept);
        } catch (IllegalArgumentException unknown) {
            return SessionPart.WHOLE;
        }
    }

    public void setSession(InstrumentId instrument, SessionPart part) {
        if (part.equals(SessionPart.WHOLE)) {
            sessions.remove(instrument.toString());
        } else {
            sessions.put(instrument.toString(), part.toString());
        }
        save();
    }

    private void save() {
        saver.save(DocumentKind.HABITS, "habits", new Documents.Habits(timeframes, Map.copyOf(sessions)));
    }
}
