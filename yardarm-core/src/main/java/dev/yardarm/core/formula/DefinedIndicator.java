package dev.yardarm.core.formula;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * An indicator that is a definition of statements. Its outputs are compiled once for each graph, settings and source. Settings
 * are checked by compiling on trial, as lengths may follow from them by arithmetic; good ones are remembered.
 */
final class DefinedIndicator implements Indicator {
    /** Settings remembered as good; more are checked again. */
    private static final int REMEMBERED = 2000;

    private final String name;
    private final String title;
    private final List<Setting> settings;
    private final List<Output> outputs;
    private final List<Expression> values;
    private final List<Fill> fills;
    private final Place place;
    private final Help help;
    private final Language.Limits limits;
    private final Set<Settings> good = Collections.synchronizedSet(new HashSet<>());

    DefinedIndicator(
            String title,
            List<Setting> settings,
            List<Output> outputs,
            List<Expression> values,
            List<Fill> fills,
            Place place,
            Help help,
            Language.Limits limits) {
        this.name = Definition.word(title);
        this.title = title;
        this.settings = List.copyOf(settings);
        this.outputs = List.copyOf(outputs);
        this.values = List.copyOf(values);
        this.fills = List.copyOf(fills);
        this.place = place;
        this.help = help;
        this.limits = limits;
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public String title() {
        return title;
    }

    @Override
    public Family family() {
        return Family.OWN;
    }

    @Override
    public List<String> synonyms() {
        return List.of();
    }

    @Override
    public List<Setting> settings() {
        return settings;
    }

    @Override
    public List<Output> outputs() {
        return outputs;
    }

    @Override
    public List<Fill> fills() {
        return fills;
    }

    @Override
    public Place place() {
        return place;
    }

    @Override
    public Help help() {
        return help;
    }

    @Override
    public void check(Settings chosen) {
        if (good.contains(chosen) || chosen.reference("source").isPresent()) {
            return;
        }
        ColumnGraph trial = ColumnGraph.limited(limits.steps());
        in(trial, chosen);
        if (trial.valuesABar() > limits.valuesABar()) {
            throw new IllegalArgumentException(title + " with these settings looks at " + trial.valuesABar()
                    + " values for each bar; at most " + limits.valuesABar() + " are allowed");
        }
        if (good.size() < REMEMBERED) {
            good.add(chosen);
        }
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow(this::compiled);
    }

    private record Compiled(DefinedIndicator indicator, Settings settings, FormulaCompiler.Source source) {}

    @Override
    public List<Node> in(ColumnGraph graph, Settings chosen) {
        return compiled(graph, chosen, null);
    }

    @Override
    public List<Node> in(ColumnGraph graph, Settings chosen, Node source) {
        return compiled(graph, chosen, source);
    }

    private List<Node> compiled(ColumnGraph graph, Settings chosen, Node source) {
        FormulaCompiler.Source given =
                source == null ? FormulaCompiler.Source.OF_SETTINGS : new FormulaCompiler.Source(source, graph);
        return graph.once(new Compiled(this, chosen, given), () -> {
            FormulaCompiler compiler = new FormulaCompiler(graph, chosen, Field.CLOSE, given);
            List<Node> nodes = new ArrayList<>();
            for (Expression value : values) {
                nodes.add(compiler.node(value).keep());
            }
            return nodes;
        });
    }
}
