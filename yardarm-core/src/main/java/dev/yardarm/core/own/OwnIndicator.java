package dev.yardarm.core.own;

import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.series.Times;
import java.util.ArrayList;
import java.util.List;

/**
 * An indicator of the trader's own as it is kept: the text of its definition in all versions it was saved in. Texts are kept
 * whatever is in them; which of them can be used is another matter.
 *
 * @param name by which formulas know it
 * @param versions from the first to the newest, at least one
 */
public record OwnIndicator(String name, List<Version> versions) {
    /** Older versions beyond this many are let go. */
    public static final int MOST_VERSIONS = 200;

    /**
     * One time it was saved.
     *
     * @param at when, microseconds UTC
     * @param note what the trader said about it; may be empty
     */
    public record Version(long at, String note, String text) {
        public Version {
            Times.checked("the time of a version", at);
            note = note == null ? "" : note;
            if (text == null) {
                throw new IllegalArgumentException("a version has no text");
            }
        }
    }

    public OwnIndicator {
        if (name == null || name.isBlank()) {
            throw new IllegalArgumentException("it has no name");
        }
        versions = List.copyOf(versions);
        if (versions.isEmpty()) {
            throw new IllegalArgumentException("it has no version");
        }
    }

    /** The newest version. */
    public Version newest() {
        return versions.get(versions.size() - 1);
    }

    /** The name for people of the newest version that has one. */
    public String title() {
        for (int at = versions.size() - 1; at >= 0; at--) {
            String title = Definition.titleOf(versions.get(at).text());
            if (title != null) {
                return title;
            }
        }
        return name;
    }

    /** The same with a further version. */
    public OwnIndicator with(Version next) {
        List<Version> all = new ArrayList<>(versions);
        all.add(next);
        return new OwnIndicator(name, all.subList(Math.max(0, all.size() - MOST_VERSIONS), all.size()));
    }
}
