package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.FigureRows;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.render.LargeTradeLines;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.SvgSurface;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.profile.Footprint;
import dev.yardarm.core.profile.SpanProfile;
import dev.yardarm.core.series.Bars;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Who traded where, as a day trader uses it: typed onto a chart, filtered, zoomed, listed, laid out for execution. */
class OrderFlowTest {
    @TempDir
    private Path home;

    private WindowFixture app;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
        app.line("VRTQ");
        app.line("15m");
        app.await(
                "the future",
                () -> app.chart().instrument().orElseThrow().code().equals("VRTQ")
                        && app.chart().timeframe().toString().equals("15m")
                        && !app.chart().bars().isEmpty());
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private <T extends Node> T find(String query) {
        return app.robot().lookup(query).query();
    }

    private IndicatorLayer layer(String name) {
        return app.get(() -> app.chart().indicators().stream()
                .filter(each -> each.indicator().name().equals(name))
                .findFirst()
                .orElseThrow());
    }

    private Footprint footprint() {
        return app.get(() -> app.chart().data().flow().footprints().values().stream()
                .findFirst()
                .orElse(null));
    }

    /** What the chart paints now. */
    private String picture() {
        return app.get(() -> {
            SvgSurface surface =
                    new SvgSurface(app.chart().width(), app.chart().height(), (text, type) -> 6.0 * text.length());
            ChartPainter painter = new ChartPainter();
            painter.paint(app.chart(), Palette.of(Palette.Theme.DAYLIGHT), surface);
            painter.paintLegend(app.chart(), surface);
            return surface.document();
        });
    }

    @Test
    void aFootprintAtThreeZoomsAndFilteredBySize() throws Exception {
        app.line("footprint");
        app.await("the trades", () -> footprint() != null && footprint().bars() > 100);
        Footprint all = footprint();
        Bars bars = app.get(() -> app.chart().bars());
        int bar = bars.closed() - 2;
        double sum = 0;
        String largest = "";
        double most = 0;
        for (int row = all.start(bar); row < all.end(bar); row++) {
            sum += all.levels(bar).volume(row);
            if (all.levels(bar).ask(row) > most) {
                most = all.levels(bar).ask(row);
                largest = ">" + (int) most + "<";
            }
        }
        assertThat(sum).isEqualTo(bars.volume(bar));

        app.get(() -> {
            app.chart().setBarWidth(80);
            return null;
        });
        assertThat(picture()).contains(largest);
        app.get(() -> {
            app.chart().setBarWidth(16);
            return null;
        });
        String cells = picture();
        assertThat(cells).doesNotContain(largest);
        app.get(() -> {
            app.chart().setBarWidth(5);
            return null;
        });
        String plain = picture();
        assertThat(plain).doesNotContain(largest);
        // Cells are shades; plain bars have none of them.
        assertThat(cells.length()).isGreaterThan(2 * plain.length() / 3);

        app.get(() -> {
            app.room().studies().select(new Selection.Layer(layer("footprint").id()));
            return null;
        });
        app.await("its settings", () -> app.robot()
                .lookup(each -> each instanceof TextField field && "Trades from size".equals(field.getAccessibleText()))
                .tryQuery()
                .isPresent());
        TextField size = app.robot()
                .lookup(each -> each instanceof TextField field && "Trades from size".equals(field.getAccessibleText()))
                .query();
        app.get(() -> {
            size.setText("25");
            size.fireEvent(new javafx.event.ActionEvent());
            return null;
        });
        app.await("filtered", () -> footprint() != null && footprint().least() == 25);
        assertThat(picture()).contains("smaller trades than 25 left out");
        double left = 0;
        for (int row = footprint().start(bar); row < footprint().end(bar); row++) {
            left += footprint().levels(bar).volume(row);
        }
        assertThat(left).isLessThan(sum);
        app.click("#chart");
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("all of them again", () -> footprint() != null && footprint().least() == 0);
    }

    @Test
    void theListOfLargeTradesLeadsToThem() throws Exception {
        app.line("large trades 180");
        app.await(
                "the list",
                () -> app.robot().lookup("#large-trades").tryQuery().isPresent()
                        && !((TableView<?>) find("#large-trades")).getItems().isEmpty());
        TableView<LargeTradeLines.Line> table = find("#large-trades");
        List<LargeTradeLines.Line> lines = app.get(() -> List.copyOf(table.getItems()));
        assertThat(lines)
                .isSortedAccordingTo((one, other) ->
                        Long.compare(other.trade().time(), one.trade().time()));
        assertThat(lines).allMatch(each -> each.trade().size() >= 180);
        LargeTradeLines.Line oldest = lines.get(lines.size() - 1);
        app.get(() -> {
            table.getSelectionModel().select(oldest);
            table.scrollTo(oldest);
            return null;
        });
        app.click("#large-trades");
        app.get(() -> {
            table.getSelectionModel().select(oldest);
            return null;
        });
        app.robot().push(KeyCode.ENTER);
        app.await(
                "its bar",
                () -> app.chart().time().firstVisible() <= oldest.bar()
                        && app.chart().time().endVisible(app.chart().bars().size()) > oldest.bar());
        app.click("#alert-large");
        app.await("the alert", () -> app.notices().contains("at once with a trade of 180 or more"));
    }

