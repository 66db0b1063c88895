package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.app.workbench.Writing;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.profile.BigTradesTerm;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.DetectorTerm;
import dev.yardarm.core.structure.Reliability;
import dev.yardarm.desk.room.chart.ChartIndicators;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;

/** Settings, look and help of an indicator. */
final class IndicatorDetails extends LayerDetails {
    private static final String CHART = "the chart's";
    private static final String FORMING = "forming ";

    private final Workbench bench;
    private final String id;
    private final StyleEditor style;
    private final List<Runnable> showing = new ArrayList<>();
    private IndicatorLayer last;
    private boolean busy;

    IndicatorDetails(Workbench bench, String id) {
        this.bench = bench;
        this.id = id;
        IndicatorLayer layer = layer();
        Indicator indicator = layer.indicator();
        boolean finds = indicator instanceof DetectorTerm;
        heading(indicator.title());
        if (indicator instanceof BigTradesTerm) {
            LargeTradeList large = new LargeTradeList(bench, id);
            showing.add(large::show);
            wide(large);
        }
        for (Setting setting : indicator.settings()) {
            if (finds && setting.name().equals(Detector.NTH)) {
                // It says which one a formula means; the chart shows all.
                continue;
            }
            SettingEditor editor =
                    new SettingEditor(setting, () -> layer().settings(), this::set, bench.desk()::tell, sources());
            showing.add(editor::show);
            row(setting.label(), editor.control());
        }
        higher();
        if (!finds) {
            scale();
        }
        style = new StyleEditor(bench, () -> layer().style(), changed -> change(layer().withStyle(changed)));
        style(style);
        if (finds) {
            FindingList found = new FindingList(bench, id);
            showing.add(found::show);
            wide(found);
        } else {
            outputs(indicator, each -> !each.cue() || isDrawn(each));
        }
        if (!indicator.place().withPrice()) {
            levels();
        }
        timeframes();
        actions();
        help(indicator);
        if (finds) {
            Label columns = new Label("Its columns, as lines");
            columns.getStyleClass().add("soft");
            wide(columns);
            outputs(indicator, each -> !each.cue());
        }
        if (indicator.outputs().stream().anyMatch(each -> each.cue() && !isDrawn(each))) {
            Label cues = new Label("Cues, marked at the pane's foot");
            cues.getStyleClass().add("soft");
            wide(cues);
            outputs(indicator, each -> each.cue() && !isDrawn(each));
        }
        show();
    }

    /** True for a cue that shows at the bars: a tint, an arrow. */
    private static boolean isDrawn(Indicator.Output output) {
        return output.form() == Indicator.Form.TINT
                || output.form() == Indicator.Form.UP
                || output.form() == Indicator.Form.DOWN;
    }

    private void outputs(Indicator indicator, Predicate<Indicator.Output> which) {
        for (int output = 0; output < indicator.outputs().size(); output++) {
            if (which.test(indicator.outputs().get(output))) {
                OutputEditor editor = new OutputEditor(bench, this::layer, output, this::change);
                showing.add(editor::show);
                String label = indicator.outputs().get(output).label();
                // The only line of an indicator has its name in the heading already.
                row(label.equals(indicator.title()) ? "Line" : label, editor.row());
            }
        }
    }

    /** The outputs of the other indicators on the chart. */
    private Map<String, String> sources() {
        Map<String, String> sources = new LinkedHashMap<>();
        for (IndicatorLayer other : bench.room().chart().indicators()) {
            for (Indicator.Output output : other.indicator().outputs()) {
                if (!other.id().equals(id) && !output.cue()) {
                    sources.put(
                            new Setting.Source.Reference(
                                            other.id(), other.indicator().name(), output.name())
                                    .toString(),
                            other.title() + ": " + output.name());
                }
            }
        }
        return sources;
    }

    private IndicatorLayer layer() {
        return bench.room().chart().indicator(id).orElse(last);
    }

    private void change(IndicatorLayer changed) {
        if (!busy) {
            bench.room().indicators().change(changed);
        }
    }

    private void set(String name, String value) {
        if (busy) {
            return;
        }
        Map<String, String> values = new LinkedHashMap<>(layer().settings().values());
        values.put(name, value);
        try {
            bench.room()
                    .indicators()
                    .change(bench.room()
                            .indicators()
                            .besideSource(layer().withSettings(Settings.of(layer().indicator(), values))));
        } catch (IllegalArgumentException bad) {
            bench.desk().tell("The indicator stays as it was: " + bad.getMessage() + ".");
            show();
        }
    }

    private TextField field(String id, String name) {
        TextField field = new TextField();
        field.setId(id);
        field.setAccessibleText(name);
        field.setPrefColumnCount(8);
        return field;
    }

    /** On which timeframe it is computed: the chart's, a higher one's complete bars, or its unfinished one too. */
    private void higher() {
        ComboBox<String> choice = new ComboBox<>();
        choice.setId("layer-higher");
        choice.setAccessibleText("Timeframe");
        choice.getItems().add(CHART);
        for (Timeframe each : bench.desk().timeframes()) {
            if (each.compareTo(bench.room().chart().timeframe()) > 0) {
                choice.getItems().addAll(each.toString(), FORMING + each);
            }
        }
        choice.setOnAction(event -> {
            String chosen = choice.getValue();
            boolean forming = chosen != null && chosen.startsWith(FORMING);
            IndicatorLayer.Higher place = chosen == null || chosen.equals(CHART)
                    ? null
                    : new IndicatorLayer.Higher(
                            Timeframe.parse(forming ? chosen.substring(FORMING.length()) : chosen)
                                    .orElseThrow(),
                            forming);
            if (!Objects.equals(place, layer().higher())) {
                change(layer().on(place));
            }
        });
        showing.add(() -> choice.setValue(
                layer().higher() == null
                        ? CHART
                        : (layer().higher().forming() ? FORMING : "")
                                + layer().higher().timeframe()));
        row("Timeframe", choice);
    }

