package dev.yardarm.data.document;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.BeanProperty;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JavaType;
import com.fasterxml.jackson.databind.JsonDeserializer;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.ContextualDeserializer;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/**
 * A document that is a list of entries. One that cannot be read costs itself alone and is written back as it was; fields of an
 * entry that nothing here knows are written back with it.
 *
 * @param <E> the record of an entry
 */
public record Entries<E>(List<Entry<E>> all) {
    public Entries {
        all = List.copyOf(all);
    }

    /**
     * One entry.
     *
     * @param value null when it cannot be read
     * @param kept as it was read; null for a new one
     * @param problem why it cannot be read; empty when it can
     */
    public record Entry<E>(E value, Kept kept, String problem) {}

    /** New entries. */
    public static <E> Entries<E> of(List<E> values) {
        return new Entries<>(
                values.stream().map(value -> new Entry<>(value, null, "")).toList());
    }

    /** Those that could be read. */
    public List<E> values() {
        List<E> values = new ArrayList<>();
        all.forEach(entry -> {
            if (entry.value() != null) {
                values.add(entry.value());
            }
        });
        return values;
    }

    /** How a list of entries stands in a file, under a name. */
    static <E> Codec<Entries<E>> codec(String field, Class<E> type) {
        return new Codec<>() {
            @Override
            public Entries<E> read(ObjectMapper mapper, ObjectNode document) throws IOException {
                List<Entry<E>> all = new ArrayList<>();
                JsonNode list = document.path(field);
                if (!list.isMissingNode() && !list.isArray() && !list.isNull()) {
                    throw new IOException("its '" + field + "' are no list");
                }
                for (JsonNode each : list) {
                    all.add(entry(mapper, each, type));
                }
                return new Entries<>(all);
            }

            @Override
            public ObjectNode write(ObjectMapper mapper, Entries<E> entries) {
                ObjectNode document = mapper.createObjectNode();
                ArrayNode list = document.putArray(field);
                for (Entry<E> each : entries.all()) {
                    list.add(node(mapper, each));
                }
                return document;
            }
        };
    }

    /** Reads a list of entries anywhere in a document. */
    @SuppressWarnings("rawtypes")
    static final class Reader extends JsonDeserializer<Entries> implements ContextualDeserializer {
        private final Class<?> type;

        Reader(Class<?> type) {
            this.type = type;
        }

        @Override
        public JsonDeserializer<?> createContextual(DeserializationContext context, BeanProperty property) {
            JavaType list = property == null ? context.getContextualType() : property.getType();
            return new Reader(list.containedType(0).getRawClass());
        }

        @Override
        public Entries deserialize(JsonParser in, DeserializationContext context) throws IOException {
            ObjectMapper mapper = (ObjectMapper) in.getCodec();
            return read(mapper, mapper.readTree(in), type);
        }

        private static <E> Entries<E> read(ObjectMapper mapper, JsonNode list, Class<E> type) {
            List<Entry<E>> all = new ArrayList<>();
            list.forEach(each -> all.add(entry(mapper, each, type)));
            return new Entries<>(all);
        }
    }

    /** Writes a list of entries anywhere in a document. */
    @SuppressWarnings("rawtypes")
    static final class Writer extends JsonSerializer<Entries> {
        @Override
        public void serialize(Entries entries, JsonGenerator out, SerializerProvider provider) throws IOException {
            ObjectMapper mapper = (ObjectMapper) out.getCodec();
            out.writeStartArray();
            for (Object each : entries.all()) {
                out.writeTree(node(mapper, (Entry<?>) each));
            }
            out.writeEndArray();
        }
    }

    private static <E> Entry<E> entry(ObjectMapper mapper, JsonNode node, Class<E> type) {
        Kept kept = new Kept(node);
        if (!node.isObject()) {
            return new Entry<>(null, kept, "it is no JSON object");
        }
        try {
            return new Entry<>(mapper.treeToValue(node, type), kept, "");
        } catch (JsonProcessingException | RuntimeException bad) {
            return new Entry<>(null, kept, Problems.words(bad));
        }
    }

    private static <E> JsonNode node(ObjectMapper mapper, Entry<E> entry) {
        if (entry.value() == null) {
            return entry.kept().raw();
        }
        ObjectNode own = mapper.valueToTree(entry.value());
        if (entry.kept() != null && entry.kept().raw() instanceof ObjectNode before) {
            before.properties().forEach(field -> {
                if (!own.has(field.getKey())) {
                    own.set(field.getKey(), field.getValue());
                }
            });
        }
        return own;
    }
}
