package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.indicator.catalogue.CandleCues;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Figured;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Happened;
import dev.yardarm.core.structure.Sight;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * The candle patterns of the catalogue as findings: each cue of its indicators with their standard settings, told at the close of the last
 * bar of the pattern. All cues of a bar are packed into one column, a bit for each, so that the detector reads one number a bar.
 *
 * <p>O(1) a bar: the rows of the last bars are moved on once for all patterns.
 */
public final class Candles extends Detector {
    /** A cue of an indicator: the kind it is told as. */
    private record Cue(String kind, String title) {}

    private static final List<Cue> CUES = cues();

    public Candles() {
        super("candles", "Candle patterns");
        also("candlestick", "hammer", "engulfing", "doji", "star");
        List<String> kinds = new ArrayList<>(List.of("any"));
        for (Cue cue : CUES) {
            kind(cue.kind(), cue.title());
            kinds.add(cue.kind());
        }
        choice("kind", "Kind", kinds.toArray(String[]::new));
        cue("found", "A candle pattern", chosen -> Happened.to(each -> true, Finding.State.CONFIRMED));
        help(
                "Patterns of one to five candles, as they stand in the catalogue.",
                "Each cue of the indicators of candle patterns with their default settings, at the bar at whose close it holds. The "
                        + "rule of each stands with its indicator.",
                "They say how one or a few bars ended: worth a look at a level, where they come after a move.",
                "Every instrument shows some every week. Most of them are followed by nothing.",
                "Gregory L. Morris, Candlepower (1992); Steve Nison, Japanese Candlestick Charting Techniques (1991).");
    }

    private static List<Cue> cues() {
        List<Cue> all = new ArrayList<>();
        for (Indicator each : CandleCues.patterns()) {
            for (Indicator.Output cue : each.outputs()) {
                boolean same = each.outputs().size() == 1 || each.name().equals(cue.name());
                all.add(new Cue(same ? each.name() : each.name() + "_" + cue.name(), cue.label()));
            }
        }
        return List.copyOf(all);
    }

    @Override
    protected ColumnGraph.Node source(ColumnGraph graph, Settings chosen) {
        return CandleCues.in(graph);
    }

    @Override
    public Detection begin(Settings chosen, Column source) {
        return new Search(source, chosen.word("kind"));
    }

    @Override
    public Figured figure(Sight sight) {
        Finding.Point at = sight.finding().points().get(0);
        return new Figured(
                "text", List.of(new Anchor(at.time(), at.price())), Map.of("text", words(sight.finding())), "", true);
    }

    private record Search(Column cues, String only) implements Detection {
        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            long bits = (long) cues.at(bar);
            for (int cue = 0; bits != 0 && cue < CUES.size(); cue++) {
                String kind = CUES.get(cue).kind();
                if ((bits & 1L << cue) != 0 && (only.equals("any") || only.equals(kind))) {
                    int number = log.found(
                            new Finding(
                                    kind,
                                    List.of(new Finding.Point("close", bars.openTime(bar), bars.close(bar))),
                                    Map.of(),
                                    Double.NaN,
                                    Double.NaN,
                                    1),
                            bar);
                    log.become(number, Finding.State.CONFIRMED, bar);
                }
            }
        }

        @Override
        public Detection copy() {
            return this;
        }
    }
}
