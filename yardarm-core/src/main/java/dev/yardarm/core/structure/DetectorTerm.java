package dev.yardarm.core.structure;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A detector as formulas, scans, alerts and rules of colour reach it: its columns and cues are the outputs of an indicator with the
 * settings of the detector and, where one of several is meant, {@code nth} counted from the newest.
 */
public final class DetectorTerm extends Declared {
    private static final int MOST = 50;

    private final Detector detector;

    public DetectorTerm(Detector detector) {
        super(Family.STRUCTURE, detector.word(), detector.title());
        this.detector = detector;
        also(detector.synonyms().toArray(String[]::new));
        detector.settings().forEach(this::setting);
        if (detector.told().stream().anyMatch(Detector.Told::counted)) {
            whole(Detector.NTH, "Which, from the newest", 1, 1, MOST);
        }
        for (Detector.Told each : detector.told()) {
            if (each.cue()) {
                cue(each.name(), each.label());
            } else {
                output(each.name(), each.label(), Form.NONE);
            }
        }
        var help = detector.help();
        help(help.summary(), help.formula(), help.reading(), help.weakness(), help.origin());
    }

    /** The detector it is of. */
    public Detector detector() {
        return detector;
    }

    @Override
    public void check(Settings settings) {
        detector.check(settings);
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(this::columns);
    }

    /**
     * The detector at work in a graph.
     *
     * @param settings of this term
     * @param source a column in the place of what it reads beside the bars; null for that
     */
    public Detected detected(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        Map<String, String> own = new HashMap<>(settings.values());
        own.remove(Detector.NTH);
        return Detected.in(graph, detector, detector.settings(own), source);
    }

    private List<ColumnGraph.Node> columns(ColumnGraph graph, Settings settings, ColumnGraph.Node source) {
        Detected detected = detected(graph, settings, source);
        List<ColumnGraph.Node> columns = new ArrayList<>();
        for (Detector.Told each : detector.told()) {
            String name = each.counted() ? each.name() + " " + settings.whole(Detector.NTH) : each.name();
            columns.add(detected.column(name, () -> each.reader().apply(settings)));
        }
        return columns;
    }
}
