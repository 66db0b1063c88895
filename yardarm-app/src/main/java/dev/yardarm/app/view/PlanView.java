package dev.yardarm.app.view;

import dev.yardarm.app.panel.NumberField;
import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.plan.PositionSize;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.plan.PlanWork;
import dev.yardarm.desk.plan.Sizing;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** All trade plans with their risk and size, and the account they start from. */
public final class PlanView extends VBox {
    private final Workbench bench;
    private final TableView<TradePlan> table = new TableView<>();
    private final Label total = new Label();

    public PlanView(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("view");
        setId("plan-view");
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
        };
        sized.run();
        plans.onSizing(changed -> sized.run());
        account.setPrefWidth(110);
        risk.setPrefWidth(70);
        Label title = new Label("Plans");
        title.getStyleClass().add("panel-title");
        Label forNew = new Label("New plans start from: account");
        Label percent = new Label("risk per trade, %");
        HBox head = new HBox(8, title, forNew, account, percent, risk);
        head.setStyle("-fx-alignment: center-left;");
        table.setId("plans");
        table.setAccessibleText("Plans");
        table.setFixedCellSize(28);
        table.setPlaceholder(Columns.empty("No trade is planned. Open a chart and press "
                + ActionItems.keys(bench, "plan.draw-a-plan") + ", then click entry and "
                + "stop,\nor type: plan entry stop target."));
        buildTable();
        VBox.setVgrow(table, Priority.ALWAYS);
        Button remove = new Button("Remove");
        remove.setOnAction(event -> removeChosen());
        total.setId("plan-total");
        HBox foot = new HBox(16, remove, total);
        foot.setStyle("-fx-alignment: center-left;");
        getChildren().addAll(head, table, foot);
        bench.desk().books().listen(subject -> {
            if (subject == Books.Subject.PLANS) {
                show();
            }
        });
        show();
    }

    private void buildTable() {
        table.getColumns()
                .add(Columns.words("Code", 84, plan -> plan.instrument().code()));
        table.getColumns().add(Columns.words("Name", 130, plan -> instrument(plan)
                .map(Instrument::name)
                .orElse("not there any more")));
        table.getColumns().add(Columns.words("Side", 56, plan -> plan.isLong() ? "long" : "short"));
        table.getColumns().add(price("Entry", TradePlan::entry));
        table.getColumns().add(price("Stop", TradePlan::stop));
        table.getColumns().add(price("Target", TradePlan::target));
        table.getColumns().add(Columns.numbers("Risk %", 56, plan -> number("%.2f", plan.riskInPercent())));
        table.getColumns().add(Columns.numbers("Reward %", 70, plan -> number("%.2f", plan.rewardInPercent())));
        table.getColumns().add(Columns.numbers("Reward R", 70, plan -> number("%.2f", plan.rewardInR())));
        table.getColumns()
                .add(sized(
                        "Size",
                        110,
                        (plan, size) -> Sizing.quantity(size.quantity())
                                + instrument(plan)
                                        .map(each -> " " + each.pieces(size.quantity()))
                                        .orElse("")));
        table.getColumns().add(sized("Cost", 116, (plan, size) -> number("%,.2f", size.cost()) + currency(plan)));
        table.getColumns().add(sized("At risk", 106, (plan, size) -> number("%,.2f", size.atRisk()) + currency(plan)));
        table.getColumns().add(Columns.words("Size set by", 224, this::limit));
        Columns.onOpen(table, this::open);
        Columns.onMenu(table, Map.of("Open the chart", this::open, "Remove the plan", this::remove));
        table.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.DELETE) {
                removeChosen();
                event.consume();
            }
        });
    }

    private TableColumn<TradePlan, String> price(String title, Function<TradePlan, Double> value) {
        return Columns.numbers(title, 74, plan -> instrument(plan)
                .map(each -> each.format().format(value.apply(plan)))
                .orElse(""));
    }

    private TableColumn<TradePlan, String> sized(
            String title, double width, BiFunction<TradePlan, PositionSize, String> of) {
        return Columns.numbers(title, width, plan -> size(plan)
                .map(size -> of.apply(plan, size))
                .orElse(""));
    }

    private static String number(String format, double value) {
        return String.format(Locale.ROOT, format, value);
    }

    private Optional<Instrument> instrument(TradePlan plan) {
        return bench.desk().directory().find(plan.instrument());
    }

    private Optional<PositionSize> size(TradePlan plan) {
        return instrument(plan)
                .flatMap(each -> bench.desk().sizing().size(plan, each).size());
    }

    private String currency(TradePlan plan) {
        return instrument(plan).map(bench.desk().sizing()::currency).orElse("");
    }

    /** What kept the size from being larger, or why there is none. */
    private String limit(TradePlan plan) {
        return instrument(plan)
                .map(each -> {
                    Sizing.Sized sized = bench.desk().sizing().size(plan, each);
                    return sized.size()
                            .map(size -> Sizing.limit(size, each.margin() > 0).replace("size set by ", ""))
                            .orElse(sized.words());
                })
                .orElse("");
    }

    private void show() {
        table.getItems().setAll(bench.desk().books().plans());
        double atRisk = table.getItems().stream()
                .map(this::size)
                .flatMap(Optional::stream)
                .mapToDouble(PositionSize::atRisk)
                .sum();
        double cost = table.getItems().stream()
                .map(this::size)
                .flatMap(Optional::stream)
                .mapToDouble(PositionSize::cost)
                .sum();
        total.setText(
                table.getItems().isEmpty()
                        ? ""
                        : String.format(
                                Locale.ROOT,
                                "%d %s, together %,.2f%s at risk, tying up %,.2f%s",
                                table.getItems().size(),
                                table.getItems().size() == 1 ? "plan" : "plans",
                                atRisk,
                                currency(table.getItems().get(0)),
                                cost,
                                currency(table.getItems().get(0))));
    }

    private void open(TradePlan plan) {
        instrument(plan).ifPresent(each -> {
            bench.room().open(each, plan.timeframe());
            bench.go(View.CHART);
        });
    }

    private void removeChosen() {
        TradePlan chosen = table.getSelectionModel().getSelectedItem();
        if (chosen != null) {
            remove(chosen);
        }
    }

    private void remove(TradePlan plan) {
        bench.desk().planWork().remove(plan.instrument());
    }

    /** Puts the focus where work begins. */
    public void focusStart() {
        table.requestFocus();
        if (table.getSelectionModel().isEmpty()) {
            table.getSelectionModel().select(0);
        }
    }
}
