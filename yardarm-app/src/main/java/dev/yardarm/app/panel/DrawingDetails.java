package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.room.Studies;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;

/** Exact prices, dates and style of a drawing, its alerts, and its end. */
final class DrawingDetails extends LayerDetails {
    private final Workbench bench;
    private final String id;
    private final StyleEditor style;
    private final List<NumberField> prices = new ArrayList<>();
    private final List<TextField> dates = new ArrayList<>();
    private final Label alerts = new Label();
    private Drawing last;

    DrawingDetails(Workbench bench, String id) {
        this.bench = bench;
        this.id = id;
        last = bench.room().chart().drawing(id).orElseThrow();
        heading(last.kind().title() + ", drawn on " + last.origin());
        boolean isLine = last.kind() == Drawing.Kind.LINE;
        for (int anchor = 0; anchor < last.anchors().size(); anchor++) {
            addAnchor(anchor, isLine);
        }
        Studies studies = bench.room().studies();
        style = new StyleEditor(bench, () -> new LayerStyle(drawing().colour(), drawing().width(),
                drawing().opacity(), drawing().visible()), changed -> studies.change(drawing(),
                drawing().withStyle(changed.colour(), changed.width(), changed.opacity())));
        style(style);
        Button reaches = new Button("Alert: reached");
        reaches.setId("alert-reaches");
        reaches.setOnAction(event -> studies.setAlert(Alert.Trigger.REACHES));
        Button beyond = new Button("Alert: close beyond");
        beyond.setId("alert-beyond");
        beyond.setOnAction(event -> studies.setAlert(Alert.Trigger.CLOSES_BEYOND));
        wide(new HBox(4, reaches, beyond));
        alerts.getStyleClass().add("small");
        alerts.setWrapText(true);
        wide(alerts);
        Button delete = new Button("Delete");
        delete.setId("delete-drawing");
        delete.setOnAction(event -> studies.deleteChosen());
        wide(delete);
        show();
    }

    private void addAnchor(int anchor, boolean isLine) {
        String which = isLine ? anchor == 0 ? "first price" : "second price" : "price";
        NumberField price = new NumberField(which, value -> bench.room().studies().change(drawing(),
                drawing().withAnchor(anchor, drawing().anchors().get(anchor).withPrice(value))),
                bench.desk()::tell);
        price.setId("anchor-price-" + anchor);
        prices.add(price);
        if (isLine) {
            TextField date = new TextField();
            date.setAccessibleText(anchor == 0 ? "first date" : "second date");
            date.setId("anchor-date-" + anchor);
            date.setOnAction(event -> setDate(anchor, date.getText()));
            dates.add(date);
            row(anchor == 0 ? "From" : "To", date);
        }
        row("Price", price);
    }

    private void setDate(int anchor, String text) {
        TradingCalendar calendar = bench.room().chart().axis().grid().calendar();
        try {
            LocalDate day = calendar.sameOrNext(LocalDate.parse(text.strip().substring(0, 10)));
            long time = new BarGrid(calendar, drawing().origin()).slotAt(calendar.open(day)).openTime();
            long other = drawing().anchors().get(1 - anchor).time();
            if (time == other) {
                bench.desk().tell("Both ends of a line cannot lie on the same bar.");
            } else {
                bench.room().studies().change(drawing(), drawing().withAnchor(anchor,
                        new Anchor(time, drawing().anchors().get(anchor).price())));
            }
        } catch (DateTimeException | StringIndexOutOfBoundsException bad) {
            bench.desk().tell("'" + text + "' is no date; write it as 2026-06-19.");
        }
        show();
    }

    private Drawing drawing() {
        return bench.room().chart().drawing(id).orElse(last);
    }

    @Override
    void show() {
        last = drawing();
        PriceFormat format = bench.room().instrument().orElseThrow().format();
        TradingCalendar calendar = bench.room().chart().axis().grid().calendar();
        for (int anchor = 0; anchor < prices.size(); anchor++) {
            prices.get(anchor).setValue(last.anchors().get(anchor).price(), format.decimals());
        }
        for (int anchor = 0; anchor < dates.size(); anchor++) {
            if (!dates.get(anchor).isFocused()) {
                dates.get(anchor).setText(Times.date(last.anchors().get(anchor).time(), calendar.zone()).toString());
            }
        }
        style.show();
        StringBuilder text = new StringBuilder();
        for (Alert alert : bench.room().chart().alerts()) {
            if (alert.drawing().equals(id)) {
                text.append(text.isEmpty() ? "" : "\n").append(alert.hasFired() ? "fired " + Readout.time(
                        alert.firedAt(), dev.yardarm.core.bars.Timeframe.MINUTE, calendar.zone()) + " at "
                        + format.format(alert.firedPrice()) : "waits: " + alert.trigger().words());
            }
        }
        alerts.setText(text.toString());
    }
}
