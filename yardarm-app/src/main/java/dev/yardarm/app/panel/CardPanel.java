package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.card.InstrumentCard;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.work.Lane;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The card of the instrument on the chart in hand. */
public final class CardPanel extends VBox {
    private static final long EVERY = 5_000_000_000L;

    private final Workbench bench;
    private final GridPane grid = new GridPane();
    private Instrument shown;
    private long shownAt;

    public CardPanel(Workbench bench) {
        this.bench = bench;
        getStyleClass().addAll("side", "side-right", "card");
        setId("card");
        ColumnConstraints words = new ColumnConstraints();
        words.setMinWidth(62);
        ColumnConstraints values = new ColumnConstraints();
        values.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().addAll(words, values);
        grid.getStyleClass().add("card-grid");
        ScrollPane scroll = new ScrollPane(grid);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().add(scroll);
        bench.listen(aspect -> {
            if (aspect == Aspect.CHART || aspect == Aspect.DATA) {
                update();
            }
        });
        visibleProperty().addListener((observed, before, now) -> update());
        update();
    }

    private void update() {
        Instrument instrument = bench.room().instrument().orElse(null);
        boolean due = instrument != null && (!instrument.equals(shown) || System.nanoTime() - shownAt > EVERY);
        if (!isVisible() || !due) {
            return;
        }
        shown = instrument;
        shownAt = System.nanoTime();
        Desk desk = bench.desk();
        desk.scheduler()
                .start(
                        Lane.SOON,
                        "card",
                        "",
                        job -> InstrumentCard.of(
                                instrument,
                                desk.directory(),
                                desk.histories(),
                                desk.vantages().at(desk.clock().now())),
                        this::show,
                        failed -> desk.tell(
                                "The card of " + instrument.code() + " cannot be made: " + failed.getMessage()));
    }

    private void show(InstrumentCard card) {
        grid.getChildren().clear();
        int row = 0;
        for (InstrumentCard.Line line : card.lines()) {
            Label text = new Label(line.text());
            text.setWrapText(true);
            if (line.word().isEmpty()) {
                text.getStyleClass().add(row == 0 ? "strong" : "card-part");
                grid.add(text, 0, row++, 2, 1);
                continue;
            }
            Label word = new Label(line.word());
            word.getStyleClass().addAll("soft", "small");
            word.setMinWidth(Region.USE_PREF_SIZE);
            text.getStyleClass().add("small");
            grid.addRow(row++, word, text);
        }
    }
}
