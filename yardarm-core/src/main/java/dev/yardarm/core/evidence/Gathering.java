package dev.yardarm.core.evidence;

import java.util.ArrayList;
import java.util.List;

/**
 * Puts studies together as they are made, in their order, so that each can let go of what it has by day at once. Of thousands of
 * instruments a few are held whole at a time:
 *
 * <pre>{@code
 * Gathering gathering = new Gathering(question);
 * for (Study each : someMadeByManyThreads) {
 *     gathering.add(each);
 * }
 * Evidence evidence = gathering.end();
 * }</pre>
 *
 * <p>Used by one thread.
 */
public final class Gathering {
    private final Question question;
    private final ByDay days;
    private final List<Study> studies = new ArrayList<>();

    /** @param question that all studies were made for */
    public Gathering(Question question) {
        this.question = question;
        days = new ByDay(question);
    }

    /** Adds a study; the order of studies is that of the sums, and so of the last digits. */
    public void add(Study study) {
        studies.add(study);
        days.add(study);
    }

    /** How many there are. */
    public int count() {
        return studies.size();
    }

    /** What they come to together. */
    public Evidence end() {
        return new Evidence(studies, question, days);
    }
}
