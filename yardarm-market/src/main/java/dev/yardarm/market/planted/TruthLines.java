package dev.yardarm.market.planted;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.function.IntFunction;

/**
 * The truth about planted structures as JSON, one object a line: kind, dates of the first and last turn, the date from whose close it could
 * be known, and the turns with their parts and prices.
 */
public final class TruthLines {
    private static final ObjectMapper MAPPER = new ObjectMapper();

    private TruthLines() {}

    /**
     * One line.
     *
     * @param code of the instrument; null where there is one alone
     * @param date of a bar
     */
    public static String of(String code, Planted planted, IntFunction<String> date) {
        ObjectNode json = MAPPER.createObjectNode();
        if (code != null) {
            json.put("code", code);
        }
        json.put("kind", planted.kind());
        json.put("from", date.apply(planted.from()));
        json.put("to", date.apply(planted.to()));
        json.put("knowable", date.apply(planted.knowable()));
        for (Planted.Point point : planted.points()) {
            json.withArray("points")
                    .addObject()
                    .put("role", point.role())
                    .put("time", date.apply(point.bar()))
                    .put(
                            "price",
                            BigDecimal.valueOf(point.price())
                                    .setScale(2, RoundingMode.HALF_EVEN)
                                    .stripTrailingZeros());
        }
        try {
            return MAPPER.writeValueAsString(json);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
