package dev.yardarm.app.view;

import dev.yardarm.app.panel.NumberField;
import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.plan.PlanDesk;
import dev.yardarm.desk.plan.PlanWork;
import dev.yardarm.desk.table.Rows;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Orientation;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.SplitPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** All trade plans with their risk and size, the account they start from, and the chart of the plan in hand. */
public final class PlanView extends VBox implements RowsView {
    private final Workbench bench;
    private final PlanDesk desk;
    private final RowTable<TradePlan> table;
    private final RowChart chart;
    private final Label total = new Label();
    private final Listening heard;
    private Listening sizing;

    public PlanView(Workbench bench) {
        this.bench = bench;
        desk = new PlanDesk(bench.desk());
        table = new RowTable<>(desk.rows(), "plans", "Plans");
        chart = new RowChart(bench, "plans");
        getStyleClass().add("view");
        setId("plan-view");
        table.setEmpty("No trade is planned. Open a chart and press "
                + ActionItems.keys(bench, "plan.draw-a-plan") + ", then click entry and "
                + "stop,\nor type: plan entry stop target.");
        chart.setEmpty("The chart of the selected plan shows here; its stop and target can be dragged.");
        Consumer<TradePlan> remove = desk::remove;
        table.onOpen(plan -> chart.open(), remove);
        table.onMenu(plan -> List.of(
                RowTable.item("Open the chart", chart::open),
                RowTable.item("Remove the plan", () -> remove.accept(plan))));
        Button gone = new Button("Remove");
        gone.setOnAction(event -> desk.rows().inHand().ifPresent(remove));
        total.setId("plan-total");
        HBox foot = new HBox(16, gone, total);
        foot.setStyle("-fx-alignment: center-left;");
        VBox upper = new VBox(8, head(), table, foot);
        upper.setMinHeight(150);
        VBox.setVgrow(table, Priority.ALWAYS);
        SplitPane split = new SplitPane(upper, chart);
        split.setOrientation(Orientation.VERTICAL);
        split.setDividerPositions(0.36);
        VBox.setVgrow(split, Priority.ALWAYS);
        getChildren().add(split);
        heard = desk.rows().listen(rows -> follow());
        table.show();
        follow();
    }

    private HBox head() {
        PlanWork plans = bench.desk().planWork();
        NumberField account =
                new NumberField("account", value -> plans.setSizing(value, plans.riskPercent()), bench.desk()::tell);
        NumberField risk =
                new NumberField("risk per trade", value -> plans.setSizing(plans.account(), value), bench.desk()::tell);
        account.setId("standard-account");
        risk.setId("standard-risk");
        Runnable sized = () -> {
            account.setValue(plans.account(), 0);
            risk.setValue(plans.riskPercent(), 2);
            total.setText(desk.total());
        };
        sized.run();
        sizing = plans.onSizing(changed -> sized.run());
        account.setPrefWidth(110);
        risk.setPrefWidth(70);
        Label title = new Label("Plans");
        title.getStyleClass().add("panel-title");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(
                8,
                title,
                new Label("New plans start from: account"),
                account,
                new Label(desk.money() + ", risk, % of account"),
                risk,
                gap,
                table.columnsMenu());
        head.setStyle("-fx-alignment: center-left;");
        return head;
    }

    private void follow() {
        total.setText(desk.total());
        chart.show(desk.subject().orElse(null));
    }

    @Override
    public View which() {
        return View.PLAN;
    }

    @Override
    public void focusStart() {
        table.focus();
    }

    @Override
    public Rows<?> inHand() {
        return desk.rows();
    }

    @Override
    public RowChart chart() {
        return chart;
    }

    @Override
    public void close() {
        heard.close();
        sizing.close();
        table.close();
        chart.close();
        desk.close();
    }
}
