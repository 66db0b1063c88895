package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.desk.book.KeyChoices;
import dev.yardarm.desk.room.layout.Frame;
import dev.yardarm.desk.room.layout.Layout;
import dev.yardarm.desk.room.layout.Layouts;
import dev.yardarm.desk.room.layout.WindowPlace;
import dev.yardarm.desk.room.layout.WorkspaceBook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the window hands over to be kept comes back as it was. */
class WorkspaceBookTest {
    private static final WindowPlace MAIN = new WindowPlace(10, 20, 1280, 800, false);
    private static final WindowPlace OTHER = new WindowPlace(1400, 0, 640, 480, true);

    @TempDir
    private Path home;

    private Desk desk() throws IOException {
        return new Desk(new Desk.Options(home, true, 1, true), Runnable::run);
    }

    private static Frame frame(WindowPlace window) {
        return new Frame(
                "DAYLIGHT",
                "CHART",
                "Evening round",
                true,
                false,
                true,
                window,
                List.of("sma 50"),
                true,
                false,
                "define \"Half",
                false);
    }

    private static Function<Layout, Optional<WindowPlace>> inWindow(String title) {
        return layout -> layout.title().equals(title) ? Optional.of(OTHER) : Optional.empty();
    }

    @Test
    void aNewHomeHasNoFrame() throws IOException {
        try (Desk desk = desk()) {
            WorkspaceBook book = new WorkspaceBook(new Layouts(desk));
            assertThat(book.frame()).isEmpty();
            book.open((layout, place) -> {
                throw new AssertionError("nothing was saved");
            });
        }
    }

    @Test
    void frameLayoutsWindowsAndRiskComeBack() throws IOException {
        try (Desk desk = desk()) {
            Layouts layouts = new Layouts(desk);
            layouts.active().open(desk.directory().byCode("KTRL").orElseThrow(), Timeframe.WEEK);
            layouts.rename(layouts.front(), "far");
            desk.planWork().setSizing(25_000, 0.5);
            new WorkspaceBook(layouts).save(frame(MAIN), inWindow("far"));
        }
        try (Desk desk = desk()) {
            Layouts layouts = new Layouts(desk);
            WorkspaceBook book = new WorkspaceBook(layouts);
            assertThat(book.frame()).contains(frame(MAIN));
            Map<String, WindowPlace> places = new LinkedHashMap<>();
            book.open((layout, place) -> places.put(layout.title(), place));
            assertThat(places).containsExactly(Map.entry("far", OTHER));
            assertThat(layouts.active().chart().request().timeframe()).isEqualTo(Timeframe.WEEK);
            assertThat(desk.planWork().account()).isEqualTo(25_000);
            assertThat(desk.planWork().riskPercent()).isEqualTo(0.5);
            assertThat(MAIN.isSeen()).isTrue();
            assertThat(new WindowPlace(0, 0, Double.NaN, 1, false).isSeen()).isFalse();
        }
    }

    @Test
    void aFrameWithoutAWindowIsKeptAndAnExportHoldsTheWholeWorkspace() throws Exception {
        Path file = home.resolve("all.json");
        try (Desk desk = desk()) {
            Layouts layouts = new Layouts(desk);
            WorkspaceBook book = new WorkspaceBook(layouts);
            book.save(frame(null), layout -> Optional.empty());
            book.export(file, frame(MAIN), layout -> Optional.empty());
            for (int wait = 0; wait < 200 && !Files.exists(file); wait++) {
                Thread.sleep(50);
            }
        }
        assertThat(Files.readString(file)).contains("\"theme\" : \"DAYLIGHT\"");
        try (Desk desk = desk()) {
            assertThat(new WorkspaceBook(new Layouts(desk)).frame()).contains(frame(null));
        }
    }

    @Test
    void keysAreKept() throws IOException {
        try (Desk desk = desk()) {
            KeyChoices keys = new KeyChoices(desk.saver());
            assertThat(keys.leader()).isEqualTo("space");
            keys.setLeader("alt");
            keys.setKey("chart.next", "J");
        }
        try (Desk desk = desk()) {
            KeyChoices keys = new KeyChoices(desk.saver());
            assertThat(keys.leader()).isEqualTo("alt");
            assertThat(keys.keys()).containsExactly(Map.entry("chart.next", "J"));
        }
    }
}
