package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonDeserializer;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.module.SimpleModule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import java.io.IOException;
import java.util.function.Function;

/** How documents are written: indented, fields in the order of the records, identities and timeframes as words. */
final class DocumentMapper {
    private DocumentMapper() {}

    static ObjectMapper create() {
        SimpleModule words = new SimpleModule();
        asWord(words, InstrumentId.class, InstrumentId::parse);
        asWord(words, Timeframe.class, text -> Timeframe.parse(text)
                .orElseThrow(() -> new IllegalArgumentException("'" + text + "' is not a timeframe")));
        words.addDeserializer(Entries.class, new Entries.Reader(Object.class));
        words.addSerializer(Entries.class, new Entries.Writer());
        return new ObjectMapper()
                .registerModule(words)
                .setVisibility(PropertyAccessor.ALL, Visibility.NONE)
                .setVisibility(PropertyAccessor.FIELD, Visibility.ANY)
                .setVisibility(PropertyAccessor.CREATOR, Visibility.ANY)
                .enable(SerializationFeature.INDENT_OUTPUT)
                .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);
    }

    private static <T> void asWord(SimpleModule module, Class<T> type, Function<String, T> parse) {
        module.addSerializer(type, new JsonSerializer<>() {
            @Override
            public void serialize(T value, JsonGenerator out, SerializerProvider provider) throws IOException {
                out.writeString(value.toString());
            }
        });
        module.addDeserializer(type, new JsonDeserializer<>() {
            @Override
            public T deserialize(JsonParser in, DeserializationContext context) throws IOException {
                String text = in.getValueAsString();
                try {
                    return parse.apply(text == null ? "" : text);
                } catch (IllegalArgumentException bad) {
                    throw context.weirdStringException(text, type, bad.getMessage());
                }
            }
        });
    }
}
