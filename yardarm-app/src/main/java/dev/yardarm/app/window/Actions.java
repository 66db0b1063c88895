package dev.yardarm.app.window;

import dev.yardarm.app.chart.ChartOutput;
import dev.yardarm.app.view.ScanView;
import dev.yardarm.app.workbench.View;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.room.Arrangement;
import dev.yardarm.desk.room.Layouts;
import dev.yardarm.desk.room.Presets;
import dev.yardarm.desk.room.Spans;
import dev.yardarm.desk.room.WorkspaceKeeper;
import java.io.IOException;
import java.nio.file.Path;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.room.Aspect;
import dev.yardarm.desk.room.ChartRoom;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Carries out what the command line and the leader keys ask for. */
final class Actions {
    private final Workbench bench;
    private final ChartPage page;
    private final Supplier<ScanView> scan;
    private final StatusLine status;
    private final Runnable help;
    private final Supplier<Documents.Workspace> workspace;
    private KeyFile keyFile;

    /**
     * @param scan the scan view, made when it is first needed
     * @param workspace the workspace as it is now
     */
    Actions(Workbench bench, ChartPage page, Supplier<ScanView> scan, StatusLine status, Runnable help,
            Supplier<Documents.Workspace> workspace) {
        this.bench = bench;
        this.page = page;
        this.scan = scan;
        this.status = status;
        this.help = help;
        this.workspace = workspace;
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
        } else if (command instanceof LineCommand.Plain plain) {
            run(plain.word());
        } else if (command instanceof LineCommand.OfWorkspace || command instanceof LineCommand.OfList
                || command instanceof LineCommand.NameLayout || command instanceof LineCommand.ChangeKey
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
            room().setRequest(change.label(), change.change().apply(room().chart().request()));
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
            new ChartOutput(room(), page.chart(), bench).save(save.file().toAbsolutePath());
        } else if (command instanceof LineCommand.OfPreset of) {
            ofPreset(of);
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
            room().addIndicator(add.indicator(), add.settings());
        } else if (command instanceof LineCommand.DrawLevel draw) {
            long now = room().chart().bars().isEmpty() ? bench.desk().clock().now()
                    : room().chart().bars().openTime(room().chart().bars().size() - 1);
            room().studies().draw(Drawing.Kind.LEVEL, List.of(new Anchor(now, draw.price())));
        } else if (command instanceof LineCommand.DrawLine draw) {
            drawLine(draw);
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
            moment = go.events() > 0 ? marks.stream().mapToLong(EventMark::time).filter(time -> time > edge).min()
                    .orElse(Long.MIN_VALUE) : marks.stream().mapToLong(EventMark::time).filter(time -> time < edge)
                    .max().orElse(Long.MIN_VALUE);
            if (moment == Long.MIN_VALUE) {
                bench.desk().tell("There is no " + (go.events() > 0 ? "later" : "earlier") + " event.");
                return;
            }
        }
        if (moment < chart.bars().openTime(0)) {
            bench.desk().tell("The bars begin only on " + Readout.time(chart, chart.bars().openTime(0)) + ".");
        }
        view(each -> {
            double half = (each.plotRight() - each.time().left()) / each.time().barWidth() / 2;
            each.setTime(new TimeScale(each.time().left(), each.time().right(), each.time().barWidth(),
                    each.axis().bar(moment) + half));
        });
    }

    private void ofPreset(LineCommand.OfPreset of) {
        Presets presets = layouts().presets();
        if (of.verb().equals("save")) {
            presets.save(of.name(), room());
            return;
        }
        presets.named(of.name()).ifPresentOrElse(preset -> {
            switch (of.verb()) {
                case "delete" -> presets.delete(preset);
                case "standard" -> presets.toggleStandard(preset);
                case "up" -> presets.move(preset, -1);
                case "down" -> presets.move(preset, 1);
                default -> presets.apply(preset, room());
            }
        }, () -> bench.desk().tell("There is no preset '" + of.name() + "'. Save one with: preset save " + of.name()));
    }

    private void ofDesk(LineCommand command) {
        if (command instanceof LineCommand.OfferTimeframes offer) {
            bench.desk().habits().setTimeframes(offer.timeframes());
            bench.desk().tell("Offered from now on: " + String.join(" ", bench.desk().timeframes().stream()
                    .map(Timeframe::toString).toList()) + " (the strip after the next start).");
        } else if (command instanceof LineCommand.ChangeKey change) {
            keyFile.change(change.action(), change.key());
        } else if (command instanceof LineCommand.NameLayout name) {
            layouts().rename(layouts().focused(), name.title());
        } else if (command instanceof LineCommand.OfList of) {
            new ListActions(bench, page).run(of);
        } else if (command instanceof LineCommand.OfWorkspace of) {
            Path file = of.file().toAbsolutePath();
            try {
                if (of.export()) {
                    WorkspaceKeeper.export(workspace.get(), layouts(), file);
                    bench.desk().tell("The workspace is in " + file + ".");
                } else {
                    int count = WorkspaceKeeper.importBeside(file, layouts());
                    bench.desk().tell(count + (count == 1 ? " layout was" : " layouts were") + " added beside yours, "
                            + "with its presets and lists.");
                }
            } catch (IOException failed) {
                bench.desk().tell(failed.getMessage());
            }
        }
    }

    private void drawLine(LineCommand.DrawLine draw) {
        Anchor from = new Anchor(slot(draw.from()), draw.fromPrice());
        Anchor to = new Anchor(slot(draw.to()), draw.toPrice());
        if (from.time() == to.time()) {
            bench.desk().tell("Both points lie on the same bar of " + room().chart().timeframe()
                    + "; a line needs two bars.");
        } else {
            room().studies().draw(Drawing.Kind.LINE, List.of(from, to));
        }
    }

    private long slot(LocalDate date) {
        TradingCalendar calendar = room().chart().axis().grid().calendar();
        BarGrid grid = room().chart().axis().grid();
        return grid.slotAt(calendar.open(calendar.sameOrNext(date))).openTime();
    }

    private void run(LineCommand.Word word) {
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
            case CLEAR_INDICATORS -> room().clearIndicators();
            case CLEAR_DRAWINGS -> room().studies().clearDrawings();
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
            case OVERVIEW -> bench.overviewShownProperty().set(!bench.overviewShownProperty().get());
            case CARD -> page.showCard(!page.isCardShown());
            case COPY_CHART -> new ChartOutput(room(), page.chart(), bench).copy();
            case PRINT -> new ChartOutput(room(), page.chart(), bench).print();
            case BREAKS -> view(chart -> chart.setBreaksShown(!chart.areBreaksShown()));
            case PAUSE -> status.toggle();
            case HELP -> help.run();
        }
    }

    private void view(Consumer<ChartModel> change) {
        change.accept(room().chart());
        room().tell(Aspect.VIEW);
    }

    private void indicator(String name) {
        Catalogue.shared().find(name).ifPresent(found -> room().addIndicator(found, Settings.standard(found)));
    }

    /** The leader keys there are. */
    LeaderKeys leaderKeys() {
        LeaderKeys keys = new LeaderKeys();
        LeaderKeys.Group go = keys.group('G', "Go to");
        for (View view : View.values()) {
            go.add(view.letter(), view.title(), () -> bench.go(view));
        }
        LeaderKeys.Group timeframes = keys.group('T', "Timeframe");
        String letters = "MWD4HQ51";
        for (int at = 0; at < Timeframe.STANDARD.size(); at++) {
            Timeframe timeframe = Timeframe.STANDARD.get(at);
            timeframes.add(letters.charAt(at), timeframe.toString(), () -> room().setTimeframe(timeframe));
        }
        timeframes.add('S', "seconds, other", () -> bench.prompt(""));
        keys.group('B', "Bars").add('C', "candles", () -> form(BarForm.CANDLES))
                .add('B', "bars", () -> form(BarForm.BARS)).add('O', "bars without open",
                        () -> form(BarForm.BARS_WITHOUT_OPEN)).add('L', "line through closes", () -> form(BarForm.LINE))
                .add('S', "step line", () -> form(BarForm.STEPS)).add('A', "area", () -> form(BarForm.AREA))
                .add('Z', "baseline", () -> form(BarForm.BASELINE)).add('H', "high-low columns",
                        () -> form(BarForm.COLUMNS)).add('V', "averaged candles", () -> form(BarForm.AVERAGED))
                .add('T', "of ticks", () -> bench.prompt("ticks ")).add('U', "of volume", () -> bench.prompt("volume "))
                .add('R', "of range", () -> bench.prompt("range ")).add('E', "of reversal",
                        () -> bench.prompt("reversal ")).add('K', "bricks", () -> bench.prompt("brick "))
                .add('N', "line break", () -> bench.prompt("line-break 3")).add('P', "point and figure",
                        () -> bench.prompt("point-figure "));
        keys.group('I', "Indicator").add('S', "sma 50", () -> indicator("sma")).add('E', "ema 20",
                        () -> indicator("ema")).add('R', "rsi 14", () -> indicator("rsi"))
                .add('H', "highest 20", () -> indicator("highest")).add('L', "lowest 20", () -> indicator("lowest"));
        keys.group('D', "Draw").add('H', "level", () -> room().studies().take(Tool.LEVEL))
                .add('L', "trend line", () -> room().studies().take(Tool.LINE));
        keys.group('S', "Scale").add('L', "logarithmic", () -> mode(ScaleChoice.Mode.LOGARITHMIC))
                .add('N', "straight", () -> mode(ScaleChoice.Mode.LINEAR))
                .add('P', "per cent", () -> mode(ScaleChoice.Mode.PERCENT))
                .add('I', "index 100", () -> mode(ScaleChoice.Mode.INDEXED))
                .add('U', "upside down", () -> room().setScale("inverted scale", room().chart().scale().withInverted(
                        !room().chart().scale().inverted())))
                .add('E', "fit price and indicators", () -> room().setScale("fit all", room().chart().scale()
                        .withFit(ScaleChoice.Fit.ALL)))
                .add('H', "fixed height", () -> room().setScale("fixed height", room().chart().scale().held(
                        room().chart().price().low(), room().chart().price().high())))
                .add('S', "session", () -> bench.prompt("session "))
                .add('G', "go to a date", () -> bench.prompt("go to "))
                .add('1', "1 day", () -> view(chart -> Spans.show(chart, "1 day")))
                .add('5', "5 days", () -> view(chart -> Spans.show(chart, "5 days")))
                .add('M', "1 month", () -> view(chart -> Spans.show(chart, "1 month")))
                .add('6', "6 months", () -> view(chart -> Spans.show(chart, "6 months")))
                .add('Y', "1 year", () -> view(chart -> Spans.show(chart, "1 year")))
                .add('F', "fit the price", () -> view(ChartModel::fitPrice))
                .add('A', "all bars", () -> view(chart -> chart.showLast(chart.bars().size())));
        layoutKeys(keys);
        marks(keys);
        keys.group('P', "Plan").add('P', "draw a plan", () -> room().studies().take(Tool.PLAN))
                .add('X', "remove the plan", () -> room().studies().removePlan());
        keys.group('H', "Hide and show").add('V', "volume", () -> room().setVolumeShown(!room().chart().isVolumeShown()))
                .add('L', "lists", () -> page.show(page.listSide(), !page.listSide().isVisible()))
                .add('K', "layers", () -> page.show(page.layersSide(), !page.layersSide().isVisible()))
                .add('S', "timeframe strip", () -> page.show(page.stripSide(), !page.stripSide().isVisible()))
                .add('O', "overview strip", () -> run(LineCommand.Word.OVERVIEW))
                .add('I', "instrument's card", () -> run(LineCommand.Word.CARD))
                .add('B', "session lines", () -> run(LineCommand.Word.BREAKS))
                .add('D', "data as a table", page::toggleTable)
                .add('Q', "measure, and stop", () -> run(LineCommand.Word.MEASURE))
                .add('T', "theme", () -> bench.themeProperty().set(bench.themeProperty().get().other()));
        keys.group('X', "Clear").add('X', "what is chosen", () -> room().studies().deleteChosen())
                .add('I', "all indicators", () -> room().clearIndicators())
                .add('D', "all drawings", () -> room().studies().clearDrawings());
        keys.group('W', "Focus").add('C', "chart", () -> page.chart().requestFocus())
                .add('L', "list", () -> page.lists().focusList())
                .add('K', "layers", () -> page.layers().focusLayers())
                .add('B', "command line", () -> bench.prompt(""));
        return keys;
    }

    private void form(BarForm form) {
        onChart(new LineCommand.SetForm(form));
    }

    private void mode(ScaleChoice.Mode mode) {
        room().setScale(mode.word() + " scale", room().chart().scale().withMode(mode));
    }

    private void layoutKeys(LeaderKeys keys) {
        keys.group('L', "Layout").add('1', "one chart", () -> layouts().arrange(Arrangement.grid(1, 1)))
                .add('2', "two", () -> layouts().arrange(Arrangement.grid(1, 2)))
                .add('3', "three", () -> layouts().arrange(Arrangement.grid(1, 3)))
                .add('4', "four", () -> layouts().arrange(Arrangement.grid(2, 2)))
                .add('S', "split beside", () -> layouts().split(true))
                .add('D', "split below", () -> layouts().split(false))
                .add('C', "close chart", () -> layouts().closeChart(room()))
                .add('M', "whole layout, and back", () -> layouts().maximise())
                .add('J', "next chart", () -> layouts().stepChart(1))
                .add('K', "previous chart", () -> layouts().stepChart(-1))
                .add('T', "new tab", () -> layouts().add("", Arrangement.grid(1, 1)))
                .add('N', "next tab", () -> layouts().stepLayout(1))
                .add('B', "previous tab", () -> layouts().stepLayout(-1))
                .add('W', "own window", () -> layouts().toOwnWindow())
                .add('R', "reverse", () -> layouts().reverse())
                .add('X', "step-down", () -> bench.prompt("step-down W D 1h"))
                .add('L', "link colour", () -> bench.prompt("link "))
                .add('P', "preset", () -> bench.prompt("preset "));
    }

    private void marks(LeaderKeys keys) {
        keys.group('M', "Mark").add('L', "long", () -> room().studies().takeStance(Stance.Kind.LONG, ""))
                .add('S', "short", () -> room().studies().takeStance(Stance.Kind.SHORT, ""))
                .add('W', "wait", () -> room().studies().takeStance(Stance.Kind.WAIT, ""))
                .add('K', "skip, with reason", () -> bench.prompt("skip "))
                .add('O', "no stance", () -> room().studies().takeStance(Stance.Kind.NONE, ""))
                .add('N', "note", () -> bench.prompt("note " + room().instrument().map(each -> bench.desk().books()
                        .stance(each.id()).note()).orElse("")))
                .add('A', "alert: reached", () -> room().studies().setAlert(Alert.Trigger.REACHES))
                .add('B', "alert: close beyond", () -> room().studies().setAlert(Alert.Trigger.CLOSES_BEYOND));
    }

    private ChartRoom room() {
        return bench.room();
    }
}
