package dev.yardarm.app.panel;

import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

/** A field for one number. Enter or leaving it takes the number; Esc puts the old one back; a bad one is told. */
public final class NumberField extends TextField {
    private final DoubleConsumer take;
    private final Consumer<String> complain;
    private String format = "%.2f";
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
        format = "%." + decimals + "f";
        value = number;
        if (!isFocused() || getText().isEmpty()) {
            show();
        }
    }

    private void show() {
        setText(Double.isNaN(value) ? "" : String.format(Locale.ROOT, format, value));
    }

    private void commit() {
        String text = getText().strip().replace("−", "-");
        if (Double.isNaN(value) && text.isEmpty()) {
            return;
        }
        try {
            double number = Double.parseDouble(text);
            if (!Double.isFinite(number)) {
                throw new NumberFormatException();
            }
            boolean changed =
                    !String.format(Locale.ROOT, format, number).equals(String.format(Locale.ROOT, format, value));
            if (changed) {
                value = number;
                take.accept(number);
            }
            show();
        } catch (NumberFormatException bad) {
            complain.accept("'" + text + "' is no number; the " + getAccessibleText() + " stays as it was.");
            show();
        }
    }
}
