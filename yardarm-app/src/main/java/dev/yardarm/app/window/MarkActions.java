package dev.yardarm.app.window;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.alert.AlertBell;
import dev.yardarm.desk.evidence.Cues;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.List;

/** Declares marks on the instrument: stances, notes, alerts, plans. */
final class MarkActions {
    private MarkActions() {}

    static void declare(WindowParts parts) {
        Workbench bench = parts.bench();
        ActionGroup group = bench.actions().group('M', "mark", "Mark", View.CHART);
        stance(parts, group, 'L', Stance.Kind.LONG);
        stance(parts, group, 'S', Stance.Kind.SHORT);
        stance(parts, group, 'W', Stance.Kind.WAIT);
        group.on('K', "skip, with its reason", () -> bench.prompt("skip "))
                .means("your stance: skip, with its reason")
                .everywhere()
                .formerly("mark.skip-with-reason");
        group.on('O', "no stance", () -> take(parts, Stance.Kind.NONE))
                .says("no stance", "remove your stance on the instrument")
                .everywhere();
        group.on('N', "note", () -> bench.prompt("note " + note(parts)))
                .means("write a note on the instrument, or change it")
                .everywhere();
        group.on('A', "alert: reached", () -> room(bench).studies().setAlert(Alert.Trigger.REACHES))
                .means("alert when price reaches the selected drawing");
        group.on('B', "alert: close beyond", () -> room(bench).studies().setAlert(Alert.Trigger.CLOSES_BEYOND))
                .means("alert when a bar closes beyond the selected drawing");
        group.on('C', "alert: cue", () -> alertOnCue(bench))
                .means("alert when a cue of the chosen indicator begins to hold, or write the condition");
        group.on('E', "alert: write", () -> bench.prompt("alert "))
                .means("write an alert in one line, such as alert closes above 104.20 on 30m for 5 days")
                .everywhere();
        group.on('Z', "snooze", () -> bench.desk().bell().snooze(AlertBell.USUAL_SLEEP))
                .says("snooze", "the newest alert comes again in 10 minutes", "sleep", "later")
                .everywhere();
        group.on('Q', "quiet alerts", () -> quiet(bench))
                .says("quiet alerts", "all alerts quiet, or ringing again   F8", "alerts off", "alerts on", "mute")
                .everywhere();
        ActionGroup plans = bench.actions().group('P', "plan", "Plan", View.CHART);
        plans.on('P', "draw a plan", () -> room(bench).studies().take(Tool.PLAN))
                .means("draw entry and stop of a plan, then its target");
        plans.on('X', "delete the plan", () -> room(bench).studies().removePlan())
                .says("delete plan", "delete the plan of the instrument", "remove plan")
                .formerly("plan.remove-the-plan");
    }

    private static void stance(WindowParts parts, ActionGroup group, char key, Stance.Kind kind) {
        group.on(key, kind.word(), () -> take(parts, kind))
                .means("your stance: " + kind.word())
                .everywhere();
    }

    private static void take(WindowParts parts, Stance.Kind kind) {
        parts.instrument().ifPresent(each -> parts.bench().desk().stanceWork().take(each.id(), kind, ""));
    }

    /** On the only cue of the chosen indicator; of several the line is written to be finished, as without any. */
    private static void alertOnCue(Workbench bench) {
        List<String> cues = Cues.of(room(bench).chart());
        if (cues.size() == 1) {
            room(bench).studies().setAlert(cues.get(0));
        } else {
            bench.prompt("alert " + (cues.isEmpty() ? "" : cues.get(0)));
        }
    }

    private static void quiet(Workbench bench) {
        AlertBell bell = bench.desk().bell();
        bell.setOff(!bell.isOff());
    }

    private static String note(WindowParts parts) {
        return parts.instrument()
                .map(each -> parts.bench().desk().books().stance(each.id()).note())
                .orElse("");
    }

    private static ChartRoom room(Workbench bench) {
        return bench.room();
    }
}
