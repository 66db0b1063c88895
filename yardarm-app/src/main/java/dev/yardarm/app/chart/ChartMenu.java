package dev.yardarm.app.chart;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.model.SnapTarget;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.RollRule;
import dev.yardarm.desk.evidence.Cues;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartDrawings;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.Spans;
import dev.yardarm.desk.room.layout.LinkRules;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** The menus of a right click: each acts on the chart and thing under the pointer, without choosing it first. */
final class ChartMenu {
    private static final int MOST_VALUES = 10;

    private final ChartRoom room;
    private final Workbench bench;
    private final ChartView view;

    ChartMenu(ChartRoom room, Workbench bench, ChartView view) {
        this.room = room;
        this.bench = bench;
        this.view = view;
    }

    ContextMenu at(double x, double y) {
        ChartModel chart = room.chart();
        Hit hit = HitTest.at(chart, x, y);
        ContextMenu menu = new ContextMenu();
        if (hit instanceof Hit.OnDrawing on) {
            chart.drawing(on.id()).ifPresent(drawing -> ofDrawing(menu, drawing));
        } else if (hit instanceof Hit.OnTag on) {
            chart.drawing(on.drawing()).ifPresent(drawing -> ofDrawing(menu, drawing));
        } else if (hit instanceof Hit.OnIndicator on) {
            chart.indicator(on.id()).ifPresent(layer -> ofIndicator(menu, layer));
        } else if (hit instanceof Hit.OnFinding on) {
            chart.found().find(on.id()).ifPresent(found -> ofFinding(menu, found));
        } else if (hit instanceof Hit.OnBracket) {
            menu.getItems().add(item("Remove the plan", room.studies()::removePlan));
        } else if (hit instanceof Hit.PriceAxis) {
            ofPriceAxis(menu);
        } else if (hit instanceof Hit.TimeAxisStrip) {
            ofTimeAxis(menu);
        } else {
            ofPane(menu, x, y);
        }
        return menu;
    }

    private void view(Consumer<ChartModel> change) {
        change.accept(room.chart());
        room.tell(Aspect.VIEW);
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        return item;
    }

    private static CheckMenuItem check(String text, boolean on, Runnable action) {
        CheckMenuItem item = new CheckMenuItem(text);
        item.setSelected(on);
        item.setOnAction(event -> action.run());
        return item;
    }

    private void ofFinding(ContextMenu menu, Found found) {
        Runnable choose = () -> room.studies().select(new Selection.Finding(found.id()));
        menu.getItems()
                .addAll(
                        item("What happened there", choose),
                        item("Keep as a drawing", () -> {
                            choose.run();
                            room.detectors().keepChosen();
                        }),
                        item("Plan it", () -> {
                            choose.run();
                            room.detectors().planChosen();
                        }),
                        item("Make a call of it", () -> {
                            choose.run();
                            room.detectors().callChosen();
                        }),
                        ofPrices(found),
                        new SeparatorMenuItem());
        room.chart().indicator(found.layer()).ifPresent(layer -> ofIndicator(menu, layer));
    }

    /** Alerts at the prices of a finding: its lines, its target, what voids it. */
    private Menu ofPrices(Found found) {
        Menu menu = new Menu("Alert at");
        Map<String, Double> prices = new TreeMap<>(found.finding().lines());
        prices.put("target", found.finding().target());
        prices.put("what voids it", found.finding().invalidation());
        PriceFormat format = room.chart().instrument().orElseThrow().format();
        prices.forEach((name, price) -> {
            if (Double.isFinite(price)) {
                String written = format.format(format.round(price));
                menu.getItems().add(new AlertMenus(room, bench).at(name.replace('_', ' ') + " " + written, written));
            }
        });
        menu.setDisable(menu.getItems().isEmpty());
        return menu;
    }

