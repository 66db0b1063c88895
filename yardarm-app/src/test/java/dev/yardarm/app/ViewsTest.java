package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.chart.model.BracketLayout;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.scan.ScanRunner;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.util.WaitForAsyncUtils;

/** Scan, Watch and Plan by key and mouse: the chart follows the row in hand, columns are chosen and sorted, and kept. */
class ViewsTest {
    @TempDir
    Path home;

    private WindowFixture app;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private ChartModel beside() {
        return ((ChartView) app.robot().lookup("#row-chart").query()).room().chart();
    }

    private String shownBeside() {
        return app.get(() -> beside().bars().isEmpty()
                ? ""
                : beside().instrument().orElseThrow().code());
    }

    private TableView<?> table(String id) {
        return app.robot().lookup(id).queryTableView();
    }

    private List<String> heads(String id) {
        return app.get(
                () -> table(id).getColumns().stream().map(TableColumn::getText).toList());
    }

    private void awaitView(View view) throws Exception {
        app.await(view.title(), () -> app.window().bench().viewProperty().get() == view);
    }

    @Test
    void theChartFollowsTheResultsByKeyAndEnterOpensTheOneInHand() throws Exception {
        app.line("close > 0");
        awaitView(View.SCAN);
        app.await("results", () -> table("#scan-results").getItems().size() > 5);
        app.await("the first chart", () -> !shownBeside().isEmpty());
        String first = shownBeside();
        app.robot().push(KeyCode.DOWN).push(KeyCode.DOWN).push(KeyCode.PAGE_DOWN);
        app.await(
                "another chart",
                () -> !shownBeside().isEmpty() && !shownBeside().equals(first));
        assertThat(app.get(() -> table("#scan-results").getSelectionModel().getSelectedIndex()))
                .isEqualTo(3);
        app.robot().push(KeyCode.PAGE_UP).push(KeyCode.PAGE_UP).push(KeyCode.UP);
        app.await("the first again", () -> shownBeside().equals(first));
        app.robot().push(KeyCode.PAGE_DOWN);
        app.await("the second", () -> !shownBeside().isEmpty() && !shownBeside().equals(first));
        String second = shownBeside();
        app.robot().push(KeyCode.ENTER);
        awaitView(View.CHART);
        app.await(
                "its chart", () -> app.room().instrument().orElseThrow().code().equals(second));
    }

    @Test
    void anAlertOfTheLineIsOnTheRowInHandAndTheRowsStay() throws Exception {
        app.line("close > 0");
        awaitView(View.SCAN);
        app.await("results", () -> table("#scan-results").getItems().size() > 5);
        app.await("the first chart", () -> !shownBeside().isEmpty());
        String first = shownBeside();
        app.robot().push(KeyCode.DOWN);
        app.await("another", () -> !shownBeside().isEmpty() && !shownBeside().equals(first));
        app.line("alert close < 1");
        app.await("the alert", () -> app.desk().books().alerts().size() == 1);
        assertThat(app.desk().books().alerts().get(0).instrument().code()).isEqualTo(shownBeside());
        assertThat(app.get(() -> app.window().bench().viewProperty().get())).isEqualTo(View.SCAN);
        app.line("alert trade 5000");
        app.await("the other", () -> app.desk().books().alerts().size() == 2);
        assertThat(app.desk().books().alerts().get(1).instrument().code()).isEqualTo(shownBeside());
    }

    @Test
    void beforeThereAreRowsAnAlertOfTheLineIsOnTheChart() throws Exception {
        app.line("alerts");
        awaitView(View.WATCH);
        app.line("alert close < 1");
        app.await("the alert", () -> app.desk().books().alerts().size() == 1);
        assertThat(app.desk().books().alerts().get(0).instrument().code()).isEqualTo("KTRL");
        assertThat(app.notices()).contains("Alert set on KTRL");
    }

