package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Layouts;
import dev.yardarm.desk.room.layout.WorkspaceKeeper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Homes of earlier versions open with everything in place, and stay so when they are written in the forms of now. */
class OldHomesTest {
    private static final InstrumentId KTRL = new InstrumentId("halcyon", "KTRL");

    @TempDir
    private Path home;

    static void copy(Path from, Path to) throws IOException {
        try (Stream<Path> files = Files.walk(from)) {
            for (Path file : (Iterable<Path>) files::iterator) {
                Path target = to.resolve(from.relativize(file).toString());
                if (Files.isDirectory(file)) {
                    Files.createDirectories(target);
                } else {
                    Files.copy(file, target);
                }
            }
        }
    }

    @Test
    void theFirstFormatsOpenWithEverythingInPlace() throws Exception {
        copy(Path.of("src/test/resources/homes/first-formats"), home);
        for (int start = 0; start < 2; start++) {
            List<String> notices = new ArrayList<>();
            try (Front front = new Front();
                    Desk desk = new Desk(new Desk.Options(home, true, 0, true), front)) {
                Layouts layouts = front.get(() -> new Layouts(desk));
                Documents.Workspace saved = desk.savedWorkspace().orElseThrow();
                front.run(() -> {
                    desk.onNotice(notices::add);
                    WorkspaceKeeper.restore(saved, layouts);
                });
                inPlace(front, desk, layouts, saved);
                assertThat(front.get(() -> List.copyOf(notices)))
                        .as("start %d", start)
                        .allMatch(notice -> notice.contains("new codes"));
                front.run(() -> write(desk, layouts, saved));
                desk.saver().flush();
                front.run(layouts::close);
            }
        }
        for (String file : List.of("workspace.json", "alerts.json", "plans.json", "presets.json", "habits.json")) {
            assertThat(Files.readString(home.resolve("documents").resolve(file)))
                    .as(file)
                    .doesNotContain("\"version\" : 1,", "firedAt", "onLeft", "logarithmic");
        }
        assertThat(Files.exists(home.resolve("documents/set-aside"))).isFalse();
    }

    @Test
    void documentsFollowTheNewCodesOfTheDemoWorldAndItIsTold() throws Exception {
        copy(Path.of("src/test/resources/homes/first-formats"), home);
        Path documents = home.resolve("documents");
        Files.writeString(
                documents.resolve("tracings/halcyon-VSIX.json"),
                Files.readString(documents.resolve("tracings/halcyon-KTRL.json"))
                        .replace("halcyon:KTRL", "halcyon:VSIX"));
        String lists = Files.readString(documents.resolve("lists.json")).replace("halcyon:MARN", "halcyon:AULBRY");
        Files.writeString(documents.resolve("lists.json"), lists);
        List<String> notices = new ArrayList<>();
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(home, true, 0, true), front)) {
            front.run(() -> desk.onNotice(notices::add));
            assertThat(front.get(() -> List.copyOf(notices)))
                    .anyMatch(notice -> notice.contains("new codes") && notice.contains("made anew"));
            desk.saveClock();
            desk.saver().flush();
        }
        assertThat(Files.exists(documents.resolve("tracings/halcyon-VSIX.json")))
                .isFalse();
        assertThat(Files.readString(documents.resolve("tracings/halcyon-VRTQ.json")))
                .contains("halcyon:VRTQ");
        assertThat(Files.readString(documents.resolve("lists.json")))
                .isEqualTo(lists.replace("halcyon:AULBRY", "halcyon:AULBRN")
                        .replace("halcyon:VSIX", "halcyon:VRTQ")
                        .replace("halcyon:NETW", "halcyon:NTWQ")
                        .replace("halcyon:SPYG", "halcyon:SPGJ")
                        .replace("halcyon:BRMT", "halcyon:BRMQ"));
        notices.clear();
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(home, true, 0, true), front)) {
            front.run(() -> desk.onNotice(notices::add));
            assertThat(front.get(() -> List.copyOf(notices))).as("told once").isEmpty();
        }
    }

    private void inPlace(Front front, Desk desk, Layouts layouts, Documents.Workspace saved) {
        assertThat(saved.theme()).isEqualTo("NIGHT_WATCH");
        assertThat(saved.account()).isEqualTo(40_000);
        assertThat(layouts.front().charts()).hasSize(2);
        ChartRoom chart = layouts.front().charts().get(0);
        front.await("bars", () -> chart.chart().bars().size() > 3000);
        assertThat(chart.chart().indicators()).extracting(each -> each.title()).containsExactly("ema 20", "sma 50");
        assertThat(chart.chart().scale().mode()).isEqualTo(ScaleChoice.Mode.LOGARITHMIC);
        front.await("drawings", () -> chart.chart().drawings().size() == 2);
        assertThat(chart.chart().drawings()).allMatch(each -> each.madeAt() == 0);
        assertThat(desk.books().alerts()).extracting(Alert::id).containsExactly("waits", "went");
        assertThat(desk.books().firings()).anySatisfy(firing -> {
            assertThat(firing.alert()).isEqualTo("went");
            assertThat(firing.price()).isEqualTo(105.02);
        });
        assertThat(desk.books().alerts())
                .filteredOn(each -> each.id().equals("went"))
                .noneMatch(desk.books()::waits);
        assertThat(desk.books().plan(KTRL).orElseThrow().target()).isEqualTo(108);
        assertThat(desk.books().stance(KTRL).kind()).isEqualTo(Stance.Kind.WAIT);
        assertThat(desk.books().stance(KTRL).note()).isEqualTo("watch the close");
        assertThat(desk.books().scans()).extracting(Scan::name).containsExactly("mine");
        assertThat(desk.books().list("Own").orElseThrow().instruments()).containsExactly(KTRL);
        assertThat(layouts.presets().named("swing").orElseThrow().makeUp().timeframe())
                .isEqualTo(Timeframe.DAY);
        assertThat(desk.habits().standard("sma").orElseThrow().settings()).containsEntry("length", "50");
    }

    /** Writes every document, as changes to each would. */
    static void write(Desk desk, Layouts layouts, Documents.Workspace saved) {
        desk.saver()
                .save(
                        DocumentKind.WORKSPACE,
                        "workspace",
                        new Documents.Workspace(
                                saved.theme(),
                                saved.view(),
                                saved.list(),
                                true,
                                true,
                                true,
                                saved.account(),
                                saved.riskPercent(),
                                saved.window(),
                                saved.recent(),
                                WorkspaceKeeper.entries(WorkspaceKeeper.capture(layouts), layouts),
                                0,
                                WorkspaceKeeper.captureLinks(layouts),
                                true,
                                true,
                                ""));
        Alert touched = Alert.onDrawing("x", KTRL, "none", Alert.Trigger.REACHES, Timeframe.DAY, true, 1);
        desk.books().alertShelf().put(touched);
        desk.books().alertShelf().remove("x");
        var plan = desk.books().plan(KTRL).orElseThrow();
        desk.books().planShelf().put(plan.withAccount(1, 1));
        desk.books().planShelf().put(plan);
        var preset = layouts.presets().named("swing").orElseThrow();
        desk.books().presetShelf().put(new Documents.Preset("swing", preset.makeUp(), !preset.standard()));
        desk.habits().setFavourite("rsi", true);
    }
}
