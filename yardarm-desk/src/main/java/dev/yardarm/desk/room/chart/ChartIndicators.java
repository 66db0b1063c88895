package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.command.Command;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** The indicators of one chart: each change is a step of undo. Used by the interface's thread alone. */
public final class ChartIndicators {
    private final ChartRoom room;
    private final ChartModel chart;
    private long nextLayer = 1;

    ChartIndicators(ChartRoom room) {
        this.room = room;
        chart = room.chart();
    }

    /**
     * Puts an indicator on the chart as the trader wants new ones of it to be: with his settings and look when he said so,
     * else as it is declared.
     */
    public void add(Indicator indicator) {
        add(indicator, standard(indicator));
    }

    /** The settings new ones of an indicator come up with. */
    public Settings standard(Indicator indicator) {
        return room.desk()
                .habits()
                .standard(indicator.name())
                .map(this::layer)
                .map(IndicatorLayer::settings)
                .orElseGet(() -> Settings.standard(indicator));
    }

    /** Puts an indicator on the chart, in the first colour not in use, and chooses it. */
    public void add(Indicator indicator, Settings settings) {
        add(indicator, settings, null);
    }

    /**
     * The same on a timeframe of its own.
     *
     * @param higher null for the chart's
     */
    public void add(Indicator indicator, Settings settings, IndicatorLayer.Higher higher) {
        add(indicator, settings, higher, "");
    }

    /** @param drawing the one whose span it follows; empty for none */
    void add(Indicator indicator, Settings settings, IndicatorLayer.Higher higher, String drawing) {
        int colour = freeColour();
        LayerStyle style = room.desk()
                .habits()
                .standard(indicator.name())
                .map(this::layer)
                .map(like -> like.style()
                        .withLine(colour, like.style().width(), like.style().opacity())
                        .withVisible(true))
                .orElse(LayerStyle.of(colour));
        put(
                new IndicatorLayer(newLayerId(), indicator, settings, style)
                        .on(higher)
                        .of(drawing),
                "add ");
        room.desk().habits().used(indicator.name());
    }

    private void put(IndicatorLayer layer, String verb) {
        List<IndicatorLayer> before = chart.indicators();
        List<IndicatorLayer> after = new ArrayList<>(before);
        after.add(layer);
        changeLayers(verb + layer.title(), "", before, after);
        room.studies().select(new Selection.Layer(layer.id()));
    }

    /** Puts a second one like it on the chart, in a colour not in use. */
    public void duplicate(String id) {
        chart.indicator(id).ifPresent(layer -> {
            IndicatorLayer copy = layer.withId(newLayerId());
            put(
                    copy.withStyle(copy.style()
                            .withLine(
                                    freeColour(),
                                    copy.style().width(),
                                    copy.style().opacity())),
                    "duplicate ");
        });
    }

    /** Puts another indicator in the place of one: same colour, same pane where it fits there. */
    public void swap(String id, Indicator other) {
        chart.indicator(id).ifPresent(layer -> {
            Settings settings = standard(other);
            LayerStyle style = LayerStyle.of(layer.style().colour());
            boolean sameKind =
                    layer.indicator().place().withPrice() == other.place().withPrice();
            IndicatorLayer changed = new IndicatorLayer(
                    layer.id(),
                    other,
                    settings,
                    style,
                    sameKind ? layer.pane() : "",
                    other.isOfBars() == layer.indicator().isOfBars() && sameKind
                            ? layer.scale()
                            : IndicatorLayer.usualScale(other),
                    layer.higher(),
                    "");
            List<IndicatorLayer> before = chart.indicators();
            changeLayers(
                    "put " + changed.title() + " in the place of " + layer.title(),
                    "",
                    before,
                    before.stream()
                            .map(each -> each.id().equals(id) ? changed : each)
                            .toList());
            room.desk().habits().used(other.name());
        });
    }

    /** Lets all new ones of the indicator come up with the settings and look of this one. */
    public void makeStandard(String id) {
        chart.indicator(id).ifPresent(layer -> {
            room.desk().habits().setStandard(layer.indicator().name(), LayerKeeper.document(layer));
            room.desk().tell("This is the default for " + layer.indicator().title() + " now.");
        });
    }

    /** Lets new ones of the indicator come up as it is declared. */
    public void forgetStandard(String id) {
        chart.indicator(id).ifPresent(layer -> {
            room.desk().habits().setStandard(layer.indicator().name(), null);
            room.desk().tell("The default for " + layer.indicator().title() + " is that of the catalogue again.");
        });
    }

    /** Keeps settings and look of an indicator under a name, for any other of its kind. */
    public void keepLook(String id, String name) {
        chart.indicator(id).ifPresent(layer -> {
            room.desk().habits().setLook(layer.indicator().name(), name, LayerKeeper.document(layer));
            room.desk().tell("Kept as '" + name + "' for " + layer.indicator().title() + ".");
        });
    }

