package dev.yardarm.core.own;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.own.TextDifference.Kind;
import dev.yardarm.core.own.TextDifference.Row;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.session.TradingCalendar;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class OwnTest {
    private static OwnIndicator.Version version(String text) {
        return new OwnIndicator.Version(1_700_000_000_000_000L, "", text);
    }

    @Test
    void theNewestGoodVersionIsUsedTogetherWithThoseItNeeds() {
        OwnIndicator inner = new OwnIndicator(
                "inner",
                List.of(
                        version("define \"Inner\" in pane\nline close\n"),
                        version("define \"Inner\" in pane\nline close * 2\n"),
                        version("define \"Inner\" in pane\nline clos * 3\n")));
        OwnIndicator outer = new OwnIndicator("outer", List.of(version("define \"Outer\" in pane\nline inner + 1\n")));
        OwnLanguage own = OwnLanguage.of(List.of(outer, inner), Language.builtIn());
        assertThat(own.definitions()).containsOnlyKeys("inner", "outer");
        assertThat(own.faults()).containsOnlyKeys("inner");
        Column column = Formula.parse("outer", own.language()).evaluate(TestBars.ofCloses(10));
        assertThat(column.at(0)).isEqualTo(21);
        OwnIndicator hopeless = new OwnIndicator("bad", List.of(version("define \"Bad\"\n"), version("nonsense")));
        OwnLanguage kept = OwnLanguage.of(List.of(hopeless, outer), Language.builtIn());
        assertThat(kept.definitions()).isEmpty();
        assertThat(kept.faults()).containsOnlyKeys("bad", "outer");
    }

    @Test
    void versionsAreAddedAndOldOnesLetGo() {
        OwnIndicator own = new OwnIndicator("a", List.of(version("define \"First\" in price\n")));
        for (int at = 0; at < OwnIndicator.MOST_VERSIONS + 10; at++) {
            own = own.with(version("define \"A " + at + "\" in price\n"));
        }
        assertThat(own.versions()).hasSize(OwnIndicator.MOST_VERSIONS);
        assertThat(own.title()).isEqualTo("A " + (OwnIndicator.MOST_VERSIONS + 9));
    }

    @Test
    void textsAreComparedLineByLine() {
        assertThat(TextDifference.of("a\nb\nc\n", "a\nB\nc\nd\n"))
                .containsExactly(
                        new Row(Kind.SAME, "a", "a"),
                        new Row(Kind.CHANGED, "b", "B"),
                        new Row(Kind.SAME, "c", "c"),
                        new Row(Kind.NEW, "", "d"));
        assertThat(TextDifference.of("a\nb\n", "b\n"))
                .containsExactly(new Row(Kind.GONE, "a", ""), new Row(Kind.SAME, "b", "b"));
        assertThat(TextDifference.of("", "")).isEmpty();
    }

    @Test
    void everyExampleComputesAndHasItsHelp() {
        Bars bars = TestBars.walk(21, 900).snapshot();
        Set<String> names = new HashSet<>();
        assertThat(Examples.all()).hasSizeGreaterThanOrEqualTo(30);
        for (Examples.Example example : Examples.all()) {
            Indicator indicator =
                    Definition.parse(example.text(), Language.builtIn()).indicator();
            assertThat(names.add(indicator.name())).as(example.title()).isTrue();
            assertThat(example.summary()).as(example.title()).hasSizeGreaterThan(20);
            Catalogue.builtIn().with(indicator);
            ColumnGraph graph =
                    new ColumnGraph(new Surroundings(TradingCalendar.ROUND_THE_CLOCK, code -> Optional.of(() -> bars)));
            List<ColumnGraph.Node> nodes = indicator.in(graph, Settings.standard(indicator));
            graph.update(bars);
            for (int output = 0; output < nodes.size(); output++) {
                int known = 0;
                for (int bar = 0; bar < bars.size(); bar++) {
                    known += Double.isNaN(nodes.get(output).output().at(bar)) ? 0 : 1;
                }
                assertThat(known)
                        .as(example.title() + "."
                                + indicator.outputs().get(output).name())
                        .isGreaterThan(100);
            }
        }
        assertThat(Examples.find("weekly average").stream().map(Examples.Example::title))
                .contains("Weekly trend on daily bars");
        assertThat(Examples.find("zzz")).isEmpty();
    }

    @Test
    void baseAndTopAreToldApartByTheStageBefore() {
        Indicator stages = Definition.parse(Examples.find("four stages").get(0).text(), Language.builtIn())
                .indicator();
        BarSeries series = new BarSeries(300);
        double price = 100;
        for (int bar = 0; bar < 300; bar++) {
            // Flat, climb, flat, fall, flat; sixty bars each.
            price += bar / 60 == 1 ? 1 : bar / 60 == 3 ? -1 : 0;
            double wiggle = bar % 2 == 0 ? 0.5 : -0.5;
            series.append(TestBars.day(bar), TestBars.day(bar + 1), price, price + 1, price - 1, price + wiggle, 100);
        }
        ColumnGraph graph = new ColumnGraph();
        List<ColumnGraph.Node> nodes = stages.in(graph, Settings.standard(stages));
        graph.update(series.snapshot());
        assertThat(nodes.get(stages.output("advance")).output().at(110)).isEqualTo(1);
        assertThat(nodes.get(stages.output("decline")).output().at(230)).isEqualTo(1);
        assertThat(nodes.get(stages.output("top")).output().at(175)).isEqualTo(1);
        assertThat(nodes.get(stages.output("base")).output().at(175)).isNotEqualTo(1);
        assertThat(nodes.get(stages.output("base")).output().at(299)).isEqualTo(1);
        assertThat(nodes.get(stages.output("top")).output().at(299)).isNotEqualTo(1);
    }
}
