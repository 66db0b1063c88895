package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.DetectorTerm;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** All detectors there are. */
public final class Detectors {
    private static final List<Detector> ALL = List.of(
            new Swings(),
            new Levels(),
            new TrendLines(),
            new Gaps(),
            new OppositeBars(),
            new Patterns(),
            new Candles(),
            new Divergences(),
            new Ranges(),
            new WaveCounts(),
            new Targets());

    private Detectors() {}

    public static List<Detector> all() {
        return ALL;
    }

    /** What formulas reach of them, and of where they agree. */
    public static List<Indicator> terms() {
        List<Indicator> terms = new ArrayList<>();
        ALL.stream()
                .filter(each -> !each.told().isEmpty())
                .map(DetectorTerm::new)
                .forEach(terms::add);
        terms.add(new AgreementTerm());
        return List.copyOf(terms);
    }

    /** The one with a name. */
    public static Optional<Detector> named(String name) {
        return ALL.stream()
                .filter(each -> each.name().equalsIgnoreCase(name.strip()))
                .findFirst();
    }
}
