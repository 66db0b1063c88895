package dev.yardarm.app.window;

import dev.yardarm.app.view.ScanView;
import dev.yardarm.app.workbench.View;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarGrid;
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
    private final ChartRoom room;
    private final ChartPage page;
    private final Supplier<ScanView> scan;
    private final StatusLine status;
    private final Runnable help;

    /** @param scan the scan view, made when it is first needed */
    Actions(Workbench bench, ChartPage page, Supplier<ScanView> scan, StatusLine status, Runnable help) {
        this.bench = bench;
        this.room = bench.room();
        this.page = page;
        this.scan = scan;
        this.status = status;
        this.help = help;
    }

    /** Carries out a line. */
    void run(LineCommand command) {
        if (command instanceof LineCommand.Open open) {
            room.open(open.instrument(), open.timeframe() == null ? room.chart().timeframe() : open.timeframe());
            bench.go(View.CHART);
        } else if (command instanceof LineCommand.ScanFor scanFor) {
            bench.go(View.SCAN);
            scan.get().scanFor(scanFor.condition(), room.listName());
        } else if (command instanceof LineCommand.Plain plain) {
            run(plain.word());
        } else if (room.instrument().isEmpty()) {
            bench.desk().tell("Open a chart first: type the code of an instrument.");
        } else {
            bench.go(View.CHART);
            onChart(command);
        }
    }

    private void onChart(LineCommand command) {
        if (command instanceof LineCommand.SetTimeframe set) {
            room.setTimeframe(set.timeframe());
        } else if (command instanceof LineCommand.SetForm set) {
            room.setForm(set.form());
        } else if (command instanceof LineCommand.AddIndicator add) {
            room.addIndicator(add.indicator(), add.settings());
        } else if (command instanceof LineCommand.DrawLevel draw) {
            long now = room.chart().bars().isEmpty() ? bench.desk().clock().now()
                    : room.chart().bars().openTime(room.chart().bars().size() - 1);
            room.studies().draw(Drawing.Kind.LEVEL, List.of(new Anchor(now, draw.price())));
        } else if (command instanceof LineCommand.DrawLine draw) {
            drawLine(draw);
        } else if (command instanceof LineCommand.TakeTool take) {
            room.studies().take(take.tool());
        } else if (command instanceof LineCommand.MakePlan make) {
            room.studies().makePlan(make.entry(), make.stop(), make.target());
        } else if (command instanceof LineCommand.TakeStance take) {
            room.studies().takeStance(take.kind(), take.reason());
        } else if (command instanceof LineCommand.WriteNote write) {
            room.studies().writeNote(write.note());
        } else if (command instanceof LineCommand.SetAlert set) {
            room.studies().setAlert(set.trigger());
        }
    }

    private void drawLine(LineCommand.DrawLine draw) {
        Anchor from = new Anchor(slot(draw.from()), draw.fromPrice());
        Anchor to = new Anchor(slot(draw.to()), draw.toPrice());
        if (from.time() == to.time()) {
            bench.desk().tell("Both points lie on the same bar of " + room.chart().timeframe()
                    + "; a line needs two bars.");
        } else {
            room.studies().draw(Drawing.Kind.LINE, List.of(from, to));
        }
    }

    private long slot(LocalDate date) {
        TradingCalendar calendar = room.chart().axis().grid().calendar();
        BarGrid grid = room.chart().axis().grid();
        return grid.slotAt(calendar.open(calendar.sameOrNext(date))).openTime();
    }

    private void run(LineCommand.Word word) {
        switch (word) {
            case CHART -> bench.go(View.CHART);
            case SCAN -> bench.go(View.SCAN);
            case WATCH -> bench.go(View.WATCH);
            case PLAN_VIEW -> bench.go(View.PLAN);
            case LOGARITHMIC -> room.setLogarithmic(true);
            case LINEAR -> room.setLogarithmic(false);
            case FIT -> view(ChartModel::fitPrice);
            case VOLUME -> room.setVolumeShown(!room.chart().isVolumeShown());
            case DAYLIGHT -> bench.themeProperty().set(Palette.Theme.DAYLIGHT);
            case NIGHT_WATCH -> bench.themeProperty().set(Palette.Theme.NIGHT_WATCH);
            case UNDO -> room.undo();
            case REDO -> room.redo();
            case NEXT -> room.step(1);
            case PREVIOUS -> room.step(-1);
            case DELETE -> room.studies().deleteChosen();
            case NEWEST -> view(ChartModel::follow);
            case ALL -> view(chart -> chart.showLast(chart.bars().size()));
            case CLEAR_INDICATORS -> room.clearIndicators();
            case CLEAR_DRAWINGS -> room.studies().clearDrawings();
            case PAUSE -> status.toggle();
            case HELP -> help.run();
        }
    }

    private void view(Consumer<ChartModel> change) {
        change.accept(room.chart());
        room.tell(Aspect.VIEW);
    }

    private void indicator(String name) {
        Catalogue.shared().find(name).ifPresent(found -> room.addIndicator(found, Settings.standard(found)));
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
            timeframes.add(letters.charAt(at), timeframe.toString(), () -> room.setTimeframe(timeframe));
        }
        keys.group('B', "Bars").add('C', "candles", () -> room.setForm(BarForm.CANDLES))
                .add('B', "bars", () -> room.setForm(BarForm.BARS))
                .add('L', "line through closes", () -> room.setForm(BarForm.LINE));
        keys.group('I', "Indicator").add('S', "sma 50", () -> indicator("sma")).add('E', "ema 20",
                        () -> indicator("ema")).add('R', "rsi 14", () -> indicator("rsi"))
                .add('H', "highest 20", () -> indicator("highest")).add('L', "lowest 20", () -> indicator("lowest"));
        keys.group('D', "Draw").add('H', "level", () -> room.studies().take(Tool.LEVEL))
                .add('L', "trend line", () -> room.studies().take(Tool.LINE));
        keys.group('S', "Scale").add('L', "logarithmic", () -> room.setLogarithmic(true))
                .add('N', "straight", () -> room.setLogarithmic(false))
                .add('F', "fit the price", () -> view(ChartModel::fitPrice))
                .add('A', "all bars", () -> view(chart -> chart.showLast(chart.bars().size())));
        marks(keys);
        keys.group('P', "Plan").add('P', "draw a plan", () -> room.studies().take(Tool.PLAN))
                .add('X', "remove the plan", () -> room.studies().removePlan());
        keys.group('H', "Hide and show").add('V', "volume", () -> room.setVolumeShown(!room.chart().isVolumeShown()))
                .add('L', "lists", () -> page.show(page.listSide(), !page.listSide().isVisible()))
                .add('K', "layers", () -> page.show(page.layersSide(), !page.layersSide().isVisible()))
                .add('S', "timeframe strip", () -> page.show(page.stripSide(), !page.stripSide().isVisible()))
                .add('T', "theme", () -> bench.themeProperty().set(bench.themeProperty().get().other()));
        keys.group('X', "Clear").add('X', "what is chosen", () -> room.studies().deleteChosen())
                .add('I', "all indicators", room::clearIndicators)
                .add('D', "all drawings", () -> room.studies().clearDrawings());
        keys.group('W', "Focus").add('C', "chart", () -> page.chart().requestFocus())
                .add('L', "list", () -> page.lists().focusList())
                .add('K', "layers", () -> page.layers().focusLayers())
                .add('B', "command line", () -> bench.prompt(""));
        return keys;
    }

    private void marks(LeaderKeys keys) {
        keys.group('M', "Mark").add('L', "long", () -> room.studies().takeStance(Stance.Kind.LONG, ""))
                .add('S', "short", () -> room.studies().takeStance(Stance.Kind.SHORT, ""))
                .add('W', "wait", () -> room.studies().takeStance(Stance.Kind.WAIT, ""))
                .add('K', "skip, with reason", () -> bench.prompt("skip "))
                .add('O', "no stance", () -> room.studies().takeStance(Stance.Kind.NONE, ""))
                .add('N', "note", () -> bench.prompt("note " + room.instrument().map(each -> bench.desk().books()
                        .stance(each.id()).note()).orElse("")))
                .add('A', "alert: reached", () -> room.studies().setAlert(Alert.Trigger.REACHES))
                .add('B', "alert: close beyond", () -> room.studies().setAlert(Alert.Trigger.CLOSES_BEYOND));
    }
}
