package dev.yardarm.data.document;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;

/** How a document is turned into JSON and back, without its format and version. */
interface Codec<T> {
    /** @throws IOException when it cannot be understood as a whole, with what is wrong */
    T read(ObjectMapper mapper, ObjectNode document) throws IOException;

    ObjectNode write(ObjectMapper mapper, T document);

    /** Field by field, as the record has them. */
    static <T> Codec<T> of(Class<T> type) {
        return new Codec<>() {
            @Override
            public T read(ObjectMapper mapper, ObjectNode document) throws IOException {
                return mapper.treeToValue(document, type);
            }

            @Override
            public ObjectNode write(ObjectMapper mapper, T value) {
                return mapper.valueToTree(value);
            }
        };
    }

    /** The same after something was mended in the JSON that was read. */
    static <T> Codec<T> mended(Class<T> type, Mending mending) {
        Codec<T> plain = of(type);
        return new Codec<>() {
            @Override
            public T read(ObjectMapper mapper, ObjectNode document) throws IOException {
                mending.mend(mapper, document);
                return plain.read(mapper, document);
            }

            @Override
            public ObjectNode write(ObjectMapper mapper, T value) {
                return plain.write(mapper, value);
            }
        };
    }

    /** Puts right what would keep a whole document from being read. */
    @FunctionalInterface
    interface Mending {
        void mend(ObjectMapper mapper, ObjectNode document);
    }
}
