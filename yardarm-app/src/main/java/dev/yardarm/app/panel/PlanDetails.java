package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.plan.TradePlan;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.Label;

/** The numbers of a plan: prices, account, risk; and what follows from them. */
final class PlanDetails extends LayerDetails {
    private final Workbench bench;
    private final NumberField entry;
    private final NumberField stop;
    private final NumberField target;
    private final NumberField account;
    private final NumberField risk;
    private final Label distances = new Label();
    private final Label size = new Label();

    PlanDetails(Workbench bench) {
        this.bench = bench;
        heading("Plan");
        entry = field("entry", value -> plan -> plan.withPrices(value, plan.stop(), plan.target()));
        stop = field("stop", value -> plan -> plan.withPrices(plan.entry(), value, plan.target()));
        target = field("target", value -> plan -> plan.withPrices(plan.entry(), plan.stop(), value));
        account = field("account", value -> plan -> plan.withAccount(value, plan.riskPercent()));
        risk = field("risk", value -> plan -> plan.withAccount(plan.account(), value));
        row("Entry", entry);
        row("Stop", stop);
        row("Target", target);
        row("Account", account);
        row("Risk, % of account", risk);
        distances.setWrapText(true);
        size.setWrapText(true);
        size.setId("plan-size");
        wide(distances);
        wide(size);
        Button remove = new Button("Remove the plan");
        remove.setId("remove-plan");
        remove.setOnAction(event -> bench.room().studies().removePlan());
        wide(remove);
        show();
    }

    /** Makes the change of a plan that a number typed into a field stands for. */
    @FunctionalInterface
    private interface Change {
        UnaryOperator<TradePlan> to(double value);
    }

    private NumberField field(String name, Change change) {
        NumberField field = new NumberField(
                name,
                value -> bench.room().chart().plan().ifPresent(plan -> {
                    bench.room().studies().change(plan, change.to(value).apply(plan));
                    show();
                }),
                bench.desk()::tell);
        field.setId("plan-" + name);
        return field;
    }

    @Override
    void show() {
        TradePlan plan = bench.room().chart().plan().orElse(null);
        Instrument instrument = bench.room().instrument().orElse(null);
        if (plan == null || instrument == null) {
            return;
        }
        PriceFormat format = instrument.format();
        entry.setPrice(plan.entry(), format);
        stop.setPrice(plan.stop(), format);
        target.setPrice(plan.target(), format);
        account.setValue(plan.account(), 0);
        risk.setValue(plan.riskPercent(), 2);
        if (plan.problem().isPresent()) {
            distances.setText(plan.problem().get());
            size.setText("");
            return;
        }
        distances.setText(String.format(
                Locale.ROOT,
                "Stop distance %s  (%.2f %%)  1 R%nTarget distance %s  (%.2f %%)  %.2f R",
                format.distance(plan.risk()),
                plan.riskInPercent(),
                format.distance(plan.reward()),
                plan.rewardInPercent(),
                plan.rewardInR()));
        size.setText(bench.desk().sizing().size(plan, instrument).words());
    }
}
