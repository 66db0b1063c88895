package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.IndicatorSearch;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The catalogue to pick from, over the window: search by name, synonym or purpose, families, favourites and the ones used
 * last, with the help of the chosen one in view. Enter or a double click takes it, Esc leaves.
 */
public final class IndicatorPicker extends BorderPane {
    private static final String ALL = "All";
    private static final String FAVOURITES = "Favourites";
    private static final String RECENT = "Recent";

    private final Workbench bench;
    private final TextField search = new TextField();
    private final ListView<String> groups = new ListView<>();
    private final ListView<Indicator> found = new ListView<>();
    private final Label title = new Label();
    private final Label help = new Label();
    private final Button favourite = new Button();
    private Consumer<Indicator> take = chosen -> {};
    private Runnable left = () -> {};

    public IndicatorPicker(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("help");
        setId("indicator-picker");
        setVisible(false);
        setManaged(false);
        search.setId("indicator-search");
        search.setPromptText("name, synonym or purpose, such as trailing stop");
        search.setAccessibleText("Find an indicator");
        search.textProperty().addListener((observed, before, now) -> fill());
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        groups.setId("indicator-groups");
        groups.getItems().addAll(ALL, FAVOURITES, RECENT);
        for (Indicator.Family family : Indicator.Family.values()) {
            groups.getItems().add(family.title());
        }
        groups.setPrefWidth(176);
        groups.getSelectionModel().selectFirst();
        groups.getSelectionModel().selectedItemProperty().addListener((observed, before, now) -> fill());
        found.setId("indicator-list");
        found.setPrefWidth(280);
        found.setCellFactory(list -> new Row());
        found.setPlaceholder(new Label("Nothing matches. Try another word\nor another group."));
        found.getSelectionModel().selectedItemProperty().addListener((observed, before, now) -> describe(now));
        found.setOnMouseClicked(event -> {
            if (event.getClickCount() == 2) {
                take();
            }
        });
        title.getStyleClass().add("strong");
        help.setWrapText(true);
        help.setId("indicator-help");
        ScrollPane scroll = new ScrollPane(help);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Button add = new Button("Add to chart");
        add.setId("indicator-take");
        Tips.set(add, "Enter does it too");
        add.setOnAction(event -> take());
        favourite.setId("indicator-favourite");
        favourite.setOnAction(event -> toggleFavourite());
        VBox right = new VBox(8, title, scroll, new HBox(8, add, favourite));
        right.setStyle("-fx-padding: 0 0 0 12;");
        HBox.setHgrow(right, Priority.ALWAYS);
        right.setPrefWidth(360);
        HBox body = new HBox(8, groups, found, right);
        body.setStyle("-fx-padding: 8 0 0 0;");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Label leave = new Label("Esc leaves");
        leave.getStyleClass().add("soft");
        Label heading = new Label("Indicators");
        heading.getStyleClass().add("strong");
        HBox.setHgrow(search, Priority.ALWAYS);
        HBox head = new HBox(10, heading, search, leave);
        head.setStyle("-fx-alignment: center-left;");
        setTop(head);
        setCenter(body);
    }

    /** One indicator of the list. */
    private final class Row extends ListCell<Indicator> {
        Row() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Indicator indicator, boolean empty) {
            super.updateItem(indicator, empty);
            if (empty || indicator == null) {
                setText(null);
            } else {
                boolean liked = bench.desk().habits().favourites().contains(indicator.name());
                setText(indicator.title() + "   " + indicator.name() + (liked ? "   (favourite)" : ""));
                setId("pick-" + indicator.name());
            }
        }
    }

    /**
     * Opens the catalogue.
     *
     * @param taker takes the one that is chosen
     * @param whenLeft is run when it closes, however
     */
    public void open(Consumer<Indicator> taker, Runnable whenLeft) {
        take = taker;
        left = whenLeft;
        search.clear();
        groups.getSelectionModel().selectFirst();
        fill();
        setVisible(true);
        toFront();
        search.requestFocus();
    }

    public void close() {
        if (isVisible()) {
            setVisible(false);
            left.run();
        }
    }

    private void take() {
        Indicator chosen = found.getSelectionModel().getSelectedItem();
        if (chosen != null) {
            close();
            take.accept(chosen);
        }
    }

    private void pressed(KeyEvent event) {
        int at = found.getSelectionModel().getSelectedIndex();
        if (event.getCode() == KeyCode.ESCAPE) {
            close();
            event.consume();
        } else if (event.getCode() == KeyCode.ENTER && event.getTarget() != favourite) {
            take();
            event.consume();
        } else if (event.getTarget() == search && event.getCode() == KeyCode.DOWN) {
            choose(at + 1);
            event.consume();
        } else if (event.getTarget() == search && event.getCode() == KeyCode.UP) {
            choose(at - 1);
            event.consume();
        }
    }

    private void choose(int at) {
        if (at >= 0 && at < found.getItems().size()) {
            found.getSelectionModel().select(at);
            found.scrollTo(Math.max(0, at - 5));
        }
    }

    private void fill() {
        String group = groups.getSelectionModel().getSelectedItem();
        List<Indicator> fitting =
                IndicatorSearch.find(search.getText(), bench.desk().language().catalogue());
        List<Indicator> shown = new ArrayList<>();
        if (FAVOURITES.equals(group) || RECENT.equals(group)) {
            List<String> names = FAVOURITES.equals(group)
                    ? bench.desk().habits().favourites()
                    : bench.desk().habits().recent();
            names.forEach(name -> bench.desk()
                    .language()
                    .catalogue()
                    .find(name)
                    .filter(fitting::contains)
                    .ifPresent(shown::add));
        } else {
            fitting.stream()
                    .filter(each -> group == null
                            || ALL.equals(group)
                            || each.family().title().equals(group))
                    .forEach(shown::add);
        }
        found.getItems().setAll(shown);
        choose(0);
        if (shown.isEmpty()) {
            describe(null);
        }
    }

    private void describe(Indicator indicator) {
        title.setText(indicator == null ? "" : indicator.title());
        help.setText(indicator == null ? "" : helpText(indicator));
        favourite.setVisible(indicator != null);
        boolean liked = indicator != null && bench.desk().habits().favourites().contains(indicator.name());
        favourite.setText(liked ? "Remove from favourites" : "Favourite");
    }

    private void toggleFavourite() {
        Indicator chosen = found.getSelectionModel().getSelectedItem();
        if (chosen != null) {
            boolean liked = bench.desk().habits().favourites().contains(chosen.name());
            bench.desk().habits().setFavourite(chosen.name(), !liked);
            found.refresh();
            describe(chosen);
        }
    }

    /** Everything a trader should know before he puts an indicator on. */
    static String helpText(Indicator indicator) {
        Indicator.Help help = indicator.help();
        StringBuilder text = new StringBuilder(help.summary());
        text.append("\n\nHow it is read. ").append(help.reading());
        text.append("\n\nWhere it misleads. ").append(help.weakness());
        text.append("\n\nHow it is computed. ").append(help.formula());
        if (!indicator.settings().isEmpty()) {
            text.append("\n\nSettings. ")
                    .append(String.join(
                            ", ",
                            indicator.settings().stream()
                                    .map(setting -> setting.label() + " (" + setting.name() + ") " + setting.standard())
                                    .toList()))
                    .append('.');
        }
        text.append("\n\nOutputs. ")
                .append(String.join(
                        ", ",
                        indicator.outputs().stream().map(Indicator.Output::name).toList()));
        text.append(".\n\nFrom. ").append(help.origin());
        return text.toString();
    }
}
