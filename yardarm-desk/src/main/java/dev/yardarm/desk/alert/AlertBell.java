package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Acts;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.book.Habits;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongSupplier;

/**
 * Tells the trader what fired, until he has looked: a notice that stays, a sound, the system's own notification. What is put to sleep comes
 * again; with one key all is quiet, and what fires then is only written down.
 *
 * <p>Nothing here decides what fires. Used by the interface's thread; {@link #beat} is called with the time of the market.
 */
public final class AlertBell {
    /** How long something sleeps when nothing else is said, in microseconds. */
    public static final long USUAL_SLEEP = 10 * Times.MINUTE;

    private final Habits habits;
    private final LongSupplier now;
    private final Consumer<String> tell;
    private final Deque<Ring> unseen = new ArrayDeque<>();
    private final List<Sleeping> sleeping = new ArrayList<>();
    private final Listeners<AlertBell> listeners = new Listeners<>();
    private Outside outside = new Outside() {};

    /**
     * Something that rang.
     *
     * @param text what the notice says
     * @param away true when it fired while nothing watched
     */
    public record Ring(Firing firing, Acts acts, String text, boolean away) {}

    private record Sleeping(Ring ring, long until) {}

    /** What makes itself heard outside the window. */
    public interface Outside {
        /** Plays a sound; volume from 0 to 1. */
        default void sound(String name, double volume) {}

        /** Tells the system's own notifications. */
        default void system(String title, String text) {}

        /** Brings up the chart of a firing. */
        default void chart(Ring ring) {}
    }

    /** @param now what time it is in the market */
    public AlertBell(Habits habits, LongSupplier now, Consumer<String> tell) {
        this.habits = habits;
        this.now = now;
        this.tell = tell;
    }

    /** Makes itself heard there from now on. */
    public void ringsAt(Outside there) {
        outside = there;
    }

    /** Is told whenever what it says changes. */
    public Listening listen(Consumer<AlertBell> listener) {
        return listeners.add(listener);
    }

    /**
     * Rings.
     *
     * @param zone of the hours in which it is silent
     */
    public void ring(Alert alert, Firing firing, Instrument instrument, boolean away, ZoneId zone) {
        String said = firing.on().isEmpty() ? "has reached a drawing" : firing.on();
        String price = instrument.format().format(firing.price());
        String text = "Alert: " + instrument.code() + " " + said + (said.endsWith(" " + price) ? "" : ", at " + price)
                + (away ? ", while away, " + when(firing, zone) : "")
                + (firing.note().isEmpty() ? "." : ": " + firing.note());
        Ring ring = new Ring(firing, alert.acts(), text, away);
        tell.accept(text);
        if (isOff()) {
            return;
        }
        sound(ring, zone);
        show(ring);
    }

    private static String when(Firing firing, ZoneId zone) {
        return Times.at(firing.at(), zone)
                .format(java.time.format.DateTimeFormatter.ofPattern("d MMM HH:mm", java.util.Locale.ENGLISH));
    }

    private void show(Ring ring) {
        unseen.addFirst(ring);
        if (ring.acts().system()) {
            outside.system(ring.firing().instrument().code(), ring.text());
        }
        if (ring.acts().chart()) {
            outside.chart(ring);
        }
        listeners.tell(this);
    }

    private void sound(Ring ring, ZoneId zone) {
        Documents.Bell bell = habits.bell();
        String name = ring.acts().sound().isEmpty() ? bell.sound() : ring.acts().sound();
        boolean silent = name.equals(Acts.SILENT)
                || bell.volume() == 0
                || silence()
                        .filter(hours -> new Terms(Terms.Repeat.ONCE, Long.MIN_VALUE, Long.MAX_VALUE, hours)
                                .lookAt(now.getAsLong(), zone))
                        .isPresent();
        if (!silent) {
            outside.sound(name, bell.volume() / 100.0);
        }
    }

    /** The newest that was not looked at. */
    public Optional<Ring> newest() {
        return Optional.ofNullable(unseen.peekFirst());
    }

    /** How many were not looked at. */
    public int unseen() {
        return unseen.size();
    }

    /** How many sleep. */
    public int asleep() {
        return sleeping.size();
    }

    /** Takes the newest away, because it is looked at or put away. */
    public Optional<Ring> take() {
        Optional<Ring> newest = Optional.ofNullable(unseen.pollFirst());
        if (newest.isPresent()) {
            listeners.tell(this);
        }
        return newest;
    }

    /** Puts the newest to sleep for some time of the market; false when there is none. */
    public boolean snooze(long micros) {
        Ring newest = unseen.pollFirst();
        if (newest == null) {
            tell.accept("No alert is ringing that could be put to sleep.");
            return false;
        }
        sleeping.add(new Sleeping(newest, now.getAsLong() + micros));
        tell.accept("The alert on " + newest.firing().instrument().code() + " comes again in " + micros / Times.MINUTE
                + " minutes.");
        listeners.tell(this);
        return true;
    }

    /** Time has come to a moment: what has slept long enough rings again. */
    public void beat(long time) {
        List<Sleeping> due =
                sleeping.stream().filter(each -> each.until() <= time).toList();
        if (due.isEmpty()) {
            return;
        }
        sleeping.removeAll(due);
        due.forEach(each -> {
            if (!isOff()) {
                outside.sound(
                        each.ring().acts().sound().isEmpty()
                                ? habits.bell().sound()
                                : each.ring().acts().sound(),
                        habits.bell().volume() / 100.0);
            }
            unseen.addFirst(each.ring());
        });
        listeners.tell(this);
    }

    /** True while all alerts are quiet. */
    public boolean isOff() {
        return habits.bell().off();
    }

    /** Makes all alerts quiet, or lets them ring again; says so. */
    public void setOff(boolean off) {
        habits.setBell(habits.bell().withOff(off));
        tell.accept(
                off ? "Alerts are quiet: what fires is written down in Watch and nothing else." : "Alerts ring again.");
        listeners.tell(this);
    }

    /** How loud sounds are, from 0 to 100. */
    public int volume() {
        return habits.bell().volume();
    }

    /** Makes sounds louder or softer. */
    public void setVolume(int percent) {
        habits.setBell(habits.bell().withVolume(Math.max(0, Math.min(100, percent))));
    }

    /** The usual sound. */
    public String sound() {
        return habits.bell().sound();
    }

    /** Chooses the usual sound and lets it be heard. */
    public void setSound(String name) {
        habits.setBell(habits.bell().withSound(name));
        if (!name.equals(Acts.SILENT)) {
            outside.sound(name, habits.bell().volume() / 100.0);
        }
    }

    /** The hours in which no sound is made. */
    public Optional<Terms.Hours> silence() {
        String[] ends = habits.bell().silence().split("-", -1);
        return ends.length == 2
                ? Optional.of(new Terms.Hours(LocalTime.parse(ends[0]), LocalTime.parse(ends[1])))
                : Optional.empty();
    }

    /** Chooses the hours in which no sound is made; null for none. */
    public void setSilence(Terms.Hours hours) {
        habits.setBell(habits.bell().withSilence(hours == null ? "" : hours.from() + "-" + hours.to()));
    }
}