    /** Of the drawing alone, or of all that are chosen when it is one of them. */
    private void ofDrawing(ContextMenu menu, Drawing drawing) {
        if (!room.chart().selection().drawings().contains(drawing.id())) {
            room.studies().select(Selection.ofDrawings(room.chart().groupOf(drawing.id())));
        }
        bench.layouts().activate(room);
        ChartDrawings drawings = room.drawings();
        if (room.chart().selection() instanceof Selection.Drawing) {
            menu.getItems().add(new AlertMenus(room, bench).at("Alert", '"' + drawing.title() + '"'));
            menu.getItems()
                    .addAll(
                            item("Alert when price reaches it", () -> room.studies()
                                    .setAlert(Alert.Trigger.REACHES)),
                            item("Alert when a bar closes beyond it", () -> room.studies()
                                    .setAlert(Alert.Trigger.CLOSES_BEYOND)),
                            new SeparatorMenuItem());
        }
        menu.getItems()
                .addAll(
                        item("Duplicate", drawings::cloneChosen),
                        item("Copy   Ctrl+C", () -> DrawingClipboard.copy(room)));
        Menu arrange = new Menu("Arrange");
        arrange.getItems().addAll(new DrawingMenus(bench).arranging());
        menu.getItems()
                .addAll(
                        arrange,
                        item("Profile of its span", () -> room.profiles().ofChosenDrawing()),
                        item("Hide", () -> drawings.changeChosen("hide", each -> each.withVisible(false))),
                        item("Delete", drawings::deleteChosen));
    }

    private void ofCues(ContextMenu menu, List<String> cues) {
        if (cues.isEmpty()) {
            return;
        }
        Menu alerts = new Menu("Alert when a bar closes with");
        Menu evidence = new Menu("Evidence of");
        for (String cue : cues) {
            alerts.getItems().add(item(cue, () -> room.studies().setAlert(cue)));
            evidence.getItems().add(item(cue, () -> bench.evidence(cue)));
        }
        menu.getItems().addAll(alerts, evidence, new SeparatorMenuItem());
    }

    /** Alerts at the lines of what is drawn over the bars: an average, the point of control of a profile. */
    private void ofValues(ContextMenu menu, IndicatorLayer layer) {
        if (!layer.paneId().equals(room.chart().pricePane().id())) {
            return;
        }
        Menu values = new Menu("Alert at");
        for (String value : Cues.values(layer)) {
            if (values.getItems().size() < MOST_VALUES && isFormula(value)) {
                values.getItems().add(new AlertMenus(room, bench).at(value, value));
            }
        }
        if (!values.getItems().isEmpty()) {
            menu.getItems().add(values);
        }
    }

    /** Settings of many words are not written in a formula. */
    private boolean isFormula(String text) {
        try {
            Formula.parse(text, bench.desk().language().now());
            return true;
        } catch (FormulaException unread) {
            return false;
        }
    }

    private void ofIndicator(ContextMenu menu, IndicatorLayer layer) {
        Menu panes = new Menu("Move to");
        for (Pane pane : room.chart().panes()) {
            if (!pane.id().equals(layer.paneId())) {
                String name = pane.kind() == Pane.Kind.PRICE
                        ? "the price pane"
                        : pane.kind() == Pane.Kind.VOLUME
                                ? "the volume pane"
                                : "the pane of "
                                        + room.chart().titleOf(pane.indicators().get(0));
                panes.getItems().add(item(name, () -> room.indicators().change(layer.inPane(pane.id()))));
            }
        }
        if (!layer.paneId().equals(layer.id())) {
            panes.getItems()
                    .add(item("a pane of its own", () -> room.indicators().change(layer.inPane(layer.id()))));
        }
        ofCues(menu, Cues.of(layer));
        ofValues(menu, layer);
        Menu scales = new Menu("Scale");
        for (LayerScale scale : LayerScale.values()) {
            scales.getItems().add(check(scale.words(), layer.scale() == scale, () -> room.indicators()
                    .change(layer.onScale(scale))));
        }
        menu.getItems()
                .addAll(
                        item("Edit in Layers", () -> room.studies().select(new Selection.Layer(layer.id()))),
                        panes,
                        scales,
                        item("Hide", () -> room.indicators()
                                .change(layer.withStyle(layer.style().withVisible(false)))),
                        item("Remove " + room.chart().titleOf(layer), () -> room.indicators()
                                .remove(layer.id())));
    }

