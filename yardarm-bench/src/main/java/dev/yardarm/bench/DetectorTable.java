package dev.yardarm.bench;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detecting;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.catalogue.Detectors;
import dev.yardarm.market.planted.Planted;
import dev.yardarm.market.synthetic.PlantedBars;
import dev.yardarm.market.synthetic.SyntheticBars;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * How often each detector is right: structures are planted into walks and trends of many seeds and clarities, and what is found of the
 * kind is compared with the truth. A planted one counts as found by a finding of its kind that covers at least half of its bars and was
 * confirmed at most {@value #LATE} bars after it could be known; every other confirmed finding of the kind is false. Prints a table for
 * {@code docs/detectors.md}.
 *
 * <p>Arguments: the first seed and how many seeds; 1001 and 300 unless given. Seeds below 1000 are for tuning.
 */
final class DetectorTable {
    private static final int LATE = 15;
    private static final int EARLY = 5;
    private static final int BARS = 320;
    private static final double[] CLARITIES = {1, 0.5, 0.25};

    private DetectorTable() {}

    /** What was counted of one kind and clarity. */
    private static final class Count {
        private int planted;
        private int found;
        private int confirmed;
        private int delay;

        double recall() {
            return (double) found / planted;
        }

        double precision() {
            return confirmed == 0 ? Double.NaN : (double) found / confirmed;
        }
    }

    /** A finding that was confirmed. */
    private record Confirmed(Finding finding, int from, int to, int at) {}

    public static void main(String[] arguments) {
        int first = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 1001;
        int seeds = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 300;
        String only = arguments.length > 2 ? arguments[2] : "";
        Map<String, Double> onWalks = onWalks(first, seeds);
        System.out.println("| kind | clear: recall | precision | delay | middling: recall | precision | delay | "
                + "faint: recall | precision | delay | false on walks, per 1,000 bars |");
        System.out.println("| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |");
        for (String kind : PlantedBars.kinds()) {
            if (!kind.contains(only)) {
                continue;
            }
            StringBuilder row = new StringBuilder("| " + kind + " |");
            for (double clarity : CLARITIES) {
                Count count = count(kind, clarity, first, seeds);
                row.append(String.format(
                        Locale.ROOT,
                        " %.2f | %.2f | %.1f |",
                        count.recall(),
                        count.precision(),
                        count.found == 0 ? Double.NaN : (double) count.delay / count.found));
            }
            row.append(String.format(Locale.ROOT, " %.2f |", onWalks.getOrDefault(kind, 0.0)));
            System.out.println(row);
        }
    }

    /** The detector that looks for a kind. */
    private static Detector detector(String kind) {
        return Detectors.all().stream()
                .filter(each -> each.kinds().stream().anyMatch(own -> own.name().equals(kind)))
                .findFirst()
                .orElseThrow();
    }

    private static Count count(String kind, double clarity, int first, int seeds) {
        Count count = new Count();
        Detector detector = detector(kind);
        for (int seed = first; seed < first + seeds; seed++) {
            SyntheticBars.Kind around = seed % 2 == 0 ? SyntheticBars.Kind.WALK : SyntheticBars.Kind.TREND;
            PlantedBars.Made made = PlantedBars.make(seed, BARS, around, List.of(kind), clarity);
            List<Confirmed> all = confirmed(detector, kind, made.series().snapshot());
            count.planted += made.truth().size();
            count.confirmed += all.size();
            for (Planted planted : made.truth()) {
                Confirmed match = all.stream()
                        .filter(each -> isOf(each, planted))
                        .findFirst()
                        .orElse(null);
                if (match != null) {
                    count.found++;
                    count.delay += match.at() - planted.knowable();
                }
            }
        }
        return count;
    }

    private static boolean isOf(Confirmed found, Planted planted) {
        int shared = Math.min(found.to(), planted.to()) - Math.max(found.from(), planted.from());
        return 2 * shared >= planted.to() - planted.from()
                && found.at() >= planted.knowable() - EARLY
                && found.at() <= planted.knowable() + LATE;
    }

    private static List<Confirmed> confirmed(Detector detector, String kind, Bars bars) {
        Detecting detecting = new Detecting(detector, detector.settings(Map.of()));
        detecting.update(bars);
        FindingLog log = detecting.log();
        List<Confirmed> all = new ArrayList<>();
        for (int place = 0; place < log.size(); place++) {
            FindingLog.Standing entry = log.entry(place);
            if (entry.state() == Finding.State.CONFIRMED && isOf(entry.finding().kind(), kind)) {
                all.add(new Confirmed(
                        entry.finding(),
                        bars.barAt(entry.finding().from()),
                        bars.barAt(entry.finding().to()),
                        entry.knownAt()));
            }
        }
        return all;
    }

    /** The kind, or the kind on a larger degree. */
    private static boolean isOf(String found, String kind) {
        return found.equals(kind) || found.matches(kind + "_\\d");
    }

    /** Confirmed findings of each kind on plain walks, per thousand bars. */
    private static Map<String, Double> onWalks(int first, int seeds) {
        Map<String, Double> found = new TreeMap<>();
        int length = 1000;
        for (int seed = first; seed < first + seeds; seed++) {
            Bars bars =
                    SyntheticBars.make(seed, length, SyntheticBars.Kind.WALK).snapshot();
            for (String kind : PlantedBars.kinds()) {
                found.merge(kind, (double) confirmed(detector(kind), kind, bars).size(), Double::sum);
            }
        }
        found.replaceAll((kind, count) -> count / seeds * 1000 / length);
        return found;
    }
}
