package dev.yardarm.data.document;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.scan.Scan;
import java.util.List;

/** A scan as it is written in a file. */
public record ScanEntry(String name, String list, Timeframe timeframe, List<String> conditions) {
    public static ScanEntry of(Scan scan) {
        return new ScanEntry(scan.name(), scan.list(), scan.timeframe(), scan.conditions());
    }

    /** @throws RuntimeException when something is missing */
    public Scan scan() {
        return new Scan(name, list, timeframe, conditions);
    }
}