    /** The scale it is drawn on. */
    private void scale() {
        ComboBox<LayerScale> choice = new ComboBox<>();
        choice.setId("layer-scale");
        choice.setAccessibleText("Scale");
        choice.getItems().addAll(LayerScale.values());
        choice.setConverter(new Words<>(LayerScale::words));
        choice.setOnAction(event -> {
            if (choice.getValue() != null && choice.getValue() != layer().scale()) {
                change(layer().onScale(choice.getValue()));
            }
        });
        showing.add(() -> choice.setValue(layer().scale()));
        row("Scale", choice);
    }

    private void levels() {
        TextField field = field("layer-levels", "Level lines");
        Runnable take = () -> {
            try {
                List<Double> levels = new ArrayList<>();
                for (String word : field.getText().strip().split("[\\s,;]+")) {
                    if (!word.isEmpty()) {
                        levels.add(Double.parseDouble(word.replace('−', '-')));
                    }
                }
                if (!levels.equals(layer().levels())) {
                    change(layer().withStyle(layer().style().withLevels(levels)));
                }
            } catch (NumberFormatException bad) {
                bench.desk().tell("Level lines are numbers with commas between, such as 30, 50, 70.");
                show();
            }
        };
        taking(field, take);
        showing.add(() -> showText(
                field, layer().levels().stream().map(IndicatorDetails::plain).collect(Collectors.joining(", "))));
        row("Levels", field);
    }

    private void timeframes() {
        TextField field = field("layer-timeframes", "Timeframes it shows on");
        field.setPromptText("all");
        taking(field, () -> {
            List<Timeframe> shown = timeframes(field.getText(), bench.desk()::tell);
            if (!shown.equals(layer().style().timeframes())) {
                change(layer().withStyle(layer().style().onTimeframes(shown)));
            }
        });
        showing.add(() -> showText(
                field,
                layer().style().timeframes().stream().map(Timeframe::toString).collect(Collectors.joining(" "))));
        row("Shows on", field);
    }

    /** The timeframes a text names; words that are none are told. */
    static List<Timeframe> timeframes(String text, Consumer<String> tell) {
        List<Timeframe> shown = new ArrayList<>();
        for (String word : text.strip().split("[\\s,;]+")) {
            if (!word.isEmpty() && !word.equalsIgnoreCase("all")) {
                Timeframe.parse(word)
                        .ifPresentOrElse(
                                shown::add,
                                () -> tell.accept("'" + word
                                        + "' is not a timeframe; write some such as D W M, or nothing for all."));
            }
        }
        return shown;
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.format(Locale.ROOT, "%s", value);
    }

    private void actions() {
        Button duplicate = new Button("Duplicate");
        duplicate.setId("duplicate-layer");
        duplicate.setOnAction(event -> bench.room().indicators().duplicate(id));
        Button swap = new Button("Replace ...");
        swap.setId("swap-layer");
        swap.setOnAction(event -> bench.pick(other -> bench.room().indicators().swap(id, other)));
        MenuButton mine = new MenuButton("Style");
        mine.setId("standard-layer");
        // Filled whenever it is opened; an empty menu would not open.
        mine.getItems().add(new SeparatorMenuItem());
        mine.setOnShowing(event -> fillLooks(mine));
        Button remove = new Button("Remove");
        remove.setId("remove-layer");
        remove.setOnAction(event -> bench.room().indicators().remove(id));
        FlowPane buttons = new FlowPane(4, 4, duplicate, swap, mine, remove);
        bench.room()
                .chart()
                .indicator(id)
                .map(IndicatorLayer::indicator)
                .filter(each -> each.family() == Indicator.Family.OWN)
                .ifPresent(own -> {
                    Button edit = new Button("Edit definition");
                    edit.setId("edit-definition");
                    edit.setOnAction(event -> bench.write(new Writing.Indicator(own.name())));
                    buttons.getChildren().add(0, edit);
                });
        wide(buttons);
    }

    /** How new ones come up, and the settings and looks kept under names. */
    private void fillLooks(MenuButton menu) {
        ChartIndicators indicators = bench.room().indicators();
        menu.getItems()
                .setAll(
                        item("Use as default for new ones", () -> indicators.makeStandard(id)),
                        item("Reset the default", () -> indicators.forgetStandard(id)),
                        new SeparatorMenuItem());
        List<String> kept = bench.desk().habits().looks(layer().indicator().name());
        kept.forEach(name -> menu.getItems().add(item(name, () -> indicators.takeLook(id, name))));
        menu.getItems().add(item("Save style as ...", () -> bench.prompt("style save ")));
        if (!kept.isEmpty()) {
            Menu forget = new Menu("Forget");
            kept.forEach(name -> forget.getItems().add(item(name, () -> indicators.forgetLook(id, name))));
            menu.getItems().add(forget);
        }
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        return item;
    }

    private void help(Indicator indicator) {
        String reliability = indicator instanceof DetectorTerm term ? Reliability.table(term.detector()) : "";
        Label help =
                new Label(IndicatorPicker.helpText(indicator) + (reliability.isEmpty() ? "" : "\n\n" + reliability));
        help.setWrapText(true);
        help.getStyleClass().addAll("soft", "small");
        wide(help);
    }

    @Override
    void show() {
        bench.room().chart().indicator(id).ifPresent(layer -> last = layer);
        busy = true;
        try {
            showing.forEach(Runnable::run);
            style.show();
        } finally {
            busy = false;
        }
    }
}