    @Test
    void columnsAreChosenSortedAndKept() throws Exception {
        app.line("close > 0");
        app.await("results", () -> table("#scan-results").getItems().size() > 5);
        assertThat(heads("#scan-results")).containsExactly("Code", "Last", "Change", "Bar", "By", "Decided by");
        MenuButton menu = app.robot().lookup("#scan-results-columns").queryAs(MenuButton.class);
        app.get(() -> {
            menu.requestFocus();
            return true;
        });
        // By key: the menu opens, its items are ticked.
        app.robot().push(KeyCode.SPACE);
        app.await("the menu", menu::isShowing);
        app.get(() -> {
            menu.getItems().stream()
                    .filter(item -> List.of("Sector", "By").contains(item.getText()))
                    .toList()
                    .forEach(item -> {
                        ((CheckMenuItem) item).setSelected(!((CheckMenuItem) item).isSelected());
                        item.fire();
                    });
            menu.hide();
            return true;
        });
        app.await("other columns", () -> heads("#scan-results")
                .equals(List.of("Code", "Sector", "Last", "Change", "Bar", "Decided by")));
        Node head = app.get(() -> app.robot().lookup("#scan-results .column-header").queryAll().stream()
                .filter(node -> node.lookupAll(".label").stream()
                        .anyMatch(label -> ((Label) label).getText().equals("Last")))
                .findFirst()
                .orElseThrow());
        app.robot().clickOn(head).clickOn(head);
        app.await("sorted", () -> app.desk().habits().table("scan").endsWith("; -last"));
        List<Double> last = app.get(() -> {
            TableColumn<?, ?> column = table("#scan-results").getColumns().get(2);
            return IntStream.range(0, table("#scan-results").getItems().size())
                    .mapToObj(row -> ((ScanRunner.Found) column.getCellData(row)))
                    .map(found -> found.bars().close(found.bars().size() - 1))
                    .toList();
        });
        assertThat(last).isSortedAccordingTo(Comparator.reverseOrder());
        app.close();
        app = new WindowFixture(home);
        app.openAsItIs(true);
        app.line("screener");
        awaitView(View.SCAN);
        assertThat(heads("#scan-results")).containsExactly("Code", "Sector", "Last", "Change", "Bar", "Decided by");
    }

    @Test
    void anAlertShowsItsLevelAndGoesAndComesBack() throws Exception {
        app.line("level 101.25");
        app.keys("ma");
        app.line("MARN");
        app.await("MARN", () -> app.room().instrument().orElseThrow().code().equals("MARN"));
        app.line("level 190");
        app.await("the level", () -> app.chart().drawings().size() == 1);
        app.keys("ma");
        app.await("two alerts", () -> app.desk().books().alerts().size() == 2);
        app.line("alerts");
        awaitView(View.WATCH);
        app.await("its chart", () -> shownBeside().equals("KTRL"));
        app.await("its level in hand", () -> beside().selection() instanceof Selection.Drawing);
        app.robot().push(KeyCode.DOWN);
        app.await("the other", () -> shownBeside().equals("MARN"));
        app.await(
                "its level",
                () -> beside().chosenDrawings().size() == 1
                        && beside().chosenDrawings().get(0).anchors().get(0).price() == 190);
        app.robot().push(KeyCode.DELETE);
        app.await("one left", () -> app.desk().books().alerts().size() == 1);
        app.await("its chart again", () -> shownBeside().equals("KTRL"));
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("undone", () -> app.desk().books().alerts().size() == 2);
    }

    @Test
    void aPlansStopIsDraggedInTheChartBesideIt() throws Exception {
        app.line("plan 104 102 110");
        app.line("plans");
        awaitView(View.PLAN);
        app.await("its chart", () -> shownBeside().equals("KTRL"));
        app.await("its bracket", () -> beside().plan().isPresent());
        WaitForAsyncUtils.waitForFxEvents();
        double before = app.get(() -> beside().plan().orElseThrow().stop());
        Point2D stop = app.get(() -> {
            BracketLayout bracket = BracketLayout.of(beside(), beside().plan().orElseThrow());
            return app.robot()
                    .lookup("#row-chart")
                    .query()
                    .localToScreen((bracket.spineX() + bracket.armEnd()) / 2, bracket.stopY());
        });
        app.robot()
                .moveTo(stop)
                .press(MouseButton.PRIMARY)
                .moveBy(0, 12)
                .moveBy(0, 12)
                .release(MouseButton.PRIMARY);
        app.await("a wider stop", () -> app.desk().books().plans().get(0).stop() < before);
        double now = app.desk().books().plans().get(0).stop();
        app.await(
                "the table says so",
                () -> table("#plans").getItems().get(0) instanceof TradePlan plan && plan.stop() == now);
        app.get(() -> {
            table("#plans").requestFocus();
            return true;
        });
        app.robot().push(KeyCode.DELETE);
        app.await("none", () -> app.desk().books().plans().isEmpty());
    }

    @Test
    void aViewThatIsNotInFrontRestsAndItsKeysDoNothing() throws Exception {
        app.line("plan 104 102 110");
        app.line("plans");
        awaitView(View.PLAN);
        app.await("its chart", () -> shownBeside().equals("KTRL"));
        app.keys("gc");
        awaitView(View.CHART);
        app.line("MARN");
        app.await("MARN", () -> app.room().instrument().orElseThrow().code().equals("MARN"));
        app.keys("gp");
        awaitView(View.PLAN);
        app.await("still its chart", () -> shownBeside().equals("KTRL"));
        app.robot().push(KeyCode.M);
        app.await(
                "the line", () -> app.robot().lookup("#command-line").tryQuery().isPresent());
        assertThat(app.desk().books().plans()).hasSize(1);
    }
}
