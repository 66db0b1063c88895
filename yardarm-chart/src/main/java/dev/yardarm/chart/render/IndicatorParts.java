package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.profile.BigTradesTerm;
import dev.yardarm.core.profile.Footprint;
import dev.yardarm.core.profile.FootprintTerm;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.profile.ProfileTerm;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.structure.DetectorTerm;
import dev.yardarm.core.structure.catalogue.AgreementTerm;
import java.util.List;
import java.util.Map;

/**
 * The table of what lists and legends say of kinds of indicators that are more than their lines: what was found, what they rest on, what is
 * left out. All others have their values alone.
 */
final class IndicatorParts {
    private static final IndicatorPart LINES = new IndicatorPart() {};

    private static final Map<Class<? extends Indicator>, IndicatorPart> PARTS = Map.of(
            DetectorTerm.class, new OfDetector(),
            AgreementTerm.class, new OfAgreement(),
            ProfileTerm.class, new OfProfile(),
            FootprintTerm.class, new OfFootprint(),
            BigTradesTerm.class, new OfLargeTrades());

    private IndicatorParts() {}

    static IndicatorPart of(IndicatorLayer layer) {
        return PARTS.getOrDefault(layer.indicator().getClass(), LINES);
    }

    private static final class OfDetector implements IndicatorPart {
        /** So many findings are few. */
        private static final int FEW = 20;

        @Override
        public String value(ChartModel chart, IndicatorLayer layer) {
            return chart.data().found(layer).size() + " found";
        }

        /** How many it has found, and when few are seen that there are others at prices that do not show. */
        @Override
        public String note(ChartModel chart, IndicatorLayer layer) {
            int all = chart.data().found(layer).size();
            if (all == 0 || all > FEW) {
                return all == 0 ? "none" : String.valueOf(all);
            }
            long seen = chart.places().inView().stream()
                    .flatMap(drawing -> chart.found().find(drawing.id()).stream())
                    .filter(each -> each.layer().equals(layer.id()))
                    .distinct()
                    .count();
            return all + (seen < all ? ", " + (seen == 0 ? "none" : seen) + " in view" : "");
        }
    }

    private static final class OfAgreement implements IndicatorPart {
        @Override
        public String value(ChartModel chart, IndicatorLayer layer) {
            int zones = chart.agreement().zones().size();
            return zones + (zones == 1 ? " zone" : " zones");
        }

        @Override
        public String note(ChartModel chart, IndicatorLayer layer) {
            return value(chart, layer);
        }
    }

    private static final class OfProfile implements IndicatorPart {
        /** Whether what is in view was estimated from bars. */
        @Override
        public String note(ChartModel chart, IndicatorLayer layer) {
            List<SpanProfile> spans = chart.data().flow().profiles().getOrDefault(layer.id(), List.of());
            long seenFrom = chart.bars()
                    .openTime(Math.max(
                            0, Math.min(chart.bars().size() - 1, chart.time().firstVisible())));
            long estimated = spans.stream()
                    .filter(span -> span.to() > seenFrom && span.estimated())
                    .count();
            return estimated == 0
                    ? ""
                    : "estimated from bars" + (estimated < spans.size() ? " where trades are not kept" : "");
        }
    }

    private static final class OfFootprint implements IndicatorPart {
        /** Which of its columns is there wherever the trades are. */
        private static final int DELTA = 1;

        @Override
        public String value(ChartModel chart, IndicatorLayer layer) {
            return footprint(chart, layer) == null ? IndicatorPart.super.value(chart, layer) : "";
        }

        @Override
        public String note(ChartModel chart, IndicatorLayer layer) {
            Footprint footprint = footprint(chart, layer);
            if (footprint == null) {
                return "";
            }
            String missing = missing(chart, layer, DELTA);
            String small = footprint.least() > 0
                    ? "smaller trades than " + FootprintRenderer.figure(footprint.least()) + " left out"
                    : "";
            return missing.isEmpty() ? small : small.isEmpty() ? missing : small + ", " + missing;
        }

        @Override
        public boolean saysOfBars(ChartModel chart, IndicatorLayer layer) {
            return footprint(chart, layer) != null;
        }

        /** The delta of the bar; empty where its trades are not known. */
        @Override
        public String at(ChartModel chart, IndicatorLayer layer, int bar) {
            List<ChartData.Line> lines = chart.data().of(layer);
            double delta =
                    lines.isEmpty() ? Double.NaN : lines.get(DELTA).column().at(bar);
            return Double.isNaN(delta)
                    ? ""
                    : "delta " + (delta < 0 ? "−" : delta > 0 ? "+" : "") + FootprintRenderer.figure(Math.abs(delta));
        }

        private static Footprint footprint(ChartModel chart, IndicatorLayer layer) {
            return chart.data().flow().footprints().get(layer.id());
        }
    }

    private static final class OfLargeTrades implements IndicatorPart {
        /** Which of its columns is there wherever the trades are. */
        private static final int BOUGHT = 0;

        @Override
        public String value(ChartModel chart, IndicatorLayer layer) {
            LargeMarks large = marks(chart, layer);
            return large == null ? IndicatorPart.super.value(chart, layer) : Integer.toString(large.size());
        }

        @Override
        public String note(ChartModel chart, IndicatorLayer layer) {
            LargeMarks large = marks(chart, layer);
            if (large == null) {
                return "";
            }
            int first = large.firstFrom(Math.max(0, chart.time().firstVisible()));
            int end = large.firstFrom(chart.time().endVisible(chart.bars().size()));
            String missing = missing(chart, layer, BOUGHT);
            return missing.isEmpty() ? (end == first ? "none" : Integer.toString(end - first)) + " in view" : missing;
        }

        private static LargeMarks marks(ChartModel chart, IndicatorLayer layer) {
            return chart.data().flow().large().get(layer.id());
        }
    }

    /**
     * From when on trades are known, where those of some bars in view are not.
     *
     * @param known number of the column that is there whenever the trades are
     */
    private static String missing(ChartModel chart, IndicatorLayer layer, int known) {
        List<ChartData.Line> lines = chart.data().of(layer);
        int first = Math.max(0, chart.time().firstVisible());
        int end = Math.min(
                chart.bars().size(), chart.time().endVisible(chart.bars().size()));
        if (lines.isEmpty() || first >= end) {
            return "";
        }
        Column column = lines.get(known).column();
        if (!Double.isNaN(column.at(first))) {
            return "";
        }
        for (int bar = first; bar < end; bar++) {
            if (!Double.isNaN(column.at(bar))) {
                return "trades known since " + Times.date(chart.bars().openTime(bar), chart.zone());
            }
        }
        return "no single trades known here";
    }
}
