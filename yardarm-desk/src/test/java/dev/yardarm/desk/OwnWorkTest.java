package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.line.BlendLines;
import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.own.BlendWork;
import dev.yardarm.desk.own.OwnFiles;
import dev.yardarm.desk.own.OwnWork;
import dev.yardarm.desk.room.chart.ChartKeeper;
import dev.yardarm.desk.room.layout.Layouts;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.work.Job;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Indicators of one's own and blends without a window: saved, used, broken, brought back, taken in. */
class OwnWorkTest extends OnAChart {
    private static final String PLAIN =
            "define \"Plain mean\" in price\nsetting length = 5 from 2 to 50\nline sma(close, length) \"Mean\"\n";

    private OwnWork own() {
        return desk.ownWork();
    }

    private Indicator mine(String name) {
        return desk.language().catalogue().find(name).orElseThrow();
    }

    @Test
    void onceSavedItIsEverywhereAnIndicatorIs() {
        front.run(() -> {
            assertThat(own().save(PLAIN, "first")).isEqualTo("plain_mean");
            room.indicators().add(mine("plain_mean"), Settings.of(mine("plain_mean"), Map.of("length", "9")));
            assertThat(layer(0).title()).isEqualTo("Plain mean 9");
        });
        front.await("its values", () -> last(layer(0)) > 0);
        front.run(() -> {
            room.undo();
            room.undo();
            assertThat(desk.language().catalogue().find("plain_mean")).isEmpty();
            desk.undo().redo();
            assertThat(desk.language().catalogue().find("plain_mean")).isPresent();
        });
    }

    @Test
    void aNewVersionShowsAtOnceAndOneAtFaultLeavesTheLastGoodOne() {
        front.run(() -> {
            own().save(PLAIN, "");
            room.indicators().add(mine("plain_mean"), Settings.of(mine("plain_mean"), Map.of("length", "9")));
        });
        front.await("its values", () -> last(layer(0)) > 0);
        double mean = front.get(() -> last(layer(0)));
        front.run(() -> own().save(PLAIN.replace("sma(close, length)", "sma(close, length) * 2"), "doubled"));
        front.await("the new version", () -> Math.abs(last(layer(0)) - 2 * mean) < 1e-9);
        front.run(() -> {
            assertThat(layer(0).settings().whole("length")).isEqualTo(9);
            own().save(PLAIN.replace("sma", "smaa"), "broken");
            assertThat(own().state().faults()).containsOnlyKeys("plain_mean");
            assertThat(own().find("plain_mean").orElseThrow().versions()).hasSize(3);
        });
        assertThat(front.get(() -> last(layer(0)))).isEqualTo(2 * mean);
        // The first version is brought back as a further one.
        front.run(() -> own().save(PLAIN, "back to the first"));
        front.await("the first again", () -> Math.abs(last(layer(0)) - mean) < 1e-9);
        front.run(() -> {
            own().delete("plain_mean");
            assertThat(desk.language().catalogue().find("plain_mean")).isEmpty();
        });
    }

    @Test
    void settingsThatAreGoneAreLeftOutAndOthersStay() {
        front.run(() -> {
            own().save(PLAIN.replace("line", "setting factor = 2 from 1 to 9\nline factor *"), "");
            room.indicators()
                    .add(mine("plain_mean"), Settings.of(mine("plain_mean"), Map.of("length", "9", "factor", "3")));
            own().save(PLAIN.replace("from 2 to 50", "from 2 to 20"), "");
        });
        front.await("the new settings", () -> layer(0).settings().values().size() == 1);
        assertThat(layer(0).settings().whole("length")).isEqualTo(9);
    }

    @Test
    void itIsKeptWithItsChartOverARestart() throws Exception {
        front.run(() -> {
            own().save(PLAIN, "kept");
            room.indicators().add(mine("plain_mean"));
        });
        var saved = front.get(() -> ChartKeeper.capture(room));
        front.run(layouts::close);
        desk.close();
        desk = new Desk(new Desk.Options(home.resolve("home"), true, 1, true), front);
        front.run(() -> {
            layouts = new Layouts(desk);
            room = layouts.active();
            assertThat(own().find("plain_mean").orElseThrow().newest().note()).isEqualTo("kept");
            ChartKeeper.restore(saved, room);
            assertThat(room.chart().indicators()).hasSize(1);
        });
        front.await("its values", () -> last(layer(0)) > 0);
    }

