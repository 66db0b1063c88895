package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.indicator.Indicator;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Control;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * How one output of an indicator is drawn: its form, its colour, by what it is coloured, where an area ends, and the rule
 * for another colour.
 */
final class OutputEditor {
    private final Workbench bench;
    private final Supplier<IndicatorLayer> layer;
    private final Consumer<IndicatorLayer> change;
    private final int output;
    private final ComboBox<Indicator.Form> form = new ComboBox<>();
    private final Button colour = new Button();
    private final ContextMenu colours = new ContextMenu();
    private final ComboBox<String> ground = new ComboBox<>();
    private final TextField rule = new TextField();
    private final VBox row = new VBox(3, new HBox(4, form, colour), ground, rule);
    private boolean showing;

    OutputEditor(Workbench bench, Supplier<IndicatorLayer> layer, int output, Consumer<IndicatorLayer> change) {
        this.bench = bench;
        this.layer = layer;
        this.output = output;
        this.change = change;
        Indicator.Output declared = layer.get().indicator().outputs().get(output);
        if (declared.cue()) {
            form.getItems()
                    .addAll(
                            Indicator.Form.DOTS,
                            Indicator.Form.UP,
                            Indicator.Form.DOWN,
                            Indicator.Form.TINT,
                            Indicator.Form.NONE);
        } else {
            form.getItems().addAll(Indicator.Form.values());
            form.getItems().removeAll(Indicator.Form.UP, Indicator.Form.DOWN, Indicator.Form.TINT);
            if (!layer.get().indicator().isOfBars() || output != 0) {
                form.getItems().remove(Indicator.Form.BARS);
            }
        }
        form.setConverter(
                new Words<>(value -> declared.cue() && value == Indicator.Form.DOTS ? "marks" : value.words()));
        form.setId("form-" + declared.name());
        form.setAccessibleText(declared.label() + ": form");
        form.setOnAction(event -> send(style().withForm(form.getValue())));
        form.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(form, Priority.ALWAYS);
        colour.setId("colour-of-" + declared.name());
        colour.setAccessibleText(declared.label() + ": colour");
        Tips.set(colour, "Colour of " + declared.label());
        colour.getStyleClass().add("colour-choice");
        colour.setMinWidth(Region.USE_PREF_SIZE);
        colour.setOnAction(event -> {
            fill(declared.cue());
            colours.show(colour, Side.BOTTOM, 0, 0);
        });
        ground.setId("ground-" + declared.name());
        ground.setEditable(true);
        ground.setMaxWidth(Double.MAX_VALUE);
        ground.setPromptText("to zero");
        ground.setAccessibleText(declared.label() + ": the area ends at");
        Tips.set(ground, "Where the area ends: a number, or another output");
        layer.get().indicator().outputs().stream()
                .filter(each -> !each.cue() && !each.name().equals(declared.name()))
                .forEach(each -> ground.getItems().add(each.name()));
        ground.setOnAction(event -> setGround());
        ground.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                setGround();
            }
        });
        rule.setId("rule-" + declared.name());
        rule.setPromptText("where, such as close > sma(50)");
        rule.setAccessibleText(declared.label() + ": the rule for its other colour");
        rule.setOnAction(event -> setRule());
        rule.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                setRule();
            }
        });
        show();
    }

    private void setGround() {
        String text = ground.getEditor().getText().strip();
        if (text.isEmpty() || layer.get().indicator().output(text) >= 0 || text.matches("[-−]?[0-9]*\\.?[0-9]+")) {
            send(style().withGround(text.replace('−', '-')));
        } else {
            bench.desk().tell("An area ends at a number or at another output of the indicator, not at '" + text + "'.");
            show();
        }
    }

    private void setRule() {
        String text = rule.getText().strip();
        OutputStyle.Tint now = style().tint();
        if (text.isEmpty()) {
            if (now != null) {
                send(style().withTint(null));
            }
            return;
        }
        try {
            Formula.parseCondition(text, bench.desk().language().now());
            send(style().withTint(new OutputStyle.Tint(
                    text,
                    now == null ? (Math.max(0, layer.get().colourOf(output)) + 1) % Palette.SERIES : now.colour())));
        } catch (FormulaException bad) {
            bench.desk().tell("The rule stays as it was: " + bad.getMessage());
        }
    }

    private void fill(boolean cue) {
        colours.getItems().clear();
        item("the layer's", layer.get().style().colour(), () -> send(style().withColour(OutputStyle.OF_LAYER)));
        boolean own = layer.get().indicator().family() == Indicator.Family.OWN;
        for (int number : Palette.drawable()) {
            // Colours that mean something are for those who say what they mean.
            if (number < 0 && !own) {
                continue;
            }
            item(Palette.name(number), number, () -> send(style().withColour(number)));
        }
        if (!cue) {
            for (OutputStyle.Colouring colouring : OutputStyle.Colouring.values()) {
                MenuItem item = new MenuItem(colouring.words());
                item.setOnAction(event -> send(style().withColouring(colouring)));
                colours.getItems().add(item);
            }
            Menu other = new Menu("by rule");
            for (int number = 0; number < Palette.SERIES; number++) {
                int chosen = number;
                MenuItem item = new MenuItem(Palette.name(number) + " where it holds", patch(number));
                item.setOnAction(event -> tint(chosen));
                other.getItems().add(item);
            }
            colours.getItems().add(other);
        }
    }

    /** Opens the field for the rule, or gives the rule there is another colour. */
    private void tint(int number) {
        OutputStyle.Tint now = style().tint();
        send(style().withTint(new OutputStyle.Tint(now == null ? "close > open" : now.condition(), number)));
        show();
        rule.requestFocus();
        rule.selectAll();
    }

    private void item(String text, int number, Runnable action) {
        MenuItem item = new MenuItem(text, patch(number));
        item.setOnAction(event -> action.run());
        colours.getItems().add(item);
    }

    private Region patch(int number) {
        Region patch = new Region();
        patch.getStyleClass().add("swatch");
        patch.setStyle("-fx-background-color: " + Themes.web(bench.palette().drawn(number)) + ";");
        return patch;
    }

    private OutputStyle style() {
        return layer.get().outputStyle(output);
    }

    private void send(OutputStyle style) {
        if (!showing && !style.equals(style())) {
            IndicatorLayer now = layer.get();
            change.accept(now.withStyle(
                    now.style().withOutput(now.indicator().outputs().get(output).name(), style)));
        }
    }

    private static void showOnly(Control control, boolean shown) {
        control.setVisible(shown);
        control.setManaged(shown);
    }

    Region row() {
        return row;
    }

    /** Shows the output as it is drawn now. */
    void show() {
        showing = true;
        form.setValue(style().form());
        int number = layer.get().colourOf(output);
        if (colour.getGraphic() == null
                || !colour.getGraphic().getStyle().equals(patch(number).getStyle())) {
            // Another graphic while the button is being pressed would swallow the click.
            colour.setGraphic(patch(number));
        }
        colour.setDisable(style().form() == Indicator.Form.NONE);
        showOnly(ground, style().form() == Indicator.Form.AREA);
        if (!ground.isFocused()) {
            ground.setValue(style().ground());
            ground.getEditor().setText(style().ground());
        }
        showOnly(rule, style().tint() != null);
        if (!rule.isFocused() && style().tint() != null) {
            rule.setText(style().tint().condition());
        }
        showing = false;
    }
}
