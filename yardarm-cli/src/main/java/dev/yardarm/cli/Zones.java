package dev.yardarm.cli;

import java.time.DateTimeException;
import java.time.ZoneId;

/** Reads a zone option. */
final class Zones {
    private Zones() {}

    /** The zone of that name; null when none is given. */
    static ZoneId read(String name) throws WrongUsageException {
        try {
            return name == null ? null : ZoneId.of(name);
        } catch (DateTimeException unknown) {
            throw new WrongUsageException("'" + name + "' is not a time zone; write it as Atlantic/Azores or +01:00");
        }
    }
}
