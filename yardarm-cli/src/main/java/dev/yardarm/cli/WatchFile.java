package dev.yardarm.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallSentence;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.text.BoundedFile;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToLongFunction;

/**
 * A file of alerts and calls:
 *
 * <pre>{@code
 * {"alerts": [{"id": "breakout", "alert": "closes above 104.20 on 30m for 5 days", "set": "2026-03-02T09:00"}, "reaches 98"],
 *  "calls":  [{"id": "swing", "call": "above 104.20 expect 107, wrong below 102.80, until 2026-03-06"}]}
 * }</pre>
 *
 * <p>An entry is a sentence, or has one with an id and the moment it was set, from which spans such as {@code for 5 days} are counted. Without
 * an id it is numbered, without a moment it is set with the first row of the data. A list alone is a list of alerts.
 */
final class WatchFile {
    private static final InstrumentId FILE = new InstrumentId("file", "data");

    private final Path file;
    private final Language language;
    private final TradingCalendar calendar;
    private final Function<String, Optional<String>> drawings;
    private final long first;
    private final List<Alert> alerts = new ArrayList<>();
    private final List<Call> calls = new ArrayList<>();
    /** Ids in the order of the file. */
    private final Set<String> ids = new HashSet<>();

    /**
     * @param first when what says nothing of it is set
     * @param drawings finds a drawing by its name
     */
    WatchFile(
            Path file,
            Language language,
            TradingCalendar calendar,
            Function<String, Optional<String>> drawings,
            long first) {
        this.file = file;
        this.language = language;
        this.calendar = calendar;
        this.drawings = drawings;
        this.first = first;
    }

    /** The alerts, in their order. */
    List<Alert> alerts() {
        return alerts;
    }

    /** The calls, in their order. */
    List<Call> calls() {
        return calls;
    }

    /**
     * Reads the file.
     *
     * @param usual the bars of what names none
     * @param moments reads a moment as it is written
     * @throws IOException when it cannot be read, or something in it is at fault, with what and which entry
     */
    void read(BarRule usual, ToLongFunction<String> moments) throws IOException {
        JsonNode document;
        try {
            document = new ObjectMapper()
                    .enable(com.fasterxml.jackson.databind.DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                    .readTree(BoundedFile.text(file, BoundedFile.DOCUMENT));
        } catch (NoSuchFileException missing) {
            throw new IOException(file + " does not exist", missing);
        } catch (JsonProcessingException bad) {
            throw new IOException(
                    file + ":"
                            + (bad.getLocation() == null
                                    ? ""
                                    : bad.getLocation().getLineNr() + ":"
                                            + bad.getLocation().getColumnNr() + ": ")
                            + "this is no JSON: " + bad.getOriginalMessage(),
                    bad);
        }
        if (document == null || !(document.isArray() || document.has("alerts") || document.has("calls"))) {
            throw new IOException(file + " has neither \"alerts\" nor \"calls\"");
        }
        JsonNode ofAlerts = document.isArray() ? document : document.path("alerts");
        number(
                ofAlerts,
                "alert",
                (entry, id, set) -> alerts.add(
                        AlertSentence.parse(entry, new AlertSentence.Context(language, calendar, usual, set, drawings))
                                .alert(id, FILE, set, Double.NaN)),
                moments);
        number(
                document.path("calls"),
                "call",
                (entry, id, set) -> calls.add(
                        CallSentence.parse(entry, calendar, usual, set).call(id, FILE, set)),
                moments);
        if (alerts.isEmpty() && calls.isEmpty()) {
            throw new IOException(file + " has no alert and no call in it");
        }
    }

    private interface Taker {
        void take(String sentence, String id, long set);
    }

    private void number(JsonNode entries, String kind, Taker taker, ToLongFunction<String> moments) throws IOException {
        if (!entries.isArray() && !entries.isMissingNode()) {
            throw new IOException(file + ": \"" + kind + "s\" is a list");
        }
        int number = 0;
        for (JsonNode entry : entries) {
            number++;
            JsonNode sentence = entry.isTextual() ? entry : entry.path(kind);
            String id = entry.path("id").asText(kind + " " + number);
            try {
                if (!sentence.isTextual()) {
                    throw new IllegalArgumentException("it has no \"" + kind + "\" with the sentence");
                }
                if (!ids.add(id)) {
                    throw new IllegalArgumentException("the id " + id + " stands twice");
                }
                JsonNode set = entry.has("set") ? entry.path("set") : entry.path("set_at");
                taker.take(sentence.asText(), id, set.isTextual() ? moments.applyAsLong(set.asText()) : first);
            } catch (IllegalArgumentException bad) {
                throw new IOException(
                        file + ": " + kind + " " + number + (id.equals(kind + " " + number) ? "" : " (" + id + ")")
                                + ": " + bad.getMessage(),
                        bad);
            }
        }
    }
}
