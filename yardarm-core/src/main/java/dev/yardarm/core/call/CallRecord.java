package dev.yardarm.core.call;

import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * How good calls were: of those that were triggered and decided, the share that came true, against the share that their distances implied
 * when they were triggered. A trader whose calls come true as often as the distances imply knows no more than the distances.
 *
 * @param triggered how many were triggered and are decided: came true, proved wrong or expired
 * @param cameTrue how many of them came true
 * @param implied how many of them would have, by {@link Reading#odds} at the price of their trigger
 * @param never how many were over before they were triggered
 * @param open how many are not decided yet
 */
public record CallRecord(int triggered, int cameTrue, double implied, int never, int open) {
    /** A call and what became of it. */
    public record Judged(Call call, List<CallEvent> events) {
        public Judged {
            Objects.requireNonNull(call);
            events = List.copyOf(events);
        }

        /** The event of a kind. */
        public Optional<CallEvent> event(CallEvent.Kind kind) {
            return events.stream().filter(each -> each.kind() == kind).findFirst();
        }

        /** Where the main reading stands: what decided it, else whether it was triggered; empty while it waits. */
        public Optional<CallEvent.Kind> state() {
            return events.stream()
                    .map(CallEvent::kind)
                    .filter(CallEvent.Kind::decides)
                    .findFirst()
                    .or(() -> event(CallEvent.Kind.TRIGGERED).map(CallEvent::kind));
        }
    }

    /**
     * Counts calls.
     *
     * @param calls in any order
     */
    public static CallRecord of(List<Judged> calls) {
        int triggered = 0;
        int cameTrue = 0;
        double implied = 0;
        int never = 0;
        int open = 0;
        for (Judged each : calls) {
            Optional<CallEvent.Kind> state = each.state();
            boolean decided = state.isPresent() && state.get().decides();
            Optional<CallEvent> trigger = each.event(CallEvent.Kind.TRIGGERED);
            if (!decided) {
                open++;
            } else if (trigger.isEmpty()) {
                never++;
            } else {
                triggered++;
                cameTrue += state.get() == CallEvent.Kind.CAME_TRUE ? 1 : 0;
                implied += each.call().main().odds(trigger.get().price());
            }
        }
        return new CallRecord(triggered, cameTrue, implied, never, open);
    }

    /** The share that came true, from 0 to 1; NaN before any was decided. */
    public double share() {
        return triggered == 0 ? Double.NaN : (double) cameTrue / triggered;
    }

    /** The share that their distances implied; NaN before any was decided. */
    public double impliedShare() {
        return triggered == 0 ? Double.NaN : implied / triggered;
    }
}
