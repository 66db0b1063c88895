package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.SvgSurface;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.action.View;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TableView;
import javafx.scene.control.TextInputControl;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Window;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Waiting, as a trader does it: an alert in one line, a call in a sentence; what fired rings, sleeps, is looked at again. */
class WatchTest {
    @TempDir
    private Path home;

    private WindowFixture app;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
        app.line("KTRL");
        app.await(
                "the chart",
                () -> app.chart().instrument().orElseThrow().code().equals("KTRL")
                        && !app.chart().bars().isEmpty());
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private double last() {
        return app.get(() -> app.chart().data().last());
    }

    private Alert only() {
        return app.get(() -> app.desk().books().alerts().get(0));
    }

    private TableView<?> table(String id) {
        return app.robot().lookup(id).queryTableView();
    }

    private boolean isVisible(String id) {
        return app.robot().lookup(id).tryQuery().filter(Node::isVisible).isPresent();
    }

    private void fire() throws Exception {
        // The last price itself: the next trades go through it.
        app.line(String.format(Locale.ROOT, "alert reaches %.2f \"as planned\"", last() + 0.03));
        app.await("it is set", () -> app.desk().books().alerts().size() == 1);
        app.desk().clock().setSpeed(600);
        app.desk().clock().setRunning(true);
        app.await("it fires", () -> !app.desk().books().firings().isEmpty());
        app.desk().clock().setRunning(false);
    }

    @Test
    void anAlertOfOneLineIsSetShownAndTakenBack() throws Exception {
        app.line("alert closes above 120.20 on 30m for 5 days \"retest of the breakout\"");
        app.await("it is set", () -> app.desk().books().alerts().size() == 1);
        assertThat(only().note()).isEqualTo("retest of the breakout");
        assertThat(only().bars()).hasToString("time:30m");
        assertThat(app.notices()).contains("Alert set on KTRL: closes above 120.20 on 30m until ");
        assertThat(app.get(() -> app.chart().alerts())).hasSize(1);
        app.keys("gw");
        app.await("the view", () -> app.window().bench().viewProperty().get() == View.WATCH);
        assertThat(table("#waiting-alerts").getItems()).hasSize(1);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("it is gone", () -> table("#waiting-alerts").getItems().isEmpty());
        app.line("alert closes above 120.20 by");
        assertThat(app.get(() -> app.desk().books().alerts())).isEmpty();
    }

    @Test
    void aFiringRingsSleepsAndComesAgainWithItsPictureAndMoment() throws Exception {
        fire();
        app.await("it rings", () -> isVisible("#alert-notice"));
        app.robot().interact(() -> ((Button) app.robot().lookup("#alert-snooze").query()).fire());
        app.await("it sleeps", () -> !isVisible("#alert-notice"));
        app.desk().hub().beatAt(app.desk().clock().now() + 11 * Times.MINUTE);
        app.robot().interact(() -> app.desk().bell().beat(app.desk().clock().now() + 11 * Times.MINUTE));
        app.await("it comes again", () -> isVisible("#alert-notice"));
        Firing firing = app.get(() -> app.desk().books().firings().get(0));
        assertThat(firing.note()).isEqualTo("as planned");
        app.keys("gw");
        app.await("its row", () -> table("#fired-alerts").getItems().size() == 1);
        app.robot().interact(() -> table("#fired-alerts").requestFocus());
        app.robot().push(KeyCode.DOWN);
        app.await(
                "its picture",
                () -> isVisible("#firing-picture")
                        && ((ImageView) app.robot()
                                                .lookup("#firing-picture")
                                                .lookup(".image-view")
                                                .query())
                                        .getImage()
                                != null);
        // The newest alert opens its chart with that moment at the right edge.
        app.keys("ga");
        app.await(
                "its chart",
                () -> app.window().bench().viewProperty().get() == View.CHART && !isVisible("#alert-notice"));
        app.await("its moment", () -> {
            ChartModel chart = app.chart();
            return !chart.bars().isEmpty() && chart.firings().size() == 1;
        });
    }

    @Test
    void aPictureThatIsNotThereIsTakenFromWhatWasKnownThen() throws Exception {
        fire();
        app.await("its picture", () -> pictures().length == 1);
        assertThat(pictures()[0].delete()).isTrue();
        app.keys("gw");
        app.await("its row", () -> table("#fired-alerts").getItems().size() == 1);
        app.robot().interact(() -> table("#fired-alerts").requestFocus());
        app.robot().push(KeyCode.DOWN);
        app.await("it is shown", () -> isVisible("#firing-picture"));
        app.await("and kept", () -> pictures().length == 1);
    }

    private File[] pictures() {
        File[] there = home.resolve("pictures").toFile().listFiles((dir, name) -> name.endsWith(".png"));
        return there == null ? new File[0] : there;
    }

    @Test
    void alertsThatFireTogetherHaveTheirPicturesOneAfterTheOther() throws Exception {
        double last = last();
        for (int at = 0; at < 6; at++) {
            app.line(String.format(Locale.ROOT, "alert reaches %.2f", last + 0.01 * (at - 3)));
        }
        app.await("they are set", () -> !app.desk().books().alerts().isEmpty());
        int set = app.get(() -> app.desk().books().alerts().size());
        assertThat(set).isGreaterThan(3);
        app.desk().clock().setSpeed(600);
        app.desk().clock().setRunning(true);
        app.await("they fire", () -> app.desk().books().firings().size() == set);
        app.desk().clock().setRunning(false);
        app.await("a picture of each", () -> pictures().length == set);
    }