    private String rows() {
        return layer("bar_figures").settings().word("rows");
    }

    @Test
    void rowsOfFiguresAreOrderedByMouseAndKeyboard() throws Exception {
        app.line("bar figures");
        app.await("their settings", () -> find("#row-volume") != null);
        assertThat(rows()).isEqualTo("delta delta_high delta_low volume trades");

        Point2D above = app.get(() -> find("#row-delta").localToScreen(8, 8));
        app.robot().drag("#row-trades").dropTo(above);
        app.await("the dragged row", () -> rows().equals("trades delta delta_high delta_low volume"));
        app.robot().clickOn("#row-delta_high");
        app.await("left out", () -> rows().equals("trades delta delta_low volume"));
        app.robot().clickOn("#row-average");
        app.await("one more", () -> rows().equals("trades delta delta_low volume average"));
        app.robot().push(KeyCode.ALT, KeyCode.UP);
        app.await("moved up", () -> rows().equals("trades delta delta_low average volume"));

        // On the chart, the row itself.
        Point2D second = app.get(() -> {
            ChartModel chart = app.chart();
            IndicatorLayer figures = layer("bar_figures");
            Pane pane = chart.panes().stream()
                    .filter(each -> each.id().equals(figures.paneId()))
                    .findFirst()
                    .orElseThrow();
            FigureRows rows = FigureRows.of(pane, figures).orElseThrow();
            return app.robot()
                    .lookup(".chart-view")
                    .query()
                    .localToScreen(chart.plotRight() / 2, rows.top(1) + rows.high() / 2);
        });
        app.robot().clickOn(second, MouseButton.SECONDARY);
        app.await(
                "its menu",
                () -> !app.robot().lookup("Row 'delta' up").queryAll().isEmpty());
        app.robot().clickOn("Row 'delta' up");
        app.await("up", () -> rows().equals("delta trades delta_low average volume"));
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        // Changes of one layer that follow each other quickly are one step.
        app.await("taken back", () -> !rows().equals("delta trades delta_low average volume"));
    }

    @Test
    void theProfileOfADrawnSpan() throws Exception {
        Bars bars = app.get(() -> app.chart().bars());
        int first = bars.closed() - 30;
        int last = bars.closed() - 11;
        app.get(() -> {
            app.room()
                    .studies()
                    .draw(
                            "zone",
                            List.of(
                                    new Anchor(bars.openTime(first), bars.high(first)),
                                    new Anchor(bars.openTime(last), bars.low(last))));
            return null;
        });
        app.await("the zone", () -> app.chart().drawings().size() == 1);
        Drawing zone = app.get(() -> app.chart().drawings().get(0));
        app.get(() -> {
            app.room().studies().select(Selection.ofDrawings(List.of(zone.id())));
            app.room().profiles().ofChosenDrawing();
            return null;
        });
        app.await("its profile", () -> app.chart().data().flow().profiles().values().stream()
                .anyMatch(each -> each.size() == 1));
        SpanProfile profile = app.get(() -> app.chart().data().flow().profiles().values().stream()
                .flatMap(List::stream)
                .findFirst()
                .orElseThrow());
        double volume = 0;
        for (int bar = first; bar <= last; bar++) {
            volume += bars.volume(bar);
        }
        assertThat(profile.rows().total()).isEqualTo(volume);
        assertThat(profile.from()).isEqualTo(bars.openTime(first));
        assertThat(profile.to()).isEqualTo(bars.closeTime(last));
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("taken back", () -> app.chart().data().flow().profiles().isEmpty());
    }

    @Test
    void theExecutionLayoutIsLinkedAndRestsOnTrades() throws Exception {
        // A chart linked by its timeframe leaves the new ones their own.
        app.line("link 1 shares what how");
        app.line("link 1");
        app.line("execution");
        app.await(
                "four charts",
                () -> app.window().bench().layouts().focused().charts().size() == 4
                        && app.window().bench().layouts().focused().charts().stream()
                                .allMatch(each -> !each.chart().bars().isEmpty()));
        List<String> layers = app.get(() -> app.window().bench().layouts().focused().charts().stream()
                .flatMap(each -> each.chart().indicators().stream())
                .map(each -> each.indicator().name())
                .toList());
        assertThat(layers)
                .containsExactly("view_profile", "delta", "footprint", "bar_figures", "big_trades", "profile");
        assertThat(app.get(() -> app.window().bench().layouts().focused().charts().stream()
                        .map(each -> each.link())
                        .distinct()
                        .toList()))
                .hasSize(1)
                .doesNotContain(0);
        assertThat(app.get(() -> app.window().bench().layouts().focused().charts().stream()
                        .map(each -> each.chart().request().isTime()
                                ? each.chart().timeframe().toString()
                                : each.chart().request().rule().words())
                        .toList()))
                .containsExactly("range of 8 ticks", "5m", "1m", "30m");
        assertThat(app.get(() -> app.window()
                        .bench()
                        .layouts()
                        .focused()
                        .charts()
                        .get(0)
                        .chart()
                        .madeFrom()))
                .contains("from ticks");
        app.line("EMBRA");
        app.await("all four go along", () -> app.window().bench().layouts().focused().charts().stream()
                .allMatch(each -> each.instrument().orElseThrow().code().equals("EMBRA")));
    }
}