    /** Gives an indicator the settings and the look kept under a name; it stays in its pane and colour. */
    public void takeLook(String id, String name) {
        chart.indicator(id).ifPresent(layer -> room.desk()
                .habits()
                .look(layer.indicator().name(), name)
                .map(this::layer)
                .ifPresentOrElse(
                        like -> change(layer.withSettings(like.settings())
                                .withStyle(like.style()
                                        .withLine(
                                                layer.style().colour(),
                                                like.style().width(),
                                                like.style().opacity()))),
                        () -> room.desk()
                                .tell("Nothing is kept as '" + name + "' for "
                                        + layer.indicator().title() + ". Keep one with: look save " + name)));
    }

    public void forgetLook(String id, String name) {
        chart.indicator(id)
                .ifPresent(
                        layer -> room.desk().habits().setLook(layer.indicator().name(), name, null));
    }

    /** Puts the indicators of another chart here, in the place of those there are. */
    public void copyFrom(ChartRoom other) {
        List<IndicatorLayer> before = chart.indicators();
        List<IndicatorLayer> after = other.chart().indicators();
        if (other != room && !after.equals(before)) {
            changeLayers("take the indicators of another chart", "", before, after);
        }
    }

    /** Hides all indicators, or shows them again when all are hidden; a step of undo. */
    public void toggleAll() {
        List<IndicatorLayer> before = chart.indicators();
        boolean anyShown = before.stream().anyMatch(layer -> layer.style().visible());
        if (!before.isEmpty()) {
            changeLayers(
                    anyShown ? "hide all indicators" : "show all indicators",
                    "",
                    before,
                    before.stream()
                            .map(layer -> layer.withStyle(layer.style().withVisible(!anyShown)))
                            .toList());
        }
    }

    private IndicatorLayer layer(Documents.IndicatorLayer kept) {
        return LayerKeeper.layer(kept, room.desk().language().now());
    }

    String newLayerId() {
        String id;
        do {
            id = "layer-" + nextLayer++;
        } while (chart.indicator(id).isPresent());
        return id;
    }

    /** The first series colour that neither an indicator nor a drawing on the chart has. */
    public int freeColour() {
        return freeColour(chart.indicators());
    }

    /** The same beside indicators that are about to come onto the chart. */
    int freeColour(List<IndicatorLayer> layers) {
        Set<Integer> used = new HashSet<>();
        layers.forEach(layer -> used.add(layer.style().colour()));
        chart.drawings().forEach(drawing -> used.add(drawing.colour()));
        for (int colour = 0; colour < Palette.SERIES; colour++) {
            if (!used.contains(colour)) {
                return colour;
            }
        }
        return (layers.size() + chart.drawings().size()) % Palette.SERIES;
    }

    /** Changes an indicator's settings or style; the effect shows at once. One that is given a span by hand follows no drawing any more. */
    public void change(IndicatorLayer given) {
        List<IndicatorLayer> before = chart.indicators();
        boolean ownSpan = before.stream()
                .filter(each -> each.id().equals(given.id()) && !given.drawing().isEmpty())
                .anyMatch(each -> IndicatorLayer.SPAN.stream()
                        .anyMatch(setting -> !Objects.equals(
                                each.settings().values().get(setting),
                                given.settings().values().get(setting))));
        IndicatorLayer changed = ownSpan ? given.of("") : given;
        List<IndicatorLayer> after = before.stream()
                .map(each -> each.id().equals(changed.id()) ? changed : each)
                .toList();
        if (!after.equals(before)) {
            changeLayers("change " + changed.title(), "layer " + changed.id(), before, after);
        }
    }

    /** Removes an indicator; others that read an output of it read their usual source again. */
    public void remove(String id) {
        List<IndicatorLayer> before = chart.indicators();
        chart.indicator(id).ifPresent(removed -> {
            List<IndicatorLayer> after = before.stream()
                    .filter(each -> !each.id().equals(id))
                    .map(each -> each.reference()
                                    .filter(reference -> reference.layer().equals(id))
                                    .isPresent()
                            ? readingBars(each)
                            : each)
                    .toList();
            changeLayers("remove " + removed.title(), "", before, after);
            room.studies().select(Selection.NONE);
        });
    }

    private static IndicatorLayer readingBars(IndicatorLayer layer) {
        Map<String, String> values = new LinkedHashMap<>(layer.settings().values());
        values.remove("source");
        return layer.withSettings(Settings.of(layer.indicator(), values));
    }

    /** A layer that reads an output of another, in the pane where that is; any other as it is. */
    public IndicatorLayer besideSource(IndicatorLayer layer) {
        return layer.reference()
                .flatMap(reference -> chart.indicator(reference.layer()))
                .filter(source ->
                        layer.indicator().place().withPrice() && layer.pane().isEmpty())
                .map(source -> layer.inPane(source.paneId()))
                .orElse(layer);
    }

    public void clear() {
        if (!chart.indicators().isEmpty()) {
            changeLayers("remove all indicators", "", chart.indicators(), List.of());
            room.studies().select(Selection.NONE);
        }
    }

    void changeLayers(String label, String stem, List<IndicatorLayer> before, List<IndicatorLayer> after) {
        room.desk()
                .undo()
                .execute(Command.of(label, stem, () -> room.showLayers(after), () -> room.showLayers(before)));
    }
}
