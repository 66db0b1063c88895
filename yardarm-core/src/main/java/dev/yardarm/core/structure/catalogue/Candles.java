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
import dev.yardarm.core.structure.Given;
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
    private static final Finding.Spot[] SPOTS =
            CUES.stream().map(each -> new Finding.Spot(each.kind(), "close", 1)).toArray(Finding.Spot[]::new);

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
    public Detection begin(Settings chosen, Given given) {
        return Search.of(given.source(), chosen.word("kind"));
    }

    @Override
    public Figured figure(Sight sight) {
        Finding.Point at = sight.finding().points().get(0);
        return new Figured(
                "text", List.of(new Anchor(at.time(), at.price())), Map.of("text", words(sight.finding())), "", true);
    }

    /** @param asked the bits of the cues that are told */
    private record Search(Column cues, long asked) implements Detection {
        static Search of(Column cues, String only) {
            long asked = 0;
            for (int cue = 0; cue < SPOTS.length; cue++) {
                asked |= only.equals("any") || only.equals(SPOTS[cue].kind()) ? 1L << cue : 0;
            }
            return new Search(cues, asked);
        }

        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            for (long bits = (long) cues.at(bar) & asked; bits != 0; bits &= bits - 1) {
                Finding.Spot spot = SPOTS[Long.numberOfTrailingZeros(bits)];
                int number = log.found(spot, bars.openTime(bar), bars.close(bar), Double.NaN, bar);
                log.become(number, Finding.State.CONFIRMED, bar);
            }
        }

        @Override
        public Detection copy() {
            return this;
        }
    }
}
