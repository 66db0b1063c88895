package dev.yardarm.data.document;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.exc.InvalidFormatException;
import com.fasterxml.jackson.databind.exc.ValueInstantiationException;
import java.util.stream.Collectors;

/** What is wrong with a document, in words for its owner: no names of classes, the place where it is. */
final class Problems {
    private Problems() {}

    static String words(Exception bad) {
        if (!(bad instanceof JsonProcessingException json)) {
            return bad instanceof IllegalArgumentException && bad.getMessage() != null
                    ? bad.getMessage()
                    : "something is missing in it";
        }
        if (!(bad instanceof JsonMappingException mapping)) {
            return json.getOriginalMessage();
        }
        String path = mapping.getPath().stream()
                .map(step -> step.getFieldName() == null ? "[" + (step.getIndex() + 1) + "]" : step.getFieldName())
                .collect(Collectors.joining("."))
                .replace(".[", "[");
        String where = path.isEmpty() ? "" : "'" + path + "': ";
        if (bad instanceof InvalidFormatException format) {
            String message = format.getOriginalMessage();
            String reason =
                    message.replaceFirst("^Cannot deserialize value of type \\S+ from \\w+ (\".*?\"|\\S+): ", "");
            return where
                    + (reason.contains("Enum class") || reason.equals(message)
                            ? "'" + format.getValue() + "' does not fit"
                            : reason);
        }
        if (bad instanceof ValueInstantiationException && bad.getCause() != null) {
            return where + words(bad.getCause() instanceof Exception cause ? cause : bad);
        }
        return where + "it is of the wrong kind";
    }
}