    private void ofPriceAxis(ContextMenu menu) {
        ChartModel chart = room.chart();
        ScaleChoice scale = chart.scale();
        for (ScaleChoice.Mode mode : ScaleChoice.Mode.values()) {
            menu.getItems()
                    .add(check(
                            switch (mode) {
                                case LINEAR -> "Linear scale";
                                case LOGARITHMIC -> "Logarithmic scale";
                                case PERCENT -> "Per cent from a bar";
                                case INDEXED -> "Index, 100 at a bar";
                            },
                            scale.mode() == mode,
                            () -> room.setScale(mode.word() + " scale", scale.withMode(mode))));
        }
        menu.getItems()
                .addAll(
                        new SeparatorMenuItem(),
                        check("Fit price", scale.fit() == ScaleChoice.Fit.PRICE, () -> view(ChartModel::fitPrice)),
                        check(
                                "Fit price and indicators",
                                scale.fit() == ScaleChoice.Fit.ALL,
                                () -> room.setScale("fit all", scale.withFit(ScaleChoice.Fit.ALL))),
                        check(
                                "Lock the height of the scale",
                                scale.fit() == ScaleChoice.Fit.HELD,
                                () -> room.setScale(
                                        "fixed height",
                                        scale.fit() == ScaleChoice.Fit.HELD
                                                ? scale.withFit(ScaleChoice.Fit.PRICE)
                                                : scale.held(
                                                        chart.price().low(),
                                                        chart.price().high()))),
                        check(
                                "Inverted scale",
                                scale.inverted(),
                                () -> room.setScale("inverted scale", scale.withInverted(!scale.inverted()))));
        Menu margins = new Menu("Margins");
        for (int percent : new int[] {0, 5, 10, 20, 30}) {
            margins.getItems()
                    .add(check(
                            percent + " % above and below",
                            Math.abs(scale.topMargin() - percent / 100.0) < 0.001,
                            () -> room.setScale(
                                    "margins of " + percent + " %",
                                    scale.withMargins(percent / 100.0, percent / 100.0))));
        }
        menu.getItems().add(margins);
    }

    private void ofTimeAxis(ContextMenu menu) {
        Menu spans = new Menu("Show");
        for (String span : Spans.OFFERED) {
            spans.getItems().add(item(Spans.words(span), () -> view(chart -> Spans.show(chart, span))));
        }
        menu.getItems()
                .addAll(
                        item("Show the newest bars", () -> view(ChartModel::follow)),
                        spans,
                        item("Go to a date", () -> prompt("go to ")),
                        new SeparatorMenuItem(),
                        check(
                                "Session breaks",
                                room.chart().areBreaksShown(),
                                () -> view(chart -> chart.setBreaksShown(!chart.areBreaksShown()))),
                        check(
                                "Show empty periods",
                                room.chart().request().gapsKept(),
                                () -> room.setRequest(
                                        "gaps",
                                        room.chart()
                                                .request()
                                                .withGapsKept(
                                                        !room.chart().request().gapsKept()))));
        Menu zones = new Menu("Time zone");
        zones.getItems()
                .addAll(
                        check("of the exchange", room.chart().chosenZone() == null, () -> room.setZone(null)),
                        check(
                                "of this computer",
                                java.time.ZoneId.systemDefault()
                                        .equals(room.chart().chosenZone()),
                                () -> room.setZone(java.time.ZoneId.systemDefault())),
                        check(
                                "UTC",
                                java.time.ZoneId.of("UTC").equals(room.chart().chosenZone()),
                                () -> room.setZone(java.time.ZoneId.of("UTC"))),
                        item("another", () -> prompt("zone ")));
        menu.getItems().add(zones);
    }

    /** A command for this chart is begun in the command line. */
    private void prompt(String beginning) {
        bench.layouts().activate(room);
        bench.prompt(beginning);
    }

