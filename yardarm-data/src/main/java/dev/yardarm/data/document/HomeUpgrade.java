package dev.yardarm.data.document;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.data.home.FileNames;
import dev.yardarm.data.text.BoundedFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** What an older home folder has in one document and a newer one in another. Done before documents are read; once more does no harm. */
public final class HomeUpgrade {
    private HomeUpgrade() {}

    /** Brings a folder of documents up to what this version expects across documents. */
    public static void run(DocumentStore store, Path folder) throws IOException {
        firings(store, folder.resolve("alerts.json"));
        drawingsByName(folder.resolve(DocumentKind.TRACING.folder()));
    }

    /** Signs in a code once became underscores in the name of its file, and two codes could share one; it says whose it is. */
    private static void drawingsByName(Path tracings) throws IOException {
        if (!Files.isDirectory(tracings)) {
            return;
        }
        ObjectMapper mapper = DocumentMapper.create();
        List<Path> files;
        try (Stream<Path> all = Files.list(tracings)) {
            files = all.filter(file -> file.getFileName().toString().matches(".*_.*\\.json"))
                    .toList();
        }
        for (Path file : files) {
            try {
                InstrumentId owner = InstrumentId.parse(mapper.readTree(BoundedFile.bytes(file, BoundedFile.DOCUMENT))
                        .path("instrument")
                        .asText());
                Path named = file.resolveSibling(FileNames.safe(owner.source() + "-" + owner.code()) + ".json");
                if (!Files.exists(named)) {
                    Files.move(file, named);
                }
            } catch (JsonProcessingException | IllegalArgumentException damaged) {
                // Whose it is cannot be told; it is set aside when it is asked for.
            }
        }
    }

    /** Alerts of version 1 say in themselves that they fired; that becomes records of its own. */
    private static void firings(DocumentStore store, Path alerts) throws IOException {
        if (!Files.exists(alerts)) {
            return;
        }
        ObjectMapper mapper = DocumentMapper.create();
        JsonNode document;
        try {
            document = mapper.readTree(BoundedFile.bytes(alerts, BoundedFile.DOCUMENT));
        } catch (JsonProcessingException damaged) {
            // Told and set aside when it is read.
            return;
        }
        if (document.path("version").asInt() != 1) {
            return;
        }
        Map<String, Entries.Entry<FiringEntry>> all = new LinkedHashMap<>();
        store.read(DocumentKind.FIRINGS, "firings")
                .map(Entries::all)
                .orElse(List.of())
                .forEach(entry -> all.put(
                        entry.value() == null
                                ? "unread " + all.size()
                                : entry.value().key(),
                        entry));
        int before = all.size();
        for (JsonNode alert : document.path("alerts")) {
            if (alert.path("firedAt").asLong() > 0) {
                try {
                    FiringEntry fired = fired(mapper, alert);
                    all.putIfAbsent(fired.key(), new Entries.Entry<>(fired, null, ""));
                } catch (JsonProcessingException | IllegalArgumentException unreadable) {
                    // The alert itself is told when it is read.
                }
            }
        }
        if (all.size() > before) {
            store.write(DocumentKind.FIRINGS, "firings", new Entries<>(new ArrayList<>(all.values())));
        }
    }

    private static FiringEntry fired(ObjectMapper mapper, JsonNode alert) throws JsonProcessingException {
        return new FiringEntry(
                alert.path("id").asText(),
                alert.path("setAt").asLong(),
                mapper.treeToValue(alert.path("instrument"), InstrumentId.class),
                alert.path("drawing").asText(),
                "",
                null,
                "time:" + alert.path("timeframe").asText(),
                alert.path("firedAt").asLong(),
                alert.path("firedPrice").asDouble(),
                0);
    }
}
