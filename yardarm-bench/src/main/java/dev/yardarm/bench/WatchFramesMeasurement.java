package dev.yardarm.bench;

import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.view.WatchPages;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;

/**
 * Whether the view Watch keeps its frames: the time between two pulses with its table of alerts in front, first with nothing set, then with 5,000
 * alerts on 500 instruments at 2,000 trades a second, of which some fire all the time, and then with its quote board of those instruments.
 */
public final class WatchFramesMeasurement extends Application {
    private static final double SECONDS = 12;
    private static final int EACH = 10;

    private final Pulses pulses = new Pulses();
    private final BusyMarket market = new BusyMarket(Times.SECOND / 4);
    private Desk desk;
    private MainWindow window;

    /** Starts it from the class path. */
    public static final class Launch {
        private Launch() {}

        public static void main(String[] arguments) {
            ToolkitLog.expectClassPath();
            Application.launch(WatchFramesMeasurement.class, arguments);
        }
    }

    @Override
    public void start(Stage stage) throws Exception {
        Path home = Files.createTempDirectory("yardarm-bench");
        Themes.loadFonts();
        desk = new Desk(new Desk.Options(home, true, 1, false), Platform::runLater);
        window = new MainWindow(desk, stage);
        window.open();
        pulses.start();
        // The daily history is made first.
        Pulses.later(30, () -> {
            desk.directory().add(market);
            window.watch().show(WatchPages.Page.ALERTS);
            window.bench().go(View.WATCH);
            measure("with no alerts", this::setAlerts);
        });
    }

    /** Five seconds to settle, then so many to count. */
    private void measure(String what, Runnable then) {
        Pulses.later(5, () -> {
            pulses.count(SECONDS, told -> {
                System.out.println("between two pulses " + what + ": " + told);
                then.run();
            });
        });
    }

    private void setAlerts() {
        desk.bell().setOff(true);
        long now = desk.clock().now();
        List<Alert> alerts = new ArrayList<>();
        for (int at = 0; at < BusyMarket.INSTRUMENTS; at++) {
            Instrument instrument = market.instruments().get(at);
            double price = market.price(at, now);
            for (int number = 0; number < EACH; number++) {
                String line = String.format(
                        Locale.ROOT,
                        number % 2 == 0 ? "reaches %.2f" : "closes beyond %.2f on 1m",
                        price + (number - 4.5) * 0.35);
                alerts.add(AlertSentence.parse(
                                line,
                                new AlertSentence.Context(
                                        desk.language().now(),
                                        TradingCalendar.ROUND_THE_CLOCK,
                                        new BarRule.Time(Timeframe.MINUTE),
                                        now,
                                        name -> Optional.empty()))
                        .alert("a" + alerts.size(), instrument.id(), now, price));
            }
        }
        desk.books().alertShelf().replace(alerts);
        // Setting all of them up takes a while.
        Pulses.later(20, () -> measure("with " + alerts.size() + " alerts", this::showBoard));
    }

    private void showBoard() {
        System.out.println(desk.books().firings().size() + " have fired");
        String list = desk.listWork()
                .make("Busy", market.instruments().stream().map(Instrument::id).toList());
        window.watch().board().setLists(List.of(list));
        window.watch().show(WatchPages.Page.BOARD);
        Pulses.later(10, () -> measure("with the board of 500 beside them", () -> System.exit(0)));
    }
}
