package dev.yardarm.desk.line;

import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.room.chart.ChartComparisons;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Lines about other instruments on the chart: {@code compare KTRL MARN}, {@code compare KTRL own bars pane},
 * {@code correlate KTRL MARN 60}.
 */
final class CompareWords {
    private static final String USE =
            "other instruments, such as compare KTRL MARN; percent, same, left or own for the "
                    + "scale, bars for bars, below for a pane of their own may follow";
    private static final String CORRELATE =
            "the rolling correlation of two instruments, such as correlate KTRL MARN 60";

    private final Directory directory;

    CompareWords(Directory directory) {
        this.directory = directory;
    }

    List<Proposal> read(String text, String[] words) {
        List<String> rest = Arrays.asList(words).subList(1, words.length);
        return switch (words[0].toLowerCase(Locale.ROOT)) {
            case "compare" -> rest.isEmpty() ? List.of() : List.of(compare(text, rest));
            case "correlate" -> List.of(correlate(text, rest));
            default -> List.of();
        };
    }

    private Proposal compare(String text, List<String> rest) {
        List<Instrument> others = new ArrayList<>();
        LayerScale scale = LayerScale.PERCENT;
        boolean bars = false;
        boolean below = false;
        for (String word : rest) {
            Optional<Instrument> instrument = instrument(word);
            if (word.equalsIgnoreCase("bars") || word.equalsIgnoreCase("line")) {
                bars = word.equalsIgnoreCase("bars");
            } else if (word.equalsIgnoreCase("below")) {
                below = true;
            } else if (!word.startsWith("#") && LayerScale.named(word).isPresent()) {
                scale = LayerScale.named(word).get();
            } else if (instrument.isPresent()) {
                others.add(instrument.get());
            } else {
                return new Proposal(
                        "compare", text, "no instrument is called '" + word + "'; type a part of its name", null);
            }
        }
        return others.isEmpty()
                ? new Proposal("compare", text, USE, null)
                : new Proposal(
                        "compare",
                        text,
                        others.stream().map(Instrument::name).collect(Collectors.joining(", "))
                                + (below ? ", below" : "") + ", " + scale.words() + (bars ? ", bars" : ""),
                        new LineCommand.Compare(others, new ChartComparisons.Look(scale, bars, below)));
    }

    private Proposal correlate(String text, List<String> rest) {
        Optional<Instrument> one = rest.isEmpty() ? Optional.empty() : instrument(rest.get(0));
        Optional<Instrument> other = rest.size() < 2 ? Optional.empty() : instrument(rest.get(1));
        boolean length = rest.size() == 3
                && rest.get(2).matches("[0-9]{1,4}")
                && Integer.parseInt(rest.get(2)) >= 2
                && Integer.parseInt(rest.get(2)) <= 5000;
        if (one.isEmpty() || other.isEmpty() || rest.size() > 3 || rest.size() == 3 && !length) {
            return new Proposal("compare", text, CORRELATE, null);
        }
        return new Proposal(
                "compare",
                text,
                "correlation of " + one.get().name() + " and " + other.get().name(),
                new LineCommand.Correlate(one.get(), other.get(), length ? Integer.parseInt(rest.get(2)) : 0));
    }

    private Optional<Instrument> instrument(String word) {
        String code = word.startsWith("#") ? word.substring(1) : word;
        int colon = code.indexOf(':');
        return colon > 0
                ? directory.find(new InstrumentId(
                        code.substring(0, colon).toLowerCase(Locale.ROOT),
                        code.substring(colon + 1).toUpperCase(Locale.ROOT)))
                : directory.byCode(code);
    }
}
