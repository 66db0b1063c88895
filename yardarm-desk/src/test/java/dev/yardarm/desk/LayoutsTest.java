package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.core.source.RollRule;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.card.InstrumentCard;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.LinkedPointer;
import dev.yardarm.desk.room.chart.Spans;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.Layout;
import dev.yardarm.desk.room.layout.Layouts;
import dev.yardarm.desk.room.layout.LinkRules.Shared;
import dev.yardarm.desk.room.layout.WorkspaceFile;
import dev.yardarm.desk.room.layout.WorkspaceKeeper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Many charts without a window: layouts, links, presets, step-down, export and import. */
class LayoutsTest extends OnAChart {
    private void show(ChartRoom room, String code, Timeframe timeframe) {
        front.run(() -> room.open(instrument(code), timeframe));
        bars(room);
    }

    private void bars(ChartRoom room) {
        front.await("bars", () -> !room.chart().bars().isEmpty());
    }

    @Test
    void arrangementsAreWrittenSplitAndTakenApart() {
        Arrangement grid = Arrangement.parse("2x2");
        assertThat(grid.charts()).containsExactly(0, 1, 2, 3);
        assertThat(Arrangement.read(grid.toString())).hasToString(grid.toString());
        assertThat(Arrangement.parse("5").charts()).hasSize(5);
        assertThat(Arrangement.read("3").charts()).containsExactly(3);
        Arrangement three = Arrangement.read("row(0,1)").split(1, 2, true);
        assertThat(three).hasToString("row(0*0.5000,1*0.2500,2*0.2500)");
        assertThat(three.split(0, 3, false)).hasToString("row(col(0*0.5000,3*0.5000)*0.5000,1*0.2500,2*0.2500)");
        assertThat(three.without(0)).hasToString("row(1*0.5000,2*0.5000)");
        assertThat(three.without(0).without(1)).hasToString("2");
        assertThat(three.reversed().charts()).containsExactly(2, 1, 0);
        assertThat(three.weighted(List.of(), List.of(0.2, 0.3, 0.5))).hasToString("row(0*0.2000,1*0.3000,2*0.5000)");
        for (String bad : List.of("row(0)", "row(0,0)", "4x4", "row(0,1", "row(0,x)", "row(0*0,1)", "0x3", "1,2")) {
            assertThatThrownBy(() -> Arrangement.parse(bad)).as(bad).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void aSplitChartKeepsAllSettingsAndUndoTakesItBack() {
        ChartRoom first = layouts.active();
        front.run(() -> {
            first.indicators()
                    .add(
                            Catalogue.builtIn().find("ema").orElseThrow(),
                            Settings.standard(Catalogue.builtIn().find("ema").orElseThrow()));
            first.setForm(BarForm.AREA);
            first.setScale("percent", first.chart().scale().withMode(ScaleChoice.Mode.PERCENT));
            first.setRequest("day", first.chart().request().withPart(SessionPart.parse("09:00-12:00")));
            layouts.split(true);
        });
        assertThat(layouts.front().charts()).hasSize(2);
        ChartRoom copy = layouts.front().charts().get(1);
        bars(copy);
        assertThat(copy.instrument()).contains(instrument("KTRL"));
        assertThat(copy.chart().form()).isEqualTo(BarForm.AREA);
        assertThat(copy.chart().scale().mode()).isEqualTo(ScaleChoice.Mode.PERCENT);
        assertThat(copy.chart().request()).isEqualTo(first.chart().request());
        assertThat(copy.chart().indicators()).hasSize(1);
        front.run(first::undo);
        assertThat(layouts.front().charts()).containsExactly(first);
        front.run(first::redo);
        assertThat(layouts.front().charts()).containsExactly(first, copy);
    }

    @Test
    void arrangingAddsAndPutsAwayChartsButKeepsTheOneInHand() {
        front.run(() -> layouts.arrange(Arrangement.parse("2x2")));
        List<ChartRoom> charts = layouts.front().charts();
        front.run(() -> layouts.activate(charts.get(3)));
        front.run(() -> layouts.arrange(Arrangement.parse("1")));
        assertThat(layouts.front().charts()).containsExactly(charts.get(3));
        front.run(layouts.active()::undo);
        assertThat(layouts.front().charts()).isEqualTo(charts);
        front.run(() -> layouts.closeChart(charts.get(0)));
        assertThat(layouts.front().charts()).hasSize(3).doesNotContain(charts.get(0));
    }

    @Test
    void linkedChartsShareWhatTheirColourShares() {
        front.run(() -> layouts.arrange(Arrangement.parse("1x3")));
        List<ChartRoom> charts = layouts.front().charts();
        front.run(() -> layouts.setLinks(2, EnumSet.of(Shared.INSTRUMENT, Shared.CROSSHAIR)));
        charts.forEach(this::bars);
        front.run(() -> {
            charts.get(1).setTimeframe(Timeframe.WEEK);
            charts.get(0).setLink(2);
            charts.get(1).setLink(2);
        });
        front.run(() -> charts.get(0).open(instrument("MARN"), Timeframe.DAY));
        assertThat(charts.get(1).instrument()).contains(instrument("MARN"));
        assertThat(charts.get(1).chart().timeframe()).as("not shared").isEqualTo(Timeframe.WEEK);
        assertThat(charts.get(2).instrument()).as("not linked").contains(instrument("KTRL"));
        front.run(() -> charts.get(0).pointTo(new LinkedPointer(123, 4.5)));
        assertThat(charts.get(1).pointer()).isEqualTo(new LinkedPointer(123, 4.5));
        assertThat(charts.get(2).pointer()).isEqualTo(LinkedPointer.NONE);
        front.run(() -> {
            layouts.setLinks(2, Set.of(Shared.TIMEFRAME));
            charts.get(1).setRule(BarRule.parse("range:30"));
        });
        assertThat(charts.get(0).chart().request().rule()).isEqualTo(BarRule.parse("range:30"));
        front.run(() ->
                charts.get(0).open(instrument("EBSP"), charts.get(0).chart().request()));
        assertThat(charts.get(1).instrument()).contains(instrument("MARN"));
    }

    @Test
    void linkedChartsOfDifferentTimeframesShowTheSameTime() {
        front.run(() -> layouts.arrange(Arrangement.parse("1x2")));
        List<ChartRoom> charts = layouts.front().charts();
        charts.forEach(this::bars);
        front.run(() -> charts.forEach(chart -> chart.chart().setSize(600, 400)));
        show(charts.get(1), "KTRL", Timeframe.WEEK);
        front.run(() -> {
            layouts.setLinks(1, Set.of(Shared.VISIBLE_TIME));
            charts.forEach(chart -> chart.setLink(1));
            var chart = charts.get(0).chart();
            chart.showSpan(chart.bars().openTime(1000), chart.bars().openTime(1200));
            charts.get(0).tell(dev.yardarm.desk.room.chart.Aspect.VIEW);
        });
        var days = charts.get(0).chart();
        var weeks = charts.get(1).chart();
        long left = days.axis().openTime(days.time().bar(days.time().left() + 1));
        assertThat(weeks.time().bar(weeks.time().left() + 1))
                .isCloseTo(weeks.axis().bar(left), within(1));
    }

    @Test
    void presetsAreSavedAppliedMarkedOrderedAndKept() throws IOException {
        ChartRoom room = layouts.active();
        front.run(() -> {
            room.setForm(BarForm.COLUMNS);
            room.setLogarithmic(true);
            layouts.presets().save("swing", room);
            room.setForm(BarForm.LINE);
            room.setLogarithmic(false);
            room.setTimeframe(Timeframe.WEEK);
            layouts.presets().save("weekly", room);
        });
        show(room, "MARN", Timeframe.HOUR);
        front.run(() -> layouts.presets().apply(layouts.presets().named("SWING").orElseThrow(), room));
        assertThat(room.instrument()).contains(instrument("MARN"));
        assertThat(room.chart().timeframe()).isEqualTo(Timeframe.DAY);
        assertThat(room.chart().form()).isEqualTo(BarForm.COLUMNS);
        assertThat(room.chart().isLogarithmic()).isTrue();
        front.run(room::undo);
        assertThat(room.chart().timeframe()).isEqualTo(Timeframe.HOUR);
        assertThat(room.chart().form()).isEqualTo(BarForm.LINE);
        front.run(() -> {
            layouts.presets().toggleStandard(layouts.presets().named("swing").orElseThrow());
            layouts.presets().move(layouts.presets().named("weekly").orElseThrow(), -1);
        });
        assertThat(layouts.presets().standard(Timeframe.DAY))
                .map(Documents.Preset::name)
                .contains("swing");
        assertThat(layouts.presets().all()).extracting(Documents.Preset::name).containsExactly("weekly", "swing");
        front.run(
                () -> layouts.presets().delete(layouts.presets().named("weekly").orElseThrow()));
        Path file = home.resolve("home/documents/presets.json");
        front.await(
                "saved",
                () -> Files.exists(file)
                        && read(file).contains("\"swing\"")
                        && !read(file).contains("\"weekly\""));
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException notYet) {
            return "";
        }
    }

    @Test
    void aStepDownLayoutGoesFromHighToLowInStandardPresets() {
        front.run(() -> {
            layouts.active().setForm(BarForm.BARS);
            layouts.presets().save("days", layouts.active());
            layouts.presets().toggleStandard(layouts.presets().all().get(0));
            layouts.active().setForm(BarForm.CANDLES);
            layouts.stepDown(List.of(Timeframe.HOUR, Timeframe.WEEK, Timeframe.DAY));
        });
        List<ChartRoom> charts = layouts.front().charts();
        assertThat(charts)
                .extracting(chart -> chart.chart().timeframe())
                .containsExactly(Timeframe.WEEK, Timeframe.DAY, Timeframe.HOUR);
        assertThat(charts.get(1).chart().form()).isEqualTo(BarForm.BARS);
        assertThat(charts.get(0).chart().form()).isEqualTo(BarForm.CANDLES);
        front.run(layouts::reverse);
        assertThat(layouts.front().charts())
                .extracting(chart -> chart.chart().timeframe())
                .containsExactly(Timeframe.HOUR, Timeframe.DAY, Timeframe.WEEK);
        front.run(() -> layouts.active().step(1));
        assertThat(charts)
                .allMatch(chart -> chart.instrument().equals(layouts.active().instrument()));
        front.run(() -> layouts.stepDown(List.of(Timeframe.DAY)));
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("two or three")));
    }

    @Test
    void tabsWindowsAndMaximisingAreRestoredWithTheirCharts() {
        front.run(() -> {
            layouts.arrange(Arrangement.parse("row(0*0.7,1*0.3)"));
            layouts.front().charts().get(1).setTimeframe(Timeframe.WEEK);
            layouts.front()
                    .charts()
                    .get(0)
                    .setScale(
                            "fixed height",
                            layouts.front().charts().get(0).chart().scale().held(90, 110));
            layouts.front().charts().get(1).setTitle("the big picture");
            layouts.front().charts().get(1).setLink(3);
            layouts.add("Second", Arrangement.parse("2"));
            layouts.maximise();
            layouts.toOwnWindow();
            layouts.setLinks(3, Set.of(Shared.TIMEFRAME));
        });
        assertThat(layouts.all()).hasSize(3);
        Documents.Workspace saved = front.get(() -> new Documents.Workspace(
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
                WorkspaceKeeper.entries(WorkspaceKeeper.capture(layouts), layouts),
                1,
                WorkspaceKeeper.captureLinks(layouts),
                true,
                true,
                ""));
        Layouts other = front.get(() -> new Layouts(desk));
        front.run(() -> WorkspaceKeeper.restore(saved, other));
        assertThat(other.all())
                .extracting(Layout::title)
                .containsExactlyElementsOf(
                        layouts.all().stream().map(Layout::title).toList());
        assertThat(other.front().title()).isEqualTo("Second");
        assertThat(other.all().get(2).hasOwnWindow()).isTrue();
        ChartRoom week = other.all().get(0).charts().get(1);
        assertThat(week.title()).isEqualTo("the big picture");
        assertThat(week.link()).isEqualTo(3);
        assertThat(week.chart().timeframe()).isEqualTo(Timeframe.WEEK);
        assertThat(other.all().get(0).arrangement()).hasToString("row(0*0.7000,1*0.3000)");
        assertThat(other.links().of(3)).containsExactly(Shared.TIMEFRAME);
        ChartRoom day = other.all().get(0).charts().get(0);
        front.run(() -> other.show(other.all().get(0)));
        front.await(
                "the held height",
                () -> day.chart().scale().fit() == ScaleChoice.Fit.HELD
                        && Math.abs(day.chart().scale().high()
                                        - day.chart().scale().low()
                                        - 20)
                                < 1e-6);
        front.run(() -> other.show(other.all().get(1)));
        front.run(() -> other.backToTab(other.all().get(2)));
        assertThat(other.all()).noneMatch(Layout::hasOwnWindow);
        front.run(() -> {
            other.stepLayout(1);
            other.rename(other.front(), "Third");
            other.remove(other.front());
        });
        assertThat(other.titled("Third")).isEmpty();
        front.run(other::close);
    }

    @Test
    void anExportedWorkspaceIsAddedBesideOnesOwn() throws IOException {
        Path file = home.resolve("mine.json");
        front.run(() -> {
            layouts.presets().save("swing", layouts.active());
            Documents.Workspace workspace = new Documents.Workspace(
                    "DAYLIGHT",
                    "CHART",
                    "",
                    true,
                    true,
                    true,
                    1,
                    1,
                    new Documents.Window(0, 0, 1, 1, false),
                    List.of(),
                    WorkspaceKeeper.entries(WorkspaceKeeper.capture(layouts), layouts),
                    0,
                    List.of(),
                    true,
                    true,
                    "");
            WorkspaceFile.export(workspace, layouts, file);
        });
        front.await("the file", () -> notices.stream().anyMatch(notice -> notice.contains("The workspace is in")));
        front.run(() -> {
            desk.listWork()
                    .add(desk.books().lists().get(0).name(), instrument("EMBRA").id());
            layouts.active().setForm(BarForm.STEPS);
            layouts.presets().save("swing", layouts.active());
        });
        int lists = desk.books().lists().size();
        front.run(() -> WorkspaceFile.importBeside(file, layouts));
        front.await("the import", () -> notices.stream().anyMatch(notice -> notice.contains("1 layout was added")));
        assertThat(layouts.all()).extracting(Layout::title).containsExactly("Layout 1", "Layout 1 2");
        assertThat(layouts.presets().all()).extracting(Documents.Preset::name).containsExactly("swing", "swing 2");
        assertThat(desk.books().lists()).hasSize(lists + 1);
        Files.writeString(file, "{\"format\":\"yardarm/workspace-export\",\"version\":5}");
        front.run(() -> WorkspaceFile.importBeside(file, layouts));
        front.await("the refusal", () -> notices.stream().anyMatch(notice -> notice.contains("newer Yardarm")));
    }

    @Test
    void barsOfEveryKindAreLoadedAndSayWhatTheyAreMadeFrom() {
        ChartRoom room = layouts.active();
        front.run(() -> room.setRule(BarRule.parse("range:40")));
        bars(room);
        assertThat(room.chart().madeFrom()).isEqualTo("from bars of 1m");
        front.run(() -> room.open(instrument("VRTQ"), room.chart().request().withRule(BarRule.parse("ticks:800"))));
        bars(room);
        assertThat(room.chart().madeFrom()).startsWith("from ticks since 2026-05-2");
        assertThat(room.chart().bars().volume(3)).isPositive();
        front.run(() -> room.open(instrument("KTRL"), room.chart().request()));
        front.await("a problem", () -> room.problem().contains("only be made from ticks"));
        front.run(() -> room.setRule(BarRule.parse("point-figure:1%x3@D")));
        bars(room);
        assertThat(room.problem()).isEmpty();
        assertThat(room.chart().data().last()).isEqualTo(103.76);
        front.run(() -> room.setTimeframe(Timeframe.DAY));
        bars(room);
        front.run(() -> room.setRequest("evening", room.chart().request().withPart(SessionPart.EVENING)));
        front.await("told", () -> room.problem().contains("no evening session"));
        front.run(() -> room.open(instrument("GY10"), BarRequest.of(Timeframe.HOUR)));
        front.await("told", () -> room.problem().contains("cannot be built"));
    }

    @Test
    void sessionsDaysAndContractsChangeWhatIsLoaded() throws IOException {
        long now = desk.clock().now();
        var histories = desk.histories();
        Instrument future = instrument("VRTQ");
        BarRequest hours = BarRequest.of(Timeframe.HOUR).withDays(10);
        var whole = histories.load(future, hours, now).series().snapshot();
        var day = histories
                .load(future, hours.withPart(SessionPart.DAY), now)
                .series()
                .snapshot();
        var evening = histories
                .load(future, hours.withPart(SessionPart.EVENING), now)
                .series()
                .snapshot();
        assertThat(day.size()).isLessThan(whole.size() / 2);
        assertThat(volume(day) + volume(evening)).isCloseTo(volume(whole), within(whole.volume(0) + evening.volume(0)));
        BarRequest daily = BarRequest.of(Timeframe.DAY);
        var moved = histories.load(future, daily, now).series().snapshot();
        var plain = histories
                .load(future, daily.withRoll(RollRule.EXPIRY, BarRequest.Joint.UNADJUSTED), now)
                .series()
                .snapshot();
        assertThat(moved.size()).isEqualTo(plain.size());
        assertThat(moved.low(0)).isNotEqualTo(plain.low(0));
        assertThat(histories.traded(future, now).code()).startsWith("VRTQ-");
        List<EventMark> marks = dev.yardarm.desk.market.EventMarks.of(histories, future, daily, 0, now);
        assertThat(marks)
                .filteredOn(mark -> mark.kind() == EventMark.Kind.ROLL)
                .hasSizeGreaterThan(50)
                .allMatch(mark -> mark.text().contains("by difference"));
        assertThat(marks).isSorted();
        Instrument paying = desk.directory().all().stream()
                .filter(each -> desk.directory()
                        .source(each)
                        .flatMap(source -> source.offers(dev.yardarm.core.source.CorporateActions.class))
                        .filter(actions -> !actions.dividends(each.id()).isEmpty())
                        .isPresent())
                .findFirst()
                .orElseThrow();
        assertThat(dev.yardarm.desk.market.EventMarks.of(histories, paying, daily, 0, now))
                .extracting(EventMark::kind)
                .contains(EventMark.Kind.DIVIDEND);
        var raw = histories.load(paying, daily, now).series().snapshot();
        var paid = histories
                .load(paying, daily.withAdjustments(true, true), now)
                .series()
                .snapshot();
        assertThat(paid.close(0)).isLessThan(raw.close(0));
        assertThat(paid.close(paid.size() - 1)).isEqualTo(raw.close(raw.size() - 1));
    }

    private static double volume(dev.yardarm.core.series.Bars bars) {
        double sum = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            sum += bars.volume(bar);
        }
        return sum;
    }

    @Test
    void spansAreCountedBackFromTheNewestBar() {
        var chart = layouts.active().chart();
        front.run(() -> {
            chart.setSize(800, 500);
            Spans.show(chart, "6 months");
        });
        long left = chart.axis().openTime(chart.time().bar(chart.time().left() + 1));
        assertThat((chart.bars().openTime(chart.bars().size() - 1) - left) / 86_400_000_000L)
                .isBetween(180L, 186L);
        front.run(() -> Spans.show(chart, "5 days"));
        assertThat(chart.bars().size() - chart.time().firstVisible()).isBetween(5, 7);
        front.run(() -> Spans.show(chart, "all"));
        assertThat(chart.time().firstVisible()).isZero();
        assertThat(Spans.read("3 Months")).contains("3 months");
        assertThat(Spans.read("0 days")).isEmpty();
        assertThat(Spans.read("soon")).isEmpty();
        assertThat(Spans.OFFERED).allMatch(span -> Spans.read(span).isPresent());
    }

    @Test
    void theCardSaysWhoItIsAndHowItStands() throws IOException {
        InstrumentCard card = InstrumentCard.of(
                instrument("KTRL"),
                desk.directory(),
                desk.histories(),
                desk.vantages().at(desk.clock().now()));
        assertThat(card.lines())
                .extracting(InstrumentCard.Line::word)
                .contains("market", "sector", "session", "tick", "last", "trend", "place", "volatility", "strength");
        assertThat(card.lines())
                .anyMatch(line -> line.word().equals("last") && line.text().startsWith("103.76"));
        InstrumentCard future = InstrumentCard.of(
                instrument("VRTQ-U26"),
                desk.directory(),
                desk.histories(),
                desk.vantages().at(desk.clock().now()));
        assertThat(future.lines())
                .anyMatch(line -> line.word().equals("tick") && line.text().contains("worth 5"));
        assertThat(future.lines())
                .anyMatch(line -> line.word().equals("session") && line.text().contains("day from"));
        InstrumentCard economic = InstrumentCard.of(
                instrument("HPRC"),
                desk.directory(),
                desk.histories(),
                desk.vantages().at(desk.clock().now()));
        assertThat(economic.lines()).anyMatch(line -> line.word().equals("history"));
    }

    @Test
    void theSessionBelongsToTheInstrumentAndTheTimeframesToTheTrader() {
        ChartRoom room = layouts.active();
        front.run(() -> room.open(instrument("VRTQ"), BarRequest.of(Timeframe.HOUR)));
        bars(room);
        front.run(() -> room.setRequest("day", room.chart().request().withPart(SessionPart.DAY)));
        front.run(() -> room.open(instrument("KTRL"), room.chart().request()));
        assertThat(room.chart().request().part()).isEqualTo(SessionPart.WHOLE);
        front.run(() -> room.open(instrument("VRTQ"), room.chart().request()));
        assertThat(room.chart().request().part()).isEqualTo(SessionPart.DAY);
        front.run(room::undo);
        assertThat(desk.habits().session(instrument("VRTQ").id())).isEqualTo(SessionPart.WHOLE);
        front.run(() -> desk.habits()
                .setTimeframes(List.of(Timeframe.DAY, Timeframe.parse("7m").orElseThrow(), Timeframe.DAY)));
        assertThat(desk.timeframes()).extracting(Timeframe::toString).containsExactly("D", "7m");
        front.run(() -> desk.habits().setTimeframes(List.of()));
        assertThat(desk.timeframes()).isEqualTo(Timeframe.STANDARD);
    }

    @Test
    void panesAreMovedFoldedAndResizedWithUndo() {
        ChartRoom room = layouts.active();
        front.run(() -> {
            room.chart().setSize(1000, 600);
            room.indicators()
                    .add(
                            Catalogue.builtIn().find("rsi").orElseThrow(),
                            Settings.standard(Catalogue.builtIn().find("rsi").orElseThrow()));
            assertThat(ids(room)).hasSize(3).startsWith("price", "volume");
            String rsi = room.panes().inHand().id();
            assertThat(rsi)
                    .as("that of the selected indicator")
                    .isEqualTo(ids(room).get(2));
            double before = height(room, rsi);
            room.panes().resize(rsi, 2);
            assertThat(height(room, rsi)).isCloseTo(before + 0.08 * room.chart().plotBottom(), within(1.0));
            room.panes().move(rsi, -1);
            assertThat(ids(room)).containsExactly("price", rsi, "volume");
            room.panes().move(rsi, 5);
            assertThat(ids(room)).as("there is no such place").containsExactly("price", rsi, "volume");
            room.panes().fold(rsi);
            assertThat(room.chart().pane(rsi).orElseThrow().folded()).isTrue();
            room.undo();
            room.undo();
            room.undo();
            assertThat(ids(room)).containsExactly("price", "volume", rsi);
            assertThat(height(room, rsi)).isEqualTo(before);
        });
    }

    @Test
    void aPaneTakenInHandByKeyStaysUntilItIsLeft() {
        ChartRoom room = layouts.active();
        front.run(() -> {
            room.chart().setSize(1000, 600);
            assertThat(room.panes().isChosen()).isFalse();
            room.panes().chooseNext();
            assertThat(room.panes().inHand().id()).isEqualTo("price");
            room.panes().fold("price");
            room.panes().resize("price", 1);
            assertThat(room.chart().paneChoices())
                    .as("the price pane has what is left")
                    .isEmpty();
            room.panes().chooseNext();
            assertThat(room.panes().inHand().id()).isEqualTo("volume");
            room.panes().maximise("volume");
            assertThat(ids(room)).containsExactly("volume");
            room.panes().maximise("volume");
            room.panes().chooseNext();
            assertThat(room.panes().inHand().id())
                    .as("from the lowest the first again")
                    .isEqualTo("price");
            room.panes().leave();
            assertThat(room.panes().isChosen()).isFalse();
        });
        front.await("told", () -> notices.stream().anyMatch(notice -> notice.contains("cannot be folded")));
    }

    private static List<String> ids(ChartRoom room) {
        return room.chart().panes().stream().map(Pane::id).toList();
    }

    private static double height(ChartRoom room, String pane) {
        Pane found = room.chart().pane(pane).orElseThrow();
        return found.bottom() - found.top();
    }
}
