package dev.yardarm.app.window;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.market.SourceState;
import dev.yardarm.desk.work.Job;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleAttribute;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** One line at the foot: the feed, work with progress and cancel, the last notice, the market's time with its zone. */
final class StatusLine extends HBox {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("EEE d MMM yyyy HH:mm:ss", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT);
    private static final PseudoClass SILENT = PseudoClass.getPseudoClass("silent");
    private static final double[] SPEEDS = {1, 10, 60};

    private final Desk desk;
    private final ZoneId zone;
    private final Button feed = new Button();
    private final Button speed = new Button();
    private final Label work = new Label();
    private final ProgressBar progress = new ProgressBar();
    private final Button cancel = new Button("Cancel");
    private final HBox working;
    private final Label notice = new Label();
    private final Label time = new Label();
    private List<Job> jobs = List.of();

    /** @param notices shows the notices before the last */
    StatusLine(Desk desk, ZoneId zone, Runnable notices) {
        this.desk = desk;
        this.zone = zone;
        getStyleClass().add("status");
        setId("status");
        feed.getStyleClass().add("flat");
        feed.setId("feed");
        feed.setOnAction(event -> toggle());
        Tips.set(feed, "Pause or resume the simulated market (type: pause)");
        speed.getStyleClass().add("flat");
        speed.setId("speed");
        Tips.set(speed, "How fast the simulated market runs");
        speed.setOnAction(event -> faster());
        cancel.setOnAction(event -> jobs.forEach(job -> desk.scheduler().cancel(job.key())));
        notice.getStyleClass().add("notice");
        notice.setId("notice");
        notice.setMinWidth(60);
        notice.setOnMouseClicked(event -> notices.run());
        time.setMinWidth(Region.USE_PREF_SIZE);
        work.setMinWidth(Region.USE_PREF_SIZE);
        feed.setMinWidth(Region.USE_PREF_SIZE);
        speed.setMinWidth(Region.USE_PREF_SIZE);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox market = new HBox(0, feed, speed);
        market.setVisible(desk.isDemo());
        market.setManaged(desk.isDemo());
        working = new HBox(8);
        getChildren().addAll(market, working, notice, gap, time);
        update();
    }

    void toggle() {
        MarketClock clock = desk.clock();
        clock.setRunning(!clock.isRunning());
        desk.tell(clock.isRunning() ? "Market resumed." : "Market paused.");
        update();
    }

    private void faster() {
        MarketClock clock = desk.clock();
        int next = 0;
        for (int at = 0; at < SPEEDS.length; at++) {
            if (SPEEDS[at] == clock.speed()) {
                next = (at + 1) % SPEEDS.length;
            }
        }
        clock.setSpeed(SPEEDS[next]);
        update();
    }

    void showNotice(String text) {
        notice.setText(text);
        // Said aloud: nothing else tells who cannot see the line.
        notice.notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
        Tips.set(notice, text + "\nA click shows the last notices (type: notices).");
    }

    private static String words(MarketClock clock) {
        return !clock.isRunning() ? "paused" : clock.isResting() ? "closed, next session soon" : "running";
    }

    private String clockTime(long moment) {
        return Times.at(moment, zone).format(CLOCK);
    }

    /** Shows how things stand; called several times a second. */
    void update() {
        MarketClock clock = desk.clock();
        SourceState silent = desk.directory().sources().stream()
                .map(desk.directory()::state)
                .filter(state -> state.kind() == SourceState.Kind.OFFLINE || state.kind() == SourceState.Kind.BEHIND)
                .min(Comparator.comparing(state -> state.kind() == SourceState.Kind.OFFLINE ? 0 : 1))
                .orElse(null);
        feed.setText("simulated, "
                + (silent == null
                        ? words(clock)
                        : (silent.kind() == SourceState.Kind.OFFLINE ? "no answer since " : "trades missing since ")
                                + clockTime(silent.since())));
        feed.pseudoClassStateChanged(SILENT, silent != null);
        speed.setText(String.format(Locale.ROOT, "%.0f×", clock.speed()));
        jobs = desk.scheduler().jobs();
        boolean busy = !jobs.isEmpty();
        working.setVisible(busy);
        working.setManaged(busy);
        if (busy) {
            if (working.getChildren().isEmpty()) {
                // Not before there is work: what is not shown gets its styles all the same, and at the start that takes
                // time.
                working.getChildren().addAll(work, progress, cancel);
            }
            work.setText(
                    jobs.size() == 1
                            ? jobs.get(0).title()
                            : jobs.get(0).title() + " and " + (jobs.size() - 1) + " more");
            progress.setProgress(jobs.get(0).progress());
        }
        ZonedDateTime now = Times.at(clock.now(), zone);
        boolean isUtc = zone.normalized().equals(ZoneOffset.UTC);
        String offset =
                now.getOffset().getTotalSeconds() == 0 ? "±0" : now.getOffset().getId();
        time.setText(now.format(TIME) + "  " + (isUtc ? "UTC" : zone.getId() + " (UTC" + offset + ")"));
    }
}
