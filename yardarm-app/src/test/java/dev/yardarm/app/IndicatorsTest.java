package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Indicators as a trader uses them: found, put on, restyled, duplicated, swapped, hidden, and there after a restart. */
class IndicatorsTest {
    @TempDir
    private Path home;

    private WindowFixture app;

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
    }

    private IndicatorLayer layer(int number) {
        return app.get(() -> app.chart().indicators().get(number));
    }

    private int count() {
        return app.get(() -> app.chart().indicators().size());
    }

    private <T extends Node> T find(String query) {
        return app.robot().lookup(query).query();
    }

    private void set(String query, String text) throws Exception {
        TextField field = find(query);
        app.get(() -> {
            field.requestFocus();
            field.selectAll();
            return null;
        });
        app.robot().write(text, 0);
        app.robot().push(KeyCode.ENTER);
    }

    @Test
    void theCatalogueIsSearchedByPurposeAndTellsWhatAnIndicatorMeansBeforeItIsTaken() throws Exception {
        open();
        app.click("#chart");
        app.keys("ii");
        app.await("the catalogue", () -> find("#indicator-picker").isVisible());
        app.await(
                "its field",
                () -> find("#indicator-picker").getScene().getFocusOwner()
                                instanceof javafx.scene.control.TextField field
                        && isWithin(field, find("#indicator-picker")));
        app.robot().write("trailing stop", 0);
        app.await(
                "what is found",
                () -> ((javafx.scene.control.ListView<?>) find("#indicator-list"))
                                .getItems()
                                .size()
                        >= 3);
        String help = ((Labeled) find("#indicator-help")).getText();
        assertThat(help).contains("How it is read.", "Where it misleads.", "How it is computed.", "Settings.", "From.");
        app.robot().push(KeyCode.DOWN);
        app.robot().push(KeyCode.ENTER);
        app.await("the layer", () -> count() == 1);
        assertThat(app.get(() -> find("#indicator-picker").isVisible())).isFalse();
        assertThat(layer(0).indicator().synonyms()).contains("trailing stop");
        assertThat(app.get(() -> app.desk().habits().recent()))
                .containsExactly(layer(0).indicator().name());
        app.keys("ii");
        app.robot().write("nothing of the kind", 0);
        app.robot().push(KeyCode.ESCAPE);
        app.await("closed", () -> !find("#indicator-picker").isVisible());
        assertThat(count()).isEqualTo(1);
    }

    @Test
    void bandsAreRestyledDuplicatedSwappedAndThereAfterARestart() throws Exception {
        open();
        app.line("bollinger 20 2.5");
        app.await(
                "the bands",
                () -> count() == 1 && app.chart().data().indicators().size() == 1);
        assertThat(layer(0).settings().values()).containsEntry("factor", "2.5").containsEntry("length", "20");
        assertThat(app.get(() -> Readout.values(
                                app.chart(), layer(0), app.chart().bars().size() - 1))
                        .split("  "))
                .as("three lines are drawn, width and position are not")
                .hasSize(3);
        ComboBox<Indicator.Form> form = find("#form-middle");
        app.get(() -> {
            form.setValue(Indicator.Form.DASHED);
            return null;
        });
        set("#layer-timeframes", "D W");
        set("#setting-factor", "abc");
        app.await("the refusal", () -> app.notices().contains("factor must be a number from 0.1 to 20"));
        set("#setting-factor", "3");
        app.await("the new factor", () -> layer(0).settings().number("factor") == 3);
        assertThat(layer(0).outputStyle(0).form()).isEqualTo(Indicator.Form.DASHED);
        assertThat(layer(0).style().timeframes()).containsExactlyInAnyOrder(Timeframe.WEEK, Timeframe.DAY);
        app.click("#duplicate-layer");
        app.await("the copy", () -> count() == 2);
        assertThat(layer(1).style().colour()).isNotEqualTo(layer(0).style().colour());
        assertThat(layer(1).settings()).isEqualTo(layer(0).settings());
        app.click("#swap-layer");
        app.robot().write("keltner", 0);
        app.robot().push(KeyCode.ENTER);
        app.await("the other", () -> layer(1).indicator().name().equals("keltner"));
        assertThat(count()).isEqualTo(2);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("undone", () -> layer(1).indicator().name().equals("bollinger"));
        app.close();
        open();
        app.await("both again", () -> count() == 2);
        assertThat(layer(0).outputStyle(0))
                .isEqualTo(new OutputStyle(Indicator.Form.DASHED, OutputStyle.OF_LAYER, OutputStyle.Colouring.PLAIN));
        assertThat(layer(0).style().timeframes()).hasSize(2);
    }

    @Test
    void aLayerForOneTimeframeIsNotThereOnAnother() throws Exception {
        open();
        app.line("rsi 9");
        app.await("the layer", () -> count() == 1 && app.chart().panes().size() == 3);
        set("#layer-levels", "20, 80");
        app.await("the levels", () -> layer(0).levels().equals(List.of(20.0, 80.0)));
        set("#layer-timeframes", "D");
        app.line("W");
        app.await(
                "weeks",
                () -> app.chart().timeframe().equals(Timeframe.WEEK)
                        && !app.chart().bars().isEmpty());
        assertThat(app.get(() -> app.chart().panes().size()))
                .as("price and volume")
                .isEqualTo(2);
        app.line("D");
        app.await("its pane again", () -> app.chart().panes().size() == 3);
        app.click("#chart");
        app.keys("ha");
        app.await("hidden", () -> app.chart().panes().size() == 2);
        app.keys("ha");
        app.await("shown", () -> app.chart().panes().size() == 3);
    }

    @Test
    void anotherInstrumentIsComparedWithLive() throws Exception {
        open();
        app.line("correlation 60 marn");
        app.await("the values", () -> app.chart().data().indicators().values().stream()
                .anyMatch(lines -> !Double.isNaN(lines.get(0).column().last())));
        app.line("relative_strength");
        app.await(
                "against the benchmark",
                () -> count() == 2
                        && app.chart().data().indicators().size() == 2
                        && app.chart().data().indicators().values().stream()
                                .allMatch(lines ->
                                        !Double.isNaN(lines.get(0).column().last())));
        app.line("ratio nothing");
        app.await("told", () -> app.notices().contains("There is no instrument NOTHING to compare with."));
        assertThat(app.get(() -> app.chart().bars().isEmpty())).isFalse();
    }

    @Test
    void anIndicatorReadsAnotherOneAndIsComputedOnAHigherTimeframe() throws Exception {
        open();
        app.line("rsi 9");
        app.line("ema 5");
        app.await("both", () -> count() == 2 && app.chart().data().indicators().size() == 2);
        String reference = layer(0).id() + ":rsi.value";
        ComboBox<String> source = find("#setting-source");
        assertThat(source.getItems()).contains(reference);
        app.get(() -> {
            source.setValue(reference);
            return null;
        });
        app.await("an average of the index", () -> {
            double last = app.chart()
                    .data()
                    .indicators()
                    .get(layer(1).id())
                    .get(0)
                    .column()
                    .last();
            return last > 0 && last < 100;
        });
        assertThat(layer(1).paneId()).as("it lies with what it reads").isEqualTo(layer(0).id());
        assertThat(layer(1).title()).isEqualTo("ema 5 of rsi.value");
        ComboBox<String> higher = find("#layer-higher");
        app.get(() -> {
            higher.setValue("W");
            return null;
        });
        app.await("of weeks", () -> layer(1).title().endsWith("on W"));
        app.close();
        open();
        app.await(
                "all again",
                () -> count() == 2 && app.chart().data().indicators().size() == 2);
        assertThat(layer(1).title()).isEqualTo("ema 5 of rsi.value on W");
        app.get(() -> {
            app.room().indicators().remove(layer(0).id());
            return null;
        });
        assertThat(layer(0).reference()).as("it reads the bars again").isEmpty();
    }

    private static boolean isWithin(javafx.scene.Node node, javafx.scene.Node parent) {
        for (javafx.scene.Node each = node; each != null; each = each.getParent()) {
            if (each == parent) {
                return true;
            }
        }
        return false;
    }
}
