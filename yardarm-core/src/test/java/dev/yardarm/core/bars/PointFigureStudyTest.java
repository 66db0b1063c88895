package dev.yardarm.core.bars;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Trend lines and counts of columns drawn by hand, boxes of 1, three to turn. */
class PointFigureStudyTest {
    private static final BarRule.PointFigure RULE = (BarRule.PointFigure) BarRule.parse("point-figure:1x3");

    /** Columns as pairs of first and last box. */
    private static Bars columns(double... ends) {
        BarSeries series = new BarSeries(8);
        for (int at = 0; at < ends.length; at += 2) {
            double high = Math.max(ends[at], ends[at + 1]);
            double low = Math.min(ends[at], ends[at + 1]);
            series.append(at, at + 1, ends[at], high, low, ends[at + 1], 1);
            series.noteDetail(1);
        }
        return series.snapshot();
    }

    @Test
    void aRisingLineGainsABoxAColumnUntilAColumnFallsBelowIt() {
        // lows 10, 12, 13, 15, 14, 9: the line stands at 9, 10, 11, 12, 13, 14 and the sixth column breaks it
        PointFigureStudy.Result study =
                PointFigureStudy.of(columns(10, 15, 14, 12, 13, 18, 17, 15, 16, 20, 19, 9, 10, 13), RULE);
        PointFigureStudy.Line first = study.lines().get(0);
        assertThat(first).isEqualTo(new PointFigureStudy.Line(true, 0, 9, 4, 13, true));
        PointFigureStudy.Line second = study.lines().get(1);
        assertThat(second.rising()).isFalse();
        assertThat(second.fromColumn()).as("the highest column since").isEqualTo(4);
        assertThat(second.fromPrice()).isEqualTo(21);
        assertThat(second.toPrice()).isEqualTo(19);
        assertThat(second.broken()).isFalse();
    }

    @Test
    void theVerticalCountIsThreeTimesTheFirstColumn() {
        PointFigureStudy.Result study = PointFigureStudy.of(columns(10, 15, 14, 12, 13, 18), RULE);
        // six boxes times three above the lowest box
        assertThat(study.counts().get(0)).isEqualTo(new PointFigureStudy.Count(0, true, true, 28));
    }

    @Test
    void theHorizontalCountTakesTheWidthOfTheBase() {
        // the first column 10 to 15 is crossed at its middle 12.5 by the next three, not by the fifth
        PointFigureStudy.Result study =
                PointFigureStudy.of(columns(10, 15, 14, 12, 12, 16, 15, 12, 13, 20, 19, 16), RULE);
        assertThat(study.counts()).contains(new PointFigureStudy.Count(3, false, true, 10 + 4 * 3));
    }

    @Test
    void countsAreKnownWithCompleteColumnsAndTooFewColumnsHaveNone() {
        BarSeries series = new BarSeries(2);
        series.form(0, 0, 10, 15, 10, 15, 1);
        assertThat(PointFigureStudy.of(series.snapshot(), RULE).counts()).isEmpty();
        assertThat(PointFigureStudy.of(Bars.EMPTY, RULE).lines()).isEqualTo(List.of());
    }
}
