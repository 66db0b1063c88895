package dev.yardarm.app.scan;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.core.formula.OnBars;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.indicator.Indicator;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.regex.Pattern;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Spinner;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** One statement of a condition: what, how, against what, since when. Tells of every change with what it says then. */
final class StatementRow extends VBox {
    /** Signs and words that a value has none of. */
    private static final Pattern CONDITION =
            Pattern.compile("(?i)[<>=]|\\b(crosses|is|and|or|not|just|held for|seen in)\\b");

    private final FormulaField what;
    private final FormulaField against;
    private final MenuButton where = new MenuButton("on");
    private final ComboBox<Rule.How> how = new ComboBox<>();
    private final ComboBox<Rule.Since> since = new ComboBox<>();
    private final Spinner<Integer> bars = new Spinner<>(1, 500, 1);
    private final HBox counting = new HBox(6);
    private boolean filling;

    /** Is told of changes. */
    interface Listener {
        /** It says something else. */
        void changed(Rule.Statement now);

        /** A whole condition was written where a value belongs. */
        void written(Rule.Group whole);

        /** It is to be taken away. */
        void removed();
    }

    /**
     * @param listener is told what it says after every change
     * @param picker asks for an indicator
     * @param run runs the scan, on Enter
     */
    StatementRow(
            RuleEditor.Help help,
            Rule.Statement statement,
            Listener listener,
            Consumer<Consumer<Indicator>> picker,
            Runnable run) {
        super(3);
        getStyleClass().add("statement-row");
        what = new FormulaField(help::proposals, "value or cue");
        what.getStyleClass().add("condition");
        what.setAccessibleText("What is looked at");
        what.setOnAction(event -> {
            settle(help, listener);
            run.run();
        });
        what.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                settle(help, listener);
            }
        });
        against = new FormulaField(help::proposals, "");
        against.setAccessibleText("Against what");
        against.setOnAction(event -> run.run());
        how.getItems().setAll(Rule.How.values());
        how.setConverter(words(Rule.How::words));
        how.setAccessibleText("How");
        how.setMinWidth(128);
        how.setMaxWidth(128);
        how.setVisibleRowCount(14);
        since.getItems().setAll(Rule.Since.values());
        since.setConverter(words(Rule.Since::words));
        since.setAccessibleText("Since when");
        since.setMinWidth(82);
        since.setMaxWidth(82);
        bars.setEditable(true);
        bars.setAccessibleText("How many bars");
        bars.setMaxWidth(76);
        bars.setMinWidth(76);
        Button pick = new Button("\u2026");
        pick.setAccessibleText("Choose an indicator");
        pick.getStyleClass().add("flat");
        pick.setMinWidth(Region.USE_PREF_SIZE);
        Tips.set(pick, "Choose an indicator with its help");
        pick.setOnAction(event -> picker.accept(this::put));
        where.getStyleClass().addAll("flat", "row-where");
        where.setAccessibleText("On which bars, of which instrument");
        where.setMinWidth(Region.USE_PREF_SIZE);
        Tips.set(where, "On which bars, of which instrument");
        where.getItems().add(new MenuItem("..."));
        where.setOnShowing(event -> offerWhere(help.timeframes()));
        Button remove = new Button("\u00d7");
        remove.setAccessibleText("Remove the row");
        remove.getStyleClass().add("flat");
        remove.setMinWidth(Region.USE_PREF_SIZE);
        remove.setOnAction(event -> listener.removed());
        HBox.setHgrow(what, Priority.ALWAYS);
        HBox.setHgrow(against, Priority.ALWAYS);
        counting.getStyleClass().add("middle-left");
        counting.getChildren().addAll(new Label("how many bars"), bars);
        HBox gap = new HBox();
        HBox.setHgrow(gap, Priority.ALWAYS);
        counting.getChildren().add(0, gap);
        getChildren().addAll(new HBox(4, what, where, pick, remove), new HBox(4, how, against, since), counting);
        fill(statement);
        Runnable tell = () -> {
            if (!filling) {
                shape();
                listener.changed(statement());
            }
        };
        what.textProperty().addListener((observed, before, now) -> tell.run());
        against.textProperty().addListener((observed, before, now) -> tell.run());
        how.valueProperty().addListener((observed, before, now) -> tell.run());
        since.valueProperty().addListener((observed, before, now) -> tell.run());
        bars.valueProperty().addListener((observed, before, now) -> tell.run());
    }

    /** The bars and instruments a value can be put on; the choice is written behind it. */
    private void offerWhere(List<String> timeframes) {
        where.getItems().clear();
        where.getItems().add(put("the bars of the scan", ""));
        timeframes.forEach(each -> where.getItems().add(put("on " + each, "on " + each)));
        Menu kinds = new Menu("on bars not made by time");
        for (String kind : List.of(
                "range 10",
                "reversal 10",
                "brick 20",
                "line-break 3",
                "volume 100000",
                "heikin-ashi",
                "point-figure 10x3")) {
            kinds.getItems().add(put(kind, "on " + kind));
        }
        Menu others = new Menu("of another instrument");
        others.getItems().addAll(put("the benchmark", "of benchmark"), put("its sector", "of sector"));
        where.getItems().addAll(kinds, others);
    }

    private MenuItem put(String words, String behind) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(event -> what.setText(OnBars.put(what.getText(), behind)));
        return item;
    }

    private static <T> StringConverter<T> words(Function<T, String> of) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : of.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException();
            }
        };
    }

    /** A whole condition that was typed into the first field is taken apart; one that cannot be read stands by itself, to be told. */
    private void settle(RuleEditor.Help help, Listener listener) {
        String text = what.getText();
        if (getScene() == null
                || how.getValue() == Rule.How.HOLDS
                || !CONDITION.matcher(text).find()) {
            return;
        }
        help.ruleOf(text).ifPresentOrElse(listener::written, () -> how.setValue(Rule.How.HOLDS));
    }

    private void fill(Rule.Statement statement) {
        filling = true;
        what.setText(statement.what());
        how.setValue(statement.how());
        against.setText(statement.against());
        since.setValue(statement.since());
        bars.getValueFactory().setValue(statement.bars());
        shape();
        filling = false;
    }

    /** Shows what the statement needs. */
    private void shape() {
        Rule.How said = how.getValue();
        boolean open = said != Rule.How.HOLDS;
        against.setVisible(open);
        against.setPromptText(
                switch (said) {
                    case RISING, FALLING -> "for so many bars";
                    case WITHIN -> "5% of sma(close, 30)";
                    case BETWEEN -> "20 and 80";
                    default -> "value or number";
                });
        counting.setVisible(since.getValue().counts());
        counting.setManaged(since.getValue().counts());
    }

    /** What it says now. */
    Rule.Statement statement() {
        return new Rule.Statement(
                what.getText(),
                how.getValue(),
                how.getValue() == Rule.How.HOLDS ? "" : against.getText(),
                since.getValue(),
                since.getValue().counts() && bars.getValue() != null ? bars.getValue() : 1);
    }

    /** Puts an indicator that was chosen into the field; of several outputs and cues one is asked for. */
    private void put(Indicator indicator) {
        List<Indicator.Output> outputs = indicator.outputs();
        what.requestFocus();
        if (outputs.size() == 1) {
            put(indicator.name(), outputs.get(0));
            return;
        }
        ContextMenu menu = new ContextMenu();
        for (Indicator.Output output : outputs) {
            MenuItem item = new MenuItem(output.label() + (output.cue() ? "   cue" : ""));
            item.setOnAction(event -> put(indicator.name() + "." + output.name(), output));
            menu.getItems().add(item);
        }
        menu.show(what, Side.BOTTOM, 0, 0);
    }

    /** A cue holds or does not: there is nothing to compare it with. */
    private void put(String text, Indicator.Output output) {
        what.setText(text);
        if (output.cue()) {
            how.setValue(Rule.How.HOLDS);
        } else if (how.getValue() == Rule.How.HOLDS) {
            how.setValue(Rule.How.ABOVE);
        }
        what.requestFocus();
        what.end();
    }

    FormulaField field() {
        return what;
    }
}
