package dev.yardarm.desk.book;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Says what else rests on something that is taken away, so that nothing stops watching in silence: how many alerts, calls, plans and scans. Asked
 * before it goes, by the interface's thread. Cost: all of them once.
 */
public final class RestsOn {
    private final Books books;

    public RestsOn(Books books) {
        this.books = books;
    }

    /** Tells what is said, when anything is. */
    public static void tell(String rests, java.util.function.Consumer<String> to) {
        if (!rests.isEmpty()) {
            to.accept(rests);
        }
    }

    /** Waiting alerts on drawings of an instrument, which go with them; empty when there are none. */
    public String drawings(InstrumentId instrument, Set<String> drawings) {
        long alerts = books.alerts(instrument).stream()
                .filter(books::waits)
                .filter(alert -> drawings.stream().anyMatch(alert::isOn))
                .count();
        return alerts == 0 ? "" : "With it went " + count(alerts, "alert") + "; undo brings all back.";
    }

    /** Scans that look through a list. */
    public String list(String name) {
        return rests(
                name,
                books.scans().stream()
                        .filter(scan -> scan.universe().lists().contains(name))
                        .map(Scan::name)
                        .toList(),
                0,
                0,
                0);
    }

    /** Alerts that wait for what a scan finds, and its schedule. */
    public String scan(String name) {
        long alerts = books.alerts().stream()
                .filter(books::waits)
                .filter(alert -> alert.waits().stream()
                        .anyMatch(wait -> wait.on() instanceof Awaited.Member member
                                && member.scan().equals(name)))
                .count();
        return rests(name, List.of(), alerts, 0, 0);
    }

    /** Alerts and scans whose formulas name an indicator of the trader's own. */
    public String indicator(String name) {
        Pattern named = Pattern.compile(
                "(?i)(?<![\\w.#])" + Pattern.quote(name) + "(?![\\w])", Pattern.UNICODE_CHARACTER_CLASS);
        return reading(name, named);
    }

    /**
     * What watches an instrument or reads it in formulas.
     *
     * @param code it is called by in formulas
     */
    public String instrument(InstrumentId id, String code) {
        long alerts = books.alerts(id).stream().filter(books::waits).count();
        long calls = books.calls().stream()
                .filter(call -> call.instrument().equals(id) && !books.isOver(call))
                .map(Call::id)
                .count();
        long plans = books.plan(id).isPresent() ? 1 : 0;
        Pattern named = Pattern.compile("(?i)#" + Pattern.quote(code) + "(?![\\w-])");
        List<String> scans = scans(named);
        long reading = books.alerts().stream()
                .filter(each -> !each.instrument().equals(id) && books.waits(each) && reads(each, named))
                .count();
        return rests(code, scans, alerts + reading, calls, plans);
    }

    private String reading(String name, Pattern named) {
        return rests(
                name,
                scans(named),
                books.alerts().stream()
                        .filter(each -> books.waits(each) && reads(each, named))
                        .count(),
                0,
                0);
    }

    private List<String> scans(Pattern named) {
        return books.scans().stream()
                .filter(scan -> Stream.concat(Stream.of(scan.condition(), scan.rank()), scan.columns().stream())
                        .anyMatch(text -> named.matcher(text).find()))
                .map(Scan::name)
                .toList();
    }

    private static boolean reads(Alert alert, Pattern named) {
        return alert.waits().stream()
                .anyMatch(wait -> wait.on() instanceof Awaited.Condition condition
                                && named.matcher(condition.text()).find()
                        || wait.on() instanceof Awaited.Value value
                                && named.matcher(value.text()).find());
    }

    private static String rests(String on, List<String> scans, long alerts, long calls, long plans) {
        List<String> parts = new ArrayList<>();
        if (alerts > 0) {
            parts.add(count(alerts, "alert"));
        }
        if (calls > 0) {
            parts.add(count(calls, "call"));
        }
        if (plans > 0) {
            parts.add(count(plans, "plan"));
        }
        if (!scans.isEmpty()) {
            parts.add(count(scans.size(), "scan") + " ("
                    + String.join(", ", scans.subList(0, Math.min(3, scans.size())))
                    + (scans.size() > 3 ? ", ..." : "") + ")");
        }
        if (parts.isEmpty()) {
            return "";
        }
        boolean one = parts.size() == 1 && alerts + calls + plans + scans.size() == 1;
        return String.join(", ", parts) + (one ? " rests" : " rest") + " on " + on
                + " and cannot go on without it; undo brings it back.";
    }

    private static String count(long number, String what) {
        return String.format(Locale.ROOT, "%d %s%s", number, what, number == 1 ? "" : "s");
    }
}
