package dev.yardarm.core.structure;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/**
 * A detector at work in a graph: its findings, and the columns that are read from them. One for a detector, its settings and its source
 * in a graph, however many layers and formulas ask.
 *
 * <pre>{@code
 * Detected levels = Detected.in(graph, detector, settings, null);
 * graph.update(bars);
 * levels.now().asOf(bars.size() - 1);
 * }</pre>
 *
 * <p>Of the forming bar is worked out what would stand if it closed as it is, in a {@linkplain FindingLog#branch() branch} that is thrown
 * away with the next update. Cost of an update: the new closed bars and the forming one, each by what is still open then; of a column
 * the entries that are new. Used by the thread of its graph.
 */
public final class Detected {
    private final Detector detector;
    private final Settings settings;
    private final ColumnGraph graph;
    private final Given given;
    private final ColumnGraph.Node entries;
    private Detection detection;
    private FindingLog log = new FindingLog();
    private FindingLog now = log;
    private Bars bars = Bars.EMPTY;

    private Detected(Detector detector, Settings settings, ColumnGraph graph, ColumnGraph.Node source) {
        this.detector = detector;
        this.settings = settings;
        this.graph = graph;
        this.given = new Given(
                source == null ? null : source.keep().output(),
                detector.restsOn().stream()
                        .map(each -> in(graph, each, each.settings(Map.of()), null))
                        .toList());
        List<ColumnGraph.Node> inputs = new ArrayList<>();
        if (source != null) {
            inputs.add(source);
        }
        inputs.addAll(given.nodes());
        this.entries = graph.walked(words() + " entries", this::restart, inputs.toArray(ColumnGraph.Node[]::new));
    }

    /**
     * The one of a graph.
     *
     * @param given what it reads beside the bars, for a detector {@linkplain Detector#readsSource() that reads something}; null for what it
     *     reads unless told otherwise
     */
    public static Detected in(ColumnGraph graph, Detector detector, Settings settings, ColumnGraph.Node given) {
        record Key(String detector, Settings settings, ColumnGraph.Node source) {}
        ColumnGraph.Node source = given == null ? detector.source(graph, settings) : given;
        return graph.shared(
                new Key(detector.name(), settings, source),
                Detected.class,
                () -> new Detected(detector, settings, graph, source));
    }

    private String words() {
        return detector.name() + "(" + settings.numbers(detector.settings()) + ")";
    }

    /** The bars its findings are of, as they were taken last; the numbers of the log count them. */
    public Bars bars() {
        return bars;
    }

    public Detector detector() {
        return detector;
    }

    /** What is known from closed bars. */
    public FindingLog log() {
        return log;
    }

    /** The same, and what the forming bar brings if it closes as it is. */
    public FindingLog now() {
        return now;
    }

    /** How many entries the log has, beside each bar. */
    public ColumnGraph.Node entries() {
        return entries;
    }

    /**
     * A column read from the findings.
     *
     * @param name tells it from others of this detector
     */
    public ColumnGraph.Node column(String name, Supplier<Reader> reader) {
        return graph.walked(words() + " " + name, () -> new Reading(reader.get()), entries);
    }

    private Walk restart() {
        given.begin();
        detection = detector.begin(settings, given);
        log = new FindingLog();
        now = log;
        return new Taking();
    }

    /** Takes the bars. */
    private final class Taking implements Walk {
        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            Detected.this.bars = bars;
            given.closed(inputs, bar);
            detection.take(bars, bar, log);
            now = log;
            return log.size();
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            Detected.this.bars = bars;
            given.forming();
            now = log.branch();
            detection.copy().take(bars, bar, now);
            given.begin();
            return now.size();
        }
    }

    /** Follows the log, as far as it was known at each bar. */
    private final class Reading implements Walk {
        private final Reader reader;
        private int place;

        Reading(Reader reader) {
            this.reader = reader;
        }

        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            for (int end = (int) inputs[0].at(bar); place < end; place++) {
                reader.note(log.entry(place));
            }
            return reader.at(bars, bar);
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            Reader branch = reader.copy();
            for (int at = place; at < now.size(); at++) {
                branch.note(now.entry(at));
            }
            return branch.at(bars, bar);
        }
    }
}
