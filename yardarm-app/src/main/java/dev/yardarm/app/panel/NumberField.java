package dev.yardarm.app.panel;

import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.instrument.TypedNumber;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

/** A field for one number. Enter or leaving it takes the number; Esc puts the old one back; a bad one is told. */
public final class NumberField extends TextField {
    private final DoubleConsumer take;
    private final Consumer<String> complain;
    private DoubleFunction<String> write = number -> String.format(Locale.ROOT, "%.2f", number);
    private ToDoubleFunction<String> read = TypedNumber::parse;
    private double value = Double.NaN;

    public NumberField(String name, DoubleConsumer take, Consumer<String> complain) {
        this.take = take;
        this.complain = complain;
        setAccessibleText(name);
        setPrefColumnCount(8);
        setStyle("-fx-alignment: center-right;");
        setOnAction(event -> commit());
        focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                commit();
            }
        });
        setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                show();
                event.consume();
            }
        });
    }

    /** Shows a number, unless the user is typing another. */
    public void setValue(double number, int decimals) {
        String format = "%." + decimals + "f";
        write = each -> String.format(Locale.ROOT, format, each);
        read = TypedNumber::parse;
        put(number);
    }

    /** Shows a price in the writing of its instrument, in which it may be typed too. */
    public void setPrice(double price, PriceFormat format) {
        write = format::format;
        read = format::parse;
        put(price);
    }

    private void put(double number) {
        value = number;
        if (!isFocused() || getText().isEmpty()) {
            show();
        }
    }

    private void show() {
        setText(Double.isNaN(value) ? "" : write.apply(value));
    }

    private void commit() {
        String text = getText().strip();
        if (Double.isNaN(value) && text.isEmpty()) {
            return;
        }
        try {
            double number = read.applyAsDouble(text);
            if (!write.apply(number).equals(write.apply(value))) {
                value = number;
                take.accept(number);
            }
            show();
        } catch (NumberFormatException bad) {
            complain.accept(bad.getMessage() + "; the " + getAccessibleText() + " stays as it was.");
            show();
        }
    }
}
