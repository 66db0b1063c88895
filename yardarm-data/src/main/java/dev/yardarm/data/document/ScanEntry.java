package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.Universe;
import java.util.List;

/** A scan as it is written in a file. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ScanEntry(
        String name,
        String purpose,
        String note,
        Among universe,
        Timeframe timeframe,
        String condition,
        String rank,
        List<String> columns) {
    /** A universe as it is written; what is left out is empty. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record Among(
            List<String> lists,
            List<String> indices,
            Integer heaviest,
            List<String> sectors,
            List<String> tiers,
            List<String> without) {
        public static Among of(Universe universe) {
            return new Among(
                    universe.lists(),
                    universe.indices(),
                    universe.heaviest() == 0 ? null : universe.heaviest(),
                    universe.sectors(),
                    universe.tiers(),
                    universe.without());
        }

        public Universe universe() {
            return new Universe(
                    orEmpty(lists),
                    orEmpty(indices),
                    heaviest == null ? 0 : heaviest,
                    orEmpty(sectors),
                    orEmpty(tiers),
                    orEmpty(without));
        }
    }

    public static ScanEntry of(Scan scan) {
        return new ScanEntry(
                scan.name(),
                scan.purpose(),
                scan.note(),
                Among.of(scan.universe()),
                scan.timeframe(),
                scan.condition(),
                scan.rank(),
                scan.columns());
    }

    /** @throws RuntimeException when something is missing */
    public Scan scan() {
        return new Scan(
                name,
                orEmpty(purpose),
                orEmpty(note),
                universe == null ? Universe.ALL : universe.universe(),
                timeframe,
                condition,
                orEmpty(rank),
                orEmpty(columns));
    }

    private static String orEmpty(String text) {
        return text == null ? "" : text;
    }

    private static List<String> orEmpty(List<String> texts) {
        return texts == null ? List.of() : texts;
    }
}