    @Test
    void aDraftIsTriedOutWithoutBecomingPartOfTheChart() {
        front.run(() -> {
            room.indicators().add(indicator("rsi"));
            Definition draft = own().read(PLAIN, "");
            room.tryOut(draft.indicator());
            assertThat(room.chart().indicators()).hasSize(1);
            assertThat(room.chart().drawnIndicators()).hasSize(2);
        });
        IndicatorLayer tried = front.get(() -> room.chart().drawnIndicators().get(1));
        front.await("values of the draft", () -> last(tried) > 0);
        front.run(() -> {
            room.indicators().add(indicator("ema"));
            assertThat(room.chart().drawnIndicators()).hasSize(3);
            room.undo();
            assertThat(room.chart().drawnIndicators()).hasSize(2);
            room.tryOut(null);
            assertThat(room.chart().drawnIndicators()).hasSize(1);
            own().save(PLAIN, "");
            room.indicators().add(mine("plain_mean"));
            room.tryOut(own().read(PLAIN.replace("length = 5", "length = 7"), "plain_mean")
                    .indicator());
            assertThat(room.chart().drawnIndicators()).hasSize(2);
            room.tryOut(null);
        });
    }

    @Test
    void textsAreTakenInAndClashesTold() {
        front.run(() -> {
            own().save(PLAIN, "");
            OwnWork.Taken taken = own().takeIn(PLAIN + "\n// another\ndefine \"Plain mean\" in pane\nline close\n"
                    + "\ndefine \"Faulty\" in pane\nline clsoe\n\ndefine \"RSI\" in pane\nline rsi(3)\n");
            assertThat(taken.same()).containsExactly("Plain mean");
            assertThat(taken.renamed()).containsExactly("Plain mean 2", "RSI 2");
            assertThat(taken.added()).containsExactly("Faulty");
            assertThat(taken.faulty()).containsExactly("Faulty");
            assertThat(mine("plain_mean_2").place().withPrice()).isFalse();
            assertThat(mine("rsi_2")).isNotNull();
            room.undo();
            assertThat(own().all()).hasSize(1);
            assertThatThrownBy(() -> own().save("line close\n", "")).hasMessageContaining("no name yet");
            assertThatThrownBy(() -> own().save("define \"RSI\" in pane\nline close\n", ""))
                    .hasMessageContaining("ships with");
        });
        front.await(
                "what came of it", () -> notices.stream().anyMatch(each -> each.contains("there already: Plain mean")));
    }

    @Test
    void definitionsGoIntoAFileAndComeBackAndABadFileIsTold() throws Exception {
        OwnFiles files = new OwnFiles(desk);
        Path file = home.resolve("given.txt");
        front.run(() -> files.giveOut(List.of(PLAIN, PLAIN.replace("Plain mean", "Other mean")), file));
        front.await("written", () -> notices.stream().anyMatch(each -> each.startsWith("2 definitions written")));
        // As an editor of another system saves it.
        Files.writeString(file, "\uFEFF" + Files.readString(file).replace("\n", "\r\n"));
        front.run(() -> files.takeIn(file));
        front.await("taken in", () -> own().all().size() == 2);
        assertThat(own().state().faults()).isEmpty();
        front.run(() -> files.takeIn(file));
        front.await("known", () -> notices.stream().anyMatch(each -> each.startsWith("2 there already")));
        front.run(() -> files.takeIn(home));
        front.await("told", () -> notices.stream().anyMatch(each -> each.endsWith("taken in: it is a folder.")));
        front.run(() -> files.giveOut(List.of(PLAIN), home.resolve("none/given.txt")));
        front.await("told too", () -> notices.stream().anyMatch(each -> each.endsWith("its folder does not exist.")));
        assertThat(own().all()).hasSize(2);
    }

