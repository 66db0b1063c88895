package dev.yardarm.cli;

import dev.yardarm.data.csv.ReadingOptions;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine.Option;

/** What may be said about a file beforehand; the rest is found out from it. */
final class FileOptions {
    @Option(names = "--zone", paramLabel = "ZONE", description = "zone of times without an offset, and of the days")
    private String zone;

    @Option(
            names = "--dates",
            paramLabel = "dmy|mdy|ymd",
            description = "order of day, month and year, where no row of the file shows it")
    private String dates;

    @Option(
            names = "--decimal",
            paramLabel = "point|comma",
            description = "sign before decimals, where no number of the file shows it")
    private String decimal;

    @Option(
            names = "--separator",
            paramLabel = "SIGN",
            description = "sign between fields: comma, semicolon, tab, bar or the sign itself")
    private String separator;

    @Option(
            names = "--epoch",
            paramLabel = "s|ms|us|ns",
            description = "what times count that are plain numbers since 1970")
    private String epoch;

    @Option(
            names = "--columns",
            paramLabel = "NAMES",
            split = ",",
            description = "names of the columns of a file without a header, or in place of its own, "
                    + "such as time,open,high,low,close,volume; - for one that is not read")
    private List<String> columns;

    /** The zone told; null when none is. */
    ZoneId zone() throws WrongUsageException {
        return Zones.read(zone);
    }

    ReadingOptions read() throws WrongUsageException {
        return new ReadingOptions(
                zone(),
                word("--dates", dates, ReadingOptions.DateOrder.class),
                sign("--decimal", decimal, Map.of("point", '.', "comma", ',', ".", '.', ",", ',')),
                sign(
                        "--separator",
                        separator,
                        Map.of("comma", ',', "semicolon", ';', "tab", '\t', "bar", '|', ",", ',', ";", ';', "|", '|')),
                word("--epoch", epoch, ReadingOptions.EpochUnit.class),
                columns == null ? List.of() : columns);
    }

    private static <E extends Enum<E>> E word(String option, String text, Class<E> kind) throws WrongUsageException {
        if (text == null) {
            return null;
        }
        for (E each : kind.getEnumConstants()) {
            if (each.name().equalsIgnoreCase(text.strip())) {
                return each;
            }
        }
        throw new WrongUsageException(option + " is one of "
                + String.join(
                        ", ",
                        java.util.Arrays.stream(kind.getEnumConstants())
                                .map(each -> each.name().toLowerCase(Locale.ROOT))
                                .toList())
                + ", not '" + text + "'");
    }

    private static char sign(String option, String text, Map<String, Character> signs) throws WrongUsageException {
        if (text == null) {
            return 0;
        }
        Character sign = signs.get(text.toLowerCase(Locale.ROOT));
        if (sign == null) {
            throw new WrongUsageException(option + " is one of "
                    + String.join(
                            ", ",
                            signs.keySet().stream()
                                    .filter(each -> each.length() > 1)
                                    .sorted()
                                    .toList())
                    + ", not '" + text + "'");
        }
        return sign;
    }
}
