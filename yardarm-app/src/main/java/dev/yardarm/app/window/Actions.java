package dev.yardarm.app.window;

import dev.yardarm.app.chart.ChartOutput;
import dev.yardarm.app.chart.DrawingClipboard;
import dev.yardarm.app.view.ScanView;
import dev.yardarm.app.workbench.View;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.drawing.Plane;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.desk.book.Overwriting;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.Presets;
import dev.yardarm.desk.room.chart.Spans;
import dev.yardarm.desk.room.layout.Layouts;
import dev.yardarm.desk.room.layout.WorkspaceFile;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Carries out what the command line asks for; leader keys end here too. */
final class Actions {
    private final Workbench bench;
    private final ChartPage page;
    private final Supplier<ScanView> scan;
    private final StatusLine status;
    private final Runnable help;
    private final Consumer<Path> export;
    private KeyFile keyFile;
    private final Overwriting overwriting;
    private ChartRoom copied;

    /**
     * @param scan the scan view, made when it is first needed
     * @param export writes the workspace as it is now into a file
     */
    Actions(
            Workbench bench,
            ChartPage page,
            Supplier<ScanView> scan,
            StatusLine status,
            Runnable help,
            Consumer<Path> export) {
        this.bench = bench;
        this.page = page;
        this.scan = scan;
        this.status = status;
        this.help = help;
        this.export = export;
        overwriting = new Overwriting(System::nanoTime, text -> bench.desk().tell(text));
    }

    /** Where changed keys are kept. */
    void setKeyFile(KeyFile file) {
        keyFile = file;
    }

    /** Carries out a line. */
    void run(LineCommand command) {
        if (command instanceof LineCommand.Open open) {
            if (open.timeframe() == null) {
                room().open(open.instrument(), room().chart().request());
            } else {
                room().open(open.instrument(), open.timeframe());
            }
            bench.go(View.CHART);
        } else if (command instanceof LineCommand.ScanFor scanFor) {
            bench.go(View.SCAN);
            scan.get().scanFor(scanFor.condition(), room().listName());
        } else if (command instanceof LineCommand.ImportFile of) {
            bench.intake(of.file().map(file -> List.of(file.toAbsolutePath())).orElse(List.of()));
        } else if (command instanceof LineCommand.Plain plain) {
            run(plain.word());
        } else if (command instanceof LineCommand.OfWorkspace
                || command instanceof LineCommand.OfList
                || command instanceof LineCommand.NameLayout
                || command instanceof LineCommand.ChangeKey
                || command instanceof LineCommand.OfferTimeframes) {
            ofDesk(command);
        } else if (room().instrument().isEmpty()) {
            bench.desk().tell("Open a chart first: type the code of an instrument.");
        } else {
            bench.go(View.CHART);
            onChart(command);
        }
    }