    @Test
    void theTagOfALevelDraggedToTheBellIsAnAlert() throws Exception {
        double price = Math.rint((last() + 1) * 100) / 100;
        app.line(String.format(Locale.ROOT, "level %.2f", price));
        app.await("the level", () -> !app.chart().drawings().isEmpty());
        Point2D tag = app.get(() -> {
            ChartModel chart = app.chart();
            return new Point2D(chart.plotRight() + 20, chart.price().y(price));
        });
        Point2D bell = app.get(() -> new Point2D(
                app.chart().plotRight() - 60, app.chart().pricePane().top() + 60));
        Point2D from = app.onChart(tag.getX(), tag.getY());
        app.robot().moveTo(from).press(MouseButton.PRIMARY).moveTo(app.onChart(tag.getX() - 60, tag.getY()));
        app.await("the bell hangs there", () -> isVisible("#bell-target"));
        // Let go beside it nothing comes of it.
        app.robot().release(MouseButton.PRIMARY);
        app.await("it is gone", () -> !isVisible("#bell-target"));
        assertThat(app.get(() -> app.desk().books().alerts())).isEmpty();
        app.robot().moveTo(from).press(MouseButton.PRIMARY).moveTo(app.onChart(bell.getX(), bell.getY()));
        app.robot().release(MouseButton.PRIMARY);
        app.await("the alert", () -> app.desk().books().alerts().size() == 1);
        assertThat(only().isOn(app.get(() -> app.chart().drawings().get(0).id())))
                .isTrue();
        assertThat(app.get(() -> app.chart().drawings().get(0).anchors().get(0).price()))
                .as("the level stays where it is")
                .isEqualTo(price);
    }

    @Test
    void aRightClickOnAPriceOffersEveryWayToMeetIt() throws Exception {
        double price = Math.rint((last() + 1) * 100) / 100;
        app.robot().rightClickOn(app.onChart(app.get(() -> app.chart().plotRight() - 40), app.get(() -> app.chart()
                .price()
                .y(price))));
        Menu ways = app.get(() -> Window.getWindows().stream()
                .filter(ContextMenu.class::isInstance)
                .flatMap(menu -> ((ContextMenu) menu).getItems().stream())
                .filter(item -> item instanceof Menu && item.getText().startsWith("Alert at "))
                .map(Menu.class::cast)
                .findFirst()
                .orElseThrow());
        int offered = 0;
        for (MenuItem way : List.copyOf(ways.getItems())) {
            if (!(way instanceof SeparatorMenuItem) && !way.getText().equals("Write it yourself")) {
                app.robot().interact(way::fire);
                offered++;
            }
        }
        int expected = offered;
        assertThat(expected).isGreaterThan(5);
        app.await("all are set", () -> app.desk().books().alerts().size() == expected);
        assertThat(app.get(() -> app.desk().books().alerts()))
                .extracting(alert -> alert.first().trigger())
                .doesNotHaveDuplicates();
        MenuItem write = app.get(() -> ways.getItems().get(ways.getItems().size() - 1));
        app.robot().interact(write::fire);
        assertThat(((TextInputControl) app.robot().lookup("#command-line").query()).getText())
                .startsWith("alert reaches ");
    }

    @Test
    void allAreQuietWithOneKeyAndTheBellSaysSo() throws Exception {
        app.robot().push(KeyCode.F8);
        assertThat(app.get(() -> app.desk().bell().isOff())).isTrue();
        fire();
        assertThat(isVisible("#alert-notice")).isFalse();
        app.keys("gw");
        app.await(
                "the bell", () -> ((MenuButton) app.robot().lookup("#bell-menu").query())
                        .getText()
                        .equals("Bell: quiet"));
        app.keys("mq");
        assertThat(app.get(() -> app.desk().bell().isOff())).isFalse();
    }

    @Test
    void aCallTypedInASentenceIsDrawnAndWatchesItself() throws Exception {
        double last = last();
        app.line(String.format(
                Locale.ROOT,
                "above %.2f expect %.2f, wrong below %.2f, until Friday; below %.2f the other reading: %.2f",
                last - 0.5,
                last + 6,
                last - 3,
                last - 3,
                last - 6));
        app.await("the call", () -> app.chart().calls().size() == 1);
        String drawn = app.get(() -> {
            SvgSurface surface =
                    new SvgSurface(app.chart().width(), app.chart().height(), (text, type) -> 6.0 * text.length());
            new ChartPainter().paint(app.chart(), Palette.of(Palette.Theme.DAYLIGHT), surface);
            return surface.document();
        });
        assertThat(drawn).contains("expect ", "wrong ", "other ");
        app.desk().clock().setSpeed(60);
        app.desk().clock().setRunning(true);
        app.await("its trigger", () -> app.desk().books().callEvents().stream()
                .anyMatch(each -> each.kind() == CallEvent.Kind.TRIGGERED));
        app.desk().clock().setRunning(false);
        app.await("it is drawn so", () -> app.chart().calls().get(0).triggered());
        app.keys("gw");
        assertThat(table("#calls").getItems()).hasSize(1);
        app.line("call above 104.20 expect 107");
        assertThat(app.get(() -> app.desk().books().calls())).hasSize(1);
    }
}