    @Test
    void aBlendIsAnInstrumentAndKeepsItsIdentityUnderAnotherCode() {
        BlendWork blends = desk.blendWork();
        Blend ratio = front.get(() -> blends.make("KTMR", "Kettering over Marn", "#ktrl/#marn"));
        Instrument first = front.get(() -> blends.instrument(ratio));
        assertThat(first.code()).isEqualTo("KTMR");
        assertThat(first.kind()).isEqualTo(Instrument.Kind.BLEND);
        front.run(() -> room.open(first, room.chart().request()));
        front.await(
                "bars",
                () -> room.chart().instrument().orElseThrow().equals(first)
                        && !room.chart().bars().isEmpty());
        double last = front.get(() -> room.chart().data().last());
        assertThat(last).isPositive();
        front.run(() -> {
            Blend renamed = blends.change(ratio, "KOM", "", "2 * (#KTRL / #MARN)");
            assertThat(blends.instrument(renamed).id()).isEqualTo(first.id());
            assertThat(desk.directory().byCode("KTMR")).isEmpty();
            assertThat(desk.directory().byCode("KOM")).isPresent();
        });
        front.await(
                "the chart of the changed blend",
                () -> Math.abs(room.chart().data().last() - 2 * last) < 1e-9
                        && room.chart().instrument().orElseThrow().code().equals("KOM"));
        front.run(() -> {
            assertThatThrownBy(() -> blends.make("KTRL", "", "#MARN / 2")).hasMessageContaining("already");
            assertThatThrownBy(() -> blends.make("XX", "", "#KTRL /")).hasMessageContaining("value was expected");
            Blend outer = blends.make("OUTER", "", "#KOM * 2");
            assertThatThrownBy(() -> blends.change(blends.find("KOM").orElseThrow(), "KOM", "", "#OUTER / 2"))
                    .hasMessageContaining("circle");
            assertThat(blends.make("", "", "#KTRL - #MARN").code()).isEqualTo("KTRL_MARN");
            blends.delete(outer);
            assertThat(desk.directory().byCode("OUTER")).isEmpty();
            assertThat(BlendWork.formula(BlendWork.Form.BASKET, List.of(instrument("KTRL"), instrument("MARN"))))
                    .isEqualTo("0.5 * #KTRL + 0.5 * #MARN");
            assertThat(BlendWork.formula(
                            BlendWork.Form.BASKET, List.of(instrument("KTRL"), instrument("MARN"), instrument("KTRL"))))
                    .isEqualTo("0.34 * #KTRL + 0.33 * #MARN + 0.33 * #KTRL");
        });
    }

    @Test
    void scansFindBlendsByOwnIndicatorsAndHigherTimeframes() throws Exception {
        Instrument blend = front.get(() -> {
            own().save(PLAIN, "");
            return desk.blendWork().instrument(desk.blendWork().make("TWICE", "", "2 * #KTRL"));
        });
        Scan scan = Scan.of(
                "s",
                "Some",
                dev.yardarm.core.bars.Timeframe.DAY,
                List.of("plain_mean(5) > 0.5 * close", "close of #TWICE > 0", "bars since (close > plain_mean) < 100"));
        ScanRunner.Result result = new ScanRunner(desk.vantages(), desk.scheduler())
                .run(
                        scan,
                        desk.language().now(),
                        List.of(instrument("KTRL"), blend),
                        desk.clock().now(),
                        Job.unattended());
        assertThat(result.found())
                .extracting(found -> found.instrument().code())
                .containsExactly("KTRL", "TWICE");
    }

    @Test
    void linesMakeChangeAndDeleteBlends() {
        CommandLanguage language = new CommandLanguage(desk.directory(), desk.language()::now, List::of);
        assertThat(language.read("blend KTMR #KTRL / #MARN").get(0).command())
                .isEqualTo(new BlendLines.Make("KTMR", "", "#KTRL / #MARN"));
        assertThat(language.read("blend KTMR \"Over\" ktrl/marn").get(0).command())
                .isEqualTo(new BlendLines.Make("KTMR", "Over", "#ktrl/#marn"));
        assertThat(language.read("blend KTRL - 2 * MARN").get(0).command())
                .isEqualTo(new BlendLines.Make("", "", "#KTRL - 2 * #MARN"));
        assertThat(language.read("blend 0.5 * #KTRL + 0.5 * #MARN").get(0).command())
                .isEqualTo(new BlendLines.Make("", "", "0.5 * #KTRL + 0.5 * #MARN"));
        assertThat(language.read("blend delete KTMR").get(0).command()).isEqualTo(new BlendLines.Delete("KTMR"));
        assertThat(language.read("blend X #NONE / #KTRL").get(0).detail()).contains("no instrument NONE");
        assertThat(language.read("blend X #KTRL /").get(0).detail()).contains("value was expected");
    }

    @Test
    void aBlendIsComparedAndReadByFormulas() {
        front.run(() -> {
            desk.blendWork().make("KTMR", "", "#KTRL / #MARN");
            Definition reads = own().read("define \"Reads\" in pane\nline close of #KTMR\n", "");
            own().save(reads.text(), "");
            room.indicators().add(mine("reads"));
        });
        front.await("values of the blend", () -> last(layer(0)) > 0);
        front.run(() -> {
            layouts.close();
            layouts = new Layouts(desk);
        });
    }
}