    private void onChart(LineCommand command) {
        if (command instanceof LineCommand.SetTimeframe set) {
            room().setTimeframe(set.timeframe());
        } else if (command instanceof LineCommand.SetForm set) {
            if (!room().chart().request().isTime()) {
                room().setRule(new BarRule.Time(room().chart().timeframe()));
            }
            room().setForm(set.form());
        } else if (command instanceof LineCommand.SetRule set) {
            room().setRule(set.rule());
        } else if (command instanceof LineCommand.ChangeRequest change) {
            room().setRequest(
                            change.label(), change.change().apply(room().chart().request()));
        } else if (command instanceof LineCommand.ChangeScale change) {
            room().setScale(change.label(), change.change().apply(room().chart().scale()));
        } else if (command instanceof LineCommand.SetZone set) {
            room().setZone(set.zone());
        } else if (command instanceof LineCommand.ShowSpan show) {
            view(chart -> Spans.show(chart, show.span()));
        } else if (command instanceof LineCommand.GoTo go) {
            goTo(go);
        } else if (command instanceof LineCommand.SetTitle set) {
            room().setTitle(set.title());
        } else if (command instanceof LineCommand.ChangeSource change) {
            room().changeSource(change.source());
        } else if (command instanceof LineCommand.SaveChart save) {
            Path file = save.file().toAbsolutePath();
            if (overwriting.mayWrite(file)) {
                new ChartOutput(room(), page.chart(), bench).save(file);
            }
        } else if (command instanceof LineCommand.OfPreset of) {
            ofPreset(of);
        } else if (command instanceof LineCommand.OfTracing of) {
            switch (of.verb()) {
                case "show", "hide" ->
                    room().tracings().show(of.name(), of.verb().equals("show"));
                case "move" -> room().tracings().move(of.name());
                default -> room().tracings().use(of.name());
            }
        } else if (command instanceof LineCommand.OfDrawings of) {
            Path file = of.file().toAbsolutePath();
            if (!of.export()) {
                room().tracings().importFrom(file);
            } else if (overwriting.mayWrite(file)) {
                room().tracings().export(file);
            }
        } else if (command instanceof LineCommand.OfLook of) {
            ofLook(of);
        } else if (command instanceof LineCommand.OfRatios of) {
            switch (of.verb()) {
                case "save" -> room().drawings().looks().keepRatios(of.name());
                case "delete" -> room().drawings().looks().forgetRatios(of.name());
                default -> room().drawings().looks().takeRatios(of.name());
            }
        } else if (command instanceof LineCommand.Arrange arrange) {
            layouts().arrange(arrange.arrangement());
        } else if (command instanceof LineCommand.NewLayout make) {
            layouts().add(make.title(), make.arrangement());
        } else if (command instanceof LineCommand.StepDown step) {
            layouts().stepDown(step.timeframes());
        } else if (command instanceof LineCommand.SetLink set) {
            if (set.shared() != null) {
                layouts().setLinks(set.colour(), set.shared());
            }
            room().setLink(set.colour());
        } else if (command instanceof LineCommand.AddIndicator add) {
            if (add.settings() == null) {
                room().indicators().add(add.indicator());
            } else {
                room().indicators().add(add.indicator(), add.settings());
            }
        } else if (command instanceof LineCommand.Compare compare) {
            room().comparisons().add(compare.others(), compare.look());
        } else if (command instanceof LineCommand.Correlate correlate) {
            room().comparisons().correlate(correlate.one(), correlate.other(), correlate.length());
        } else if (command instanceof LineCommand.Draw draw) {
            draw(draw);
        } else if (command instanceof LineCommand.TakeTool take) {
            room().studies().take(take.tool());
        } else if (command instanceof LineCommand.MakePlan make) {
            room().studies().makePlan(make.entry(), make.stop(), make.target());
        } else if (command instanceof LineCommand.TakeStance take) {
            room().studies().takeStance(take.kind(), take.reason());
        } else if (command instanceof LineCommand.WriteNote write) {
            room().studies().writeNote(write.note());
        } else if (command instanceof LineCommand.SetAlert set) {
            room().studies().setAlert(set.trigger());
        }
    }

    private Layouts layouts() {
        return bench.layouts();
    }

    private void goTo(LineCommand.GoTo go) {
        ChartModel chart = room().chart();
        if (chart.bars().isEmpty()) {
            return;
        }
        long moment;
        if (go.date() != null) {
            moment = Times.micros(go.date().atStartOfDay(chart.zone()));
        } else {
            long edge = chart.axis().openTime(chart.time().bar((chart.time().left() + chart.plotRight()) / 2));
            List<EventMark> marks = chart.marks();
            moment = go.events() > 0
                    ? marks.stream()
                            .mapToLong(EventMark::time)
                            .filter(time -> time > edge)
                            .min()
                            .orElse(Long.MIN_VALUE)
                    : marks.stream()
                            .mapToLong(EventMark::time)
                            .filter(time -> time < edge)
                            .max()
                            .orElse(Long.MIN_VALUE);
            if (moment == Long.MIN_VALUE) {
                bench.desk().tell("There is no " + (go.events() > 0 ? "later" : "earlier") + " event.");
                return;
            }
        }
        if (moment < chart.bars().openTime(0)) {
            bench.desk()
                    .tell("The bars begin only on "
                            + Readout.time(chart, chart.bars().openTime(0)) + ".");
        }
        view(each -> {
            double half = (each.plotRight() - each.time().left()) / each.time().barWidth() / 2;
            each.setTime(new TimeScale(
                    each.time().left(),
                    each.time().right(),
                    each.time().barWidth(),
                    each.axis().bar(moment) + half));
        });
    }

