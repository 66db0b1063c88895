package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.PaneChoice;
import dev.yardarm.chart.model.Selection;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The panes of one chart, and which of them keys act on. Order, height and folding are steps of undo; giving one pane
 * the whole chart is a way of looking and is not. Used by the interface's thread alone.
 */
public final class ChartPanes {
    /** What one press of a key adds to a pane's height, as a part of the chart's. */
    private static final double STEP = 0.04;

    private final ChartRoom room;
    private final ChartModel chart;
    private String chosen = "";

    ChartPanes(ChartRoom room) {
        this.room = room;
        chart = room.chart();
    }

    /**
     * The pane keys act on: the one chosen last while it is there, else that of the chosen indicator, else the lowest.
     */
    public Pane inHand() {
        return chart.pane(chosen).or(this::ofSelection).orElseGet(() -> {
            List<Pane> panes = chart.panes();
            return panes.get(panes.size() - 1);
        });
    }

    private Optional<Pane> ofSelection() {
        return chart.selection() instanceof Selection.Layer indicator
                ? chart.panes().stream()
                        .filter(pane -> pane.indicators().stream()
                                .map(IndicatorLayer::id)
                                .anyMatch(indicator.id()::equals))
                        .findFirst()
                : Optional.empty();
    }

    /** True when a pane was chosen by key; its handles then show without the pointer. */
    public boolean isChosen() {
        return chart.pane(chosen).isPresent();
    }

    /** Takes the next pane down, from the lowest the first again. */
    public void chooseNext() {
        List<Pane> panes = chart.panes();
        int at = -1;
        for (int each = 0; each < panes.size(); each++) {
            if (panes.get(each).id().equals(chosen)) {
                at = each;
            }
        }
        chosen = panes.get((at + 1) % panes.size()).id();
        room.desk()
                .tell(
                        "Pane " + ((at + 1) % panes.size() + 1) + " of " + panes.size()
                                + " is selected. Move it, fold it or change its height with the group Panes of Space, or type pane.");
        room.tell(Aspect.VIEW);
    }

    /** No pane is chosen any more. */
    public void leave() {
        if (!chosen.isEmpty()) {
            chosen = "";
            room.tell(Aspect.VIEW);
        }
    }

    /** Moves a pane down by so many places, up below zero; at an end it stays. */
    public void move(String id, int places) {
        List<PaneChoice> choices = choices();
        int at = choices.stream().map(PaneChoice::id).toList().indexOf(id);
        int to = at + places;
        if (at >= 0 && to >= 0 && to < choices.size()) {
            Collections.swap(choices, at, to);
            room.setPanes("move a pane", choices);
        }
    }

    /** Folds a pane to its name, and back; the price pane stays open. */
    public void fold(String id) {
        if (id.equals(PaneChoice.PRICE)) {
            room.desk().tell("The price pane cannot be folded.");
        } else {
            change("fold a pane", id, each -> each.withFolded(!each.folded()));
        }
    }

    /** Makes a pane higher by so many steps, lower below zero; the price pane takes or gives what is left. */
    public void resize(String id, int steps) {
        if (id.equals(PaneChoice.PRICE)) {
            room.desk().tell("The price pane has what the others leave; make one of them taller or shorter.");
            return;
        }
        chart.pane(id).filter(pane -> !pane.folded()).ifPresent(pane -> {
            double share = (pane.bottom() - pane.top()) / chart.plotBottom();
            change("height of a pane", id, each -> each.withShare(share + steps * STEP));
        });
    }

    /** Gives a pane the whole chart, or all panes their places again. */
    public void maximise(String id) {
        chart.setMaximisedPane(chart.maximisedPane().isEmpty() ? id : "");
        room.tell(Aspect.VIEW);
    }

    private void change(String label, String id, UnaryOperator<PaneChoice> change) {
        room.setPanes(
                label,
                choices().stream()
                        .map(each -> each.id().equals(id) ? change.apply(each) : each)
                        .toList());
    }

    /** All panes in their order, those without a wish of the trader's as usual. */
    private List<PaneChoice> choices() {
        List<PaneChoice> choices = new ArrayList<>();
        for (Pane pane : chart.panes()) {
            choices.add(chart.paneChoices().stream()
                    .filter(each -> each.id().equals(pane.id()))
                    .findFirst()
                    .orElse(PaneChoice.usual(pane.id())));
        }
        return choices;
    }
}