    private void ofPane(ContextMenu menu, double x, double y) {
        ChartModel chart = room.chart();
        if (chart.instrument().isEmpty()) {
            menu.getItems().add(item("Open an instrument", () -> prompt("")));
            return;
        }
        menu.getItems().addAll(FigureRowMenu.at(room, y));
        boolean hasBars = !chart.bars().isEmpty();
        if (hasBars && chart.pricePane().covers(y)) {
            Anchor anchor = SnapTarget.at(chart, x, y, true);
            String price = chart.instrument().get().format().format(anchor.price());
            menu.getItems()
                    .addAll(
                            item("Level at " + price, () -> room.studies().draw(Drawing.LEVEL, List.of(anchor))),
                            item("Trend line from here", () -> {
                                room.studies().take(Tool.LINE);
                                room.gestures().placing().put(anchor);
                            }),
                            item("Profile from here on", () -> room.profiles()
                                    .from(chart.time().bar(x))),
                            item("Plan a trade with entry " + price, () -> {
                                room.studies().take(Tool.PLAN);
                                room.gestures().placing().put(anchor);
                            }));
            menu.getItems().add(new AlertMenus(room, bench).at("Alert at " + price, price));
            if (chart.scale().isRelative()) {
                menu.getItems()
                        .add(item(
                                "Use this bar as base",
                                () -> room.setScale(
                                        "base of the scale",
                                        chart.scale()
                                                .withBase(chart.axis()
                                                        .openTime(chart.time().bar(x))))));
            }
            menu.getItems().add(new SeparatorMenuItem());
        }
        menu.getItems().addAll(item("Another instrument", () -> prompt("#")), timeframes(), bars(), session());
        adjustments(menu, chart.instrument().get());
        Menu presets = new Menu("Preset");
        bench.layouts().presets().offered().forEach(preset -> presets.getItems()
                .add(item(preset.words(), () -> bench.layouts().presets().apply(preset.name(), room))));
        presets.getItems().addAll(new SeparatorMenuItem(), item("Save as a preset", () -> prompt("preset save ")));
        menu.getItems()
                .addAll(
                        presets,
                        new SeparatorMenuItem(),
                        chartMenu(),
                        link(),
                        out(),
                        item(
                                chart.isVolumeShown() ? "Hide volume" : "Show volume",
                                () -> room.setVolumeShown(!chart.isVolumeShown())));
        chart.paneAt(y)
                .filter(pane ->
                        pane.kind() != Pane.Kind.PRICE || !chart.maximisedPane().isEmpty())
                .ifPresent(pane -> menu.getItems()
                        .add(item(
                                chart.maximisedPane().isEmpty() ? "Give this pane the whole chart" : "Show all panes",
                                () -> room.panes().maximise(pane.id()))));
    }

    private Menu timeframes() {
        Menu timeframes = new Menu("Timeframe");
        BarRequest request = room.chart().request();
        bench.desk().timeframes().forEach(timeframe -> timeframes
                .getItems()
                .add(check(
                        timeframe.toString(),
                        request.isTime() && request.timeframe().equals(timeframe),
                        () -> room.setTimeframe(timeframe))));
        timeframes.getItems().add(item("another", () -> prompt("")));
        return timeframes;
    }

    private Menu bars() {
        Menu bars = new Menu("Bars");
        for (BarForm form : BarForm.values()) {
            bars.getItems()
                    .add(check(
                            form.title(),
                            room.chart().form() == form
                                    && room.chart().request().isTime(),
                            () -> {
                                if (!room.chart().request().isTime()) {
                                    room.setRule(new BarRule.Time(room.chart().timeframe()));
                                }
                                room.setForm(form);
                            }));
        }
        bars.getItems().add(new SeparatorMenuItem());
        for (String rule : List.of(
                "ticks:500",
                "volume:5000",
                "range:20",
                "reversal:20",
                "brick:20",
                "brick:atr14@D",
                "line-break:3@D",
                "point-figure:1%x3@D")) {
            BarRule made = BarRule.parse(rule);
            bars.getItems()
                    .add(check(
                            made.words()
                                    + made.basis().map(basis -> " of " + basis).orElse(""),
                            made.equals(room.chart().request().rule()),
                            () -> room.setRule(made)));
        }
        bars.getItems().add(item("another size", () -> prompt("bars ")));
        return bars;
    }

    private Menu session() {
        Menu session = new Menu("Session");
        BarRequest request = room.chart().request();
        for (SessionPart part : List.of(SessionPart.WHOLE, SessionPart.DAY, SessionPart.EVENING)) {
            session.getItems()
                    .add(check(
                            part.words(),
                            request.part().equals(part),
                            () -> room.setRequest(part.words(), request.withPart(part))));
        }
        session.getItems().add(item("own hours", () -> prompt("session ")));
        Menu days = new Menu("Days to load");
        for (int count : new int[] {0, 5, 20, 60, 250}) {
            days.getItems()
                    .add(check(
                            count == 0 ? "all there are" : String.valueOf(count),
                            request.days() == count,
                            () -> room.setRequest("days to load", request.withDays(count))));
        }
        session.getItems().add(days);
        return session;
    }

