package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files are looked at in the window before they are imported, by keyboard and by mouse. */
class IntakePanelTest {
    @TempDir
    Path folder;

    private WindowFixture app;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(folder.resolve("home"));
        app.open(true);
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private Path file(String name, String... rows) throws Exception {
        Path file = folder.resolve(name);
        Files.write(file, List.of(rows));
        return file;
    }

    private void look(Path... files) throws Exception {
        app.get(() -> {
            app.window().bench().intake(List.of(files));
            return true;
        });
        app.await("the panel", () -> panel().isVisible());
    }

    private Node panel() {
        return app.robot().lookup("#intake-panel").query();
    }

    private String text(String id) {
        return app.robot().lookup(id).queryAs(Label.class).getText();
    }

    private boolean canTake() {
        return !app.robot().lookup("#intake-take").queryAs(Button.class).isDisabled();
    }

    @Test
    void whatEachColumnIsTakenForIsSeenAndSaidOtherwise() throws Exception {
        look(file(
                "GRAVL.csv",
                "Date;Open;High;Low;Close",
                "03/04/2024;10,5;11;10;10,75",
                "04/04/2024;10,75;12;10,5;11,25",
                "05/04/2024;11,25;11,5;11;11,5"));
        app.await("an answer", () -> !text("#intake-notes").equals("Reading ..."));
        assertThat(text("#intake-notes") + text("#intake-problem")).contains("--dates");
        assertThat(canTake()).isFalse();

        ComboBox<String> dates = app.robot().lookup("#intake-dates").queryComboBox();
        app.get(() -> {
            dates.setValue("day first");
            return true;
        });
        app.await("the rows", () -> canTake());
        assertThat(text("#intake-notes")).startsWith("3 bars");
        app.robot().push(KeyCode.ENTER);
        app.await(
                "the chart",
                () -> app.room()
                                .instrument()
                                .map(each -> each.code().equals("GRAVL"))
                                .orElse(false)
                        && app.chart().bars().size() == 3);
        assertThat(app.chart().bars().close(2)).isEqualTo(11.5);
        assertThat(panel().isVisible()).isFalse();
    }

    @Test
    void nothingIsImportedAsItWasReadUnderOtherOptions() throws Exception {
        look(file("HULLK.csv", "Date,Open,High,Low,Close", "2024-04-03 10:00,1,2,1,2", "2024-04-03 10:01,2,3,2,3"));
        app.await("an answer", () -> !text("#intake-notes").equals("Reading ..."));
        TextField zone = app.robot().lookup("#intake-zone").queryAs(TextField.class);
        app.get(() -> {
            zone.setText("Atlantis/Port");
            zone.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        assertThat(text("#intake-problem")).contains("Atlantis/Port").contains("not a time zone");
        assertThat(canTake()).isFalse();
        TextField code = app.robot().lookup("#intake-code").queryAs(TextField.class);
        app.get(() -> {
            // What is typed elsewhere does not bring back what was read before.
            code.setText("HULLX");
            code.requestFocus();
            return true;
        });
        app.robot().push(KeyCode.ENTER);
        assertThat(panel().isVisible()).isTrue();
        assertThat(app.desk().directory().byCode("HULLX")).isEmpty();

        app.get(() -> {
            zone.setText("Atlantic/Azores");
            zone.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        app.await("the rows", () -> canTake());
        app.robot().push(KeyCode.ESCAPE);
        assertThat(panel().isVisible()).isFalse();
    }

    @Test
    void leavingAFileWhileItIsImportedSkipsNoOther() throws Exception {
        look(
                file("ALDER.csv", "Date,Open,High,Low,Close", "2024-04-03,1,2,1,2", "2024-04-04,2,3,2,3"),
                file("BIRCH.csv", "Date,Open,High,Low,Close", "2024-04-03,1,2,1,2", "2024-04-04,2,3,2,3"));
        app.await("the first", () -> canTake());
        Button take = app.robot().lookup("#intake-take").queryAs(Button.class);
        Button leave = app.robot().lookup("#intake-leave").queryAs(Button.class);
        app.get(() -> {
            take.fire();
            leave.fire();
            return true;
        });
        app.await("the first is in", () -> app.room()
                .instrument()
                .map(each -> each.code().equals("ALDER"))
                .orElse(false));
        app.await("the second is still asked", () -> panel().isVisible() && canTake());
        assertThat(app.robot().lookup("#intake-code").queryAs(TextField.class).getText())
                .isEqualTo("BIRCH");
    }
}
