package dev.yardarm.chart.model;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Setting;
import java.util.ArrayList;
import java.util.List;

/**
 * Lines over the bars of a small chart whose values were worked out elsewhere: one value for each bar, the last at the last bar.
 */
public final class GivenLines implements Indicator {
    /** Where the colours of series begin among all that have names. */
    private static final int SERIES = 4;

    private final List<double[]> lines;

    /** @param lines one for each bar each; missing values are not drawn */
    public GivenLines(List<double[]> lines) {
        this.lines = List.copyOf(lines);
    }

    @Override
    public String name() {
        return "given";
    }

    @Override
    public String title() {
        return "Lines";
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
        return List.of();
    }

    @Override
    public List<Output> outputs() {
        List<Output> outputs = new ArrayList<>();
        for (int line = 0; line < lines.size(); line++) {
            String colour = COLOURS.get(SERIES + line % (COLOURS.size() - SERIES));
            outputs.add(new Output("line" + line, "Line " + (line + 1), Form.LINE, false, new Look(colour, 1)));
        }
        return outputs;
    }

    @Override
    public List<Fill> fills() {
        return List.of();
    }

    @Override
    public Place place() {
        return Place.PRICE;
    }

    @Override
    public Help help() {
        return new Help("", "", "", "", "");
    }

    @Override
    public void build(Recipe recipe) {
        recipe.follow((graph, settings, source) -> {
            List<Node> nodes = new ArrayList<>();
            for (int number = 0; number < lines.size(); number++) {
                double[] values = lines.get(number);
                nodes.add(graph.ofBars(
                        "given " + number, () -> (bars, bar) -> bar < values.length ? values[bar] : Double.NaN));
            }
            return nodes;
        });
    }
}
