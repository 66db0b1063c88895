package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.desk.room.layout.Layouts;
import dev.yardarm.desk.room.layout.WorkspaceKeeper;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is not there now is kept, written back, and there again when it comes. */
class KeepingTest {
    private static final InstrumentId ABCD = new InstrumentId("postgres", "ABCD");

    @TempDir
    private Path home;

    private final Front front = new Front();
    private final List<String> notices = new ArrayList<>();
    private Desk desk;
    private Layouts layouts;

    @BeforeEach
    void open() throws Exception {
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.run(() -> {
            desk.onNotice(notices::add);
            layouts = new Layouts(desk);
        });
    }

    @AfterEach
    void close() {
        front.run(layouts::close);
        desk.close();
        front.close();
    }

    private static Documents.Chart saved() {
        Documents.IndicatorLayer own = new Documents.IndicatorLayer(
                "l1",
                "trend_stage",
                Map.of("length", "30"),
                1,
                1.5,
                1,
                true,
                "",
                List.of(),
                null,
                List.of(),
                null,
                false,
                null,
                null);
        return new Documents.Chart(
                ABCD,
                Timeframe.DAY,
                "candles",
                true,
                7,
                1_700_000_000_000_000L,
                20,
                30,
                Entries.of(List.of(own)),
                null,
                null,
                List.of(),
                "",
                true,
                null,
                "my chart",
                0,
                "x");
    }

    private static final class TrendStage extends Declared {
        TrendStage() {
            super(Indicator.Family.TREND, "trend_stage", "Trend stage");
            length(20);
            line();
            help("s", "f", "r", "w", "o");
        }

        @Override
        public void build(Recipe recipe) {
            recipe.out(recipe.close());
        }
    }

    private static final class Late implements BarSource {
        @Override
        public String name() {
            return "postgres";
        }

        @Override
        public List<Instrument> instruments() {
            return List.of(
                    new Instrument(ABCD, "A name", "", Instrument.Kind.SHARE, "", "", PriceFormat.ofDecimals(2), 1));
        }

        @Override
        public TradingCalendar calendar(Instrument instrument) {
            return TradingCalendar.ROUND_THE_CLOCK;
        }

        @Override
        public List<Timeframe> stored(InstrumentId id) {
            return List.of(Timeframe.DAY);
        }

        @Override
        public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) {
            BarSeries series = new BarSeries(100);
            for (int day = 0; day < 100; day++) {
                series.append((19_800 + day) * Times.DAY, (19_801 + day) * Times.DAY, 25, 26, 24, 25, 1);
            }
            return series;
        }
    }

    @Test
    void aChartOfASourceThatIsNotConnectedKeepsItsIdentityAndLayers() {
        front.run(() -> WorkspaceKeeper.restore(saved(), layouts.active()));
        front.await("why", () -> layouts.active().problem().contains("'postgres' is not connected"));
        Documents.Chart again = front.get(() -> WorkspaceKeeper.capture(layouts.active()));
        assertThat(again.instrument()).isEqualTo(ABCD);
        assertThat(again.title()).isEqualTo("my chart");
        assertThat(again.rightmost()).isEqualTo(1_700_000_000_000_000L);
        assertThat(again.manualHigh()).isEqualTo(30);
        assertThat(again.indicators().values()).singleElement().satisfies(layer -> {
            assertThat(layer.indicator()).isEqualTo("trend_stage");
            assertThat(layer.settings()).containsEntry("length", "30");
        });
        assertThat(layouts.active().chart().unknownLayers())
                .extracting(UnknownLayer::title)
                .containsExactly("trend_stage 30");
        assertThat(notices)
                .anyMatch(each -> each.contains("there is no indicator 'trend_stage'") && each.contains("kept"));
    }

    @Test
    void whenTheSourceAndTheIndicatorComeTheChartIsThere() {
        front.run(() -> WorkspaceKeeper.restore(saved(), layouts.active()));
        front.await("why", () -> !layouts.active().problem().isEmpty());
        front.run(() -> {
            desk.language().set(Language.of(desk.language().catalogue().with(new TrendStage())));
            desk.directory().add(new Late());
        });
        front.await("its bars", () -> layouts.active().chart().bars().size() == 100);
        front.await("its layer", () -> layouts.active().chart().indicators().size() == 1);
        assertThat(layouts.active().chart().unknownLayers()).isEmpty();
        assertThat(layouts.active().problem()).isEmpty();
        assertThat(layouts.active().instrument().orElseThrow().name()).isEqualTo("A name");
    }

    @Test
    void layoutsThatCannotBeReadAreWrittenBack() {
        Documents.Layout bad = new Documents.Layout("Broken", "row(0,", List.of(saved()), 0, -1, false, null);
        Documents.Layout good = new Documents.Layout("Good", "0", List.of(saved()), 0, -1, false, null);
        Documents.Workspace workspace = new Documents.Workspace(
                "DAYLIGHT",
                "CHART",
                "",
                true,
                true,
                true,
                1,
                1,
                null,
                List.of(),
                new Entries<>(List.of(
                        new Entries.Entry<>(bad, new dev.yardarm.data.document.Kept(null), ""),
                        new Entries.Entry<>(good, null, ""))),
                0,
                List.of(),
                true,
                true,
                "");
        front.run(() -> WorkspaceKeeper.restore(workspace, layouts));
        assertThat(layouts.all()).extracting(each -> each.title()).containsExactly("Good");
        Entries<Documents.Layout> again =
                front.get(() -> WorkspaceKeeper.entries(WorkspaceKeeper.capture(layouts), layouts));
        assertThat(again.all()).hasSize(2);
        assertThat(again.all().get(1).kept()).isNotNull();
        assertThat(notices).anyMatch(each -> each.contains("'Broken' cannot be shown"));
    }

    @Test
    void listsKeepMembersThatAreNotThere() {
        front.run(() -> desk.listWork().make("Mixed", List.of(ABCD, new InstrumentId("halcyon", "KTRL"))));
        front.run(() -> desk.listWork().add("Mixed", new InstrumentId("halcyon", "MARN")));
        assertThat(desk.books().list("Mixed").orElseThrow().instruments()).contains(ABCD);
        assertThat(desk.members("Mixed")).extracting(Instrument::code).containsExactly("KTRL", "MARN");
    }

    @Test
    void everyKindOfLayerCanBeChangedAndOneThatIsNotUnderstoodGivenUp() {
        for (Class<?> kind : dev.yardarm.chart.model.Layer.class.getPermittedSubclasses()) {
            assertThat(layouts.active().layers().has(kind))
                    .as(kind.getSimpleName())
                    .isTrue();
        }
        front.run(() -> WorkspaceKeeper.restore(saved(), layouts.active()));
        UnknownLayer unknown =
                front.get(() -> layouts.active().chart().unknownLayers().get(0));
        front.run(() -> layouts.active().layers().remove(unknown));
        assertThat(front.get(() -> WorkspaceKeeper.capture(layouts.active()))
                        .indicators()
                        .all())
                .isEmpty();
        front.run(() -> layouts.active().undo());
        assertThat(front.get(() -> WorkspaceKeeper.capture(layouts.active()))
                        .indicators()
                        .all())
                .hasSize(1);
    }
}
