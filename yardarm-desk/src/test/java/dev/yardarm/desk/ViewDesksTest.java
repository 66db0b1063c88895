package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.plan.PlanDesk;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.scan.ScanDesk;
import dev.yardarm.desk.table.RowColumn;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.watch.WatchDesk;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The models of the views Scan, Watch and Plan, without a window. */
class ViewDesksTest {
    @TempDir
    private Path home;

    private final Front front = new Front();
    private Desk desk;
    private ChartRoom room;

    @BeforeEach
    void open() throws Exception {
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.run(() -> {
            room = new ChartRoom(desk);
            room.open(instrument("KTRL"), Timeframe.DAY);
        });
        front.await("bars", () -> !room.chart().bars().isEmpty());
    }

    @AfterEach
    void close() {
        desk.close();
        front.close();
    }

    private Instrument instrument(String code) {
        return desk.directory().byCode(code).orElseThrow();
    }

    private static <R> String text(Rows<R> rows, String column) {
        RowColumn<R> found = rows.columns().stream()
                .filter(each -> each.id().equals(column))
                .findFirst()
                .orElseThrow();
        return found.text().apply(rows.inHand().orElseThrow());
    }

    @Test
    void plansHaveTheirMoneyAndTheOneInHandItsChart() {
        front.run(() -> {
            PlanDesk plans = new PlanDesk(desk);
            assertThat(plans.subject()).isEmpty();
            assertThat(plans.total()).isEmpty();
            room.studies().makePlan(104, 102, 110);
            assertThat(plans.rows().rows()).hasSize(1);
            TradePlan plan = plans.rows().inHand().orElseThrow();
            assertThat(plans.subject().orElseThrow().instrument()).isEqualTo(instrument("KTRL"));
            assertThat(plans.subject().orElseThrow().request().timeframe()).isEqualTo(Timeframe.DAY);
            assertThat(text(plans.rows(), "entry")).isEqualTo("104.00");
            assertThat(text(plans.rows(), "stop-distance")).isEqualTo("1.92");
            assertThat(text(plans.rows(), "reward-r")).isEqualTo("3.00");
            // The account's 1 % of 25,000 at 2 crowns a share.
            assertThat(text(plans.rows(), "size")).isEqualTo("125 shares");
            assertThat(text(plans.rows(), "cost")).startsWith("13,000.00 ");
            assertThat(text(plans.rows(), "risk")).startsWith("250.00 ");
            assertThat(text(plans.rows(), "reward")).startsWith("750.00 ");
            assertThat(plans.total()).contains("1 plan", "250.00", "(1.00 % of the account)", "13,000.00");
            plans.remove(plan);
            assertThat(plans.rows().rows()).isEmpty();
            room.undo();
            assertThat(plans.rows().rows()).hasSize(1);
            plans.close();
            room.studies().removePlan();
            assertThat(plans.rows().rows()).as("a closed one follows no more").hasSize(1);
        });
    }

    @Test
    void alertsSayHowFarTheirLevelIsAndLeadToTheirDrawing() throws Exception {
        WatchDesk[] made = new WatchDesk[1];
        front.run(() -> {
            double last = room.chart().bars().close(room.chart().bars().size() - 1);
            room.studies().draw(Drawing.LEVEL, List.of(new Anchor(desk.clock().now(), last * 1.1)));
            room.studies().setAlert(Alert.Trigger.REACHES);
            made[0] = new WatchDesk(desk);
        });
        WatchDesk watch = made[0];
        front.await("how far it is", () -> !text(watch.waiting(), "away").isEmpty());
        front.run(() -> {
            assertThat(Double.parseDouble(text(watch.waiting(), "away"))).isBetween(9.5, 10.5);
            assertThat(text(watch.waiting(), "on")).isEqualTo("rises to \"Level\"");
            assertThat(text(watch.waiting(), "when")).isEqualTo("once");
            assertThat(watch.inHand()).isEqualTo(WatchDesk.Part.WAITING);
            String drawing = room.chart().drawings().get(0).id();
            assertThat(watch.subject().orElseThrow().drawing()).isEqualTo(drawing);
            watch.take(WatchDesk.Part.FIRED);
            assertThat(watch.inHand()).as("nothing has fired").isEqualTo(WatchDesk.Part.WAITING);
            watch.removeInHand();
            assertThat(desk.books().alerts()).isEmpty();
            assertThat(watch.subject()).isEmpty();
            room.undo();
            assertThat(watch.waiting().rows()).hasSize(1);
            watch.close();
        });
    }

    @Test
    void aScanSaysWhatIsWrongAndKeepsItsColumns() throws Exception {
        ScanDesk[] made = new ScanDesk[1];
        front.run(() -> {
            made[0] = new ScanDesk(desk);
            ScanDesk scans = made[0];
            assertThat(scans.draft().scan().name())
                    .isEqualTo(scans.draft().saved().get(0).name());
            scans.draft().open(Scan.of("", "All companies", Timeframe.DAY, List.of("close > smaa(close, 50)")));
            scans.run();
            assertThat(scans.draft().problem()).startsWith("Row 1, position 9");
            scans.draft().open(Scan.of("", "All companies", Timeframe.DAY, List.of(" ")));
            scans.run();
            assertThat(scans.draft().problem()).startsWith("Write at least one condition");
            scans.draft().open(Scan.of("", "no such list", Timeframe.DAY, List.of("close > 0")));
            assertThat(scans.draft().save()).isFalse();
            assertThat(scans.draft().problem()).contains("name");
            scans.run();
        });
        front.await("what is missing", () -> made[0].draft()
                .problem()
                .equals("There is nothing to look at: there is no list 'no such list'."));
        front.run(() -> {
            ScanDesk scans = made[0];
            scans.scanFor("close > 0", "Indices", Timeframe.WEEK);
            assertThat(scans.summary()).isEqualTo("Scanning ...");
        });
        ScanDesk scans = made[0];
        front.await("results", () -> !scans.found().rows().isEmpty());
        front.run(() -> {
            assertThat(scans.summary()).contains("12 of 12 match", "Indices", "W");
            assertThat(scans.subject().orElseThrow().request().timeframe()).isEqualTo(Timeframe.WEEK);
            String first = text(scans.found(), "code");
            scans.found().step(1);
            assertThat(scans.subject().orElseThrow().instrument().code()).isNotEqualTo(first);
            scans.found().sort("change", true);
            scans.found().show(ScanDesk.CHART, true);
            assertThat(desk.habits().table("scan")).isEqualTo("code chart last change bar by decided; -change");
            assertThat(new ScanDesk(desk).found().isShown(ScanDesk.CHART)).isTrue();
            scans.close();
        });
    }

    @Test
    void nothingOfAHundredClosedViewsGoesOnListening() {
        front.run(() -> {
            int books = desk.books().listeners();
            for (int view = 0; view < 100; view++) {
                new PlanDesk(desk).close();
                new WatchDesk(desk).close();
                new ScanDesk(desk).close();
            }
            assertThat(desk.books().listeners()).isEqualTo(books);
        });
    }
}
