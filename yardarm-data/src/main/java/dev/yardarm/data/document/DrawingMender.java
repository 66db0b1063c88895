package dev.yardarm.data.document;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Optional;

/** Puts the problem of a drawing that cannot be read in its place, so that the others of its file can be. */
final class DrawingMender {
    private static final String[] NEEDED = {"id", "kind", "origin", "anchors"};

    private DrawingMender() {}

    static void mend(ObjectMapper mapper, ObjectNode tracing) {
        if (!(tracing.get("drawings") instanceof ArrayNode drawings)) {
            return;
        }
        for (int at = 0; at < drawings.size(); at++) {
            Optional<String> problem = problem(mapper, drawings.get(at));
            if (problem.isPresent()) {
                String id = drawings.get(at).path("id").asText("");
                drawings.set(at, mapper.createObjectNode().put("id", id).put("problem", problem.get()));
            }
        }
    }

    private static Optional<String> problem(ObjectMapper mapper, JsonNode drawing) {
        if (!drawing.isObject()) {
            return Optional.of("it is no JSON object");
        }
        for (String needed : NEEDED) {
            if (!drawing.hasNonNull(needed)) {
                return Optional.of("it has no '" + needed + "'");
            }
        }
        if (!drawing.get("anchors").isArray()) {
            return Optional.of("its 'anchors' are no list");
        }
        int point = 0;
        for (JsonNode anchor : drawing.get("anchors")) {
            point++;
            for (String needed : new String[] {"time", "price"}) {
                if (!anchor.path(needed).isNumber()) {
                    return Optional.of("point " + point + ": its '" + needed + "' must be a number, not "
                            + (anchor.has(needed) ? anchor.get(needed) : "missing"));
                }
            }
        }
        try {
            mapper.treeToValue(drawing, DrawingEntry.class);
            return Optional.empty();
        } catch (JsonProcessingException | RuntimeException bad) {
            return Optional.of(Problems.words(bad));
        }
    }
}