    private void adjustments(ContextMenu menu, Instrument instrument) {
        BarRequest request = room.chart().request();
        if (instrument.kind() == Instrument.Kind.CONTINUOUS) {
            Menu roll = new Menu("Contracts");
            for (BarRequest.Joint joint : BarRequest.Joint.values()) {
                roll.getItems()
                        .add(check(
                                "joined " + joint.words(),
                                request.joint() == joint,
                                () -> room.setRequest(
                                        "contracts " + joint.words(), request.withRoll(request.roll(), joint))));
            }
            roll.getItems().add(new SeparatorMenuItem());
            for (RollRule rule : List.of(RollRule.VOLUME, RollRule.EXPIRY, RollRule.daysBefore(5))) {
                roll.getItems()
                        .add(check(
                                "roll by " + rule,
                                request.roll().equals(rule),
                                () -> room.setRequest("roll by " + rule, request.withRoll(rule, request.joint()))));
            }
            menu.getItems().add(roll);
        } else if (instrument.kind() == Instrument.Kind.SHARE) {
            Menu adjust = new Menu("Adjust for");
            adjust.getItems()
                    .addAll(
                            check(
                                    "splits",
                                    request.splits(),
                                    () -> room.setRequest(
                                            "splits", request.withAdjustments(!request.splits(), request.dividends()))),
                            check(
                                    "dividends",
                                    request.dividends(),
                                    () -> room.setRequest(
                                            "dividends",
                                            request.withAdjustments(request.splits(), !request.dividends()))));
            menu.getItems().add(adjust);
        }
        List<String> sources = bench.desk().directory().sourcesOf(instrument.code());
        if (sources.size() > 1) {
            Menu source = new Menu("Source");
            sources.forEach(name -> source.getItems()
                    .add(check(name, instrument.id().source().equals(name), () -> room.changeSource(name))));
            menu.getItems().add(source);
        }
    }

    private void onThis(Runnable action) {
        bench.layouts().activate(room);
        action.run();
    }

    private Menu chartMenu() {
        Menu menu = new Menu("Chart");
        menu.getItems()
                .addAll(
                        item(
                                "Split right: a copy beside it",
                                () -> onThis(() -> bench.layouts().split(true))),
                        item(
                                "Split below: a copy under it",
                                () -> onThis(() -> bench.layouts().split(false))),
                        item("Maximise or restore", () -> onThis(bench.layouts()::maximise)),
                        item("In a window of its own", () -> onThis(bench.layouts()::toOwnWindow)),
                        item("Title", () -> prompt("title " + room.title())),
                        item("Close this chart", () -> bench.layouts().closeChart(room)));
        return menu;
    }

    private Menu link() {
        Menu menu = new Menu("Link colour");
        menu.getItems().add(check("none", room.link() == 0, () -> room.setLink(0)));
        for (int colour = 1; colour <= LinkRules.COLOURS; colour++) {
            int number = colour;
            CheckMenuItem each =
                    check(number + ", " + Palette.name(number - 1), room.link() == number, () -> room.setLink(number));
            each.setGraphic(new javafx.scene.shape.Rectangle(10, 10, LinkColours.of(bench.palette(), number)));
            menu.getItems().add(each);
        }
        if (room.link() != 0) {
            menu.getItems().add(new SeparatorMenuItem());
            Set<LinkRules.Shared> shared = bench.layouts().links().of(room.link());
            for (LinkRules.Shared what : LinkRules.Shared.values()) {
                menu.getItems().add(check("shares " + what.words(), shared.contains(what), () -> {
                    Set<LinkRules.Shared> changed = EnumSet.noneOf(LinkRules.Shared.class);
                    changed.addAll(shared);
                    if (!changed.remove(what)) {
                        changed.add(what);
                    }
                    bench.layouts().setLinks(room.link(), changed);
                }));
            }
        }
        return menu;
    }

    private Menu out() {
        Menu menu = new Menu("Export");
        ChartOutput output = new ChartOutput(room, view, bench);
        menu.getItems()
                .addAll(
                        item("Copy the picture", output::copy),
                        item("Save as PNG or SVG", () -> output.save()),
                        item("Print", output::print),
                        item("Save the visible data as CSV", output::saveData));
        return menu;
    }
}