    private void ofLook(LineCommand.OfLook of) {
        if (!room().chart().selection().drawings().isEmpty()) {
            switch (of.verb()) {
                case "save" -> room().drawings().looks().keepLook(of.name());
                case "delete" -> room().drawings().looks().forgetLook(of.name());
                default -> room().drawings().looks().takeLook(of.name());
            }
            return;
        }
        if (!(room().chart().selection() instanceof Selection.Layer chosen)
                || room().chart().indicator(chosen.id()).isEmpty()) {
            bench.desk().tell("Choose an indicator or a drawing first, on the chart or in Layers.");
            return;
        }
        switch (of.verb()) {
            case "save" -> room().indicators().keepLook(chosen.id(), of.name());
            case "delete" -> room().indicators().forgetLook(chosen.id(), of.name());
            default -> room().indicators().takeLook(chosen.id(), of.name());
        }
    }

    private void ofPreset(LineCommand.OfPreset of) {
        Presets presets = layouts().presets();
        if (of.verb().equals("save")) {
            presets.save(of.name(), room());
            return;
        }
        if (presets.offered(of.name()).isEmpty()) {
            bench.desk().tell("There is no preset '" + of.name() + "'. Save one with: preset save " + of.name());
            return;
        }
        switch (of.verb()) {
            case "delete" -> presets.delete(of.name());
            case "standard" -> presets.toggleStandard(of.name());
            case "up" -> presets.move(of.name(), -1);
            case "down" -> presets.move(of.name(), 1);
            default -> presets.apply(of.name(), room());
        }
    }

    private void ofDesk(LineCommand command) {
        if (command instanceof LineCommand.OfferTimeframes offer) {
            bench.desk().habits().setTimeframes(offer.timeframes());
            bench.desk()
                    .tell("Offered from now on: "
                            + String.join(
                                    " ",
                                    bench.desk().timeframes().stream()
                                            .map(Timeframe::toString)
                                            .toList()) + " (the strip after the next start).");
        } else if (command instanceof LineCommand.ChangeKey change) {
            keyFile.change(change.action(), change.key());
        } else if (command instanceof LineCommand.NameLayout name) {
            layouts().rename(layouts().focused(), name.title());
        } else if (command instanceof LineCommand.OfList of) {
            new ListActions(bench, page).run(of);
        } else if (command instanceof LineCommand.OfWorkspace of) {
            Path file = of.file().toAbsolutePath();
            if (!of.export()) {
                WorkspaceFile.importBeside(file, layouts());
            } else if (overwriting.mayWrite(file)) {
                export.accept(file);
            }
        }
    }

    private void draw(LineCommand.Draw draw) {
        Bars bars = room().chart().bars();
        if (bars.isEmpty()) {
            bench.desk().tell("There are no bars to draw on yet.");
            return;
        }
        int last = bars.size() - 1;
        List<Anchor> anchors = new ArrayList<>();
        for (LineCommand.DrawnPoint point : draw.points()) {
            long time = point.moment() == null ? bars.openTime(last) : slot(point.moment());
            anchors.add(new Anchor(time, Double.isNaN(point.price()) ? bars.close(last) : point.price()));
        }
        if (draw.figure().equals(Drawing.LINE)
                && anchors.get(0).time() == anchors.get(1).time()) {
            bench.desk()
                    .tell("Both points lie on the same bar of " + room().chart().timeframe()
                            + "; a line needs two bars.");
            return;
        }
        try {
            ChartModel chart = room().chart();
            room().drawings()
                    .draw(
                            draw.figure(),
                            Figures.shared()
                                    .get(draw.figure())
                                    .settled(
                                            anchors,
                                            bars,
                                            new Plane(
                                                    chart.axis().grid().calendar(),
                                                    chart.timeframe(),
                                                    chart.isLogarithmic())),
                            draw.options());
        } catch (IllegalArgumentException noPlace) {
            bench.desk().tell("Nothing was drawn: " + noPlace.getMessage() + ".");
        }
    }

    /** The opening of the bar a moment by the exchange's clock falls in; of the session for a date alone. */
    private long slot(LocalDateTime moment) {
        TradingCalendar calendar = room().chart().axis().grid().calendar();
        BarGrid grid = room().chart().axis().grid();
        boolean dateAlone = moment.toLocalTime().equals(LocalTime.MIDNIGHT);
        return grid.slotAt(
                        dateAlone
                                ? calendar.open(calendar.sameOrNext(moment.toLocalDate()))
                                : Times.micros(moment.atZone(calendar.zone())))
                .openTime();
    }

