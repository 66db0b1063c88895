package dev.yardarm.app.scan;

import dev.yardarm.core.formula.Completion;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.indicator.Indicator;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/**
 * A condition as rows, in groups. It shows a rule and tells of every change with the rule as it is then; it holds nothing but what it
 * shows.
 */
public final class RuleEditor extends VBox {
    /** Helps fields with what fits at a place. */
    public interface Help {
        /** What fits in a text before a caret, the likeliest first. */
        List<Completion> proposals(String text, int caret);

        /** The timeframes that are offered, long to short. */
        List<String> timeframes();

        /** What a text says when it is a condition by itself; empty when it cannot be read. */
        Optional<Rule.Group> ruleOf(String text);
    }

    private final Help help;
    private final Consumer<Rule.Group> changed;
    private final Consumer<Consumer<Indicator>> picker;
    private final Runnable run;
    private Rule.Group rule = Rule.Group.all(List.of());

    /**
     * @param changed is told the rule after every change
     * @param picker asks for an indicator
     * @param run runs the scan, on Enter in a field
     */
    public RuleEditor(Help help, Consumer<Rule.Group> changed, Consumer<Consumer<Indicator>> picker, Runnable run) {
        super(6);
        this.help = help;
        this.changed = changed;
        this.picker = picker;
        this.run = run;
        setId("scan-rule");
    }

    /** Shows a rule. */
    public void show(Rule.Group shown) {
        rule = shown;
        getChildren().setAll(group(shown, List.of()));
    }

    /** Puts the focus into the first row. */
    public void focusFirst() {
        Node first = lookup(".condition");
        if (first != null) {
            first.requestFocus();
        }
    }

    /** @param path numbers of the groups it lies in, from outside */
    private VBox group(Rule.Group group, List<Integer> path) {
        ComboBox<Rule.Joined> joined = new ComboBox<>();
        joined.getItems().setAll(Rule.Joined.values());
        joined.setConverter(new StringConverter<>() {
            @Override
            public String toString(Rule.Joined value) {
                return value == null ? "" : value.words();
            }

            @Override
            public Rule.Joined fromString(String text) {
                throw new UnsupportedOperationException();
            }
        });
        joined.setValue(group.joined());
        joined.setAccessibleText("How the rows below are joined");
        Spinner<Integer> least = new Spinner<>(1, 50, Math.max(1, group.least()));
        least.setMaxWidth(70);
        least.setMinWidth(70);
        least.setAccessibleText("How many must hold");
        Label of = new Label("of these");
        Runnable counts = () -> {
            boolean some = joined.getValue() == Rule.Joined.AT_LEAST;
            least.setVisible(some);
            least.setManaged(some);
            of.setVisible(some);
            of.setManaged(some);
        };
        counts.run();
        Runnable tell = () -> {
            counts.run();
            Rule.Group now = (Rule.Group) at(path);
            replace(path, new Rule.Group(joined.getValue(), least.getValue(), now.rules()), false);
        };
        joined.valueProperty().addListener((observed, before, now) -> tell.run());
        least.valueProperty().addListener((observed, before, now) -> tell.run());
        HBox head = new HBox(4, joined, least, of);
        head.getStyleClass().add("middle-left");
        if (!path.isEmpty()) {
            Button remove = flat("\u00d7", "Remove the group");
            remove.setOnAction(event -> remove(path));
            head.getChildren().add(remove);
        }
        VBox box = new VBox(6, head);
        if (!path.isEmpty()) {
            box.getStyleClass().add("rule-group");
        }
        for (int number = 0; number < group.rules().size(); number++) {
            List<Integer> inner = inside(path, number);
            Rule each = group.rules().get(number);
            box.getChildren()
                    .add(each instanceof Rule.Statement one ? row(one, inner) : group((Rule.Group) each, inner));
        }
        Button row = flat("Add a row", "Add a row to this group");
        row.setOnAction(event -> add(path, Rule.Statement.of("")));
        Button inner = flat("Add a group", "Add a group to this group");
        inner.setOnAction(event -> add(path, new Rule.Group(Rule.Joined.ANY, 1, List.of(Rule.Statement.of("")))));
        if (path.isEmpty()) {
            row.setId("add-condition");
            inner.setId("add-group");
        }
        box.getChildren().add(new HBox(4, row, inner));
        return box;
    }

    private StatementRow row(Rule.Statement said, List<Integer> path) {
        StatementRow.Listener listener = new StatementRow.Listener() {
            @Override
            public void changed(Rule.Statement now) {
                replace(path, now, false);
            }

            @Override
            public void written(Rule.Group whole) {
                replace(path, whole.rules().size() == 1 ? whole.rules().get(0) : whole, true);
            }

            @Override
            public void removed() {
                remove(path);
            }
        };
        return new StatementRow(help, said, listener, picker, run);
    }

    private static Button flat(String text, String name) {
        Button button = new Button(text);
        button.setAccessibleText(name);
        button.getStyleClass().add("flat");
        button.setMinWidth(Region.USE_PREF_SIZE);
        return button;
    }

    private static List<Integer> inside(List<Integer> path, int number) {
        List<Integer> inner = new ArrayList<>(path);
        inner.add(number);
        return inner;
    }

    private Rule at(List<Integer> path) {
        Rule found = rule;
        for (int number : path) {
            found = ((Rule.Group) found).rules().get(number);
        }
        return found;
    }

    private void add(List<Integer> path, Rule made) {
        Rule.Group group = (Rule.Group) at(path);
        List<Rule> rules = new ArrayList<>(group.rules());
        rules.add(made);
        replace(path, new Rule.Group(group.joined(), group.least(), rules), true);
        List<Node> fields = new ArrayList<>(lookupAll(".condition"));
        if (!fields.isEmpty()) {
            fields.get(fields.size() - 1).requestFocus();
        }
    }

    private void remove(List<Integer> path) {
        List<Integer> outer = path.subList(0, path.size() - 1);
        Rule.Group group = (Rule.Group) at(outer);
        List<Rule> rules = new ArrayList<>(group.rules());
        rules.remove((int) path.get(path.size() - 1));
        if (rules.isEmpty() && outer.isEmpty()) {
            rules.add(Rule.Statement.of(""));
        }
        if (rules.isEmpty()) {
            remove(outer);
            return;
        }
        replace(outer, new Rule.Group(group.joined(), group.least(), rules), true);
    }

    /** @param anew true to show the rows anew; a field that is typed in stays as it is */
    private void replace(List<Integer> path, Rule made, boolean anew) {
        rule = (Rule.Group) replaced(rule, path, made);
        if (anew) {
            show(rule);
        }
        changed.accept(rule);
    }

    private static Rule replaced(Rule in, List<Integer> path, Rule made) {
        if (path.isEmpty()) {
            return made;
        }
        Rule.Group group = (Rule.Group) in;
        List<Rule> rules = new ArrayList<>(group.rules());
        int number = path.get(0);
        rules.set(number, replaced(rules.get(number), path.subList(1, path.size()), made));
        return new Rule.Group(group.joined(), group.least(), rules);
    }
}
