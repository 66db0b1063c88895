package dev.yardarm.app.window;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.desk.action.ActionGroup;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.ChartDetectors;
import dev.yardarm.desk.room.layout.RivalLayout;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Declares what can be looked for on a chart, and what is done with what was found. */
final class DetectActions {
    private DetectActions() {}

    static void declare(WindowParts parts) {
        Workbench bench = parts.bench();
        ActionGroup group = bench.actions().group('E', "detect", "Detect", View.CHART);
        letters().forEach((letter, word) -> bench.desk()
                .language()
                .catalogue()
                .find(word)
                .filter(each -> each.family() == Indicator.Family.STRUCTURE)
                .ifPresent(
                        detector -> group.on(letter, detector.title().toLowerCase(Locale.ROOT), () -> detectors(bench)
                                        .toggle(detector))
                                .means("find " + detector.title().toLowerCase(Locale.ROOT) + ", or take them away")));
        group.on('F', "profile of the span", () -> bench.room().profiles().ofChosenDrawing())
                .says(
                        "profile of the span",
                        "volume at price between the points of the selected drawing, or of what is in view",
                        "profile of drawing");
        group.on('J', "plan it", () -> detectors(bench).planChosen())
                .says("plan finding", "make a plan of the selected finding: its target, and a stop where it is void");
        group.on('H', "on higher timeframes", () -> detectors(bench).inherit())
                .says("inherit findings", "look for the same on the next two higher timeframes too");
        group.on('K', "keep", () -> detectors(bench).keepChosen())
                .says("keep finding", "make a drawing of the selected finding");
        group.on('Y', "rivals side by side", () -> RivalLayout.show(bench.layouts()))
                .says("rivals", "show the rival wave counts side by side, each alone");
        group.on('Z', "zone of agreement", () -> detectors(bench).nextZone())
                .says("zone of agreement", "zoom to the next price several agree on, and say which", "next zone");
        group.on('N', "next finding", () -> detectors(bench).step(1))
                .says("next finding", "select the next finding in view");
        group.on('V', "finding before", () -> detectors(bench).step(-1))
                .says("finding before", "select the finding before in view", "previous finding");
    }

    private static ChartDetectors detectors(Workbench bench) {
        return bench.room().detectors();
    }

    private static Map<Character, String> letters() {
        Map<Character, String> letters = new LinkedHashMap<>();
        letters.put('S', "pivots");
        letters.put('L', "levels");
        letters.put('T', "trend_lines");
        letters.put('G', "gaps");
        letters.put('B', "order_blocks");
        letters.put('P', "pattern");
        letters.put('C', "candles");
        letters.put('D', "divergence");
        letters.put('R', "ranges");
        letters.put('W', "waves");
        letters.put('X', "targets");
        letters.put('A', "agreement");
        return letters;
    }
}