    /** Carries out a plain command. */
    void run(LineCommand.Word word) {
        switch (word) {
            case CHART -> bench.go(View.CHART);
            case SCAN -> bench.go(View.SCAN);
            case WATCH -> bench.go(View.WATCH);
            case PLAN_VIEW -> bench.go(View.PLAN);
            case LOGARITHMIC -> room().setLogarithmic(true);
            case LINEAR -> room().setLogarithmic(false);
            case FIT -> view(ChartModel::fitPrice);
            case VOLUME -> room().setVolumeShown(!room().chart().isVolumeShown());
            case DAYLIGHT -> bench.themeProperty().set(Palette.Theme.DAYLIGHT);
            case NIGHT_WATCH -> bench.themeProperty().set(Palette.Theme.NIGHT_WATCH);
            case UNDO -> room().undo();
            case REDO -> room().redo();
            case NEXT -> room().step(1);
            case PREVIOUS -> room().step(-1);
            case DELETE -> room().studies().deleteChosen();
            case NEWEST -> view(ChartModel::follow);
            case ALL -> view(chart -> chart.showLast(chart.bars().size()));
            case PICK_INDICATOR -> bench.pick(chosen -> room().indicators().add(chosen));
            case PICK_COMPARISON -> bench.compare();
            case HIDE_INDICATORS -> room().indicators().toggleAll();
            case HIDE_DRAWINGS -> room().drawings().toggleAll();
            case CLEAR_ANALYSIS ->
                bench.desk().undo().together("remove the analysis", () -> {
                    room().indicators().clear();
                    room().drawings().clear();
                });
            case COPY_DRAWING -> DrawingClipboard.copy(room());
            case PASTE_DRAWING -> DrawingClipboard.paste(room());
            case CLONE_DRAWING -> room().drawings().cloneChosen();
            case CHOOSE_DRAWINGS -> room().drawings().chooseAll();
            case GATHER -> room().studies().take(Tool.GATHER);
            case GROUP -> room().drawings().group();
            case UNGROUP -> room().drawings().ungroup();
            case TO_FRONT -> room().drawings().order(true);
            case TO_BACK -> room().drawings().order(false);
            case LOCK -> room().drawings().toggleLocked();
            case ON_THIS_CHART -> room().drawings().toggleOwn();
            case USUAL_DRAWING -> room().drawings().looks().makeUsual();
            case COPY_INDICATORS -> copied = room();
            case PASTE_INDICATORS -> paste();
            case CLEAR_INDICATORS -> room().indicators().clear();
            case CLEAR_DRAWINGS -> room().drawings().clear();
            case SPLIT_RIGHT -> layouts().split(true);
            case SPLIT_BELOW -> layouts().split(false);
            case CLOSE_CHART -> layouts().closeChart(room());
            case MAXIMISE -> layouts().maximise();
            case OWN_WINDOW -> layouts().toOwnWindow();
            case REVERSE -> layouts().reverse();
            case NEXT_CHART -> layouts().stepChart(1);
            case NEXT_LAYOUT -> layouts().stepLayout(1);
            case REMOVE_LAYOUT -> layouts().remove(layouts().focused());
            case TABLE -> page.toggleTable();
            case MEASURE -> page.chart().setMeasuring(!page.chart().isMeasuring());
            case OVERVIEW ->
                bench.overviewShownProperty().set(!bench.overviewShownProperty().get());
            case CARD -> page.showCard(!page.isCardShown());
            case COPY_CHART -> new ChartOutput(room(), page.chart(), bench).copy();
            case PRINT -> new ChartOutput(room(), page.chart(), bench).print();
            case BREAKS -> view(chart -> chart.setBreaksShown(!chart.areBreaksShown()));
            case NEXT_PANE -> room().panes().chooseNext();
            case PANE_UP -> room().panes().move(room().panes().inHand().id(), -1);
            case PANE_DOWN -> room().panes().move(room().panes().inHand().id(), 1);
            case PANE_FOLD -> room().panes().fold(room().panes().inHand().id());
            case PANE_WHOLE -> room().panes().maximise(room().panes().inHand().id());
            case PANE_TALLER -> room().panes().resize(room().panes().inHand().id(), 1);
            case PANE_LOWER -> room().panes().resize(room().panes().inHand().id(), -1);
            case PAUSE -> status.toggle();
            case HELP -> help.run();
        }
    }

    private void paste() {
        if (copied == null) {
            bench.desk().tell("Nothing was copied: write copy indicators on another chart first.");
        } else {
            room().indicators().copyFrom(copied);
        }
    }

    /** Changes what part of the chart is looked at. */
    void view(Consumer<ChartModel> change) {
        change.accept(room().chart());
        room().tell(Aspect.VIEW);
    }

    private ChartRoom room() {
        return bench.room();
    }
}
