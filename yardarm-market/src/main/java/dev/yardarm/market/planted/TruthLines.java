package dev.yardarm.market.planted;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
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
        return text(json);
    }

    /** One line of an order planted among trades: its first and last print, price, size, side and how many prints it has. */
    public static String of(String code, PlantedOrder order) {
        return text(MAPPER.createObjectNode()
                .put("code", code)
                .put("kind", order.kind())
                .put("from", time(order.time()))
                .put("to", time(order.end()))
                .put("price", order.price())
                .put("size", order.size())
                .put("side", order.side() == TickSeries.ASK ? "ask" : "bid")
                .put("prints", order.prints()));
    }

    /** One line of a point of control that no later trade has reached. */
    public static String untouched(String code, long from, long to, double price) {
        return text(MAPPER.createObjectNode()
                .put("code", code)
                .put("kind", "untouched_poc")
                .put("from", time(from))
                .put("to", time(to))
                .put("price", price));
    }

    private static String time(long micros) {
        return Instant.ofEpochSecond(Math.floorDiv(micros, Times.SECOND), Math.floorMod(micros, Times.SECOND) * 1000)
                .toString();
    }

    private static String text(ObjectNode json) {
        try {
            return MAPPER.writeValueAsString(json);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
