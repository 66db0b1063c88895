package dev.yardarm.desk.book;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.DrawingLook;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What the trader set once for all charts: the timeframes offered, the session each instrument is looked at in, how new
 * indicators and drawings come up, and which are at hand.
 */
public final class Habits {
    /** How many indicators are kept as used last. */
    private static final int RECENT = 12;
    /** Sizes of text in per cent. */
    public static final int SMALLEST_TEXT = 90;

    public static final int LARGEST_TEXT = 150;
    private static final int USUAL_TEXT = 100;

    private final DocumentSaver saver;
    private final Map<String, String> sessions = new LinkedHashMap<>();
    private final Map<String, Documents.IndicatorLayer> indicators = new LinkedHashMap<>();
    private final List<String> favourites = new ArrayList<>();
    private final List<String> recent = new ArrayList<>();
    private final Map<String, DrawingLook> figures = new LinkedHashMap<>();
    private final Map<String, DrawingLook> looks = new TreeMap<>();
    private final Map<String, String> ratios = new TreeMap<>();
    private final Map<String, String> tables = new TreeMap<>();
    private List<Timeframe> timeframes = List.of();
    private int textSize;
    private Documents.Bell bell = Documents.Bell.USUAL;

    public Habits(DocumentSaver saver) {
        this.saver = saver;
        saver.read(DocumentKind.HABITS, "habits").ifPresent(saved -> {
            timeframes = saved.timeframes();
            sessions.putAll(saved.sessions());
            indicators.putAll(saved.indicators());
            favourites.addAll(saved.favourites());
            recent.addAll(saved.recent());
            figures.putAll(saved.figures());
            looks.putAll(saved.looks());
            ratios.putAll(saved.ratios());
            tables.putAll(saved.tables());
            textSize = saved.textSize();
            bell = saved.bell();
        });
    }

    /** The timeframes offered without asking, long to short. */
    public List<Timeframe> timeframes() {
        return timeframes.isEmpty() ? Timeframe.STANDARD : timeframes;
    }

    /** Offers other timeframes; none for the usual ones. */
    public void setTimeframes(List<Timeframe> chosen) {
        timeframes = chosen.stream()
                .distinct()
                .sorted((one, other) -> other.compareTo(one))
                .toList();
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

    /** How new ones of an indicator come up, when the trader said so. */
    public Optional<Documents.IndicatorLayer> standard(String indicator) {
        return Optional.ofNullable(indicators.get(indicator));
    }

    /** Lets new ones of an indicator come up like this one; null as it is declared. */
    public void setStandard(String indicator, Documents.IndicatorLayer like) {
        if (like == null) {
            indicators.remove(indicator);
        } else {
            indicators.put(indicator, like);
        }
        save();
    }

    /** The names under which settings and look of an indicator are kept, sorted. */
    public List<String> looks(String indicator) {
        return indicators.keySet().stream()
                .filter(key -> key.startsWith(indicator + "/"))
                .map(key -> key.substring(indicator.length() + 1))
                .sorted()
                .toList();
    }

    /** Settings and look of an indicator kept under a name. */
    public Optional<Documents.IndicatorLayer> look(String indicator, String name) {
        return Optional.ofNullable(indicators.get(indicator + "/" + name));
    }

    /** Keeps settings and look of an indicator under a name; null forgets them. */
    public void setLook(String indicator, String name, Documents.IndicatorLayer like) {
        setStandard(indicator + "/" + name, like);
    }

    /** Names of the indicators chosen as favourites, in the order they were chosen. */
    public List<String> favourites() {
        return List.copyOf(favourites);
    }

    public void setFavourite(String indicator, boolean on) {
        favourites.remove(indicator);
        if (on) {
            favourites.add(indicator);
        }
        save();
    }

    /** Names of the indicators put on last, the last first. */
    public List<String> recent() {
        return List.copyOf(recent);
    }

    /** Notes that an indicator was put on a chart. */
    public void used(String indicator) {
        recent.remove(indicator);
        recent.add(0, indicator);
        if (recent.size() > RECENT) {
            recent.remove(RECENT);
        }
        save();
    }

    /** How new drawings of a figure come up, when the trader said so. */
    public Optional<DrawingLook> ofFigure(String figure) {
        return Optional.ofNullable(figures.get(figure));
    }

    /** Lets new drawings of a figure come up with a look; null as the figure is declared. */
    public void setOfFigure(String figure, DrawingLook look) {
        put(figures, figure, look);
    }

    /** Looks of drawings by their names, sorted. */
    public Map<String, DrawingLook> drawingLooks() {
        return Collections.unmodifiableMap(looks);
    }

    /** Keeps a look of drawings under a name; null forgets it. */
    public void setDrawingLook(String name, DrawingLook look) {
        put(looks, name, look);
    }

    /** Sets of ratios by their names, sorted; each is numbers with spaces between them. */
    public Map<String, String> ratioSets() {
        return Collections.unmodifiableMap(ratios);
    }

    /** Keeps a set of ratios under a name; null forgets it. */
    public void setRatioSet(String name, String numbers) {
        put(ratios, name, numbers);
    }

    /** Columns and order of a table, as it wrote them; empty when nothing was chosen. */
    public String table(String name) {
        return tables.getOrDefault(name, "");
    }

    /** Keeps columns and order of a table. */
    public void setTable(String name, String columns) {
        if (!columns.equals(table(name))) {
            put(tables, name, columns);
        }
    }

    /** Size of the interface's text, in per cent. */
    public int textSize() {
        return textSize == 0 ? USUAL_TEXT : Math.max(SMALLEST_TEXT, Math.min(LARGEST_TEXT, textSize));
    }

    /** Chooses the size of the interface's text, from 90 to 150 per cent. */
    public void setTextSize(int percent) {
        textSize = Math.max(SMALLEST_TEXT, Math.min(LARGEST_TEXT, percent));
        save();
    }

    /** How alerts ring. */
    public Documents.Bell bell() {
        return bell;
    }

    /** Lets alerts ring otherwise. */
    public void setBell(Documents.Bell changed) {
        bell = changed;
        save();
    }

    private <T> void put(Map<String, T> map, String key, T value) {
        if (value == null) {
            map.remove(key);
        } else {
            map.put(key, value);
        }
        save();
    }

    private void save() {
        saver.save(
                DocumentKind.HABITS,
                "habits",
                new Documents.Habits(
                        timeframes,
                        Map.copyOf(sessions),
                        Map.copyOf(indicators),
                        List.copyOf(favourites),
                        List.copyOf(recent),
                        Map.copyOf(figures),
                        Map.copyOf(looks),
                        Map.copyOf(ratios),
                        Map.copyOf(tables),
                        textSize,
                        bell));
    }
}
